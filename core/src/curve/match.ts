import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { measureJoint, type MeasuredContinuity } from './continuity.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { arcLengthFrame } from './differential.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { domainOf } from './knotVector.js';
import { leastMovement } from './leastMovement.js';
import { reverseCurve } from './reparametrise.js';
import { clampEnds } from './split.js';
import { haveMeasurableSize } from './validate.js';
import { addScaled, distance, dot, lengthOf, scaled, subtract } from './vector.js';

/** What two curves are to have in common where they meet. */
export type JointContinuity = 'G0' | 'G1' | 'G2' | 'G3' | 'C1' | 'C2';

export const jointContinuities: readonly JointContinuity[] = ['G0', 'G1', 'G2', 'G3', 'C1', 'C2'];

export type CurveEnd = 'start' | 'end';

/**
 * What stays of the curve where a G order leaves a choice: the handle keeps its length and further points their places
 * along the tangent; or all points together move as little as may be (the smallest sum of squares).
 */
export type MatchMovement = 'sameHandle' | 'least';

/** A curve that was matched to another. */
export interface Match {
  readonly curve: Curve;
  /** How many control points moved, from the joint inwards. */
  readonly moved: number;
  /** The farthest that one of them moved, in the drawing's unit. */
  readonly largestMove: number;
  /** The joint as it is now, measured. */
  readonly joint: MeasuredContinuity;
}

/**
 * Moves the first few control points of a curve so that it continues another (P&T 5.5; F 11): one more
 * for each order. For G orders only what the order needs changes: the handle's direction but not its
 * length, then of each further point only its place across the tangent; or what moves all of them least. For
 * C orders the derivatives by the parameters as they are become equal.
 * @param curve clamped at the end that is matched, or clamped first
 * @param target the curve that stays
 * @param curveEnd which end of `curve` is moved
 * @param targetEnd which end of `target` it is matched to
 * @throws CurveError `degree` where the degree is below the order, `point-count` where the other end of
 * the curve would have to move, `singular` where the target stands still at its end, `point` for plane
 * and space
 */
export function matchCurve(
  curve: Curve,
  target: Curve,
  continuity: JointContinuity,
  curveEnd: CurveEnd = 'start',
  targetEnd: CurveEnd = 'end',
  movement: MatchMovement = 'sameHandle',
): Match {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== dimensionOf(target)) {
    throw new CurveError('point', told('matchOfMixedDimensions'));
  }
  const order = Number(continuity[1]);
  if (curve.degree < order) {
    throw new CurveError('degree', told('continuityDegree', { continuity, order, degree: curve.degree }), {
      value: curve.degree,
    });
  }
  // Both are turned so that the end of the target meets the start of the curve.
  const clamped = clampEnds(curve);
  const forward = curveEnd === 'start' ? clamped : reverseCurve(clamped);
  const into = targetEnd === 'end' ? target : reverseCurve(target);
  if (order >= forward.points.length - 1) {
    throw new CurveError('point-count', told('continuityPoints', { continuity, count: order + 1 }), {
      value: forward.points.length,
    });
  }
  const [, end] = domainOf(into.knots, into.degree);
  const wanted = derivativesAt(into, end, 3, 'left');
  const points = continuity.startsWith('C')
    ? matchedParametrically(forward, wanted, order)
    : matchedGeometrically(forward, wanted, order, movement);
  if (!haveMeasurableSize(points)) {
    throw new CurveError('singular', told('tooSmallToMatch'));
  }
  const matched = { ...forward, points };
  return {
    curve: curveEnd === 'start' ? matched : reverseCurve(matched),
    moved: points.filter((point, k) => distance(point, forward.points[k]!) > 0).length,
    largestMove: Math.max(...points.map((point, k) => distance(point, forward.points[k]!))),
    joint: measureJoint(into, matched),
  };
}

/**
 * How the derivatives at the start of a clamped curve come from its control points: row r holds a factor
 * for each of the first points, of which only the first r + 1 are not zero.
 */
function startDerivativeFactors(curve: Curve): readonly Point[] {
  const { degree, knots, weights } = curve;
  const count = degree + 1;
  const first: Curve = {
    degree,
    knots: knots.slice(0, 2 * degree + 2),
    points: Array.from({ length: count }, (_, row) =>
      Array.from({ length: count }, (_, column) => (row === column ? 1 : 0)),
    ),
    ...(weights ? { weights: weights.slice(0, count) } : {}),
  };
  return derivativesAt(first, domainOf(knots, degree)[0], 3);
}

/** Σ_j factors[j] P_j over the first points up to and with `last`. */
function combination(factors: Point, points: readonly Point[], last: number): number[] {
  let sum: number[] = points[0]!.map(() => 0);
  for (let j = 0; j <= last; j++) sum = addScaled(sum, points[j]!, factors[j]!);
  return sum;
}

function matchedParametrically(curve: Curve, wanted: readonly Point[], order: number): Point[] {
  const factors = startDerivativeFactors(curve);
  const points = curve.points.slice();
  points[0] = wanted[0]!;
  for (let r = 1; r <= order; r++) {
    const rest = combination(factors[r]!, points, r - 1);
    points[r] = scaled(subtract(wanted[r]!, rest), 1 / factors[r]![r]!);
  }
  return points;
}

/** A handle that moves least is left at least this share of its length, since without one there is no direction. */
const leastHandle = 0.01;

function matchedGeometrically(
  curve: Curve,
  wanted: readonly Point[],
  order: number,
  movement: MatchMovement,
): Point[] {
  const factors = startDerivativeFactors(curve);
  const points = curve.points.slice();
  const { point, tangent, curvature, change } = arcLengthFrame(wanted);
  points[0] = point;
  if (order === 0) return points;
  if (!tangent) {
    throw new CurveError('singular', told('otherStandsStill'));
  }
  const handle = distance(curve.points[0]!, curve.points[1]!);
  // A handle without length takes a third of the way to the next point.
  const length = handle > 0 ? handle : distance(points[0], curve.points[2] ?? curve.points[1]!) / 3;
  if (!(length > 0)) {
    throw new CurveError('singular', told('firstPointsOnOnePlace'));
  }
  const least =
    movement === 'least'
      ? leastMovement(
          points,
          factors,
          { point, tangent, curvature: curvature!, change: change! },
          order,
          leastHandle * length,
        )
      : undefined;
  points[1] = addScaled(point, tangent, least?.handle ?? length);
  if (order === 1) return points;
  if (least)
    points[2] = addScaled(points[2]!, tangent, least.along - dot(subtract(points[2]!, point), tangent));
  const speed = lengthOf(combination(factors[1]!, points, 1));
  const across = (vector: Point): number[] => addScaled(vector, tangent, -dot(vector, tangent));
  const second = combination(factors[2]!, points, 2);
  const missing = subtract(scaled(curvature!, speed ** 2), across(second));
  points[2] = addScaled(points[2]!, missing, 1 / factors[2]![2]!);
  if (order === 2) return points;
  const speeding = dot(tangent, combination(factors[2]!, points, 2));
  const third = combination(factors[3]!, points, 3);
  const goal = addScaled(scaled(change!, speed ** 3), curvature!, 3 * speed * speeding);
  points[3] = addScaled(points[3]!, subtract(goal, across(third)), 1 / factors[3]![3]!);
  return points;
}
