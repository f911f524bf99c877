import { measureContinuity } from '../src/curve/continuity.js';
import type { Curve, Point } from '../src/curve/curve.js';
import { editPoints, moveEditPoint } from '../src/curve/editPoint.js';
import { elevateDegree } from '../src/curve/elevateDegree.js';
import { pointAt } from '../src/curve/evaluate.js';
import { derivativesAtMany, pointsAt } from '../src/curve/evaluateMany.js';
import { fitStroke } from '../src/curve/fitPoints.js';
import { largestDistance } from '../src/curve/hausdorff.js';
import { insertKnots } from '../src/curve/insertKnot.js';
import { interpolate, interpolateClosed } from '../src/curve/interpolate.js';
import { clampedUniformKnots } from '../src/curve/knotVector.js';
import { lengthOfCurve } from '../src/curve/length.js';
import { nearestFinder } from '../src/curve/nearest.js';
import { refitCurve } from '../src/curve/refit.js';
import { removeKnot } from '../src/curve/removeKnot.js';
import { sampleCurve } from '../src/curve/sample.js';
import { sampleBasis } from '../src/curve/sampleBasis.js';
import { spanPolynomials } from '../src/curve/spanPolynomials.js';
import { emptyFigure } from '../src/figure/document/document.js';
import { evaluateFigure } from '../src/figure/evaluation/evaluate.js';

/**
 * What the curve core's operations cost, in the unit that suits each. Machines differ and are noisy, so
 * every time also stands against a plain run over precomputed span polynomials that is measured beside
 * it. Run by `npm run bench`; the table is kept in `docs/benchmarks.md`.
 */
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

/** Median time of one call in nanoseconds, over runs of at least 20 ms once it is warm. */
function time(act: () => unknown): number {
  // Until the engine has made its best of it.
  for (const began = performance.now(); performance.now() - began < 250;) act();
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

const million = 1_000_000;
const places = new Float64Array(2 * million);
const triples = new Float64Array(6 * million);

/** The plain run: cubic polynomials known beforehand, nothing looked up, nothing checked. */
function plainRun(): void {
  const step = 9 / million;
  for (let span = 0; span < 9; span++) {
    const c = span + 1;
    const to = Math.floor(((span + 1) * million) / 9);
    for (let i = Math.floor((span * million) / 9); i < to; i++) {
      const s = i * step - span - 0.5;
      const w = 1 / (((0.1 * s + 0.2) * s + 0.1) * s + 1);
      places[2 * i] = w * (((c * s + 2) * s + 3) * s + 4);
      places[2 * i + 1] = w * (((2 * s + c) * s + 1) * s + c);
    }
  }
}

const cubic = curve(3, 12, true);
const prepared = spanPolynomials(cubic, 2);
const dense = curve(5, 40, false);
const hundred = curve(3, 100, false);
const unsorted = Float64Array.from({ length: million }, (_, k) => ((k * 7919) % 1_000_003) / 1_000_003);
const thousand = Array.from({ length: 1000 }, (_, k): Point => [k, 10 * Math.sin(k * 0.7)]);
const ring = thousand.map((_, k): Point => [Math.cos(k / 159.2), Math.sin(k / 159.2)]);
const stroke = Array.from({ length: 3000 }, (_, k): Point => pointAt(dense, k / 2999));
const find = nearestFinder(dense);
const other: Curve = { ...dense, points: dense.points.map(([x, y], k) => [x!, y! + (k % 3)]) };
const inserted = Array.from({ length: 10 }, (_, k) => (k + 0.37) / 10);
const figure = { ...emptyFigure(), items: [{ id: 'a', name: 'a', kind: 'curve', curve: dense } as const] };

interface Row {
  readonly name: string;
  readonly unit: 'ns a point' | 'µs' | 'ms';
  /** Nanoseconds of a unit's thing: a point, or the whole operation. */
  readonly cost: number;
  /** The plain run measured beside it, in nanoseconds a point. */
  readonly beside: number;
  /** What it should cost at most where a plain run costs 9 ns a point. */
  readonly aim?: number;
}

const point = (act: () => unknown, count = million): number => time(act) / count;
const rows: Row[] = [];
const plain: number[] = [];
function measure(name: string, unit: Row['unit'], cost: () => number, aim?: number): void {
  // The machine's pace changes while this runs: the plain run is measured right before and behind.
  const before = point(plainRun);
  const own = cost();
  const beside = (before + point(plainRun)) / 2;
  plain.push(beside);
  rows.push({ name, unit, cost: own, beside, ...(aim === undefined ? {} : { aim }) });
}

measure(
  'points of a rational cubic of 12 points at a million unsorted parameters',
  'ns a point',
  () => point(() => pointsAt(prepared, unsorted, places)),
  60,
);
measure(
  'derivatives 0 to 2 there',
  'ns a point',
  () => point(() => derivativesAtMany(prepared, unsorted, 2, triples)),
  100,
);
measure('comb: tangent and curvature at 10,000 a span', 'ns a point', () =>
  point(() => sampleCurve(cubic, 10_000), 9 * 10_001),
);
measure('interpolation of 1,000 points, cubic', 'µs', () => time(() => interpolate(thousand, 3)), 1_000_000);
measure('closed interpolation of 1,000 points, cubic', 'µs', () => time(() => interpolateClosed(ring, 3)));
measure('inserting 10 knots into 100 points', 'µs', () => time(() => insertKnots(hundred, inserted)));
measure('raising the degree of 100 points', 'µs', () => time(() => elevateDegree(hundred)));
measure('removing a knot of 100 points', 'µs', () => time(() => removeKnot(hundred, hundred.knots[50]!)));
measure('refit of degree 5, 40 points, to 20 cubic spans', 'µs', () => time(() => refitCurve(dense, 3, 20)));
measure('freehand stroke of 3,000 points', 'ms', () => time(() => fitStroke(stroke, 0.5)));
measure('nearest point, degree 5, 40 points', 'µs', () => time(() => find([187, 55])));
measure('largest distance of two such curves', 'ms', () => time(() => largestDistance(dense, other)));
measure('length', 'µs', () => time(() => lengthOfCurve(dense)));
measure('measured continuity at its 34 knots', 'µs', () => time(() => measureContinuity(dense)));
measure('samples for drawing it', 'µs', () => time(() => sampleCurve(dense, 12)));
measure('basis for drawing it', 'µs', () => time(() => sampleBasis(dense, 12)));
measure('edit points of it', 'µs', () => time(() => editPoints(dense)));
measure('moving one of them', 'µs', () => time(() => moveEditPoint(dense, 20, [1, 2])));
measure('evaluating a figure of one curve', 'µs', () => time(() => evaluateFigure(figure)));

const reference = plain.sort((a, b) => a - b)[Math.floor(plain.length / 2)]!;
const size = { 'ns a point': 1, µs: 1e3, ms: 1e6 };
console.log(`| what | cost here | against the plain run | scaled to 9 ns | aim |`);
console.log(`|---|---:|---:|---:|---:|`);
console.log(`| plain run over known polynomials | ${reference.toFixed(1)} ns a point | 1 | 9 ns | |`);
for (const { name, unit, cost, beside, aim } of rows) {
  const show = (nanoseconds: number): string => `${(nanoseconds / size[unit]).toFixed(1)} ${unit}`;
  const scaled = (cost * 9) / beside;
  const times = cost / beside;
  console.log(
    `| ${name} | ${show(cost)} | ${times < 100 ? times.toFixed(1) : Math.round(times)} | ${show(scaled)} | ${aim === undefined ? '' : show(aim)} |`,
  );
}
