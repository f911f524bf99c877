import { elevateBernstein, multiplyBernstein } from './bernstein.js';
import { blossom } from './blossom.js';
import { dimensionOf, type Curve } from './curve.js';
import type { Span } from './knotVector.js';

/** The Bézier rows of a curve over an interval in one of its spans, as blossom values. */
export function rowsOver(curve: Curve, span: Span, from: number, to: number): number[][] {
  const { degree } = curve;
  const inside = (u: number): number => Math.min(span.end, Math.max(span.start, u));
  const [low, high] = [inside(from), inside(to)];
  return Array.from({ length: degree + 1 }, (_, k) =>
    blossom(curve, span.index, [...Array<number>(degree - k).fill(low), ...Array<number>(k).fill(high)]),
  );
}

/**
 * The same rows for one interval after the other, each in the span that is named with it: those of a whole span are kept
 * while intervals lie in it, and cut by de Casteljau's algorithm (F 5), which is less work than further blossom values.
 */
export function rowsOfSpans(curve: Curve): (span: Span, from: number, to: number) => number[][] {
  let kept: { readonly index: number; readonly rows: number[][] } | undefined;
  return (span, from, to) => {
    if (from <= span.start && to >= span.end) return rowsOver(curve, span, from, to);
    if (kept?.index !== span.index) {
      kept = { index: span.index, rows: rowsOver(curve, span, span.start, span.end) };
    }
    const share = (u: number): number => Math.min(1, Math.max(0, (u - span.start) / (span.end - span.start)));
    const [low, high] = [share(from), share(to)];
    return cut(cut(kept.rows, high, 'left'), high > 0 ? low / high : 0, 'right');
  };
}

/** The rows of a Bézier piece up to a share of it, or from there on. */
function cut(rows: number[][], t: number, side: 'left' | 'right'): number[][] {
  if ((t === 1 && side === 'left') || (t === 0 && side === 'right')) return rows;
  const last = rows.length - 1;
  const level = rows.map((row) => row.slice());
  const kept = [level[side === 'left' ? 0 : last]!.slice()];
  for (let step = 1; step <= last; step++) {
    for (let k = 0; k <= last - step; k++) {
      const [row, next] = [level[k]!, level[k + 1]!];
      for (let axis = 0; axis < row.length; axis++) row[axis] = (1 - t) * row[axis]! + t * next[axis]!;
    }
    kept.push(level[side === 'left' ? 0 : last - step]!.slice());
  }
  return side === 'left' ? kept : kept.reverse();
}

/**
 * A Bézier piece with its parameter s run through as s(t) = 2t(1 − t) a + t², so that it starts and ends as before: of
 * twice the degree, by de Casteljau's algorithm with polynomials for numbers (DeRose 1988).
 * @param a the middle coefficient of s; ½ changes nothing
 */
export function withQuadraticParameter(rows: readonly (readonly number[])[], a: number): number[][] {
  const [up, down] = [
    [0, a, 1],
    [1, 1 - a, 0],
  ];
  const columns = columnsOf(rows).map((column) => {
    let level = column.map((value) => [value]);
    while (level.length > 1) {
      level = level.slice(1).map((after, k) => {
        const [first, second] = [multiplyBernstein(level[k]!, down), multiplyBernstein(after, up)];
        return first.map((value, j) => value + second[j]!);
      });
    }
    return level[0]!;
  });
  return columns[0]!.map((_, k) => columns.map((column) => column[k]!));
}

const columnsOf = (rows: readonly (readonly number[])[]): number[][] =>
  rows[0]!.map((_, axis) => rows.map((row) => row[axis]!));

/**
 * The difference of two Bézier pieces at the same share of each as one Bézier piece, of the degrees together where there
 * are weights: rows of weighted vectors with their weight at the end.
 * @param a,b homogeneous rows of `first` and of `second`
 */
export function differenceOfPieces(a: number[][], b: number[][], first: Curve, second: Curve): number[][] {
  return first.weights || second.weights ? weightedDifference(a, b, first, second) : plainDifference(a, b);
}

function plainDifference(a: number[][], b: number[][]): number[][] {
  const length = Math.max(a.length, b.length);
  const [ours, theirs] = [a, b].map((rows) =>
    columnsOf(rows).map((column) => elevateBernstein(column, length)),
  ) as [number[][], number[][]];
  return Array.from({ length }, (_, k) => [...ours.map((column, axis) => column[k]! - theirs[axis]![k]!), 1]);
}

/** X₁ W₂ − X₂ W₁ over W₁ W₂. */
function weightedDifference(a: number[][], b: number[][], first: Curve, second: Curve): number[][] {
  const dimension = dimensionOf(first);
  const ones = (rows: number[][], curve: Curve): number[] =>
    curve.weights ? rows.map((row) => row[dimension]!) : rows.map(() => 1);
  const [weightsA, weightsB] = [ones(a, first), ones(b, second)];
  const weights = multiplyBernstein(weightsA, weightsB);
  const columns = Array.from({ length: dimension }, (_, axis) => {
    const [mine, other] = [
      multiplyBernstein(
        a.map((row) => row[axis]!),
        weightsB,
      ),
      multiplyBernstein(
        b.map((row) => row[axis]!),
        weightsA,
      ),
    ];
    return mine.map((value, k) => value - other[k]!);
  });
  return weights.map((weight, k) => [...columns.map((column) => column[k]!), weight]);
}

/** How far the point of a row with its weight at the end lies from the origin. */
export function lengthOfRow(row: readonly number[]): number {
  const last = row.length - 1;
  let sum = 0;
  for (let axis = 0; axis < last; axis++) sum += (row[axis]! / row[last]!) ** 2;
  return Math.sqrt(sum);
}
