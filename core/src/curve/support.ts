import type { Curve } from './curve.js';
import { domainOf, spansOf, type Span } from './knotVector.js';
import { validatePointIndex } from './validate.js';

/**
 * The part of the domain on which control point `index` acts: `[U_i, U_{i+p+1}]`, cut to the
 * domain (P&T P2.1).
 * @throws CurveError `index`
 */
export function supportOf(curve: Curve, index: number): readonly [number, number] {
  validatePointIndex(curve, index);
  const [start, end] = domainOf(curve.knots, curve.degree);
  return [Math.max(start, curve.knots[index]!), Math.min(end, curve.knots[index + curve.degree + 1]!)];
}

/**
 * The spans that change when control point `index` moves: at most degree + 1 of them.
 * @throws CurveError `index`
 */
export function supportSpans(curve: Curve, index: number): Span[] {
  const [start, end] = supportOf(curve, index);
  return spansOf(curve.knots, curve.degree).filter((span) => span.start >= start && span.end <= end);
}
