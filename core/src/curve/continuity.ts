import { told } from '../told/told.js';
import { basisDerivatives } from './basis.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { arcLengthFrame, type ArcLengthFrame } from './differential.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { distinctKnots, domainOf, findSpan, interiorKnots, relativeKnotTolerance } from './knotVector.js';
import { sizeOf } from './sizeOf.js';
import { angleBetween, distance, lengthOf, subtract } from './vector.js';

/** The order of parametric continuity that a knot's multiplicity guarantees. */
export interface GuaranteedContinuity {
  /** Parameter value of the knot. */
  readonly knot: number;
  readonly multiplicity: number;
  /** r in C^r: degree minus multiplicity; -1 where the curve may have a gap. */
  readonly order: number;
}

/**
 * What each knot guarantees: C^{p−m} at multiplicity m (P&T 2.4, P2.6), at the interior knots and, first,
 * at the seam of a periodic curve. The curve itself may be smoother there by accident of its points.
 */
export function guaranteedContinuity(curve: Curve): GuaranteedContinuity[] {
  return joints(curve).map(({ knot, multiplicity }) => ({
    knot,
    multiplicity,
    order: curve.degree - multiplicity,
  }));
}

/** What jumps where two pieces meet, measured from both sides; zero where nothing does. */
interface Jumps {
  /** Distance between the two one-sided points, in the drawing's unit. */
  readonly position: number;
  /** Angle between the two one-sided tangents, in radians from 0 to π. */
  readonly direction: number;
  /** Difference of the two speeds against the larger of them, from 0 to 1. */
  readonly magnitude: number;
  /** Size of the difference of the two curvature vectors, in one over the unit. */
  readonly curvature: number;
  /** Size of the difference of what curvature changes to, by arc length, in one over its square. */
  readonly curvatureDerivative: number;
}

/** The jumps at a knot. */
export interface KnotJump extends Jumps {
  readonly knot: number;
  readonly multiplicity: number;
}

/** Measured continuity where two pieces meet. */
export interface MeasuredContinuity extends Jumps {
  /**
   * Largest r for which all derivatives up to the r-th agree: -1 at a gap, at most the degree, where both
   * sides are one polynomial.
   */
  readonly parametric: number;
  /**
   * Largest r in G^r up to 3: position, direction, curvature, change of curvature (in space torsion too);
   * -1 at a gap, 0 where a side stands still.
   */
  readonly geometric: number;
}

/** Measured continuity at a knot, beside what its multiplicity guarantees. */
export interface KnotContinuity extends MeasuredContinuity {
  readonly knot: number;
  readonly multiplicity: number;
  /** C order that the multiplicity guarantees; 0 at the seam of a curve whose clamped ends meet. */
  readonly guaranteed: number;
}

/** How much two sides may differ and still count as agreeing. */
export interface ContinuityTolerances {
  /** Distance, against the largest coordinate. */
  readonly position: number;
  /** Angle in radians. */
  readonly direction: number;
  /** Difference of curvature, of its derivative and of derivatives, against the larger side. */
  readonly relative: number;
}

export const continuityTolerances: ContinuityTolerances = {
  position: 1e-10,
  direction: 1e-7,
  relative: 1e-6,
};

/**
 * The jumps at every interior knot, and first at the seam of a periodic curve, from one-sided derivatives
 * (P&T 5.5; F 11), so that a corner is told from a mere change of speed, and accidental smoothness is
 * seen. Where the curve stands still on a side, it has neither direction nor curvature there, and these
 * count as no jump.
 */
export function knotJumps(curve: Curve): KnotJump[] {
  return joints(curve).map(({ knot, multiplicity, before, after }) => ({
    knot,
    multiplicity,
    ...jumpsBetween(derivativesAt(curve, before, 3, 'left'), derivativesAt(curve, after, 3, 'right')),
  }));
}

/**
 * Measured continuity at every interior knot and, first, at the seam of a closed curve (periodic, or with
 * ends that meet), beside what is guaranteed.
 * @param at at which of them; all where not given
 */
