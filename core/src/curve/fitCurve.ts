import { arcLengthTable } from './arcLength.js';
import { refuseSignedWeights } from './betweenPoles.js';
import { isRational, type Curve } from './curve.js';
import { largestDeviation } from './deviation.js';
import { elevateDegree } from './elevateDegree.js';
import { equidistribute, knotDensity } from './equidistribute.js';
import { pointsAt } from './evaluateMany.js';
import { domainOf, interiorKnots, relativeKnotTolerance, spansOf, validateDegree } from './knotVector.js';
import {
  breakCandidates,
  fitWithBreaks,
  maximumSpanCount,
  validateTolerance,
  type ToleranceFit,
} from './refit.js';
import type { Approximation } from './removeKnot.js';

/**
 * A curve of a chosen degree, without weights, that stays within a tolerance of another with as few spans
 * as were found (P&T 9.4.3; dB XII). It is one of a family that does not depend on the tolerance, so that more tolerance
 * never costs more points: for each of some numbers of spans the curves with knots placed by the source's derivatives,
 * by where these leave the largest distance, evenly, by length and by the source's spans; and the source itself, where
 * the degree allows it. Where the source is less smooth than a knot makes it, a knot of that multiplicity stays.
 * @param tolerance largest distance, above 0, in the drawing's unit
 * @throws CurveError `degree`, `tolerance`
 */
export function fitCurveToTolerance(curve: Curve, degree: number, tolerance: number): ToleranceFit {
  refuseSignedWeights(curve);
  validateDegree(degree);
  validateTolerance(tolerance);
  const family = familyOf(curve, degree);
  const counts = spanCounts(curve);
  let nearest: Approximation | undefined;
  const known = new Map<number, Approximation | undefined>();
  /** The first curve with so many spans that stays within the tolerance. */
  const within = (index: number): Approximation | undefined => {
    if (known.has(index)) return known.get(index);
    let found: Approximation | undefined;
    for (const fitted of family(counts[index]!)) {
      // What is farther off at some places need not be measured everywhere, as long as something is known.
      if (nearest && distanceAtPlaces(curve, fitted) > Math.max(tolerance, nearest.deviation.distance))
        continue;
      const candidate = { curve: fitted, deviation: largestDeviation(curve, fitted) };
      if (!nearest || candidate.deviation.distance < nearest.deviation.distance) nearest = candidate;
      if (candidate.deviation.distance <= tolerance) {
        found = candidate;
        break;
      }
    }
    known.set(index, found);
    return found;
  };
  // By halving, and then a few fewer, since one less may do where one more does not: both keep the order of tolerances.
  let [low, high] = [0, counts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (within(middle)) high = middle;
    else low = middle + 1;
  }
  let best = low < counts.length ? within(low) : undefined;
  for (let index = low - 1; best && index >= Math.max(0, low - 4); index--) best = within(index) ?? best;
  const exact = inDegree(curve, degree);
  if (exact && (!best || exact.points.length < best.curve.points.length)) {
    best = { curve: exact, deviation: largestDeviation(curve, exact) };
  }
  if (best) return { ...best, reached: best.deviation.distance <= tolerance };
  return { ...nearest!, reached: false };
}

/** The numbers of spans that are tried: all of the small ones, then five in a hundred more each time. */
function spanCounts({ periodic }: Curve): number[] {
  const counts: number[] = [];
  for (
    let count = periodic ? 2 : 1;
    count <= maximumSpanCount;
    count += Math.max(1, Math.round(count / 20))
  ) {
    counts.push(count);
  }
  return counts;
}

/** The source itself at the degree, where that is not lower and the source has no weights. */
function inDegree(curve: Curve, degree: number): Curve | undefined {
  if (isRational(curve) || degree < curve.degree) return undefined;
  const { weights: _, ...plain } = curve;
  return degree === curve.degree ? plain : elevateDegree(plain, degree - curve.degree);
}

/** Largest distance of two curves at some places of each span of the second. */
function distanceAtPlaces(curve: Curve, fitted: Curve): number {
  const places = spansOf(fitted.knots, fitted.degree).flatMap(({ start, end }) =>
    [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => start + share * (end - start)),
  );
  return Math.max(...distances(curve, fitted, places));
}

function distances(curve: Curve, fitted: Curve, places: readonly number[]): number[] {
  const [there, here] = [pointsAt(curve, places), pointsAt(fitted, places)];
  const dimension = there.length / places.length;
  return places.map((_, k) => {
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) {
      sum += (there[k * dimension + axis]! - here[k * dimension + axis]!) ** 2;
    }
    return Math.sqrt(sum);
  });
}

/** The curves of a family with a number of spans, one after the other. */
function familyOf(curve: Curve, degree: number): (spanCount: number) => Generator<Curve> {
  const [start, end] = domainOf(curve.knots, curve.degree);
  // A knot of higher multiplicity leaves less smoothness than a simple knot of the new degree would.
  const kept = new Map(
    interiorKnots(curve.knots, curve.degree)
      .filter(({ multiplicity }) => multiplicity > 1)
      .map(
        ({ value, multiplicity }) => [value, Math.min(degree, degree - curve.degree + multiplicity)] as const,
      )
      .filter(([, multiplicity]) => multiplicity > 1),
  );
  const multiplicityOf = (value: number): number => kept.get(value) ?? 1;
  const near = 1e3 * relativeKnotTolerance * (end - start);
  const fit = (inner: readonly number[]): Curve => {
    const free = inner.filter((u) =>
      [start, end, ...kept.keys()].every((other) => Math.abs(u - other) > near),
    );
    const breaks = [start, ...[...free, ...kept.keys()].sort((a, b) => a - b), end];
    return fitWithBreaks(curve, degree, breaks, multiplicityOf);
  };
  const spans = spansOf(curve.knots, curve.degree);
  const parts = Math.max(
    1,
    Math.min(Math.ceil(96 / spans.length), Math.floor(maximumSpanCount / spans.length)),
  );
  const fine = fit(
    spans
      .flatMap((span) =>
        Array.from({ length: parts }, (_, k) => span.start + ((span.end - span.start) * k) / parts),
      )
      .slice(1),
  );
  const table = arcLengthTable(curve);
  const [ends, densities] = knotDensity(fine, new Set(kept.keys()));
  return function* (spanCount) {
    const free = Math.max(1, spanCount - kept.size);
    let places: readonly number[] = equidistribute(ends, densities, free);
    for (let round = 0; round < 3; round++) {
      const fitted = fit(places);
      yield fitted;
      places = equidistribute(...errorDensity(curve, fitted), free);
    }
    for (const breaks of breakCandidates(curve, free, table)) yield fit(breaks.slice(1, -1));
  };
}

/** How dense knots are to stand on each span of a fit for it to leave the same distance everywhere. */
function errorDensity(curve: Curve, fitted: Curve): [ends: number[], densities: number[]] {
  const spans = spansOf(fitted.knots, fitted.degree);
  const shares = [0.1, 0.3, 0.5, 0.7, 0.9];
  const off = distances(
    curve,
    fitted,
    spans.flatMap(({ start, end }) => shares.map((share) => start + share * (end - start))),
  );
  const largest = Math.max(...off);
  const densities = spans.map(({ start, end }, k) => {
    const own = Math.max(...off.slice(k * shares.length, (k + 1) * shares.length));
    return (own + 1e-6 * largest + 1e-300) ** (1 / (fitted.degree + 1)) / (end - start);
  });
  return [[spans[0]!.start, ...spans.map((span) => span.end)], densities];
}
