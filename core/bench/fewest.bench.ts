import { improveKnots, type CurveSamples } from '../src/curve/freeKnots.js';
import type { Curve } from '../src/curve/curve.js';
import { largestDeviation } from '../src/curve/deviation.js';
import { pointAt } from '../src/curve/evaluate.js';
import { pointsAt } from '../src/curve/evaluateMany.js';
import { fitCurveToTolerance } from '../src/curve/fitCurve.js';
import { clampedKnotVector, domainOf, interiorKnots, spansOf } from '../src/curve/knotVector.js';
import { fewestCases, type FewestCase } from '../test/curve/fewestPoints.js';

/**
 * How few points fits to a tolerance need, beside the fewest that a long search finds: from the fit on it takes knots away
 * one after the other and moves the rest from dozens of starts each time, for at most a minute and a half a case. Run by
 * `npm run bench fewest`; what it finds is kept as `known` in `core/test/curve/fewestPoints.ts`.
 */
const mostSeconds = 90;

function search({ curve, degree, tolerance }: FewestCase, from: Curve): Curve {
  const began = performance.now();
  const isOver = (): boolean => performance.now() - began > 1000 * mostSeconds;
  const [start, end] = domainOf(curve.knots, curve.degree);
  const spans = spansOf(curve.knots, curve.degree);
  const perSpan = Math.max(20, Math.ceil((12 * from.points.length) / spans.length));
  const parameters = Float64Array.from([
    ...spans.flatMap((span) =>
      Array.from({ length: perSpan }, (_, k) => span.start + ((span.end - span.start) * k) / perSpan),
    ),
    end,
  ]);
  const samples: CurveSamples = {
    parameters,
    values: pointsAt(curve, parameters),
    dimension: 2,
    ends: [pointAt(curve, start), pointAt(curve, end, 'left')],
  };
  const knotsOf = (inner: readonly number[]): number[] =>
    clampedKnotVector(
      start,
      end,
      inner.map((value) => ({ value, multiplicity: 1 })),
      degree,
    );
  /** The first curve on the way from some knots that is within the tolerance, and how near it comes otherwise. */
  const improved = (inner: readonly number[], rounds: number): { curve?: Curve; largest: number } => {
    let largest = Infinity;
    for (const step of improveKnots(samples, degree, knotsOf(inner), () => false, rounds)) {
      largest = Math.min(largest, step.largest);
      const next = { degree, knots: step.knots, points: step.rows };
      if (step.largest <= tolerance && largestDeviation(curve, next).distance <= tolerance) {
        return { curve: next, largest };
      }
    }
    return { largest };
  };
  let best = from;
  for (;;) {
    const inner = interiorKnots(best.knots, degree).map(({ value }) => value);
    const removals = inner
      .map((_, index) => inner.toSpliced(index, 1))
      .map((list) => ({ list, largest: improved(list, 1).largest }))
      .sort((a, b) => a.largest - b.largest)
      .slice(0, 20)
      .map(({ list }) => list);
    const shaken = Array.from({ length: 60 }, () => {
      const list = removals[Math.floor(Math.random() * removals.length)] ?? [];
      return list.map((u, k) => {
        const by = 0.7 * (Math.random() - 0.5);
        return u + by * (by < 0 ? u - (list[k - 1] ?? start) : (list[k + 1] ?? end) - u);
      });
    });
    let fewer: Curve | undefined;
    for (const list of [...removals.slice(0, 10), ...shaken]) {
      if (isOver()) break;
      fewer = improved(list, 40).curve;
      if (fewer) break;
    }
    if (!fewer) return best;
    best = fewer;
  }
}

console.log(['case', 'points', 'fewest found', 'ratio', 'ms'].join('\t'));
for (const fewest of fewestCases) {
  const began = performance.now();
  const fit = fitCurveToTolerance(fewest.curve, fewest.degree, fewest.tolerance);
  const time = performance.now() - began;
  const found = search(fewest, fit.curve).points.length;
  const count = fit.curve.points.length;
  console.log([fewest.name, count, found, (count / found).toFixed(3), time.toFixed(0)].join('\t'));
}
