import { solveBanded } from './banded.js';
import { basisFunctions } from './basis.js';
import { factoriseCollocation, type Site } from './collocation.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { domainOf, findSpan, grevilleAbscissae } from './knotVector.js';
import { validatePointIndex } from './validate.js';

/** A point of the curve at a Greville abscissa, by which the curve can be taken hold of. */
export interface EditPoint {
  readonly parameter: number;
  readonly point: Point;
}

/**
 * At which parameter, and from which side, each edit point is taken. Two neighbouring abscissae coincide
 * only at a gap (multiplicity p + 1); the first of them then belongs to the left branch.
 */
function editSites(curve: Curve): Site[] {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const abscissae = grevilleAbscissae(knots, degree);
  return abscissae.map((parameter, index) => {
    if (parameter < start || parameter > end) {
      throw new CurveError(
        'unsupported',
        `Edit point ${index} would lie at ${parameter}, outside the domain from ${start} to ${end}; clamp the knot vector first.`,
        { index, value: parameter },
      );
    }
    return { parameter, side: parameter === abscissae[index + 1] ? 'left' : 'right' };
  });
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

/**
 * The curve's edit points: its points at the Greville abscissae, as many as it has control points.
 * @throws CurveError `unsupported` where an abscissa lies outside the domain (an unclamped knot vector)
 */
export function editPoints(curve: Curve): EditPoint[] {
  return editSites(curve).map(({ parameter, side }) => ({
    parameter,
    point: pointAt(curve, parameter, side),
  }));
}

/**
 * How far each control point moves when edit point `index` moves by one and all others stay: column
 * `index` of the inverse of the collocation matrix (dB XIII, collocation at the Greville abscissae).
 * @returns one factor for each control point; their signs alternate away from the edit point
 * @throws CurveError `index`, `unsupported`, `singular`
 */
export function editPointInfluence(curve: Curve, index: number): Float64Array {
  validatePointIndex(curve, index);
  const { weights } = curve;
  const sites = editSites(curve);
  const rightHandSide = new Float64Array(curve.points.length);
  rightHandSide[index] = denominatorAt(curve, sites[index]!);
  const influence = solveBanded(factoriseCollocation(curve.knots, curve.degree, sites), rightHandSide);
  return weights ? influence.map((value, j) => value / weights[j]!) : influence;
}

/**
 * The curve whose edit point `index` lies at `to` while every other edit point stays where it is.
 * Degree, knots and weights are kept; in general every control point moves.
 * @param to the new place, as many coordinates as the curve has
 * @throws CurveError `index`, `point`, `unsupported`, `singular`
 */
export function moveEditPoint(curve: Curve, index: number, to: Point): Curve {
  const dimension = dimensionOf(curve);
  if (to.length !== dimension || !to.every((coordinate) => Number.isFinite(coordinate))) {
    throw new CurveError(
      'point',
      `The new place of edit point ${index} must be ${dimension} finite numbers.`,
      {
        index,
        value: to,
      },
    );
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
