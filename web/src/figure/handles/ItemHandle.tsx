import type { Point } from '@bogen/core/curve';
import { gripKey, gripPlace, itemOf, moveHandleOf, type Grip } from '@bogen/core/figure';
import clsx from 'clsx';
import { useLayoutEffect, useRef } from 'react';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { mayMove } from '../scene/may.js';
import { useGrips } from './useGrips.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';

interface ItemHandleProps {
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly pane: Pane;
  readonly item: string;
  readonly handle: string;
  readonly onSay: (text: string) => void;
}

/** A place by which an arc, a conic, a chain, another shape, a picture or a linked curve is taken hold of. Its mark is drawn on the canvas below. */
export function ItemHandle({ scene, projection, pane, item: id, handle, onSay }: ItemHandleProps) {
  const { t } = useTranslation();
  const ref = useRef<SVGCircleElement>(null);
  const grip: Grip = { item: id, of: 'handle', key: handle };
  const place = (): Point | undefined => gripPlace(scene.document, scene.evaluation, grip);
  const { isHeld: _, ...taking } = useGrips(() => ({
    scene,
    projection,
    pane,
    grip,
    movable: mayMove(scene.host, grip),
    place,
    command: (to) => moveHandleOf(scene.document, scene.evaluation, id, handle, to),
    onStep: (to) =>
      onSay(t('figure.moved', { name: handle, x: shownNumber(to[0]!), y: shownNumber(to[1]!) })),
  }));

  useLayoutEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const at = place();
      if (!at) return;
      const [x, y] = projection.toScreen(at);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
    };
    const name = (): void => {
      const at = place();
      if (!at) return;
      const facts = { x: shownNumber(at[0]!), y: shownNumber(at[1]!) };
      const curve = itemOf(scene.document, id)?.name ?? '';
      element.setAttribute('aria-label', t('figure.shapeHandle', { name: handle, curve, ...facts }));
    };
    name();
    const stops = [scene.addPainter(paint), scene.onRest(name)];
    return () => stops.forEach((stop) => stop());
  });
  return (
    <circle
      ref={ref}
      r={12}
      className={clsx('mark grip loose', scene.selected.has(grip) && 'selected')}
      tabIndex={0}
      role="button"
      data-shape-handle={`${id}/${handle}`}
      data-grip={gripKey(grip)}
      {...taking}
    />
  );
}
