import {
  clampedUniformKnots,
  derivativesAt,
  editPoints,
  evaluateFigure,
  emptyFigure,
  lengthOfCurve,
  moveEditPoint,
  nearestPoint,
  pointAt,
  sampleBasis,
  sampleCurve,
  type Curve,
} from '../src/index.js';

/** What the curve core's operations cost, in the unit that suits each. Run by `npm run bench`. */
function curve(degree: number, count: number, rational: boolean): Curve {
  return {
    degree,
    knots: clampedUniformKnots(count, degree),
    points: Array.from({ length: count }, (_, k) => [
      k * 10,
      30 * Math.sin(k * 1.3) + 10 * Math.cos(k * 2.7),
    ]),
    ...(rational ? { weights: Array.from({ length: count }, (_, k) => 1 + 0.8 * Math.sin(k)) } : {}),
  };
}

/** Median time of one call in nanoseconds, over runs of at least 20 ms. */
function time(act: () => unknown): number {
  for (let k = 0; k < 3; k++) act();
  let calls = 1;
  for (;;) {
    const began = performance.now();
    for (let k = 0; k < calls; k++) act();
    if (performance.now() - began > 20) break;
    calls *= 2;
  }
  const runs = Array.from({ length: 9 }, () => {
    const began = performance.now();
    for (let k = 0; k < calls; k++) act();
    return ((performance.now() - began) * 1e6) / calls;
  });
  return runs.sort((a, b) => a - b)[4]!;
}

const cubic = curve(3, 12, true);
const dense = curve(5, 40, false);
const parameters = Array.from({ length: 10_000 }, (_, k) => ((k * 7919) % 10_007) / 10_007);
const rows: [string, number, string][] = [
  [
    'samples of a rational cubic, 12 points, with tangent and curvature',
    time(() => sampleCurve(cubic, 10_000)) / (9 * 10_001),
    'ns a point',
  ],
  [
    'point of it at unsorted parameters',
    time(() => parameters.forEach((u) => pointAt(cubic, u))) / parameters.length,
    'ns a point',
  ],
  [
    'derivatives 0 to 2 of it',
    time(() => parameters.forEach((u) => derivativesAt(cubic, u, 2))) / parameters.length,
    'ns a point',
  ],
  ['samples for drawing, degree 5, 40 points', time(() => sampleCurve(dense, 12)) / 1000, 'µs'],
  ['basis for drawing, degree 5, 40 points', time(() => sampleBasis(dense, 12)) / 1000, 'µs'],
  ['edit points of it', time(() => editPoints(dense)) / 1000, 'µs'],
  ['moving one of its edit points', time(() => moveEditPoint(dense, 20, [1, 2])) / 1000, 'µs'],
  ['nearest point on it', time(() => nearestPoint(dense, [187, 55])) / 1000, 'µs'],
  ['length of it', time(() => lengthOfCurve(dense)) / 1000, 'µs'],
  [
    'evaluating a figure of one curve',
    time(() =>
      evaluateFigure({ ...emptyFigure(), items: [{ id: 'a', name: 'a', kind: 'curve', curve: dense }] }),
    ) / 1000,
    'µs',
  ],
];
const reference = rows[1]![1];
for (const [name, value, unit] of rows) {
  const nanoseconds = unit === 'µs' ? value * 1000 : value;
  console.log(
    `${name.padEnd(70)} ${value.toFixed(1).padStart(9)} ${unit.padEnd(11)} ${(nanoseconds / reference).toFixed(2).padStart(9)} ×`,
  );
}
