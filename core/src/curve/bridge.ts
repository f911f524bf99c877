import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { arcLengthFrame } from './differential.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { domainOf } from './knotVector.js';
import type { CurveEnd } from './match.js';
import { reverseCurve } from './reparametrise.js';
import { addScaled, distance, scaled } from './vector.js';

/** One end of a bridge: where it starts from, and how it leaves. */
export interface BridgeEnd {
  readonly curve: Curve;
  readonly end: CurveEnd;
  /** What it has in common with the curve there: G0, G1, G2 or G3. */
  readonly order: 0 | 1 | 2 | 3;
  /**
   * Speed at which it leaves, in distances between both ends for a parameter from 0 to 1. With 1 the handle of a
   * cubic is a third of that distance.
   */
  readonly strength: number;
}

/**
 * A Bézier piece from one end to another that continues each curve geometrically: its derivatives are those of the
 * curve by arc length, at the wanted speed, without any change of speed (F 11; P&T 5.5). Its degree is the sum of both
 * orders and one more.
 * @returns a curve from the first end to the second, with the domain from 0 to 1
 * @throws CurveError `argument` where both ends lie on one place or a strength is not above zero, `singular` where a
 * curve stands still at its end, `point` for plane and space
 */
export function bridgeCurves(first: BridgeEnd, second: BridgeEnd): Curve {
  if (dimensionOf(first.curve) !== dimensionOf(second.curve)) {
    throw new CurveError('point', told('bridgeOfMixedDimensions'));
  }
  for (const { strength } of [first, second]) {
    if (!(strength > 0 && Number.isFinite(strength))) {
      throw new CurveError('argument', told('bridgeStrength', { strength }), { value: strength });
    }
  }
  const [out, back] = [outwardDerivatives(first), outwardDerivatives(second)];
  const gap = distance(out[0]!, back[0]!);
  const size = Math.max(...[first, second].flatMap(({ curve }) => curve.points.flat()).map(Math.abs));
  if (!(gap > 1e-12 * size)) throw new CurveError('argument', told('bridgeWithoutLength'));
  const degree = first.order + second.order + 1;
  return {
    degree,
    knots: [...Array<number>(degree + 1).fill(0), ...Array<number>(degree + 1).fill(1)],
    points: [
      ...leavingPoints(out, first, gap, degree),
      ...leavingPoints(back, second, gap, degree).reverse(),
    ],
  };
}

/** Point and first three derivatives of a curve at one of its ends, as if it ran out there. */
function outwardDerivatives({ curve, end }: BridgeEnd): readonly Point[] {
  const outward = end === 'end' ? curve : reverseCurve(curve);
  return derivativesAt(outward, domainOf(outward.knots, outward.degree)[1], 3, 'left');
}

/** The first control points of a Bézier piece that leaves an end as is wanted, one more for each order. */
function leavingPoints(
  derivatives: readonly Point[],
  { order, strength }: BridgeEnd,
  gap: number,
  degree: number,
): Point[] {
  const { point, tangent, curvature, change } = arcLengthFrame(derivatives);
  if (order === 0) return [point];
  if (!tangent) throw new CurveError('singular', told('otherStandsStill'));
  const speed = strength * gap;
  const points = [point, addScaled(point, tangent, speed / degree)];
  if (order === 1) return points;
  const second = scaled(curvature!, speed ** 2 / (degree * (degree - 1)));
  points.push(addScaled(addScaled(scaled(points[1]!, 2), points[0]!, -1), second, 1));
  if (order === 2) return points;
  const third = scaled(change!, speed ** 3 / (degree * (degree - 1) * (degree - 2)));
  const rest = addScaled(addScaled(scaled(points[2]!, 3), points[1]!, -3), points[0]!, 1);
  points.push(addScaled(rest, third, 1));
  return points;
}

/** Where the handle of a bridge stands at its first end or its second, and the end itself; none for G0. */
export function bridgeHandle(
  bridge: Curve,
  which: 'first' | 'second',
  order: number,
): { readonly from: Point; readonly at: Point } | undefined {
  if (order === 0) return undefined;
  const points = which === 'first' ? bridge.points : bridge.points.toReversed();
  return { from: points[0]!, at: points[1]! };
}

/**
 * The strength with which the handle of a bridge comes to stand as near as it can to a place, on its own line.
 * @param bridge as it is now, with a handle at that end
 * @returns at least 0.01, in three digits
 */
export function strengthFor(bridge: Curve, which: 'first' | 'second', to: Point, strength: number): number {
  const { from, at } = bridgeHandle(bridge, which, 1)!;
  const now = distance(from, at);
  const along = at.reduce(
    (sum, value, axis) => sum + ((value - from[axis]!) * (to[axis]! - from[axis]!)) / now,
    0,
  );
  return Number(Math.max(0.01, (strength * along) / now).toPrecision(3));
}
