import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { arcLengthTable, type ArcLengthTable } from './arcLength.js';
import { dimensionOf, type Curve } from './curve.js';
import { peakOf, type Deviation } from './deviation.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { pointsAt } from './evaluateMany.js';
import { clampedKnotVector, domainOf, interiorKnots, relativeKnotTolerance, spansOf } from './knotVector.js';
import { speedsAt } from './length.js';
import { knotsOfOnePeriod, periodicKnotVector, wrapped } from './periodic.js';
import { spanPolynomials } from './spanPolynomials.js';
import { lengthOf } from './vector.js';
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
  const polynomials = spanPolynomials(curve, 1);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const ends = [start, ...held.toSorted((a, b) => a - b), end];
  let largest = 0;
  for (let part = 1; part < ends.length; part++) {
    const [from, to] = [ends[part - 1]!, ends[part]!];
    if (!(to > from)) continue;
    const mean = (table.lengthAt(to) - table.lengthAt(from)) / (to - from);
    if (!(mean > 0)) continue;
    const off = (u: number): number => Math.abs(speedsAt(polynomials, [u])[0]! / mean - 1);
    const offBefore = (u: number): number =>
      Math.abs(lengthOf(derivativesAt(curve, u, 1, 'left')[1]!) / mean - 1);
    const breaks = [
      from,
      ...spansOf(curve.knots, curve.degree)
        .map((span) => span.end)
        .filter((u) => u > from && u < to),
      to,
    ];
    for (let k = 1; k < breaks.length; k++) {
      const [low, high] = [breaks[k - 1]!, breaks[k]!];
      const steps = 4 * curve.degree + 4;
      const places = Array.from({ length: steps + 1 }, (_, j) => low + ((high - low) * j) / steps);
      places[steps] = high;
      const values = places.map((u, j) => (j === steps ? offBefore(u) : off(u)));
      values.forEach((value, j) => {
        largest = Math.max(largest, value);
        if (j > 0 && j < steps && value >= values[j - 1]! && value >= values[j + 1]!) {
          largest = Math.max(largest, peakOf(off, places[j - 1]!, places[j + 1]!).distance);
        }
      });
    }
  }
  return largest;
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
  const dense = samplingParameters(space, 16);
  const there = pointsAt(evened, dense);
  const here = pointsAt(curve, dense.map(map.from));
  let worst = 0;
  let distance = 0;
  dense.forEach((_, k) => {
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) {
      sum += (there[k * dimension + axis]! - here[k * dimension + axis]!) ** 2;
    }
    if (Math.sqrt(sum) > distance) [worst, distance] = [k, Math.sqrt(sum)];
  });
  return {
    curve: evened,
    deviation: {
      distance,
      parameter: map.from(dense[worst]!),
      point: [...here.subarray(worst * dimension, (worst + 1) * dimension)],
    },
    unevenness: unevennessOf(evened, map.held),
    before: unevennessOf(
      curve,
      held.map(({ at }) => at),
    ),
  };
}

const capped =
  (degree: number) =>
  ({ value, multiplicity }: { value: number; multiplicity: number }) => ({
    value,
    multiplicity: Math.min(degree, multiplicity),
  });

/** New parameter by old and old by new, even in arc length between held places. */
function evenMap(
  curve: Curve,
  table: ArcLengthTable,
  held: readonly HeldValue[],
): { to: (u: number) => number; from: (v: number) => number; held: number[] } {
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
    held: pairs.slice(1, -1).map(({ value }) => value),
  };
}
