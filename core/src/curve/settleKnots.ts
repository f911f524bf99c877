import type { Curve } from './curve.js';
import { domainOf, knotRounding, relativeKnotTolerance } from './knotVector.js';
import { knotsOfOnePeriod, periodicKnotVector } from './periodic.js';

/**
 * A knot vector in which knots that can't be told apart are equal: those that follow one another by less than
 * the tolerance of sameness take one value, the end of the domain where they are beside it, otherwise the first of them.
 * @param knots finite and never decreasing, with a domain of positive length
 * @returns the same list where nothing was to be done
 */
export function settleKnots(knots: readonly number[], degree: number): readonly number[] {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  let changed = false;
  let group = -Infinity;
  const settled = knots.map((knot) => {
    const near = [start, end, group].find((value) => Math.abs(knot - value) < tolerance);
    group = near ?? knot;
    if (group !== knot) changed = true;
    return group;
  });
  return changed ? settled : knots;
}

/**
 * The same curve with `settleKnots` done, and the knots of a periodic one the same again after each period. Control
 * points and weights stay; the curve is another one only within the short spans that go. Every door through which a
 * curve comes in (reading, typing, what is made of others) leads through here, so that exact operations need not ask
 * what to do with such knots.
 */
export function withSettledKnots(curve: Curve): Curve {
  const settled = settleKnots(curve.knots, curve.degree);
  const knots = curve.periodic ? repeated({ ...curve, knots: settled }) : settled;
  return knots === curve.knots ? curve : { ...curve, knots };
}

/** The knots of a periodic curve, written anew from those of one period where they don't repeat but for rounding. */
function repeated(curve: Curve): readonly number[] {
  const { knots, degree } = curve;
  const period = knotsOfOnePeriod(curve);
  if (period.length === 0 || period.some(({ multiplicity }) => multiplicity > degree)) return knots;
  const again = periodicKnotVector(period, domainOf(knots, degree)[1], degree);
  const rounding = knotRounding(knots);
  const same =
    again.length !== knots.length || again.every((knot, index) => Math.abs(knot - knots[index]!) <= rounding);
  return same ? knots : again;
}
