import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { arcLengthTable, type ArcLengthTable } from './arcLength.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { differentiateBernstein, elevateBernstein, multiplyBernstein } from './bernstein.js';
import { boundLargest } from './boundLargest.js';
import type { Deviation } from './deviation.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { pointsAt } from './evaluateMany.js';
import { clampedKnotVector, domainOf, interiorKnots, relativeKnotTolerance, spansOf } from './knotVector.js';
import { knotsOfOnePeriod, periodicKnotVector, wrapped } from './periodic.js';
import { rowsOver } from './pieceDifference.js';
import { sizeOf } from './sizeOf.js';
import { halveRows } from './subdivide.js';
import { distance, mix } from './vector.js';
import { fitRows, samplingParameters, type SplineSpace } from './splineSpace.js';

/** A place of the curve whose parameter value is to be kept, or set, while all others are evened out. */
export interface HeldValue {
  /** The place, by the curve's present parameter. */
  readonly at: number;
  /** The parameter that it is to have; its present one where not given. */
  readonly value?: number;
}

/** A curve with an even parameter. */
export interface EvenedCurve {
  readonly curve: Curve;
  /** Largest distance from the curve before, of points at the same share of length. */
  readonly deviation: Deviation;
  /** How uneven the parameter is still, see `unevennessOf`. */
  readonly unevenness: number;
  /** How uneven it was. */
  readonly before: number;
}

/**
 * How far a parameter is from arc length: the largest |speed / mean speed − 1| over the curve, or between
 * held places over each part with its own mean. 0 is even; a straight cubic with points evenly on it is 0.
 * @param held parameters at which a part ends, inside the domain
 */
export function unevennessOf(curve: Curve, held: readonly number[] = []): number {
  refuseSignedWeights(curve);
  const table = arcLengthTable(curve);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const ends = [start, ...held.toSorted((a, b) => a - b), end];
  const parts: SpeedPart[] = [];
  for (let part = 1; part < ends.length; part++) {
    const [from, to] = [ends[part - 1]!, ends[part]!];
    if (!(to > from)) continue;
    const mean = (table.lengthAt(to) - table.lengthAt(from)) / (to - from);
    if (!(mean > 0)) continue;
    for (const span of spansOf(curve.knots, curve.degree)) {
      const [low, high] = [Math.max(from, span.start), Math.min(to, span.end)];
      if (high > low) {
        parts.push({
          rows: squaredSpeed(rowsOver(curve, span, low, high), curve, high - low, mean),
          from: low,
          to: high,
        });
      }
    }
  }
  if (parts.length === 0) return 0;
  // Where a curve nearly stands still, the rounding of the squares is large against them, and its root larger.
  let largest = 0;
  for (const { rows } of parts) for (const row of rows) largest = Math.max(largest, row[0]! / row[1]!);
  const noise = roundingOfSquares * largest;
  const off = (row: readonly number[]): number => {
    const squared = row[0]! / row[1]!;
    return Math.max(Math.sqrt(Math.max(0, squared + noise)) - 1, 1 - Math.sqrt(Math.max(0, squared - noise)));
  };
  return boundLargest<SpeedPart>(
    parts,
    ({ rows, from, to }) => {
      const [start, end] = [off(rows[0]!), off(rows.at(-1)!)];
      let upper = 0;
      for (const row of rows) upper = Math.max(upper, off(row));
      return { upper, value: Math.max(start, end), at: start >= end ? from : to };
    },
    ({ rows, from, to }) => {
      const [left, right] = halveRows(rows);
      const middle = (from + to) / 2;
      return [
        { rows: left, from, to: middle },
        { rows: right, from: middle, to },
      ];
    },
    { share: 1e-9, least: 1e-13 },
  ).upper;
}

const roundingOfSquares = 2 ** -48;

/** The square of the speed against the mean speed over a part of a span, as rows of numerator and denominator. */
interface SpeedPart {
  readonly rows: readonly (readonly number[])[];
  readonly from: number;
  readonly to: number;
}

/** The squared speed of a Bézier piece on an interval of some width, by a mean: |X′W − XW′|² over W⁴, or |X′|² over 1. */
function squaredSpeed(rows: number[][], { weights }: Curve, width: number, mean: number): number[][] {
  const dimension = rows[0]!.length - (weights ? 1 : 0);
  const weight = weights && rows.map((row) => row[dimension]!);
  let numerator: number[] | undefined;
  // About the first point, so that a far-off place costs no digits.
  const origin = rows[0]!.map((value) => value / (weight ? weight[0]! : 1));
  for (let axis = 0; axis < dimension; axis++) {
    const values = rows.map(
      (row, k) => (row[axis]! - origin[axis]! * (weight ? weight[k]! : 1)) / (mean * width),
    );
    let change = differentiateBernstein(values);
    if (weight) {
      const second = multiplyBernstein(values, differentiateBernstein(weight));
      change = multiplyBernstein(change, weight).map((value, k) => value - second[k]!);
    }
    const square = multiplyBernstein(change, change);
    numerator = numerator ? numerator.map((value, k) => value + square[k]!) : square;
  }
  if (!weight) return numerator!.map((value) => [value, 1]);
  const twice = multiplyBernstein(weight, weight);
  const denominator = multiplyBernstein(twice, twice);
  const raised = elevateBernstein(numerator!, denominator.length);
  return denominator.map((value, k) => [raised[k]!, value]);
}

