import { domainOf, spansOf } from '@bogen/core/curve';
import type { KeyboardEvent } from 'react';
import type { FigureScene } from '../scene/scene.js';

/** Moves the cursor by keyboard: arrows by a hundredth of the domain, page keys from knot to knot, ends by Home and End. */
export function cursorKey(event: KeyboardEvent, scene: FigureScene): void {
  const curve = scene.railCurve;
  if (!curve) return;
  const [start, end] = domainOf(curve.knots, curve.degree);
  const step = ((end - start) / 100) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
  const u = scene.cursor;
  const breaks = [start, ...spansOf(curve.knots, curve.degree).map((span) => span.end)];
  const to: Record<string, number | undefined> = {
    ArrowRight: u + step,
    ArrowUp: u + step,
    ArrowLeft: u - step,
    ArrowDown: u - step,
    PageUp: breaks.find((knot) => knot > u + 1e-12),
    PageDown: breaks.findLast((knot) => knot < u - 1e-12),
    Home: start,
    End: end,
  };
  const next = to[event.key];
  if (next === undefined) return;
  event.preventDefault();
  scene.moveCursor(Math.min(end, Math.max(start, next)));
}
