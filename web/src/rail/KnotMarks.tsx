import clsx from 'clsx';
import { useLayoutEffect, useRef, useSyncExternalStore } from 'react';
import { itemOf } from '@bogen/core/figure';
import { alongRail } from '../figure/hold/parameter.js';
import { useHold, type Holdable } from '../figure/hold/useHold.js';
import { nameOf } from '../figure/scene/names.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { railAxis } from './axis.js';
import { knotMarksOf, knotUnit } from './knotMarks.js';
import type { TrackMarksProps } from './track.js';

/**
 * The knots on their track as something to take hold of: focusable, pulled along the axis and nudged with the
 * arrows, where whoever is here may move them. Their bars are drawn on the canvas below.
 */
export function KnotMarks({ scene, width }: TrackMarksProps) {
  const { t } = useTranslation();
  const group = useRef<HTMLDivElement>(null);
  /** The knot in the hand, by its order, and where it would go. */
  const pulled = useRef<{ readonly index: number; readonly to: number } | null>(null);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const parameterWindow = scene.axis.window;
  const marks = curve ? knotMarksOf(scene, curve) : [];

  const holdableOf = (element: Element): Holdable<number> | undefined => {
    const index = Number(element.getAttribute('data-knot'));
    const mark = marks[index];
    const item = scene.document.rail.item;
    if (!mark || !curve || item === null) return undefined;
    const axis = railAxis(curve, width, parameterWindow);
    const commandTo = (to: number) => ({ name: 'moveKnot', item, knot: mark.value, to }) as const;
    return {
      space: alongRail(curve, axis, {
        limits: mark.limits,
        attracts: [mark.value, ...mark.neighbours],
        unit: knotUnit(curve),
      }),
      value: () => mark.value,
      ...(mark.movable ? {} : { fixed: () => undefined }),
      take: () => {
        const release = (): void => {
          if (pulled.current) scene.host.preview(null);
          pulled.current = null;
          scene.invalidate();
        };
        return {
          preview: (to) => {
            pulled.current = { index, to };
            scene.host.preview(to === mark.value ? null : commandTo(to));
          },
          commit: (to) => {
            release();
            if (to !== mark.value) scene.host.do(commandTo(to));
          },
          cancel: release,
        };
      },
    };
  };
  const { onPointerDown, onMouseDown, onKeyDown } = useHold(holdableOf);

  useLayoutEffect(() => {
    if (!curve) return undefined;
    const elements = [...group.current!.children] as HTMLElement[];
    return scene.addPainter(() => {
      const axis = railAxis(curve, width, parameterWindow);
      const [start, end] = axis.domain() as [number, number];
      marks.forEach(({ value }, index) => {
        const element = elements[index]!;
        const u = pulled.current?.index === index ? pulled.current.to : value;
        const transform = `translateX(${axis(u).toFixed(2)}px)`;
        if (element.style.transform !== transform) element.style.transform = transform;
        const visibility = u < start || u > end ? 'hidden' : '';
        if (element.style.visibility !== visibility) element.style.visibility = visibility;
      });
    });
  });
  const { item } = scene.document.rail;
  if (item === null || !itemOf(scene.document, item)) return null;
  return (
    <div ref={group} onPointerDown={onPointerDown} onMouseDown={onMouseDown} onKeyDown={onKeyDown}>
      {marks.map(({ value, multiplicity, movable, limits }, index) => (
        <div
          key={index}
          role="slider"
          tabIndex={0}
          aria-label={t('rail.knot', { curve: nameOf(scene.document, item) })}
          aria-valuemin={limits[0]}
          aria-valuemax={limits[1]}
          aria-valuenow={value}
          aria-valuetext={t('rail.knotValue', { value: shownNumber(value, 3), multiplicity })}
          aria-readonly={!movable}
          data-knot={index}
          className={clsx(
            'mark absolute bottom-0 left-0 z-10 -ml-[13px] h-14 w-[26px] rounded outline-none focus-visible:ring-3 focus-visible:ring-accent/40 focus-visible:ring-inset',
            movable ? 'cursor-ew-resize touch-none hover:bg-accent/10' : 'cursor-default',
          )}
        />
      ))}
    </div>
  );
}
