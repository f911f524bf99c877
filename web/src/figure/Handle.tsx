import { curveOf, type PointKind } from '@bogen/core';
import clsx from 'clsx';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { arrowStep, roundPlace } from './dragging.js';
import { handlePlace, ringRadius } from './drawMarks.js';
import type { Plane } from './plane.js';
import { letterOf, nameOf, type FigureScene } from './scene.js';

interface HandleProps {
  readonly scene: FigureScene;
  readonly plane: Plane;
  readonly item: string;
  readonly of: PointKind;
  readonly index: number;
  readonly loose: boolean;
  readonly movable: boolean;
  /** Instead of moving, a press says that the point is to be loose or fixed. */
  readonly onToggle: (() => void) | null;
  readonly onSay: (text: string) => void;
}

/** A handle in the hand: where the pointer took it, from the handle's middle and on the screen. */
interface Held {
  readonly dx: number;
  readonly dy: number;
  readonly from: readonly [number, number];
  moved: boolean;
}

/**
 * A control point or edit point as something to take hold of: a focusable element that is dragged with
 * the pointer and nudged with the arrows. Only its halo is seen; its mark is drawn on the canvas below, and
 * its place is set by the scene's painter, not by React.
 */
export function Handle({ scene, plane, item, of, index, loose, movable, onToggle, onSay }: HandleProps) {
  const { t } = useTranslation();
  const ref = useRef<SVGGElement>(null);
  const held = useRef<Held | null>(null);
  const name = `${letterOf(of)}${index}`;

  const place = (): [number, number] | undefined => handlePlace(scene, { item, of, index });
  const command = (to: [number, number]) => ({
    name: of === 'controlPoints' ? ('moveControlPoint' as const) : ('moveEditPoint' as const),
    item,
    index,
    to: to.map(roundPlace),
  });
  const describe = (): string => {
    const at = place();
    const facts = {
      name,
      curve: nameOf(scene.document, item),
      x: at ? shownNumber(at[0]) : '',
      y: at ? shownNumber(at[1]) : '',
      state: loose ? t('figure.loose') : t('figure.fixed'),
    };
    return of === 'controlPoints' ? t('figure.controlPoint', facts) : t('figure.editPoint', facts);
  };

  useEffect(() => {
    const element = ref.current!;
    let before = '';
    const paint = (): void => {
      // While another handle is dragged this one is out of reach; its mark moves on the canvas.
      if (!held.current && !scene.host.settled()) return;
      const at = place();
      if (!at) return;
      const [x, y] = plane.toScreen(at);
      const transform = `translate(${x.toFixed(2)} ${y.toFixed(2)})`;
      if (transform !== before) element.setAttribute('transform', (before = transform));
    };
    const name = (): void => element.setAttribute('aria-label', describe());
    paint();
    name();
    const stops = [scene.addPainter(paint), scene.onSettled(name)];
    return () => stops.forEach((stop) => stop());
  });

  const curve = curveOf(scene.evaluation, item);
  const radius = of === 'controlPoints' && curve ? ringRadius(curve, index) : 5;

  const onPointerDown = (event: PointerEvent<SVGGElement>): void => {
    if (event.button !== 0) return;
    ref.current!.focus();
    if (onToggle) {
      onToggle();
      return;
    }
    const at = place();
    if (!movable || !at) return;
    const [x, y] = plane.toScreen(at);
    held.current = {
      dx: x - event.clientX,
      dy: y - event.clientY,
      from: [event.clientX, event.clientY],
      moved: false,
    };
    ref.current!.setPointerCapture(event.pointerId);
    ref.current!.classList.add('held');
    scene.pick({ item, of, index });
  };
  const onPointerMove = (event: PointerEvent<SVGGElement>): void => {
    if (!held.current) return;
    const { from } = held.current;
    // A press that trembles is no move: a point that is only looked at stays where it is.
    if (Math.hypot(event.clientX - from[0], event.clientY - from[1]) >= 2) held.current.moved = true;
    if (!held.current.moved) return;
    scene.host.preview(
      command(plane.toPlane(event.clientX + held.current.dx, event.clientY + held.current.dy)),
    );
  };
  const release = (): void => {
    held.current = null;
    ref.current?.classList.remove('held');
  };
  const onPointerUp = (event: PointerEvent<SVGGElement>): void => {
    const { current } = held;
    if (!current) return;
    release();
    if (!current.moved) return;
    scene.host.preview(null);
    scene.host.do(command(plane.toPlane(event.clientX + current.dx, event.clientY + current.dy)));
  };
  const cancel = (): void => {
    if (!held.current) return;
    release();
    scene.host.preview(null);
  };
  const onKeyDown = (event: KeyboardEvent<SVGGElement>): void => {
    if (event.key === 'Escape') {
      cancel();
      return;
    }
    if (onToggle && (event.key === ' ' || event.key === 'Enter')) {
      event.preventDefault();
      onToggle();
      return;
    }
    const step = arrowStep(event, scene.document.view.grid);
    const at = place();
    if (!step || !at || held.current) return;
    event.preventDefault();
    if (!movable) {
      onSay(t('figure.fixedHelp'));
      return;
    }
    const to: [number, number] = [at[0] + step[0], at[1] + step[1]];
    scene.host.do(command(to));
    onSay(t('figure.moved', { name, x: shownNumber(to[0]), y: shownNumber(to[1]) }));
  };

  return (
    <g
      ref={ref}
      className={clsx('mark', loose ? 'loose' : 'fixed')}
      data-handle={`${item}/${name}`}
      tabIndex={0}
      role="button"
      aria-pressed={onToggle ? loose : undefined}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={cancel}
      onKeyDown={onKeyDown}
      onPointerEnter={() => !held.current && scene.pick({ item, of, index })}
      onPointerLeave={() => !held.current && scene.pick(null)}
      onFocus={() => scene.pick({ item, of, index })}
      onBlur={() => scene.pick(null)}
    >
      <circle className="halo" r={radius + 7} />
      <circle className="reach" r={of === 'controlPoints' ? Math.max(12, radius + 4) : 9} />
    </g>
  );
}
