import { told } from '../told/told.js';
import { differentiateBernstein, evaluateBernstein, rootsOfBernstein } from './bernstein.js';
import { blossom } from './blossom.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { derivativesAt } from './evaluate.js';
import { homogeneousRows } from './homogeneous.js';
import { spansOf } from './knotVector.js';
import { lengthOf, scaled } from './vector.js';

/** Whether a curve has a weight of zero or below: it may run to infinity, and need not lie in the hull of its points. */
export function hasSignedWeights({ weights }: Pick<Curve, 'weights'>): boolean {
  return weights !== undefined && weights.some((weight) => !(weight > 0));
}

/**
 * For what is known of curves with positive weights alone.
 * @throws CurveError `weight` naming the first weight of zero or below
 */
export function refuseSignedWeights({ weights }: Curve): void {
  const index = weights?.findIndex((weight) => !(weight > 0)) ?? -1;
  if (index < 0) return;
  const weight = weights![index]!;
  throw new CurveError('weight', told('needsPositiveWeights', { index, weight }), { index, value: weight });
}

/** A part of a span on which a curve's weight function has one sign, and where the curve is within reach. */
export interface PartOfSpan {
  /** Which of the curve's spans it is in, from 0, and the index of that span's knot. */
  readonly span: number;
  readonly index: number;
  readonly start: number;
  readonly end: number;
  /** Its homogeneous Bézier points. */
  readonly rows: readonly (readonly number[])[];
}

/** A parameter at which a curve runs to infinity, since its weight function vanishes there. */
export interface Pole {
  readonly parameter: number;
  /** In which direction it runs, as a unit vector; beyond the pole it comes back from the opposite one, or the same. */
  readonly direction: Point;
  /** A point of the line that it runs towards; absent where there is none, as for a parabola. */
  readonly asymptote?: Point;
}

interface Parts {
  readonly parts: readonly PartOfSpan[];
  /** What lies between the parts: where the curve is out of reach. */
  readonly gaps: readonly (readonly [number, number])[];
}

/** How far from the box of the control points a curve is followed, in sizes of this box. */
const farthest = 1000;
/** How often a span is halved before what is left of it passes for its pole. */
const mostHalvings = 24;
/** More than the poles of a span can ask for: where its weights come to nothing in rounding, halving finds no sign. */
const mostVisits = 1000;

const known = new WeakMap<Curve, Parts>();

/** The parts between a curve's poles; its spans, where its weights are positive. */
function partsOfCurve(curve: Curve): Parts {
  let found = known.get(curve);
  if (!found) {
    found = findParts(curve);
    known.set(curve, found);
  }
  return found;
}

/**
 * The parts of a curve's spans on which its weight function keeps its sign and which are near enough to be drawn, by
 * halving (de Casteljau; F 5): those that are left at a pole are out of reach. Each has Bézier points with weights of
 * one sign, so it lies in their hull.
 * @param curve with finite weights of any sign
 * @returns ascending by parameter
 */
export function partsBetweenPoles(curve: Curve): readonly PartOfSpan[] {
  return partsOfCurve(curve).parts;
}

/** Whether all of some homogeneous points are far from the control points, so that a curve among them is too. */
function isBeyond(curve: Curve, times: number = farthest): (rows: readonly (readonly number[])[]) => boolean {
  const dimension = dimensionOf(curve);
  const ranges = curve.points[0]!.map((_, axis) => {
    const values = curve.points.map((point) => point[axis]!);
    return [Math.min(...values), Math.max(...values)] as const;
  });
  const size = Math.max(
    ...ranges.map(([low, high]) => Math.max(high - low, 1e-9 * Math.max(-low, high))),
    1e-300,
  );
  const reach = times * size;
  return (rows) =>
    ranges.some(([low, high], axis) => {
      const places = rows.map((row) => row[axis]! / row[dimension]!);
      return Math.min(...places) >= high + reach || Math.max(...places) <= low - reach;
    });
}

/** What of a curve is sampled: its spans, or the parts between its poles. */
export function sampledParts(curve: Curve): readonly Pick<PartOfSpan, 'span' | 'index' | 'start' | 'end'>[] {
  if (hasSignedWeights(curve)) return partsBetweenPoles(curve);
  return spansOf(curve.knots, curve.degree).map(({ index, start, end }, span) => ({
    span,
    index,
    start,
    end,
  }));
}

