import type { Curve, Point } from '../src/curve/curve.js';
import { derivativesAtMany, pointsAt } from '../src/curve/evaluateMany.js';
import { fitPoints } from '../src/curve/fitPoints.js';
import { insertKnots } from '../src/curve/insertKnot.js';
import { interpolate } from '../src/curve/interpolate.js';
import { clampedUniformKnots } from '../src/curve/knotVector.js';

/** The same work as `compiled.py`, one name and the milliseconds a line; `npm run bench compiled` sets both side by side. */
function median(act: () => unknown): number {
  for (const began = performance.now(); performance.now() - began < 300;) act();
  const times = Array.from({ length: 9 }, () => {
    const began = performance.now();
    act();
    return performance.now() - began;
  });
  return times.sort((a, b) => a - b)[4]!;
}

const pointsOf = (count: number): Point[] =>
  Array.from({ length: count }, (_, k) => [k * 10, 30 * Math.sin(k * 1.3) + 10 * Math.cos(k * 2.7)]);
const curveOf = (count: number, degree: number): Curve => ({
  degree,
  knots: clampedUniformKnots(count, degree),
  points: pointsOf(count),
});
const evenly = (count: number): Float64Array =>
  Float64Array.from({ length: count }, (_, k) => k / (count - 1));

const [quintic, hundred] = [curveOf(40, 5), curveOf(100, 3)];
const [some, even] = [evenly(10_000), [...evenly(2000)]];
const [given, samples] = [pointsOf(1000), pointsOf(2000)];
const ten = Array.from({ length: 10 }, (_, k) => (k + 0.37) / 11);

for (const [name, act] of Object.entries({
  'ten thousand points of a quintic': () => pointsAt(quintic, some),
  'first and second derivatives there': () => derivativesAtMany(quintic, some, 2),
  'interpolation of 1,000 points': () => interpolate(given, 3),
  'least squares, 2,000 points to 100 control points': () =>
    fitPoints(samples, even, clampedUniformKnots(100, 3), 3),
  'ten knots into 100 points': () => insertKnots(hundred, ten),
})) {
  console.log(`${name}\t${median(act)}`);
}
