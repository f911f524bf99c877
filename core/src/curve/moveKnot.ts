import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { domainOf, interiorKnots, relativeKnotTolerance } from './knotVector.js';

/**
 * The curve with one interior knot at another value, with all its multiplicity or only some of it; points and weights
 * stay, and so the shape changes. It can't pass its neighbours; where it lands on one of them the two become one knot of both
 * multiplicities (P&T 2.5; brought together within the tolerance of sameness).
 * @param knot the value of an interior knot
 * @param to from the knot before to the knot after it, both included as long as the multiplicity stays at most p + 1
 * @param times how many of a multiple knot go; all where not given
 * @throws CurveError `knot` where there is no such knot or it would pass a neighbour, `knot-multiplicity`, `unsupported`
 *   for a periodic curve
 */
export function moveKnot(curve: Curve, knot: number, to: number, times?: number): Curve {
  if (curve.periodic) {
    throw new CurveError('unsupported', told('knotsOfPeriodic'));
  }
  const { degree, knots } = curve;
  const inner = interiorKnots(knots, degree);
  const at = inner.findIndex(({ value }) => value === knot);
  if (at < 0) {
    throw new CurveError('knot', told('noKnotInside', { knot }), { value: knot });
  }
  const [start, end] = domainOf(knots, degree);
  const before = inner[at - 1] ?? { value: start, multiplicity: 0 };
  const after = inner[at + 1] ?? { value: end, multiplicity: 0 };
  if (!(to >= before.value && to <= after.value)) {
    throw new CurveError(
      'knot',
      told('knotBeyondNeighbours', { before: before.value, after: after.value, to }),
      { value: to },
    );
  }
  const own = inner[at]!.multiplicity;
  const moved = times ?? own;
  if (!Number.isInteger(moved) || moved < 1 || moved > own) {
    throw new CurveError('order', told('knotMoveTimes', { knot, times: moved, multiplicity: own }), {
      value: moved,
    });
  }
  const tolerance = relativeKnotTolerance * (end - start);
  const onto = [before, after].find(({ value }) => Math.abs(value - to) < tolerance);
  const value = onto?.value ?? to;
  if (onto && (onto.value === start || onto.value === end)) {
    throw new CurveError('knot-multiplicity', told('knotOntoEnd'), { value: to });
  }
  const multiplicity = moved + (onto?.multiplicity ?? 0);
  if (multiplicity > degree + 1) {
    throw new CurveError(
      'knot-multiplicity',
      told('knotWouldHaveMultiplicity', { knot: value, multiplicity, most: degree + 1 }),
      { value: multiplicity },
    );
  }
  if (value === knot) return curve;
  // Those that go are the nearest to where they go, so that the vector stays in order.
  const first = knots.indexOf(knot);
  const [from, past] = value < knot ? [first, first + moved] : [first + own - moved, first + own];
  return { ...curve, knots: knots.map((one, index) => (index >= from && index < past ? value : one)) };
}
