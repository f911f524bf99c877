import {
  clampedUniformKnots,
  composePieces,
  curvatureExtremes,
  decompose,
  elevateDegree,
  enclosedArea,
  fitStroke,
  insertKnots,
  interpolate,
  interpolateClosed,
  largestDeviation,
  largestDistance,
  lengthOfCurve,
  measureContinuity,
  nearestPoint,
  openCurve,
  periodicCurve,
  periodicFromClosed,
  reduceDegree,
  refitCurve,
  removeKnot,
  removeNeedlessKnots,
  splitAtKnots,
  type Curve,
} from '../test/everything.js';

/**
 * How the cost of operations grows with the control points of a cubic: one run each, in milliseconds, after a run on the
 * smallest curve for the engine to warm up. Everything is to grow about as the points do. Run by `npm run bench growth`;
 * the table is kept in `docs/benchmarks.md`.
 */
const sizes = [10, 100, 1000, 10_000];

interface Sample {
  readonly count: number;
  readonly open: Curve;
  readonly other: Curve;
  readonly ring: Curve;
}

function sampleOf(count: number): Sample {
  const points = Array.from({ length: count }, (_, k) => [
    k * 10,
    30 * Math.sin(k * 1.3) + 10 * Math.cos(k * 2.7),
  ]);
  const open = { degree: 3, knots: clampedUniformKnots(count, 3), points };
  const ring = Array.from({ length: count }, (_, k) => {
    const angle = (2 * Math.PI * k) / count;
    return [Math.cos(angle) * (1000 + 30 * Math.sin(7 * k)), Math.sin(angle) * 1000];
  });
  return {
    count,
    open,
    other: { ...open, points: points.map(([x, y], k) => [x!, y! + Math.sin(k)]) },
    ring: periodicCurve(3, ring),
  };
}

const acts: Readonly<Record<string, (sample: Sample) => unknown>> = {
  'insert as many knots as there are points': ({ open, count }) =>
    insertKnots(
      open,
      Array.from({ length: count }, (_, k) => (k + 0.37) / (count + 1)),
    ),
  'split at all knots': ({ open }) => splitAtKnots(open),
  'take apart into Bézier pieces': ({ open }) => decompose(open),
  'put those together again': ({ open }) => composePieces(decompose(open), 1e-6),
  'raise the degree': ({ open }) => elevateDegree(open),
  'raise the degree, periodic': ({ ring }) => elevateDegree(ring),
  'lower the degree': ({ open }) => reduceDegree(open),
  'lower the degree, periodic': ({ ring }) => reduceDegree(ring),
  'remove a knot, periodic': ({ ring, count }) => removeKnot(ring, ring.knots[3 + (count >> 1)]!),
  'remove needless knots': ({ open }) => removeNeedlessKnots(insertKnots(open, [0.123, 0.456]), 1e-6),
  'refit to as many spans, 500 at most': ({ open, count }) => refitCurve(open, 3, Math.min(500, count)),
  'the same, periodic': ({ ring, count }) => refitCurve(ring, 3, Math.min(500, count)),
  'interpolate the points': ({ open }) => interpolate(open.points, 3),
  'interpolate them, closed': ({ ring, count }) => interpolateClosed(ring.points.slice(0, count), 3),
  'measure continuity at all knots': ({ open }) => measureContinuity(open),
  'largest deviation from another': ({ open, other }) => largestDeviation(open, other),
  'largest distance from another': ({ open, other }) => largestDistance(open, other),
  'nearest point': ({ open }) => nearestPoint(open, [5, 500]),
  length: ({ open }) => lengthOfCurve(open),
  'area enclosed': ({ ring }) => enclosedArea(ring),
  'extremes of curvature': ({ open }) => curvatureExtremes(open),
  'write a closed curve as periodic': ({ ring }) => periodicFromClosed(openCurve(ring)),
  'freehand stroke of so many points': ({ open }) => fitStroke(open.points.slice(0, 3000), 20),
};

const samples = sizes.map(sampleOf);
console.log(`| ms | ${sizes.map((size) => size.toLocaleString('en')).join(' | ')} |`);
console.log(`|---|${sizes.map(() => '---:').join('|')}|`);
for (const [name, act] of Object.entries(acts)) {
  act(samples[0]!);
  const times = samples.map((sample) => {
    const began = performance.now();
    act(sample);
    return performance.now() - began;
  });
  console.log(`| ${name} | ${times.map((value) => value.toPrecision(2)).join(' | ')} |`);
}
