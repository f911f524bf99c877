import { dimensionOf, type Curve } from './curve.js';
import { equidistribute, knotDensity } from './equidistribute.js';
import { pointAt } from './evaluate.js';
import { pointsAt } from './evaluateMany.js';
import { improveKnots, exchangedKnot, type CurveSamples, type Step } from './freeKnots.js';
import { domainOf, interiorKnots, relativeKnotTolerance, spansOf } from './knotVector.js';
import { fitWithBreaks, maximumSpanCount } from './refit.js';
import { spanPolynomials, type SpanPolynomials } from './spanPolynomials.js';

/** Curves near a source, by their number of spans. */
export interface Family {
  /** How far a curve of the family is off at some places of each of its spans. */
  distanceOf(fitted: Curve): number;
  /** Those whose knots stand where rules place them. */
  placed(spanCount: number): Iterable<Curve>;
  /**
   * Those whose knots are moved from there, step by step: from several starts a little, from the best of these farther, and
   * then with single knots put elsewhere each time.
   */
  improved(spanCount: number): Iterable<Improved>;
}

/** Knots on their way. */
export interface Improved {
  /** The largest distance at some places. */
  readonly largest: number;
  /** How many of the steps from several starts, or with knots put elsewhere, lie behind. */
  readonly stage: 'starts' | 'best' | 'exchanges' | 'more';
  /** The curve with these knots. */
  fitted(): Curve;
}

