import { domainOf } from '@bogen/core/curve';
import { useLayoutEffect, useRef, type PointerEvent } from 'react';
import { cursorKey } from '../figure/handles/cursorKey.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { gutter, railAxis, zoomedWindow } from './axis.js';

/** The line through all tracks, with a grip at its top and the parameter's value beside it. */
export function RailCursor({ scene, width }: { scene: FigureScene; width: number }) {
  const { t } = useTranslation();
  const line = useRef<HTMLDivElement>(null);
  const value = useRef<HTMLSpanElement>(null);
  const held = useRef<{ offset: number; u: number } | null>(null);

  useLayoutEffect(() => {
    let before: readonly unknown[] = [];
    return scene.addPainter(() => {
      const curve = scene.railCurve;
      if (!curve || !line.current || !value.current) return;
      // Words that are set anew are laid out anew, also where they are the same.
      const now = [scene.cursor, scene.axis.window, curve.knots];
      if (now.every((part, index) => part === before[index])) return;
      before = now;
      const x = railAxis(curve, width, scene.axis.window)(scene.cursor);
      line.current.style.transform = `translateX(${x.toFixed(2)}px)`;
      // Outside the part that is shown there is nothing to see of it.
      line.current.style.visibility = x < gutter.left - 1 || x > width - gutter.right + 1 ? 'hidden' : '';
      value.current.textContent = `u = ${shownNumber(scene.cursor, 3)}`;
      // Beyond the middle the value stands to the left, so that it never leaves the rail.
      value.current.style.right = x > width - 110 ? '11px' : '';
      value.current.style.left = x > width - 110 ? '' : '11px';
      const [start, end] = domainOf(curve.knots, curve.degree);
      line.current.setAttribute('aria-valuemin', String(start));
      line.current.setAttribute('aria-valuemax', String(end));
      line.current.setAttribute('aria-valuenow', shownNumber(scene.cursor, 3));
    });
  }, [scene, width]);

  const follow = (event: PointerEvent): void => {
    const curve = scene.railCurve;
    if (!held.current || !curve) return;
    const axis = railAxis(curve, width, scene.axis.window).clamp(true);
    scene.moveCursor(axis.invert(event.clientX + held.current.offset));
  };
  return (
    <div
      ref={line}
      role="slider"
      tabIndex={0}
      aria-label={t('figure.cursorOnRail')}
      data-handle="rail-cursor"
      className="group absolute top-0 bottom-0 left-0 -ml-3 w-6 cursor-ew-resize touch-none outline-none"
      onPointerDown={(event) => {
        const curve = scene.railCurve;
        if (event.button !== 0 || !curve) return;
        held.current = {
          offset: railAxis(curve, width, scene.axis.window)(scene.cursor) - event.clientX,
          u: scene.cursor,
        };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={follow}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && held.current) {
          scene.moveCursor(held.current.u);
          held.current = null;
        } else if (event.key === '+' || event.key === '-') {
          const curve = scene.railCurve;
          const factor = event.key === '+' ? 2 : 0.5;
          if (curve) scene.axis.setWindow(zoomedWindow(curve, scene.axis.window, factor, scene.cursor));
          event.stopPropagation();
        } else cursorKey(event, scene);
      }}
    >
      <div className="absolute inset-y-0 left-1/2 w-px bg-ink" />
      <div className="absolute top-px left-1/2 size-[13px] -translate-x-1/2 rounded-full border-[3px] border-ink bg-sheet group-focus-visible:ring-4 group-focus-visible:ring-accent/40" />
      <span
        ref={value}
        className="absolute top-0.5 rounded bg-ink px-1.5 py-px font-mono text-[11px] whitespace-nowrap text-sheet"
      />
    </div>
  );
}
