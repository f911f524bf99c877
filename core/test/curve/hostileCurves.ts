import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { withSettledKnots } from '../../src/curve/settleKnots.js';
import type { Curve } from '../../src/curve/curve.js';

/** A hundred points of degree 9 at random, the same each time. */
function wild(
  weightExponent: number,
  change: (points: number[][]) => number[][] = (points) => points,
): Curve {
  let state = 7;
  const share = (): number => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const points = change(Array.from({ length: 100 }, () => [100 * share(), 100 * share()]));
  return {
    degree: 9,
    knots: clampedUniformKnots(100, 9),
    points,
    ...(weightExponent > 0 && {
      weights: points.map(() => 10 ** (weightExponent * (2 * share() - 1))),
    }),
  };
}

/** Curves of 100 points of degree 9 that are as hard as can be. */
export const hostileCurves: readonly [string, Curve][] = [
  ['at random', wild(0)],
  ['with weights from 1e-6 to 1e6', wild(6)],
  [
    'with a dozen points on one place each time',
    wild(3, (points) => points.map((point, k) => (k % 20 < 12 ? points[k - (k % 20)]! : point))),
  ],
  ['back and forth on a line', wild(0, (points) => points.map(([x]) => [x!, 0]))],
  [
    'with knots close together',
    withSettledKnots({
      ...wild(0),
      knots: wild(0).knots.map((knot) => (knot > 0 && knot < 1 ? 0.5 + (knot - 0.5) * 1e-6 : knot)),
    }),
  ],
];
