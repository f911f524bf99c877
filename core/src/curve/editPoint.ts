import { told } from '../told/told.js';
import { basisFunctions } from './basis.js';
import { refuseSignedWeights } from './betweenPoles.js';
import {
  factoriseCollocation,
  factorisePeriodicCollocation,
  type Collocation,
  type Site,
} from './collocation.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { domainOf, findSpan, grevilleAbscissae } from './knotVector.js';
import { distinctPointCount, wrapParameter } from './periodic.js';

/** A point of the curve at a Greville abscissa, which can be dragged to change the curve. */
export interface EditPoint {
  readonly parameter: number;
  readonly point: Point;
}

/**
 * At which parameter, and from which side, each edit point is taken. Two neighbouring abscissae coincide
 * only at a gap (multiplicity p + 1); the first of them then belongs to the left branch. Where the ends
 * are not clamped, the abscissae are those of the same curve with clamped ends, which lie in the domain;
 * those of a periodic curve are brought into it by whole periods.
 */
function editSites(curve: Curve): Site[] {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  if (curve.periodic) {
    return grevilleAbscissae(knots, degree)
      .slice(0, distinctPointCount(curve))
      .map((parameter) => ({ parameter: wrapParameter(curve, parameter), side: 'right' }));
  }
  const inside = knots.map((knot) => Math.min(end, Math.max(start, knot)));
  const abscissae = grevilleAbscissae(inside, degree);
  return abscissae.map((parameter, index) => ({
    parameter,
    side: parameter === abscissae[index + 1] ? 'left' : 'right',
  }));
}

/** The denominator Σ N_j w_j of a rational curve at a site; 1 for a polynomial one. */
function denominatorAt(curve: Curve, { parameter, side }: Site): number {
  const { knots, degree, weights } = curve;
  if (!weights) return 1;
  const span = findSpan(knots, degree, parameter, side);
  return basisFunctions(knots, degree, span, parameter).reduce(
    (sum, value, j) => sum + value * weights[span - degree + j]!,
    0,
  );
}

function collocationAt(curve: Curve, sites: readonly Site[]): Collocation {
  return curve.periodic
    ? factorisePeriodicCollocation(curve, sites)
    : factoriseCollocation(curve.knots, curve.degree, sites);
}

function validateEditPointIndex(index: number, count: number): void {
  if (!Number.isInteger(index) || index < 0 || index >= count) {
    throw new CurveError('index', told('noEditPoint', { index, last: count - 1 }), { index, value: index });
  }
}

/** The parameters of a curve's edit points; see `editPoints`. */
export function editParameters(curve: Curve): number[] {
  return editSites(curve).map(({ parameter }) => parameter);
}

/**
 * The curve's edit points: its points at the Greville abscissae, one for each different control point.
 * Those of an unclamped curve are taken where they would be with clamped ends.
 * @throws CurveError `weight` where a weight is not positive: the edit points then need not determine the curve
 */
export function editPoints(curve: Curve): EditPoint[] {
  refuseSignedWeights(curve);
  return editSites(curve).map(({ parameter, side }) => ({
    parameter,
    point: pointAt(curve, parameter, side),
  }));
}

/**
 * How far each control point moves when edit point `index` moves by one and all others stay: column
 * `index` of the inverse of the collocation matrix (dB XIII, collocation at the Greville abscissae).
 * @returns one factor for each control point, twins of a periodic curve included; their signs alternate
 * away from the edit point
 * @throws CurveError `index`, `weight`; `singular` where these edit points do not determine the curve
 */
export function editPointInfluence(curve: Curve, index: number): Float64Array {
  refuseSignedWeights(curve);
  const { weights } = curve;
  const sites = editSites(curve);
  validateEditPointIndex(index, sites.length);
  const values = new Float64Array(sites.length);
  values[index] = denominatorAt(curve, sites[index]!);
  const influence = collocationAt(curve, sites)(values);
  return Float64Array.from(
    curve.points,
    (_, j) => influence[j % sites.length]! / (weights ? weights[j]! : 1),
  );
}

/**
 * The curve whose edit point `index` lies at `to` while every other edit point stays where it is.
 * Degree, knots and weights are kept; in general every control point moves.
 * @param to the new place, as many coordinates as the curve has
 * @throws CurveError `index`, `point`, `weight`, `singular`
 */
export function moveEditPoint(curve: Curve, index: number, to: Point): Curve {
  const dimension = dimensionOf(curve);
  if (to.length !== dimension || !to.every((coordinate) => Number.isFinite(coordinate))) {
    throw new CurveError('point', told('editPointCoordinates', { index, dimension }), {
      index,
      value: to,
    });
  }
  const influence = editPointInfluence(curve, index);
  const { parameter, side } = editSites(curve)[index]!;
  const from = pointAt(curve, parameter, side);
  const move = to.map((coordinate, axis) => coordinate - from[axis]!);
  const points = curve.points.map((point, j) =>
    point.map((coordinate, axis) => coordinate + influence[j]! * move[axis]!),
  );
  return { ...curve, points };
}