/**
 * The curve with a parameter that follows its arc length (P&T 10; F 10): no polynomial or rational curve
 * but a line and a circle has an exactly even one, so points at even lengths are fitted by least squares
 * on the same degree, with knots at the same places and as smooth; ends are kept. Deviation and remaining
 * unevenness are measured.
 * @param held places whose parameter is kept or set; between them the parameter is even by itself, and
 * at each of them a knot of multiplicity p lets the speed jump
 * @param perSpan how many spans each span becomes, 1 or more: more spans, less of both
 * @returns without weights, on the same domain
 * @throws CurveError `argument` where held values are not in order or outside, `singular` where the curve
 * has no length
 */
export function evenOut(curve: Curve, held: readonly HeldValue[] = [], perSpan = 1): EvenedCurve {
  refuseSignedWeights(curve);
  if (!Number.isInteger(perSpan) || perSpan < 1 || perSpan > 50) {
    throw new CurveError('argument', told('spansPerSpan', { count: perSpan }), {
      value: perSpan,
    });
  }
  const table = arcLengthTable(curve);
  if (!(table.length > 0)) {
    throw new CurveError('singular', told('noLength'));
  }
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const map = evenMap(curve, table, held);
  const list = curve.periodic ? knotsOfOnePeriod(curve) : interiorKnots(knots, degree);
  const inside = list.filter(({ value }) => value > start && value < end);
  // Where a value is held the speed jumps, so the curve gets a knot there that lets it.
  const near = relativeKnotTolerance * (end - start);
  const free = inside
    .map(({ value, multiplicity }) => ({ value: map.to(value), multiplicity }))
    .filter(({ value }) => !map.held.some((kept) => Math.abs(kept - value) < near));
  const broken = [...free, ...map.held.map((value) => ({ value, multiplicity: degree }))].sort(
    (a, b) => a.value - b.value,
  );
  const breaks = [start, ...broken.map(({ value }) => value), end];
  const between = breaks.slice(1).flatMap((high, k) => {
    const low = breaks[k]!;
    return Array.from({ length: perSpan - 1 }, (_, j) => ({
      value: low + ((high - low) * (j + 1)) / perSpan,
      multiplicity: 1,
    }));
  });
  const inner = [...broken, ...between].sort((a, b) => a.value - b.value);
  inner.forEach(({ value }, k) => {
    if (!(value - (inner[k - 1]?.value ?? start) > relativeKnotTolerance * (end - start))) {
      throw new CurveError('singular', told('spanWithoutLength', { end: value }), {
        value,
      });
    }
  });
  const space: SplineSpace = curve.periodic
    ? {
        degree,
        knots: periodicKnotVector(
          [{ value: start, multiplicity: list[0]!.multiplicity }, ...inner],
          end,
          degree,
        ),
        periodic: true,
      }
    : { degree, knots: clampedKnotVector(start, end, inner.map(capped(degree)), degree) };
  const parameters = samplingParameters(space, 2 * degree + 4);
  const sources = parameters.map(map.from);
  const dimension = dimensionOf(curve);
  const values = pointsAt(curve, sources);
  const rows = fitRows(
    space,
    parameters,
    values,
    dimension,
    curve.periodic ? undefined : [[...pointsAt(curve, [start])], [...pointsAt(curve, [end])]],
  );
  const evened: Curve = curve.periodic
    ? { degree, knots: space.knots, points: wrapped(rows, degree), periodic: true }
    : { degree, knots: space.knots, points: rows };
  return {
    curve: evened,
    deviation: deviationOf(curve, evened, table, map),
    unevenness: unevennessOf(evened, map.held),
    before: unevennessOf(
      curve,
      held.map(({ at }) => at),
    ),
  };
}

/** A part of the new parameter within a span of the evened curve, and within a part between held places. */
interface SharedPart {
  readonly rows: readonly (readonly number[])[];
  readonly from: number;
  readonly to: number;
  /** The old curve at both ends, and its arc length up to them. */
  readonly start: Point;
  readonly end: Point;
  readonly lengths: readonly [number, number];
}

