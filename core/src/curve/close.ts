import { told } from '../told/told.js';
import { rowsOfPieces } from './assemble.js';
import { refuseSignedWeights, sampledParts } from './betweenPoles.js';
import { measureContinuity } from './continuity.js';
import type { Curve, Point } from './curve.js';
import { decompose } from './decompose.js';
import { largestDeviation } from './deviation.js';
import { CurveError } from './error.js';
import { derivativesAt, pointAt } from './evaluate.js';
import { homogeneousRows } from './homogeneous.js';
import { insertKnot } from './insertKnot.js';
import { joinCurves } from './join.js';
import { domainOf, interiorKnots, relativeKnotTolerance } from './knotVector.js';
import {
  knotsOfOnePeriod,
  periodicCurve,
  periodicKnotVector,
  periodicOfRows,
  periodOf,
  wrapped,
} from './periodic.js';
import { removeKnot } from './removeKnot.js';
import { removableTimes } from './needlessKnots.js';
import { mapDomain } from './reparametrise.js';
import { clampEnds, splitCurve } from './split.js';
import { validateParameter } from './validate.js';
import { addScaled, distance, lengthOf, mix } from './vector.js';

/** How the ends of a curve relate to each other. */
export type Closedness = 'open' | 'ends-meet' | 'periodic';

/**
 * Whether a curve is open, has two ends that meet (it is still open, and has a joint there), or runs on
 * periodically.
 * @param tolerance largest distance of ends that meet; a ten-millionth of a unit of size where not given
 */
export function closednessOf(curve: Curve, tolerance?: number): Closedness {
  if (curve.periodic) return 'periodic';
  const parts = sampledParts(curve);
  const [start, end] = [parts[0]!.start, parts.at(-1)!.end];
  const allowed = tolerance ?? 1e-10 * Math.max(...curve.points.flat().map(Math.abs));
  return distance(pointAt(curve, start), pointAt(curve, end, 'left')) <= allowed ? 'ends-meet' : 'open';
}

/** The three ways to close a curve. */
export type ClosingWay = 'pull' | 'bridge' | 'wrap';

/**
 * Closes a curve.
 * - `pull`: both end points go to the point midway between them; nothing else moves, and the joint may be
 *   a corner.
 * - `bridge`: one more piece leads from the end to the start, with the derivatives of the curve at both
 *   ends up to `continuity`; the curve itself stays.
 * - `wrap`: the control points become those of a periodic curve with uniform knots, as smooth everywhere as
 *   its degree allows; its shape is another one. Ends that meet already count as one point.
 * @param continuity for `bridge` only: 0 a straight piece, 1 a cubic, 2 a quintic
 * @throws CurveError `argument` for a curve that is periodic already, or for `bridge` where the ends meet;
 * `degree` where the bridge would need a degree above 9
 */
export function closeCurve(curve: Curve, way: ClosingWay, continuity: 0 | 1 | 2 = 1): Curve {
  refuseSignedWeights(curve);
  if (curve.periodic) throw new CurveError('argument', told('closedAlready'));
  const clamped = clampEnds(curve);
  const { points, weights, degree, knots } = clamped;
  const [first, last] = [points[0]!, points.at(-1)!];
  if (way === 'pull') {
    const middle = mix(first, last, 0.5);
    return { ...clamped, points: [middle, ...points.slice(1, -1), middle] };
  }
  const meets = closednessOf(clamped) === 'ends-meet';
  if (way === 'wrap') {
    const count = points.length - (meets ? 1 : 0);
    return periodicCurve(
      degree,
      points.slice(0, count),
      weights?.slice(0, count),
      ...domainOf(knots, degree),
    );
  }
  if (meets) throw new CurveError('argument', told('endsMeetAlready'));
  return joinCurves(clamped, bridge(clamped, continuity), 1e-9 * Math.max(1, ...points.flat().map(Math.abs)));
}

/** A Bézier piece from the end of a curve to its start, with the curve's derivatives up to an order at both. */
function bridge(curve: Curve, continuity: 0 | 1 | 2): Curve {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const out = derivativesAt(curve, end, 2, 'left');
  const back = derivativesAt(curve, start, 2, 'right');
  const gap = distance(out[0]!, back[0]!);
  const speed = (lengthOf(out[1]!) + lengthOf(back[1]!)) / 2;
  // A parameter interval of such a length that the handles come out at about a third of the gap.
  const width = speed > 0 ? gap / speed : end - start;
  const degree = 2 * continuity + 1;
  const side = (from: readonly Point[], sign: number): Point[] => {
    const step = (sign * width) / degree;
    const points = [from[0]!];
    if (continuity >= 1) points.push(addScaled(from[0]!, from[1]!, step));
    if (continuity >= 2) {
      const bend = addScaled(addScaled(points[1]!, points[1]!), from[0]!, -1);
      points.push(addScaled(bend, from[2]!, width ** 2 / (degree * (degree - 1))));
    }
    return points;
  };
  return {
    degree,
    knots: [...Array<number>(degree + 1).fill(end), ...Array<number>(degree + 1).fill(end + width)],
    points: [...side(out, 1), ...side(back, -1).reverse()],
  };
}

/**
 * The periodic form of a curve whose ends meet, with the same shape: the seam keeps as many knots as its
 * measured continuity leaves necessary.
 * @throws CurveError `argument` where the ends do not meet
 */
