import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { type Curve } from './curve.js';
import { CurveError } from './error.js';
import { interiorKnots } from './knotVector.js';
import { removeKnot, removeInWindow, openWindow, removableKnot, type Approximation } from './removeKnot.js';

/**
 * How many times a knot can be taken out while the curve stays within a tolerance.
 * @param tolerance largest distance allowed, in the drawing's unit, 0 or more
 * @returns 0 up to the knot's multiplicity
 * @throws CurveError `knot`, `tolerance`
 */
export function removableTimes(curve: Curve, u: number, tolerance: number): number {
  refuseSignedWeights(curve);
  if (!(tolerance >= 0)) {
    throw new CurveError('tolerance', told('toleranceNegative', { tolerance }), {
      value: tolerance,
    });
  }
  const { multiplicity } = removableKnot(curve, u);
  return timesWithin(multiplicity, (times) => removeKnot(curve, u, times), tolerance).times;
}

/** How often something can be removed within a tolerance, and what is left then. */
function timesWithin(
  most: number,
  remove: (times: number) => Approximation,
  tolerance: number,
): { times: number; left?: Curve } {
  let found: { times: number; left?: Curve } = { times: 0 };
  for (let times = 1; times <= most; times++) {
    try {
      const { curve, deviation } = remove(times);
      if (deviation.distance > tolerance) return found;
      found = { times, left: curve };
    } catch (error) {
      if (error instanceof CurveError && error.kind !== 'effort') return found;
      throw error;
    }
  }
  return found;
}

/**
 * The same curve within a tolerance without the knots that it does not need, taken from its start on.
 * @param tolerance largest distance that one knot's removal may cost
 */
export function removeNeedlessKnots(curve: Curve, tolerance: number): Curve {
  refuseSignedWeights(curve);
  const knotList = interiorKnots(curve.knots, curve.degree);
  if (curve.periodic) {
    return knotList.reduce((left, { value }) => {
      const times = removableTimes(left, value, tolerance);
      return times > 0 ? removeKnot(left, value, times).curve : left;
    }, curve);
  }
  // Each knot is looked at in its window, and lists are spliced, so that the work grows with the curve.
  const [knots, points] = [[...curve.knots], [...curve.points]];
  const weights = curve.weights && [...curve.weights];
  let gone = 0;
  for (const { first, ...knot } of knotList) {
    const window = openWindow(
      { degree: curve.degree, knots, points, ...(weights && { weights }) },
      { ...knot, first: first - gone },
    );
    const { times, left } = timesWithin(
      knot.multiplicity,
      (often) => removeInWindow(window, often),
      tolerance,
    );
    if (!left) continue;
    knots.splice(window.begin, window.curve.knots.length, ...left.knots);
    points.splice(window.begin, window.curve.points.length, ...left.points);
    weights?.splice(window.begin, window.curve.points.length, ...left.weights!);
    gone += times;
  }
  return gone === 0 ? curve : { ...curve, knots, points, ...(weights && { weights }) };
}
