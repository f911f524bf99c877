import { curveOf, gripKey, withLinkedMove, type PointKind } from '@bogen/core';
import clsx from 'clsx';
import type { TFunction } from 'i18next';
import { memo, useLayoutEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { filled } from '../text/filled.js';
import { shownNumber } from '../text/number.js';
import { useDragging } from './dragging.js';
import { handlePlace, ringRadius } from './handles.js';
import type { Pane } from './pane.js';
import type { Plane } from './plane.js';
import { letterOf, nameOf, type FigureScene } from './scene.js';

interface HandleProps {
  readonly scene: FigureScene;
  readonly plane: Plane;
  readonly pane: Pane;
  readonly item: string;
  readonly of: PointKind;
  readonly index: number;
  readonly loose: boolean;
  readonly selected: boolean;
  readonly movable: boolean;
  /** Instead of moving, a press says that the point is to be loose or fixed. */
  readonly onToggle: ((item: string, of: PointKind, index: number) => void) | null;
  readonly onSay: (text: string) => void;
  /** Asked for once by the pane, and not by each of hundreds. */
  readonly t: TFunction<'texts'>;
}

/**
 * A control point or edit point as something to take hold of: a focusable element that is dragged with
 * the pointer and nudged with the arrows. Only its halo is seen; its mark is drawn on the canvas below, and
 * its place is set by the scene's painter, not by React.
 */
export const Handle = memo(function Handle({
  scene,
  plane,
  pane,
  item,
  of,
  index,
  loose,
  selected,
  movable,
  onToggle,
  onSay,
  t,
}: HandleProps) {
  const ref = useRef<SVGCircleElement>(null);
  const grip = { item, of, index };
  const name = `${letterOf(of)}${index}`;

  const place = (): [number, number] | undefined => handlePlace(scene, { item, of, index });
  const dragging = useDragging({
    scene,
    plane,
    pane,
    grip,
    place,
    movable,
    command: (to, document) => {
      const name = of === 'controlPoints' ? 'moveControlPoint' : 'moveEditPoint';
      const move = { name, item, index, to } as const;
      const linked = withLinkedMove(document, move);
      // Whoever may not move the other curve's point moves this one alone.
      const allowed =
        linked.name !== 'batch' ||
        linked.commands.every(
          (part) =>
            part.name !== 'moveControlPoint' ||
            scene.host.mayMove(document, part.item, 'controlPoints', part.index),
        );
      return allowed ? linked : move;
    },
    onStep: (to) => onSay(t('figure.moved', { name, x: shownNumber(to[0]!), y: shownNumber(to[1]!) })),
    onFixed: () => onSay(t('figure.fixedHelp')),
    onTake: () => scene.pick(grip),
  });
  const describe = (): string => {
    const at = place();
    const facts = {
      name,
      curve: nameOf(scene.document, item),
      x: at ? shownNumber(at[0]) : '',
      y: at ? shownNumber(at[1]) : '',
      state: filled(t, loose ? 'figure.loose' : 'figure.fixed'),
    };
    return filled(t, of === 'controlPoints' ? 'figure.controlPoint' : 'figure.editPoint', facts);
  };

  // Before the first picture, so that no handle is ever seen or read in the wrong place.
  useLayoutEffect(() => {
    const element = ref.current!;
    let before = '';
    const paint = (): void => {
      // While something is dragged nothing else can be taken hold of: marks and the halo of the held one
      // move on the canvas, and the page has nothing to lay out.
      if (!scene.host.settled() && !scene.isSelected(grip)) return;
      const at = place();
      if (!at) return;
      const [x, y] = plane.toScreen(at);
      const transform = `translate(${x.toFixed(2)} ${y.toFixed(2)})`;
      if (transform !== before) element.setAttribute('transform', (before = transform));
    };
    const name = (): void => element.setAttribute('aria-label', describe());
    name();
    const stops = [scene.addPainter(paint), scene.onSettled(name)];
    return () => stops.forEach((stop) => stop());
  });

  const curve = curveOf(scene.evaluation, item);
  const radius = of === 'controlPoints' && curve ? ringRadius(curve, index) : 5;

  const onPointerDown = (event: PointerEvent<SVGCircleElement>): void => {
    if (event.button !== 0 || !onToggle) {
      dragging.onPointerDown(event);
      return;
    }
    ref.current!.focus();
    onToggle(item, of, index);
  };
  const onKeyDown = (event: KeyboardEvent<SVGCircleElement>): void => {
    if (onToggle && (event.key === ' ' || event.key === 'Enter')) {
      event.preventDefault();
      onToggle(item, of, index);
      return;
    }
    dragging.onKeyDown(event);
  };

  return (
    <circle
      ref={ref}
      r={Math.max(12, radius + 7)}
      className={clsx('mark grip', loose ? 'loose' : 'fixed', selected && 'selected')}
      data-handle={`${item}/${name}`}
      data-grip={gripKey(grip)}
      tabIndex={0}
      role="button"
      aria-pressed={onToggle ? loose : selected || undefined}
      onPointerDown={onPointerDown}
      onMouseDown={dragging.onMouseDown}
      onPointerMove={dragging.onPointerMove}
      onPointerUp={dragging.onPointerUp}
      onPointerCancel={dragging.onPointerCancel}
      onKeyDown={onKeyDown}
      onPointerEnter={() => !dragging.isHeld() && scene.pick({ item, of, index })}
      onPointerLeave={() => !dragging.isHeld() && scene.pick(null)}
      onFocus={() => scene.pick({ item, of, index })}
      onBlur={() => scene.pick(null)}
    />
  );
});
