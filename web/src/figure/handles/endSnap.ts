import { distinctPointCount, domainOf, pointAt, type Point } from '@bogen/core/curve';
import { curveOf, isCurveItem, type Grip } from '@bogen/core/figure';
import i18next from 'i18next';
import type { Projection } from '../geometry/projection.js';
import type { Pane } from '../scene/pane.js';
import type { FigureState, Snap } from '../scene/sceneParts.js';

/** Pixels within which the end of a curve is drawn onto another end. */
const reach = 7;

/**
 * The end of a curve that the end in the hand comes to lie on, its own other one or another curve's, and what that
 * means: ends that meet make no closed curve yet, and no joined one.
 * @param before the figure as it was when the end was taken
 */
export function endSnap(
  grip: Grip,
  pointer: Point,
  before: FigureState,
  projection: Projection,
  pane: Pane,
): Snap | null {
  if (grip.of !== 'controlPoints') return null;
  const own = curveOf(before.evaluation, grip.item);
  if (!own || own.periodic || own.points.length < 2) return null;
  const last = distinctPointCount(own) - 1;
  if (grip.index !== 0 && grip.index !== last) return null;
  const [x, y] = projection.toScreen(pointer);
  for (const item of before.document.items) {
    const curve = curveOf(before.evaluation, item.id);
    if (!curve || curve.periodic || item.hidden || !isCurveItem(item) || item.faint || !pane.shows(item.id))
      continue;
    const [start, end] = domainOf(curve.knots, curve.degree);
    for (const which of ['start', 'end'] as const) {
      const isOwn = item.id === grip.item;
      if (isOwn && (which === 'start') === (grip.index === 0)) continue;
      const at = pointAt(curve, which === 'start' ? start : end);
      const [px, py] = projection.toScreen(at);
      if (Math.hypot(px - x, py - y) > reach) continue;
      return {
        at,
        isEnd: true,
        words: i18next.t(isOwn ? 'figure.ownEndsMeet' : 'figure.endsMeet', { curve: item.name }),
      };
    }
  }
  return null;
}