export function periodicFromClosed(curve: Curve): Curve {
  refuseSignedWeights(curve);
  if (curve.periodic) return curve;
  if (closednessOf(curve) !== 'ends-meet') {
    throw new CurveError('argument', told('endsApart'));
  }
  const clamped = evenEndWeights(clampEnds(curve));
  const { degree, knots } = clamped;
  const [start, end] = domainOf(knots, degree);
  // In homogeneous coordinates, since it is their smoothness that decides the knots of the result.
  const lifted: Curve = { degree, knots, points: homogeneousRows(clamped) };
  const order = measureContinuity(lifted)[0]!.parametric;
  const size = Math.max(...clamped.points.flat().map(Math.abs));
  const pieces = decompose(clamped);
  const own = homogeneousRows(clamped);
  // The measured smoothness may owe to rounding, and points may lie so far off without a knot that rounding moves the
  // curve: one more knot is put at the seam until the shape is kept. With as many as the degree it always is, since only
  // the ends must meet.
  for (let multiplicity = Math.max(1, degree - Math.max(0, order)); ; multiplicity++) {
    const periodic = periodicKnotVector(
      [{ value: start, multiplicity }, ...interiorKnots(knots, degree)],
      end,
      degree,
    );
    const rows = rowsOfPieces(pieces, periodic, degree, end - start);
    // Points whose support ends before the seam are the curve's own, and so are those that the seam's knots hold.
    rows.forEach((_, index) => {
      const [first, last] = [periodic[index + 1]!, periodic[index + degree]!];
      if (first >= start && last <= end) rows[index] = [...own[index]!];
    });
    const found = periodicOfRows(clamped, periodic, rows);
    const whole =
      found.points.every((point) => point.every(Number.isFinite)) &&
      (found.weights ?? []).every((weight) => weight > 0 && Number.isFinite(weight));
    if (multiplicity >= degree) return found;
    if (whole && largestDeviation(clamped, found).distance <= 5e-13 * size) return found;
  }
}

/** The same curve with a last weight equal to its first, so that both ends are one homogeneous point. */
function evenEndWeights(curve: Curve): Curve {
  const { weights } = curve;
  // Ends that were cut at one point differ by rounding at most.
  if (!weights || Math.abs(weights[0]! / weights.at(-1)! - 1) < 1e-9) return curve;
  throw new CurveError('argument', told('endWeightsDiffer', { first: weights[0]!, last: weights.at(-1)! }), {
    value: weights.at(-1),
  });
}

/**
 * Opens a closed curve: cuts it at a parameter, where it then starts and ends.
 * @param u where to cut; at its start where not given
 * @returns a clamped curve whose ends meet, on a domain of the same length
 * @throws CurveError `argument` where it is open, `parameter`
 */
export function openCurve(curve: Curve, u?: number): Curve {
  if (closednessOf(curve) === 'open') throw new CurveError('argument', told('openAlready'));
  const at = u ?? domainOf(curve.knots, curve.degree)[0];
  return clampEnds(moveSeam(curve, at));
}

/**
 * The same closed curve starting elsewhere: its domain begins at `u` and is as long as before. A periodic
 * curve gets a knot there if it has none; at the old start of one whose ends only met, a knot is left as
 * often as its continuity needs.
 * @throws CurveError `argument` where the curve is open, `parameter`
 */
export function moveSeam(curve: Curve, u: number): Curve {
  refuseSignedWeights(curve);
  validateParameter(curve, u);
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const near = relativeKnotTolerance * (end - start);
  if (u - start < near || end - u < near) return curve;
  if (curve.periodic) return moveSeamOfPeriodic(curve, u);
  if (closednessOf(curve) === 'open') {
    throw new CurveError('argument', told('startOfOpen'));
  }
  const [before, after] = splitCurve(clampEnds(curve), u);
  const turned = joinCurves(
    after,
    mapDomain(before, end, end + (u - start)),
    1e-9 * Math.max(1, ...curve.points.flat().map(Math.abs)),
  );
  const size = Math.max(...curve.points.flat().map(Math.abs));
  const times = removableTimes(turned, end, 1e-12 * size);
  return times > 0 ? removeKnot(turned, end, times).curve : turned;
}

function moveSeamOfPeriodic(curve: Curve, u: number): Curve {
  const { degree } = curve;
  const period = periodOf(curve);
  const near = relativeKnotTolerance * period;
  const known = knotsOfOnePeriod(curve).find(({ value }) => Math.abs(value - u) < near);
  const refined = known ? curve : insertKnot(curve, u);
  const seam = known?.value ?? u;
  const list = knotsOfOnePeriod(refined);
  const turned = [
    ...list.filter(({ value }) => value >= seam),
    ...list.filter(({ value }) => value < seam).map((knot) => ({ ...knot, value: knot.value + period })),
  ];
  const before = list
    .filter(({ value }) => value <= seam)
    .reduce((sum, { multiplicity }) => sum + multiplicity, 0);
  // The points shift by as many indices as knots were passed, counted from the last knot at each start.
  const shift = before - list[0]!.multiplicity;
  const count = refined.points.length - degree;
  const rotate = <T>(entries: readonly T[]): T[] =>
    wrapped(
      Array.from({ length: count }, (_, k) => entries[(k + shift) % count]!),
      degree,
    );
  return {
    degree,
    knots: periodicKnotVector(turned, seam + period, degree),
    points: rotate(refined.points),
    ...(refined.weights ? { weights: rotate(refined.weights) } : {}),
    periodic: true,
  };
}
