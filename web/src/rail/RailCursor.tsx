import { domainOf } from '@bogen/core/curve';
import type { Told } from '@bogen/core/lesson';
import { useLayoutEffect, useRef, useState } from 'react';
import { cursorHold } from '../figure/handles/cursorHold.js';
import { alongRail } from '../figure/hold/parameter.js';
import { useHold } from '../figure/hold/useHold.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { ProblemText } from '../ui/ProblemText.js';
import { mayChangeKnots } from './knotMarks.js';
import { gutter, railAxis, zoomedWindow } from './axis.js';
import { notation } from '../text/notation.js';

/** The line through all tracks, with a grip at its top and the parameter's value beside it. */
export function RailCursor({ scene, width }: { scene: FigureScene; width: number }) {
  const { t } = useTranslation();
  const line = useRef<HTMLDivElement>(null);
  const value = useRef<HTMLSpanElement>(null);

  useLayoutEffect(() => {
    let before: readonly unknown[] = [];
    return scene.addPainter(() => {
      const curve = scene.railCurve;
      if (!curve || !line.current || !value.current) return;
      // Words that are set anew are laid out anew, also where they are the same.
      const [start, end] = domainOf(curve.knots, curve.degree);
      const now = [scene.cursor, scene.axis.window, start, end, notation()];
      if (now.every((part, index) => part === before[index])) return;
      before = now;
      const x = railAxis(curve, width, scene.axis.window)(scene.cursor);
      line.current.style.transform = `translateX(${x.toFixed(2)}px)`;
      // Outside the part that is shown there is nothing to see of it.
      line.current.style.visibility = x < gutter.left - 1 || x > width - gutter.right + 1 ? 'hidden' : '';
      value.current.textContent = `${notation().parameter} = ${shownNumber(scene.cursor, 1)}`;
      // Beyond the middle the value stands to the left, so that it never leaves the rail.
      value.current.style.right = x > width - 110 ? '11px' : '';
      value.current.style.left = x > width - 110 ? '' : '11px';
      line.current.setAttribute('aria-valuemin', String(start));
      line.current.setAttribute('aria-valuemax', String(end));
      line.current.setAttribute('aria-valuenow', scene.cursor.toFixed(3));
    });
  }, [scene, width]);

  const [refused, setRefused] = useState<Told | null>(null);
  const hold = useHold(() => {
    const curve = scene.railCurve;
    return curve && cursorHold(scene, alongRail(curve, railAxis(curve, width, scene.axis.window)));
  });
  const zoom = (factor: number): void => {
    const curve = scene.railCurve;
    if (curve) scene.axis.setWindow(zoomedWindow(curve, scene.axis.window, factor, scene.cursor));
  };
  const insert = (): void => {
    const { item } = scene.document.rail;
    const curve = scene.railCurve;
    if (!curve || item === null || !mayChangeKnots(scene)) return;
    const at = scene.cursor;
    // What changes knots is not part of what a reader loads first.
    void import('./knotChange.js').then(({ outcomeOf }) => {
      const outcome = outcomeOf(curve, item, { kind: 'insert', at });
      if ('refused' in outcome) setRefused(outcome.refused);
      else scene.host.do(outcome.command);
    });
  };
  return (
    <div
      ref={line}
      role="slider"
      tabIndex={0}
      aria-label={t('figure.cursorOnRail')}
      data-handle="rail-cursor"
      className="group absolute top-0 bottom-0 left-0 -ml-3 w-6 cursor-ew-resize touch-none outline-none"
      onPointerDown={hold.onPointerDown}
      onMouseDown={hold.onMouseDown}
      onBlur={() => setRefused(null)}
      onKeyDown={(event) => {
        setRefused(null);
        if (event.key === '+' || event.key === '-') {
          zoom(event.key === '+' ? 2 : 0.5);
          event.stopPropagation();
        } else if (event.key === 'Enter') insert();
        else hold.onKeyDown(event);
      }}
    >
      <div className="absolute inset-y-0 left-1/2 w-px bg-ink" />
      <div className="absolute top-px left-1/2 size-[13px] -translate-x-1/2 rounded-full border-[3px] border-ink bg-sheet group-focus-visible:ring-4 group-focus-visible:ring-accent/40" />
      {refused && (
        <ProblemText
          error={refused}
          className="absolute top-6 left-[11px] rounded bg-sheet px-1.5 py-px whitespace-nowrap"
        />
      )}
      <span
        ref={value}
        className="absolute top-0.5 rounded bg-ink px-1.5 py-px font-mono text-[11px] whitespace-nowrap text-sheet"
      />
    </div>
  );
}