export function measureContinuity(
  curve: Curve,
  tolerances: ContinuityTolerances = continuityTolerances,
  at: (knot: number, multiplicity: number) => boolean = () => true,
): KnotContinuity[] {
  const { degree } = curve;
  const size = sizeOf(curve);
  const wanted = joints(curve, tolerances).filter(({ knot, multiplicity }) => at(knot, multiplicity));
  return wanted.map(({ knot, multiplicity, before, after }) => {
    const order = Math.max(3, degree);
    const left = derivativesAt(curve, before, order, 'left');
    const right = derivativesAt(curve, after, order, 'right');
    const rounding = [
      derivativeRounding(curve, before, left, 'left'),
      derivativeRounding(curve, after, right, 'right'),
    ] as const;
    const guaranteed = before === after || curve.periodic ? degree - multiplicity : 0;
    return {
      knot,
      multiplicity,
      guaranteed,
      ...classify(left, right, rounding, degree, size, tolerances),
    };
  });
}

/**
 * Measured continuity where one curve ends and another begins.
 * @throws CurveError `point` where one is plane and the other is not
 */
export function measureJoint(
  first: Curve,
  second: Curve,
  tolerances: ContinuityTolerances = continuityTolerances,
): MeasuredContinuity {
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('jointOfMixedDimensions'));
  }
  const degree = Math.max(first.degree, second.degree);
  const order = Math.max(3, degree);
  const [, end] = domainOf(first.knots, first.degree);
  const [start] = domainOf(second.knots, second.degree);
  const left = derivativesAt(first, end, order, 'left');
  const right = derivativesAt(second, start, order, 'right');
  return classify(
    left,
    right,
    [derivativeRounding(first, end, left, 'left'), derivativeRounding(second, start, right, 'right')],
    degree,
    Math.max(sizeOf(first), sizeOf(second)),
    tolerances,
  );
}

interface Joint {
  readonly knot: number;
  readonly multiplicity: number;
  /** The parameter taken from the left, and that from the right: equal but at a seam. */
  readonly before: number;
  readonly after: number;
}

/** Where pieces of a curve meet: at the seam if it is closed, and at the interior knots. */
function joints(curve: Curve, tolerances?: ContinuityTolerances): Joint[] {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const interior = interiorKnots(knots, degree).map(({ value, multiplicity }) => ({
    knot: value,
    multiplicity,
    before: value,
    after: value,
  }));
  const meets =
    curve.periodic || (tolerances && distance(...endPoints(curve)) <= tolerances.position * sizeOf(curve));
  if (!meets) return interior;
  const near = relativeKnotTolerance * (end - start);
  const seam = distinctKnots(knots, degree).find(({ value }) => Math.abs(value - start) < near)!;
  const multiplicity = curve.periodic ? Math.min(degree, seam.multiplicity) : degree;
  return [{ knot: start, multiplicity, before: end, after: start }, ...interior];
}

function endPoints(curve: Curve): [Point, Point] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  return [derivativesAt(curve, start, 0)[0]!, derivativesAt(curve, end, 0, 'left')[0]!];
}

function jumpsBetween(left: readonly Point[], right: readonly Point[]): Jumps {
  return jumpsOfFrames(left, right, arcLengthFrame(left), arcLengthFrame(right));
}

function jumpsOfFrames(
  left: readonly Point[],
  right: readonly Point[],
  before: ArcLengthFrame,
  after: ArcLengthFrame,
): Jumps {
  const [speedBefore, speedAfter] = [lengthOf(left[1]!), lengthOf(right[1]!)];
  const fastest = Math.max(speedBefore, speedAfter);
  const moving = before.tangent && after.tangent;
  // Where a curve almost stands still its curvature overflows; that counts as no jump.
  const size = (a: Point | undefined, b: Point | undefined): number => {
    const value = moving ? lengthOf(subtract(b!, a!)) : 0;
    return Number.isFinite(value) ? value : 0;
  };
  return {
    position: distance(left[0]!, right[0]!),
    direction: moving ? angleBetween(before.tangent, after.tangent) : 0,
    magnitude: fastest > 0 ? Math.abs(speedAfter - speedBefore) / fastest : 0,
    curvature: size(before.curvature, after.curvature),
    curvatureDerivative: size(before.change, after.change),
  };
}

