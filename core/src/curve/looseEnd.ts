import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { distinctKnots, domainOf, relativeKnotTolerance, spansOf } from './knotVector.js';
import type { CurveEnd } from './match.js';

/** How often the knot at an end of the domain stands, outer knots at other values not counted: p + 1 where it is clamped. */
export function endMultiplicity({ knots, degree }: Curve, end: CurveEnd): number {
  const [start, last] = domainOf(knots, degree);
  const value = end === 'start' ? start : last;
  const near = relativeKnotTolerance * (last - start);
  return distinctKnots(knots, degree).find((knot) => Math.abs(knot.value - value) <= near)?.multiplicity ?? 1;
}

/**
 * The curve with the knot at an end of its domain standing another number of times: what is more than that moves out
 * by the length of the end's span for each knot, and comes back from there. Points and weights stay, and so the curve
 * leaves its end point where the knot stands fewer than p times (P&T 2.2, 12.1).
 * @param multiplicity 1 to p + 1; of the p + 1 knots the outermost never acts on the curve
 * @throws CurveError `order` (multiplicity), `unsupported` for a periodic curve
 */
export function withEndMultiplicity(curve: Curve, end: CurveEnd, multiplicity: number): Curve {
  const { degree, knots } = curve;
  if (curve.periodic) throw new CurveError('unsupported', told('knotsOfPeriodic'));
  if (!(Number.isInteger(multiplicity) && multiplicity >= 1 && multiplicity <= degree + 1)) {
    throw new CurveError('order', told('endIsSingle'), { value: multiplicity });
  }
  const spans = spansOf(knots, degree);
  const { start, end: to } = end === 'start' ? spans[0]! : spans.at(-1)!;
  const step = to - start;
  const next = knots.slice();
  for (let k = 0; k <= degree; k++) {
    // Counted from the domain outwards.
    const index = end === 'start' ? degree - k : knots.length - 1 - degree + k;
    const out = Math.max(0, k + 1 - multiplicity) * step;
    next[index] = end === 'start' ? start - out : to + out;
  }
  return { ...curve, knots: next };
}
