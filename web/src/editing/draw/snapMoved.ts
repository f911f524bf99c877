import { distinctPointCount, type Point } from '@bogen/core/curve';
import { curveOf, itemOf, sourcesOf, type Grip } from '@bogen/core/figure';
import type { Projection } from '../../figure/geometry/projection.js';
import { pointName } from '../../figure/scene/names.js';
import type { FigureState } from '../../figure/scene/sceneParts.js';
import { snap, type Snapped } from './snap.js';

/**
 * The place that a grip on the move snaps to: all that a drawing snaps to, but for what answers to the
 * move; of its own curve the other control points, and the lines on which they stand.
 * @param now the figure as it is seen
 * @param before the figure as it was when the grip was taken
 */
export function snapMoved(
  now: FigureState,
  grip: Grip,
  pointer: Point,
  before: FigureState,
  projection: Projection,
): Snapped {
  const { document, evaluation } = before;
  const answers = new Set([grip.item]);
  for (let known = 0; known < answers.size;) {
    known = answers.size;
    for (const item of document.items)
      if (sourcesOf(item).some((id) => answers.has(id))) answers.add(item.id);
  }
  const others = document.items.filter(
    ({ id }) => !answers.has(id) && evaluation.items.get(id) === now.evaluation.items.get(id),
  );
  const curve = grip.of === 'controlPoints' ? curveOf(evaluation, grip.item) : undefined;
  const own = curve?.points.slice(0, distinctPointCount(curve)) ?? [];
  const index = grip.of === 'controlPoints' ? grip.index : -1;
  const name = itemOf(document, grip.item)?.name ?? '';
  const points = own.flatMap((at, k) =>
    k === index ? [] : [{ at, name: `${pointName(document, grip.item, 'controlPoints', k)} ${name}` }],
  );
  const near = [own[index + 1], own[index - 2], own[index - 1]].flatMap((at) => (at ? [at] : []));
  return snap(pointer, near, { ...document, items: others }, evaluation, projection, points, document);
}