function classify(
  left: readonly Point[],
  right: readonly Point[],
  [roundingLeft, roundingRight]: readonly [readonly number[], readonly number[]],
  degree: number,
  size: number,
  { position, direction, relative }: ContinuityTolerances,
): MeasuredContinuity {
  const before = arcLengthFrame(left);
  const after = arcLengthFrame(right);
  const jumps = jumpsOfFrames(left, right, before, after);
  if (jumps.position > position * Math.max(size, Number.MIN_VALUE)) {
    return { ...jumps, parametric: -1, geometric: -1 };
  }
  let parametric = 0;
  for (let r = 1; r <= degree; r++) {
    const allowed =
      relative * Math.max(lengthOf(left[r]!), lengthOf(right[r]!)) + roundingLeft[r]! + roundingRight[r]!;
    if (!(distance(left[r]!, right[r]!) <= allowed)) break;
    parametric = r;
  }
  if (!before.tangent || !after.tangent) return { ...jumps, parametric, geometric: 0 };
  const unit = size > 0 ? 1e-3 / size : 0;
  const agree = (jump: number, a: Point, b: Point, least: number): boolean =>
    jump <= relative * Math.max(lengthOf(a), lengthOf(b)) + least;
  // What rounding alone makes of curvature and its change: of two straight sides both are nothing else.
  const [roundingBefore, roundingAfter] = [
    curvatureRounding(left, roundingLeft),
    curvatureRounding(right, roundingRight),
  ];
  let geometric = 0;
  if (jumps.direction <= direction || parametric >= 1) {
    geometric = 1;
    const least = Math.max(relative * unit, roundingBefore.curvature + roundingAfter.curvature);
    if (agree(jumps.curvature, before.curvature!, after.curvature!, least) || parametric >= 2) {
      geometric = 2;
      const leastChange = Math.max(relative * unit ** 2, roundingBefore.change + roundingAfter.change);
      if (agree(jumps.curvatureDerivative, before.change!, after.change!, leastChange) || parametric >= 3) {
        geometric = 3;
      }
    }
  }
  return { ...jumps, parametric, geometric };
}

/**
 * How far the derivatives of a curve at a parameter may be off by rounding, that of its control points included: what the
 * sizes of the points come to with the sizes of the basis functions' derivatives, times the rounding of so many steps. The
 * quotient rule carries it on where there are weights (Higham 2002, 3.1 and 5.1).
 * @param derivatives the derivatives there, from order 0 on
 * @returns one length for each of them
 */
function derivativeRounding(
  curve: Curve,
  u: number,
  derivatives: readonly Point[],
  side: 'left' | 'right',
): number[] {
  const { degree, knots, points, weights } = curve;
  const order = derivatives.length - 1;
  const span = findSpan(knots, degree, u, side);
  const basis = basisDerivatives(knots, degree, span, u, order);
  const unit = 2 ** -53 * 4 * (degree + 1);
  const sums = (sizeAt: (index: number) => number): number[] =>
    Array.from({ length: order + 1 }, (_, r) => {
      let sum = 0;
      for (let j = 0; j <= degree; j++) {
        sum += Math.abs(basis[r * (degree + 1) + j]!) * sizeAt(span - degree + j);
      }
      return unit * sum;
    });
  const weightAt = (index: number): number => Math.abs(weights ? weights[index]! : 1);
  const ofPoints = sums((index) => weightAt(index) * lengthOf(points[index]!));
  if (!weights) return ofPoints;
  const ofWeights = sums(weightAt);
  const weightDerivatives = Array.from({ length: order + 1 }, (_, r) => {
    let sum = 0;
    for (let j = 0; j <= degree; j++) sum += basis[r * (degree + 1) + j]! * weights[span - degree + j]!;
    return sum;
  });
  const rounding: number[] = [];
  for (let r = 0; r <= order; r++) {
    let sum = ofPoints[r]!;
    let binomial = 1;
    for (let i = 0; i <= r; i++) {
      if (i > 0) binomial = (binomial * (r - i + 1)) / i;
      sum += binomial * ofWeights[i]! * lengthOf(derivatives[r - i]!);
      if (i > 0) sum += binomial * Math.abs(weightDerivatives[i]!) * rounding[r - i]!;
    }
    rounding.push(sum / Math.abs(weightDerivatives[0]!));
  }
  return rounding;
}

/** How far curvature and its change are uncertain where the derivatives that they come from are rounded. */
function curvatureRounding(
  derivatives: readonly Point[],
  rounding: readonly number[],
): { readonly curvature: number; readonly change: number } {
  const [speed, second] = [1, 2].map((r) => lengthOf(derivatives[r]!)) as [number, number];
  const [ofSecond, ofThird] = [rounding[2]!, rounding[3]!];
  return {
    curvature: ofSecond / speed ** 2,
    change: ofThird / speed ** 3 + (3 * second * ofSecond) / speed ** 4,
  };
}
