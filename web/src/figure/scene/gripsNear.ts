import type { Point } from '@bogen/core/curve';
import { curveOf, gripPlace, gripsOfItem, isMarked, itemOf, type Grip } from '@bogen/core/figure';
import { handlesOf, liesUnderControlPoint } from './handles.js';
import { mayMove } from './may.js';
import { wholePane, type Pane } from './pane.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from './scene.js';

/** Pixels within which two grips count as lying on each other. */
const onEachOther = 4;

/** Every grip that can be taken hold of in the figure as it is shown. */
export function gripsOf(scene: FigureScene, pane: Pane = wholePane): Grip[] {
  const { document, evaluation, host } = scene;
  const points = handlesOf(scene, pane).filter((handle) => {
    const curve = curveOf(evaluation, handle.item);
    return curve && !liesUnderControlPoint(document, curve, handle);
  });
  const others = document.items.filter(
    (item) =>
      (item.kind === 'shape' || item.kind === 'point' || item.kind === 'picture') && isMarked(document, item),
  );
  return [
    ...points.filter(({ item }) => !itemOf(document, item)?.locked),
    ...others.filter(({ id, hidden, locked }) => pane.shows(id) && !hidden && !locked).flatMap(gripsOfItem),
  ].filter((grip) => mayMove(host, grip));
}

/** The grips that lie on a place, as far as can be told on the screen. */
export function gripsNear(
  scene: FigureScene,
  projection: Projection,
  place: Point,
  pane: Pane,
  within = onEachOther,
): Grip[] {
  const { document, evaluation } = scene;
  const reach = within / projection.scale;
  return gripsOf(scene, pane).filter((grip) => {
    const at = gripPlace(document, evaluation, grip);
    return at && Math.hypot(at[0]! - place[0]!, at[1]! - place[1]!) <= reach;
  });
}