function findParts(curve: Curve): Parts {
  const { degree, knots, weights } = curve;
  const dimension = dimensionOf(curve);
  const isOut = isBeyond(curve);
  const parts: PartOfSpan[] = [];
  const gaps: [number, number][] = [];
  const leave = (start: number, end: number): void => {
    const last = gaps.at(-1);
    if (last?.[1] === start) last[1] = end;
    else gaps.push([start, end]);
  };
  spansOf(knots, degree).forEach(({ index, start: first, end: last }, span) => {
    let visits = 0;
    const all = bezierRows(curve, index, first, last);
    // A weight that is not more than what rounding leaves of zero is a pole, wherever the halving happens to meet it.
    const noise = weights ? 2 ** -49 * Math.max(...all.map((row) => Math.abs(row[dimension]!))) : 0;
    const signOf = (row: readonly number[]): number => {
      if (!weights) return 1;
      const weight = row[dimension]!;
      return Math.abs(weight) <= noise ? 0 : Math.sign(weight);
    };
    const visit = (
      rows: readonly (readonly number[])[],
      start: number,
      end: number,
      halvings: number,
    ): void => {
      const sign = signOf(rows[0]!);
      if (sign !== 0 && rows.every((row) => signOf(row) === sign)) {
        if (weights && halvings > 0 && isOut(rows)) leave(start, end);
        else parts.push({ span, index, start, end, rows });
        return;
      }
      const middle = (start + end) / 2;
      if (halvings === mostHalvings || visits++ > mostVisits || !(start < middle && middle < end)) {
        leave(start, end);
        return;
      }
      const [left, right] = halves(rows);
      visit(left, start, middle, halvings + 1);
      visit(right, middle, end, halvings + 1);
    };
    visit(all, first, last, 0);
  });
  return { parts, gaps };
}

/** The homogeneous Bézier points of a span: blossom values at its start and end (Ramshaw 1987; F 8). */
function bezierRows(curve: Curve, index: number, start: number, end: number): number[][] {
  const { degree } = curve;
  return Array.from({ length: degree + 1 }, (_, k) =>
    blossom(curve, index, [...Array<number>(degree - k).fill(start), ...Array<number>(k).fill(end)]),
  );
}

function halves(rows: readonly (readonly number[])[]): [number[][], number[][]] {
  const row = rows.map((one) => [...one]);
  const left = [[...row[0]!]];
  const right = [[...row.at(-1)!]];
  for (let length = row.length - 1; length > 0; length--) {
    for (let k = 0; k < length; k++)
      row[k] = row[k]!.map((value, component) => (value + row[k + 1]![component]!) / 2);
    left.push([...row[0]!]);
    right.push([...row[length - 1]!]);
  }
  return [left, right.reverse()];
}

/**
 * The poles of a curve: the parameters at which it runs to infinity. A zero of the weight function at which the
 * weighted points vanish too is none, since the curve stays where it is.
 * @param curve with finite weights of any sign
 * @returns ascending by parameter; none for positive weights
 */
export function polesOf(curve: Curve): readonly Pole[] {
  if (!hasSignedWeights(curve)) return none;
  let found = knownPoles.get(curve);
  if (!found) {
    found = findPoles(curve);
    knownPoles.set(curve, found);
  }
  return found;
}

const none: readonly Pole[] = [];
const knownPoles = new WeakMap<Curve, readonly Pole[]>();

function findPoles(curve: Curve): Pole[] {
  const { parts, gaps } = partsOfCurve(curve);
  const isFar = isBeyond(curve, farthest / 2);
  const before = new Map(parts.map((part) => [part.end, part.rows.at(-1)!]));
  const after = new Map(parts.map((part) => [part.start, part.rows[0]!]));
  const lifted: Curve = { degree: curve.degree, knots: curve.knots, points: homogeneousRows(curve) };
  const zeros = zerosOfWeights(curve);
  let next = 0;
  return gaps.flatMap(([start, end]) => {
    const ends = [before.get(start), after.get(end)];
    while (next < zeros.length && zeros[next]! < start) next++;
    const first = next;
    while (next < zeros.length && zeros[next]! <= end) next++;
    if (!ends.some((row) => row && isFar([row]))) return [];
    return zeros.slice(first, next).map((parameter) => poleAt(curve, lifted, parameter));
  });
}

