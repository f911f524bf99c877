import type { Curve } from './curve.js';
import { domainOf } from './knotVector.js';
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
