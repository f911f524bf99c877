import { enclosedArea } from '../src/curve/area.js';
import { openCurve, periodicFromClosed } from '../src/curve/close.js';
import { composePieces } from '../src/curve/compose.js';
import { measureContinuity } from '../src/curve/continuity.js';
import type { Curve } from '../src/curve/curve.js';
import { decompose } from '../src/curve/decompose.js';
import { largestDeviation } from '../src/curve/deviation.js';
import { elevateDegree } from '../src/curve/elevateDegree.js';
import { curvatureExtremes } from '../src/curve/features.js';
import { fitStroke } from '../src/curve/fitPoints.js';
import { largestDistance } from '../src/curve/hausdorff.js';
import { insertKnots } from '../src/curve/insertKnot.js';
import { interpolate, interpolateClosed } from '../src/curve/interpolate.js';
import { clampedUniformKnots } from '../src/curve/knotVector.js';
import { lengthOfCurve } from '../src/curve/length.js';
import { nearestPoint } from '../src/curve/nearest.js';
import { periodicCurve } from '../src/curve/periodic.js';
import { reduceDegree } from '../src/curve/reduceDegree.js';
import { refitCurve } from '../src/curve/refit.js';
import { removeKnot } from '../src/curve/removeKnot.js';
import { removeNeedlessKnots } from '../src/curve/needlessKnots.js';

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