/** The family of a degree that a fit to a tolerance chooses from. It does not depend on the tolerance. */
export function familyOf(curve: Curve, degree: number): Family {
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
  const source = spanPolynomials(curve, 0);
  const multiplicityOf = (value: number): number => kept.get(value) ?? 1;
  const near = 1e3 * relativeKnotTolerance * (end - start);
  const fit = (inner: readonly number[]): Curve => {
    const free = inner.filter((u) =>
      [start, end, ...kept.keys()].every((other) => Math.abs(u - other) > near),
    );
    const breaks = [start, ...[...free, ...kept.keys()].sort((a, b) => a - b), end];
    return fitWithBreaks(curve, degree, breaks, multiplicityOf, source);
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
  const along = chordDensity(source, start, end);
  const [ends, densities] = knotDensity(fine, new Set(kept.keys()));
  const freeOf = (spanCount: number): number => Math.max(1, spanCount - kept.size);
  const samplesFor = (spanCount: number): CurveSamples => {
    // As many in each of the source's spans, so that short ones are seen as well, and more where knots will stand.
    const even = spans.flatMap((span) =>
      Array.from(
        { length: samplesOfSpan },
        (_, k) => span.start + ((span.end - span.start) * k) / samplesOfSpan,
      ),
    );
    const dense = equidistribute(ends, densities, samplesOfKnot * spanCount);
    const parameters = new Float64Array([...even, ...dense, end]).sort();
    return {
      parameters,
      values: pointsAt(source, parameters),
      dimension: dimensionOf(curve),
      ends: [pointAt(curve, start), pointAt(curve, end, 'left')],
    };
  };
  const known = new Map<number, readonly Curve[]>();
  /** Knots by the source's derivatives, by where these leave the largest distance, and at the source's knots. */
  const startsOf = (free: number): readonly Curve[] => {
    const before = known.get(free);
    if (before) return before;
    const byDerivatives = fit(equidistribute(ends, densities, free));
    const once = fit(equidistribute(...errorDensity(source, byDerivatives), free));
    const twice = fit(equidistribute(...errorDensity(source, once), free));
    // With many more spans than the source has, its own knots mean little.
    const isFine = free > 1.5 * spans.length;
    const starts = isFine
      ? [byDerivatives, twice]
      : [byDerivatives, twice, fit(alignedBreaks(curve, ends, densities, free))];
    known.set(free, starts);
    return starts;
  };
  const stays = (value: number): boolean => kept.has(value);
  const roundsFor = ({ values }: CurveSamples): number =>
    Math.min(mostSteps, Math.floor((mostSteps * workOfSteps) / (values.length * (3 * degree + 1) ** 2)));
  return {
    distanceOf: (fitted) => distanceAtPlaces(source, fitted),
    *placed(spanCount) {
      const free = freeOf(spanCount);
      yield* startsOf(free);
      yield fit(equidistribute([start, end], [1], free));
      yield fit(equidistribute(...along, free));
      yield fit(
        equidistribute(
          [start, ...spans.map((span) => span.end)],
          spans.map((span) => 1 / (span.end - span.start)),
          free,
        ),
      );
    },
    *improved(spanCount) {
      // The band of a closed curve's knots runs round, which the steps do not know; and where weights differ much, a curve
      // does between samples what they don't see.
      if (curve.periodic || weightRatio(curve) > mostUneven) return;
      const samples = samplesFor(spanCount);
      const rounds = roundsFor(samples);
      let best: Step | undefined;
      function* steps(
        knots: readonly number[],
        count: number,
        stage: Improved['stage'],
      ): Generator<Improved> {
        for (const step of improveKnots(samples, degree, knots, stays, count)) {
          if (!best || step.cost < best.cost) best = step;
          const fitted = (): Curve => ({ degree, knots: step.knots, points: step.rows });
          yield { largest: step.largest, stage, fitted };
        }
      }
      for (const { knots } of startsOf(freeOf(spanCount)))
        yield* steps(knots, Math.ceil(rounds / 2), 'starts');
      if (!best) return;
      yield* steps(best.knots, rounds, 'best');
      let failures = 0;
      // One knot of many changes little, for as much work.
      const exchanges = Math.min(mostExchanges, Math.round(knotsToExchange / spanCount));
      for (let k = 0; k < exchanges && failures < mostFailures && rounds > 0; k++) {
        const before: Step = best;
        const exchanged = exchangedKnot(samples, degree, before.knots, stays, failures);
        if (!exchanged) return;
        yield* steps(exchanged, Math.ceil(rounds / 2), k < mostExchanges / 2 ? 'exchanges' : 'more');
        failures = best === before ? failures + 1 : 0;
      }
    },
  };
}

/** Samples for each span of the source, and for each of the result. */
const samplesOfSpan = 12;
const samplesOfKnot = 8;

/** How often a knot is put elsewhere, and how often in a row to no avail. */
const mostExchanges = 8;
const knotsToExchange = 300;
const mostFailures = 3;

const mostUneven = 1e4;

/** The largest weight by the smallest. */
function weightRatio({ weights }: Curve): number {
  return weights ? Math.max(...weights) / Math.min(...weights) : 1;
}

/** How many steps knots are moved, fewer where one takes more than this many products. */
const mostSteps = 12;
const workOfSteps = 500_000;

/**
 * Inner knots of which as many as can be are the source's own: its spans are divided where the density is highest, or,
 * where there are to be fewer, those of its knots are taken that lie nearest to where the density would have them.
 */
function alignedBreaks(
  curve: Curve,
  ends: readonly number[],
  densities: readonly number[],
  spanCount: number,
): number[] {
  const spans = spansOf(curve.knots, curve.degree);
  if (spanCount < spans.length) {
    const own = new Set(spans.slice(1).map((span) => span.start));
    return equidistribute(ends, densities, spanCount)
      .map((u) => {
        let nearest = u;
        for (const knot of own) {
          if (nearest === u || Math.abs(knot - u) < Math.abs(nearest - u)) nearest = knot;
        }
        own.delete(nearest);
        return nearest;
      })
      .sort((a, b) => a - b);
  }
  const shares = spans.map((span) => {
    let integral = 0;
    densities.forEach((density, k) => {
      const length = Math.min(span.end, ends[k + 1]!) - Math.max(span.start, ends[k]!);
      if (length > 0) integral += density * length;
    });
    return integral;
  });
  const parts = spans.map(() => 1);
  for (let count = spans.length; count < spanCount; count++) {
    let most = 0;
    for (let k = 1; k < spans.length; k++) {
      if (shares[k]! / parts[k]! > shares[most]! / parts[most]!) most = k;
    }
    parts[most]!++;
  }
  return spans
    .flatMap(({ start, end }, k) =>
      Array.from({ length: parts[k]! }, (_, m) => start + ((end - start) * m) / parts[k]!),
    )
    .slice(1);
}

/** How dense knots are to stand for the chords between them to be about as long. */
function chordDensity(
  source: SpanPolynomials,
  start: number,
  end: number,
): [ends: number[], densities: number[]] {
  const count = 4 * (source.starts.length + 24);
  const ends = Array.from({ length: count + 1 }, (_, k) =>
    k === count ? end : start + ((end - start) * k) / count,
  );
  const values = pointsAt(source, ends);
  const { dimension } = source;
  const chords = ends.slice(1).map((_, k) => {
    let squared = 0;
    for (let axis = 0; axis < dimension; axis++) {
      squared += (values[(k + 1) * dimension + axis]! - values[k * dimension + axis]!) ** 2;
    }
    return Math.sqrt(squared);
  });
  // A small share everywhere, where the curve stands still.
  const least = 1e-6 * Math.max(...chords) + Number.MIN_VALUE;
  return [ends, chords.map((chord) => chord + least)];
}

/** How dense knots are to stand on each span of a fit for it to leave the same distance everywhere. */
function errorDensity(source: SpanPolynomials, fitted: Curve): [ends: number[], densities: number[]] {
  const spans = spansOf(fitted.knots, fitted.degree);
  const shares = [0.1, 0.3, 0.5, 0.7, 0.9];
  const off = distances(
    source,
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

/** Largest distance of two curves at some places of each span of the second. */
function distanceAtPlaces(source: SpanPolynomials, fitted: Curve): number {
  const places = spansOf(fitted.knots, fitted.degree).flatMap(({ start, end }) =>
    [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => start + share * (end - start)),
  );
  return Math.max(...distances(source, fitted, places));
}

function distances(source: SpanPolynomials, fitted: Curve, places: readonly number[]): number[] {
  const [there, here] = [pointsAt(source, places), pointsAt(fitted, places)];
  const dimension = there.length / places.length;
  return places.map((_, k) => {
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) {
      sum += (there[k * dimension + axis]! - here[k * dimension + axis]!) ** 2;
    }
    return Math.sqrt(sum);
  });
}
