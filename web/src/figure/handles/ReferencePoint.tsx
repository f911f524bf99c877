import type { Point } from '@bogen/core/curve';
import { gripKey, itemOf, type Grip, type PointItem } from '@bogen/core/figure';
import clsx from 'clsx';
import { useLayoutEffect, useRef } from 'react';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { useGrips } from './useGrips.js';
import { mayMove } from '../scene/may.js';
import { referenceNameSide } from '../paint/referenceNameSide.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';

/** A reference point to aim at: a square set on the paper, with its name. Who may change the drawing can move it. */
export function ReferencePoint({
  scene,
  item,
  projection,
  pane,
}: {
  scene: FigureScene;
  item: PointItem;
  projection: Projection;
  pane: Pane;
}) {
  const { t } = useTranslation();
  const ref = useRef<SVGGElement>(null);
  const name = useRef<SVGTextElement>(null);
  const place = (): Point | undefined => {
    const now = itemOf(scene.document, item.id);
    return now?.kind === 'point' ? now.at : undefined;
  };
  const grip: Grip = { item: item.id, of: 'referencePoint' };
  const movable = mayMove(scene.host, grip) && !item.locked;
  const { isHeld: _, ...taking } = useGrips(() => ({
    scene,
    projection,
    pane,
    grip,
    movable,
    place,
    command: (to) => ({ name: 'moveReferencePoint', item: item.id, to }),
    onStep: () => undefined,
  }));
  useLayoutEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const at = place();
      if (!at) return;
      const [x, y] = projection.toScreen(at);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
    };
    // Names change sides when a change is done, and not under the pointer.
    const turn = (): void => {
      const isLeft = referenceNameSide(scene, place() ?? item.at) === 'left';
      name.current!.setAttribute('x', isLeft ? '-9' : '9');
      name.current!.setAttribute('text-anchor', isLeft ? 'end' : 'start');
    };
    turn();
    const stops = [scene.addPainter(paint), scene.onRest(turn)];
    return () => stops.forEach((stop) => stop());
  });
  const facts = { name: item.name, x: shownNumber(item.at[0]!), y: shownNumber(item.at[1]!) };
  return (
    <g
      ref={ref}
      role={movable ? 'button' : 'img'}
      aria-label={t('figure.referencePoint', facts)}
      className={clsx(
        'reference-point',
        movable ? 'mark loose' : 'pointer-events-none',
        scene.selected.has(grip) && 'selected',
      )}
      {...(movable
        ? { ...taking, tabIndex: 0, 'data-reference-point': item.name, 'data-grip': gripKey(grip) }
        : {})}
    >
      {movable && <circle className="grip" r={12} />}
      <rect x={-5} y={-5} width={10} height={10} fill="none" stroke="var(--ink)" strokeWidth={1.25} />
      <circle r={1.5} fill="var(--ink)" />
      <text ref={name} y={17} aria-hidden>
        {item.name}
      </text>
    </g>
  );
}
