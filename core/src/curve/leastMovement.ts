import {
  addBernstein,
  differentiateBernstein,
  multiplyBernstein,
  rootsOfBernstein,
  type Bernstein,
} from './bernstein.js';
import type { Point } from './curve.js';
import type { ArcLengthFrame } from './differential.js';
import { addScaled, dot, scaled, subtract } from './vector.js';

/** What may be chosen where a curve is to continue another with G2 or G3. */
export interface FreePlaces {
  /** How long the handle is, from the joint to the second control point. */
  readonly handle: number;
  /** How far along the tangent from the joint the third control point lies. */
  readonly along: number;
}

/** Of a curve that does not stand still there. */
type MovingFrame = { readonly [Key in keyof ArcLengthFrame]: NonNullable<ArcLengthFrame[Key]> };

/** A vector that depends on the handle: one polynomial for each axis. */
type BernsteinVector = readonly Bernstein[];

/**
 * The handle and the place along the tangent by which the sum of the squared moves of the first control points is
 * smallest. With both chosen, what continuity asks for across the tangent is determined (F 11): at G2 by a polynomial
 * of the handle, at G3 by one that is also linear in the place along. The best place follows for each handle, and the
 * best handle is where the derivative of what is left is zero, all such places being found.
 * @param points the first control points of the curve, at least `order + 1`
 * @param factors how the derivatives at the start come from the control points: row r has a factor for each
 * @param frame of the curve to be continued, at its end
 * @param order 1, 2 or 3
 * @param shortest the shortest handle that is taken, above 0
 */
export function leastMovement(
  points: readonly Point[],
  factors: readonly Point[],
  { point, tangent, curvature, change }: MovingFrame,
  order: number,
  shortest: number,
): FreePlaces {
  const from = (index: number): Point => subtract(points[index]!, point);
  const across = (vector: Point): Point => addScaled(vector, tangent, -dot(vector, tangent));
  const handleNow = dot(from(1), tangent);
  const nearest = Math.max(shortest, handleNow);
  if (order < 2) return { handle: nearest, along: 0 };
  const alongNow = dot(from(2), tangent);
  const f = (row: number, column: number): number => factors[row]![column]!;
  const second = scaled(curvature, f(1, 1) ** 2 / f(2, 2));
  const secondNow = across(from(2));
  // Across the tangent the fourth point lies at third₃ h³ + third₂ h² + (along) slope h.
  const isThird = order > 2;
  const slope = isThird ? scaled(curvature, (3 * f(1, 1) * f(2, 2)) / f(3, 3)) : curvature;
  const cubic = isThird ? scaled(change, f(1, 1) ** 3 / f(3, 3)) : change;
  const square = isThird
    ? addScaled(scaled(curvature, (3 * f(1, 1) * f(2, 1)) / f(3, 3)), second, -f(3, 2) / f(3, 3))
    : curvature;
  const thirdNow = isThird ? across(from(3)) : curvature;
  /** What the fourth point lacks across the tangent where the third stays along it. */
  const lack = (h: number): Point =>
    subtract(addScaled(addScaled(scaled(cubic, h ** 3), square, h ** 2), slope, alongNow * h), thirdNow);
  const slid = (h: number): number =>
    isThird ? (-h * dot(lack(h), slope)) / (1 + h ** 2 * dot(slope, slope)) : 0;
  const cost = (h: number): number => {
    const off = addScaled(secondNow, second, -(h ** 2));
    const sum = (h - handleNow) ** 2 + dot(off, off);
    if (!isThird) return sum;
    const slide = slid(h);
    const missed = addScaled(lack(h), slope, slide * h);
    return sum + slide ** 2 + dot(missed, missed);
  };
  // A handle that moves farther than all points together now is none that moves least.
  const least = Math.min(cost(nearest), cost(shortest));
  const longest = Math.max(nearest, handleNow + Math.sqrt(least));
  const handle: Bernstein = [shortest, longest];
  const squared = multiplyBernstein(handle, handle);
  const times = (polynomial: Bernstein, vector: Point): BernsteinVector =>
    vector.map((value) => polynomial.map((entry) => entry * value));
  const plus = (a: BernsteinVector, b: BernsteinVector): BernsteinVector =>
    a.map((polynomial, axis) => addBernstein(polynomial, b[axis]!));
  const dots = (a: BernsteinVector, b: BernsteinVector): Bernstein =>
    a
      .map((polynomial, axis) => multiplyBernstein(polynomial, b[axis]!))
      .reduce((sum, next) => addBernstein(sum, next));
  const negative = (polynomial: Bernstein): Bernstein => polynomial.map((entry) => -entry);
  const own = handle.map((entry) => entry - handleNow);
  const offSecond = plus(times(squared, second), times([1], scaled(secondNow, -1)));
  let slopeOfCost: Bernstein = differentiateBernstein(
    addBernstein(multiplyBernstein(own, own), dots(offSecond, offSecond)),
  );
  if (isThird) {
    const lacking = plus(
      plus(times(multiplyBernstein(squared, handle), cubic), times(squared, square)),
      plus(times(handle, scaled(slope, alongNow)), times([1], scaled(thirdNow, -1))),
    );
    const sliding = times(handle, slope);
    const below = addBernstein([1], dots(sliding, sliding));
    const crossed = dots(lacking, sliding);
    const above = addBernstein(
      multiplyBernstein(dots(lacking, lacking), below),
      negative(multiplyBernstein(crossed, crossed)),
    );
    slopeOfCost = addBernstein(
      multiplyBernstein(slopeOfCost, multiplyBernstein(below, below)),
      addBernstein(
        multiplyBernstein(differentiateBernstein(above), below),
        negative(multiplyBernstein(above, differentiateBernstein(below))),
      ),
    );
  }
  const candidates = [
    shortest,
    nearest,
    ...rootsOfBernstein(slopeOfCost).map((t) => shortest + (longest - shortest) * t),
  ].filter((h) => Number.isFinite(cost(h)));
  const best = candidates.reduce((a, b) => (cost(b) < cost(a) ? b : a), nearest);
  return { handle: best, along: alongNow + slid(best) };
}