/**
 * The largest distance of points of the evened curve from those of the old one at the same share of length, as a bound.
 * Over a part both stay beside the straight and even motion between their ends: the new one as near as its control
 * points are, and one that runs evenly along an arc of length l above a chord c within √(l² − c²)/2, since it is at most
 * a share of l away from either end.
 */
function deviationOf(curve: Curve, evened: Curve, table: ArcLengthTable, map: EvenMap): Deviation {
  const { degree } = evened;
  const spans = spansOf(evened.knots, degree);
  const lengthBefore = (v: number): number => Math.min(table.length, Math.max(0, map.lengthBefore(v)));
  const placeAt = (length: number): Point => pointAt(curve, table.parameterAt(length));
  const parts = spans.map((span): SharedPart => {
    const lengths = [lengthBefore(span.start), lengthBefore(span.end)] as const;
    const [start, end] = lengths.map(placeAt) as [Point, Point];
    return {
      rows: rowsOver(evened, span, span.start, span.end),
      from: span.start,
      to: span.end,
      start,
      end,
      lengths,
    };
  });
  const { upper, at } = boundLargest<SharedPart>(
    parts,
    ({ rows, from, to, start, end, lengths }) => {
      const [first, last] = [rows[0]!, rows.at(-1)!];
      const [before, behind] = [distance(first, start), distance(last, end)];
      let apart = 0;
      rows.forEach((row, k) => (apart = Math.max(apart, distance(row, mix(first, last, k / degree)))));
      const [length, chord] = [lengths[1] - lengths[0], distance(start, end)];
      const arc = Math.sqrt(Math.max(0, (length - chord) * (length + chord))) / 2;
      return {
        upper: Math.max(before, behind) + apart + arc,
        value: Math.max(before, behind),
        at: before >= behind ? from : to,
      };
    },
    ({ rows, from, to, start, end, lengths }) => {
      const [left, right] = halveRows(rows);
      const middle = (from + to) / 2;
      // The length of a part grows evenly, as no held place lies inside.
      const length = (lengths[0] + lengths[1]) / 2;
      const place = placeAt(length);
      return [
        { rows: left, from, to: middle, start, end: place, lengths: [lengths[0], length] },
        { rows: right, from: middle, to, start: place, end, lengths: [length, lengths[1]] },
      ];
    },
    { share: 1e-3, least: 1e-9 * sizeOf(curve) },
    2000,
  );
  const parameter = table.parameterAt(lengthBefore(at));
  return { distance: upper, parameter, point: pointAt(curve, parameter) };
}

const capped =
  (degree: number) =>
  ({ value, multiplicity }: { value: number; multiplicity: number }) => ({
    value,
    multiplicity: Math.min(degree, multiplicity),
  });

/** New parameter by old and old by new, even in arc length between held places. */
interface EvenMap {
  readonly to: (u: number) => number;
  readonly from: (v: number) => number;
  /** The arc length of the old curve up to where the new parameter is this. */
  readonly lengthBefore: (v: number) => number;
  readonly held: number[];
}

function evenMap(curve: Curve, table: ArcLengthTable, held: readonly HeldValue[]): EvenMap {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const places = [
    { at: start, value: start },
    ...held.toSorted((a, b) => a.at - b.at),
    { at: end, value: end },
  ];
  const pairs = places.map(({ at, value }) => {
    if (!(at >= start && at <= end)) {
      throw new CurveError('argument', told('heldParameterOutside', { parameter: at, start, end }), {
        value: at,
      });
    }
    return { length: table.lengthAt(at), value: value ?? at };
  });
  pairs.forEach((pair, index) => {
    const before = pairs[index - 1];
    if (!before) return;
    if (!(pair.value > before.value && pair.length > before.length)) {
      throw new CurveError('argument', told('heldValueOrder', { value: pair.value, before: before.value }), {
        index: index - 1,
        value: pair.value,
      });
    }
  });
  const pick = (key: 'length' | 'value', at: number): number => {
    let index = 1;
    while (index < pairs.length - 1 && pairs[index]![key] < at) index++;
    return index;
  };
  const between = (at: number, from: 'length' | 'value', to: 'length' | 'value'): number => {
    const index = pick(from, at);
    const [low, high] = [pairs[index - 1]!, pairs[index]!];
    const share = (at - low[from]) / (high[from] - low[from]);
    return share >= 1 ? high[to] : low[to] + share * (high[to] - low[to]);
  };
  return {
    to: (u) => between(table.lengthAt(u), 'length', 'value'),
    from: (v) =>
      v >= end ? end : table.parameterAt(Math.min(table.length, Math.max(0, between(v, 'value', 'length')))),
    lengthBefore: (v) => between(v, 'value', 'length'),
    held: pairs.slice(1, -1).map(({ value }) => value),
  };
}
