import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { domainOf } from './knotVector.js';

/**
 * The same curve run through from its end to its start, on the same domain: C(a + b − u) (P&T 6.2).
 */
export function reverseCurve(curve: Curve): Curve {
  const { knots, degree, points, weights } = curve;
  const [start, end] = domainOf(knots, degree);
  const mirrored = knots.map((knot) => (knot === start ? end : knot === end ? start : start + end - knot));
  return {
    ...curve,
    knots: mirrored.reverse(),
    points: points.toReversed(),
    ...(weights ? { weights: weights.toReversed() } : {}),
  };
}

/**
 * The same curve on another domain, its parameter stretched evenly (P&T 6.2). Knots that were equal stay
 * equal, and the ends of the domain are exactly those asked for.
 * @param start,end the new domain, finite, `start < end`
 * @throws CurveError `empty-domain`
 */
export function mapDomain(curve: Curve, start: number, end: number): Curve {
  if (!(Number.isFinite(start) && Number.isFinite(end) && end > start)) {
    throw new CurveError(
      'empty-domain',
      `The new domain from ${start} to ${end} must be finite and have a length.`,
      {
        value: end,
      },
    );
  }
  const { knots, degree } = curve;
  const [oldStart, oldEnd] = domainOf(knots, degree);
  const scale = (end - start) / (oldEnd - oldStart);
  const map = (knot: number): number => (knot === oldEnd ? end : start + (knot - oldStart) * scale);
  return { ...curve, knots: knots.map(map) };
}
