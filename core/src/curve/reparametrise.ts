import { told } from '../told/told.js';
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
    throw new CurveError('empty-domain', told('newDomain', { start, end }), {
      value: end,
    });
  }
  const { knots, degree } = curve;
  const [oldStart, oldEnd] = domainOf(knots, degree);
  const scale = (end - start) / (oldEnd - oldStart);
  const map = (knot: number): number => (knot === oldEnd ? end : start + (knot - oldStart) * scale);
  return { ...curve, knots: knots.map(map) };
}

/**
 * The same curve with another parameter, by the Möbius map of its domain [a, b] that keeps both ends and
 * takes the share s to  f s / (1 + (f − 1) s)  (P&T 6.4; Lee & Lucian 1991): the speed at the start
 * becomes 1/f of what it was and that at the end f times. Knots and weights change, points do not; a
 * polynomial curve becomes rational.
 * @param factor f, finite and above zero; 1 changes nothing, 1/f undoes it
 * @throws CurveError `argument`; `knot` where an unclamped end's outer knots would pass through infinity;
 * `unsupported` for a periodic curve, whose ends would no longer fit
 */
export function reparametriseMobius(curve: Curve, factor: number): Curve {
  if (!(factor > 0 && Number.isFinite(factor))) {
    throw new CurveError('argument', told('factor', { factor }), {
      value: factor,
    });
  }
  if (curve.periodic) {
    throw new CurveError('unsupported', told('speedOfPeriodic'));
  }
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const share = (u: number): number => (u - start) / (end - start);
  const denominator = (u: number): number => 1 + (factor - 1) * share(u);
  knots.forEach((knot, index) => {
    if (!(denominator(knot) > 0)) {
      throw new CurveError('knot', told('knotThroughInfinity', { index }), { index, value: knot });
    }
  });
  const map = (u: number): number =>
    u === start ? start : u === end ? end : start + ((end - start) * factor * share(u)) / denominator(u);
  // w̃_i = w_i · Π 1 / denominator(u_{i+k}), k = 1 … p, brought to the size of the old ones by a common factor.
  const old = curve.weights ?? curve.points.map(() => 1);
  const middle = Math.sqrt(factor);
  const weights = old.map((weight, i) => {
    let value = weight;
    for (let k = 1; k <= degree; k++) value *= middle / denominator(knots[i + k]!);
    return value;
  });
  return { ...curve, knots: knots.map(map), weights };
}