/** The zeros of the weight function, ascending, also those at which rounding keeps it from zero, since it turns back there. */
function zerosOfWeights({ degree, knots, weights }: Curve): number[] {
  const denominators: Curve = { degree, knots, points: weights!.map((weight) => [weight, 0]) };
  const small = 1e-13 * largestSize(weights!);
  const found = new Set<number>();
  for (const span of spansOf(knots, degree)) {
    const values = bezierRows(denominators, span.index, span.start, span.end).map(([value]) => value!);
    if (values.every((value) => value > 0) || values.every((value) => value < 0)) continue;
    const turning = rootsOfBernstein(differentiateBernstein(values)).filter(
      (t) => Math.abs(evaluateBernstein(values, t)) <= small,
    );
    const zeros = rootsOfBernstein(values).filter(
      (t) => !turning.some((other) => Math.abs(other - t) < 1e-6),
    );
    for (const t of [...zeros, ...turning]) {
      found.add(t === 1 ? span.end : span.start + t * (span.end - span.start));
    }
  }
  return [...found].sort((a, b) => a - b);
}

const largestSize = (values: readonly number[]): number =>
  values.reduce((most, value) => Math.max(most, Math.abs(value)), 0);

/**
 * What a curve does at a pole. With numerator X and weight function W, near a simple zero of W, it is X / (W′ h) +
 * X′ / W′ but for a multiple of X and what vanishes with h: X′ / W′ is a point of its asymptote. That at a knot has the
 * same on both sides: where X and W have a kink, a control point lies, and both vanish with its weight.
 * @param lifted the curve of its homogeneous points, prepared once
 */
function poleAt(curve: Curve, lifted: Curve, parameter: number): Pole {
  const dimension = dimensionOf(curve);
  const { degree, knots, points, weights } = curve;
  const [value, first] = derivativesAt(lifted, parameter, 1) as [Point, Point];
  const numerator = value.slice(0, dimension);
  const direction = scaled(numerator, 1 / lengthOf(numerator));
  const slope = first[dimension]!;
  // Below this the weight function touches zero and turns back: a parabola's way, that has no asymptote.
  const flat = (1e-6 * largestSize(weights!)) / (knots[points.length]! - knots[degree]!);
  if (Math.abs(slope) <= flat) return { parameter, direction };
  return { parameter, direction, asymptote: first.slice(0, dimension).map((component) => component / slope) };
}

/** A part by itself, as a Bézier curve on its own parameters with positive weights. */
function curveOfParts(curve: Curve, parts: readonly PartOfSpan[]): Curve {
  const { degree } = curve;
  const dimension = dimensionOf(curve);
  const sign = Math.sign(parts[0]!.rows[0]![dimension]!);
  const rows = parts.flatMap((part, k) => (k === 0 ? part.rows : part.rows.slice(1)));
  const [start, end] = [parts[0]!.start, parts.at(-1)!.end];
  return {
    degree,
    knots: [
      ...Array<number>(degree + 1).fill(start),
      ...parts.slice(1).flatMap((part) => Array<number>(degree).fill(part.start)),
      ...Array<number>(degree + 1).fill(end),
    ],
    points: rows.map((row) => row.slice(0, dimension).map((value) => value / row[dimension]!)),
    weights: rows.map((row) => sign * row[dimension]!),
  };
}

/**
 * A curve of weights of any sign in its pieces, one for each part between its poles, as Bézier curves with
 * positive weights on the parameters that they have in it; what is farther away than can be drawn is left out.
 */
export function piecesBetweenPoles(curve: Curve): Curve[] {
  return partsBetweenPoles(curve).map((part) => curveOfParts(curve, [part]));
}

/**
 * The same curve on the same parameters with positive weights, by as many knots as that takes: what is measured of a
 * curve can be measured of it.
 * @returns the curve itself where its weights are positive; nothing where it runs to infinity
 */
export function withPositiveForm(curve: Curve): Curve | undefined {
  if (!hasSignedWeights(curve)) return curve;
  const { parts, gaps } = partsOfCurve(curve);
  return gaps.length > 0 ? undefined : curveOfParts(curve, parts);
}
