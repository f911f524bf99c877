import { curveOf, type PointKind } from '@bogen/core';
import clsx from 'clsx';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { editPointsOf } from './geometry.js';
import type { Plane } from './plane.js';
import { labelDirection } from './labelDirection.js';
import { letterOf, nameOf, type FigureScene } from './scene.js';

interface HandleProps {
  readonly scene: FigureScene;
  readonly plane: Plane;
  readonly item: string;
  readonly of: PointKind;
  readonly index: number;
  readonly loose: boolean;
  readonly movable: boolean;
  readonly labelled: boolean;
  /** Instead of moving, a press says that the point is to be loose or fixed. */
  readonly onToggle: (() => void) | null;
  readonly onSay: (text: string) => void;
}

/** Places are kept to a thousandth of the unit: finer than any hand, and short to read. */
const round = (value: number): number => Math.round(value * 1000) / 1000;

/**
 * A control point or edit point as something to take hold of: a focusable element that is dragged with
 * the pointer and nudged with the arrows. Its place is set by the scene's painter, not by React.
 */
export function Handle({
  scene,
  plane,
  item,
  of,
  index,
  loose,
  movable,
  labelled,
  onToggle,
  onSay,
}: HandleProps) {
  const { t } = useTranslation();
  const ref = useRef<SVGGElement>(null);
  const label = useRef<SVGTextElement>(null);
  const held = useRef<{ dx: number; dy: number; moved: boolean } | null>(null);
  const name = `${letterOf(of)}${index}`;

  const place = (): [number, number] | undefined => {
    const curve = curveOf(scene.evaluation, item);
    const point = of === 'controlPoints' ? curve?.points[index] : curve && editPointsOf(curve)[index]?.point;
    return point && [point[0]!, point[1]!];
  };
  const command = (to: [number, number]) => ({
    name: of === 'controlPoints' ? ('moveControlPoint' as const) : ('moveEditPoint' as const),
    item,
    index,
    to: to.map(round),
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

  const weight = curveOf(scene.evaluation, item)?.weights?.[index] ?? 1;
  // The ring's area follows the weight.
  const radius = Math.max(3.5, Math.min(14, 6 * Math.sqrt(weight)));

  useEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const at = place();
      if (!at) return;
      const [x, y] = plane.toScreen(at);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
      const [awayX, awayY] = labelDirection(curveOf(scene.evaluation, item)!.points, index);
      // Edit points have their names on the other side, so that both can be read.
      const distance = of === 'controlPoints' ? radius + 12 : -16;
      label.current?.setAttribute('x', (awayX * distance).toFixed(1));
      label.current?.setAttribute('y', (-awayY * distance).toFixed(1));
      if (held.current === null) element.setAttribute('aria-label', describe());
    };
    paint();
    return scene.addPainter(paint);
  });

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
    held.current = { dx: x - event.clientX, dy: y - event.clientY, moved: false };
    ref.current!.setPointerCapture(event.pointerId);
    ref.current!.classList.add('held');
    scene.pick({ item, of, index });
  };
  const onPointerMove = (event: PointerEvent<SVGGElement>): void => {
    if (!held.current) return;
    held.current.moved = true;
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
    const directions: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    const direction = directions[event.key];
    const at = place();
    if (!direction || !at || held.current) return;
    event.preventDefault();
    if (!movable) {
      onSay(t('figure.fixedHelp'));
      return;
    }
    const { grid } = scene.document.view;
    const step = event.shiftKey ? grid : event.altKey ? grid / 100 : grid / 10;
    const to: [number, number] = [at[0] + direction[0] * step, at[1] + direction[1] * step];
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
      {of === 'controlPoints' ? (
        <>
          <circle className="halo" r={radius + 7} />
          <circle r={Math.max(12, radius + 4)} fill="transparent" />
          <circle className="ring" r={radius} />
          {!loose && <line className="bar" x1={-radius - 4} x2={radius + 4} y1={0} y2={0} />}
        </>
      ) : (
        <>
          <circle className="halo" r={12} />
          <circle r={9} fill="transparent" />
          <path className="lozenge" d="M0-6.500 4.500 0 0 6.500-4.500 0Z" />
          {!loose && onToggle && <line className="bar" x1={-8} x2={8} y1={0} y2={0} />}
        </>
      )}
      {labelled && (
        <text ref={label} textAnchor="middle" dominantBaseline="central" aria-hidden>
          {letterOf(of)}
          <tspan dy={3} fontSize={10}>
            {index}
          </tspan>
        </text>
      )}
    </g>
  );
}
