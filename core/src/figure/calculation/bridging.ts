import type { Curve } from '../../curve/curve.js';
import { tex, texPoint, type CalculationLine } from './calculation.js';
import { jointCalculation } from './joint.js';

/** A bridge: its handle from the speed at its first end, and what it has in common with the curves at both. */
export function bridging(
  bridge: Curve,
  strengths: readonly [number, number],
  into: Curve,
  from: Curve,
): readonly CalculationLine[] {
  const { points, degree } = bridge;
  const [first, last] = [points[0]!, points.at(-1)!];
  const gap = Math.hypot(...first.map((value, axis) => value - last[axis]!));
  const handle = (strength: number, end: 0 | 1): CalculationLine => {
    const [at, next] = end === 0 ? [first, points[1]!] : [last, points.at(-2)!];
    return {
      step: 'bridgeHandle',
      values: { end: end + 1 },
      tex: String.raw`v = ${tex(strength)}\cdot ${tex(gap)} = ${tex(strength * gap)},\quad \frac{v}{${degree}} = ${tex((strength * gap) / degree)},\quad ${texPoint(next)}`,
      places: [at, next],
      legs: [[at, next]],
      points: [],
    };
  };
  return [
    handle(strengths[0], 0),
    handle(strengths[1], 1),
    ...jointCalculation(into, bridge),
    ...jointCalculation(bridge, from),
  ];
}
