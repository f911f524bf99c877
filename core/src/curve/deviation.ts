import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { boundLargest } from './boundLargest.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { domainOf, spansOf } from './knotVector.js';
import { differenceOfPieces, lengthOfRow, rowsOfSpans } from './pieceDifference.js';
import { sizeOf } from './sizeOf.js';
import { halveRows } from './subdivide.js';

/** The largest distance that was found between two curves, and where. */
export interface Deviation {
  /** Never smaller than the true one, and larger by a billionth of it at most, or by rounding. */
  readonly distance: number;
  /** Parameter of the first curve. */
  readonly parameter: number;
  readonly point: Point;
}

/**
 * The largest distance of the points of two curves at the same share of their domains: for curves that
 * were made from one another. On every span that both have in common the difference of the two curves is a Bézier curve
 * itself, of the degrees together where there are weights, and no farther from the origin than its control points; it
 * is halved where that may matter (F 5; P&T P3.5), so that what is told is a bound.
 * @param between only these parameters of the first curve, where not the whole domain
 * @returns distance, parameter and point of the first curve
 * @throws CurveError `point` where one curve is plane and the other is not
 */
export function largestDeviation(
  first: Curve,
  second: Curve,
  between?: readonly [number, number],
): Deviation {
  refuseSignedWeights(first);
  refuseSignedWeights(second);
  if (dimensionOf(first) !== dimensionOf(second)) {
    throw new CurveError('point', told('comparisonOfMixedDimensions'));
  }
  const parts = differences(first, second, between ?? domainOf(first.knots, first.degree));
  const size = Math.max(sizeOf(first), sizeOf(second));
  const { upper, at } = boundLargest(
    parts,
    ({ rows, from, to }) => {
      const [start, end] = [lengthOfRow(rows[0]!), lengthOfRow(rows.at(-1)!)];
      let largest = 0;
      for (const row of rows) largest = Math.max(largest, lengthOfRow(row));
      return { upper: largest, value: Math.max(start, end), at: start >= end ? from : to };
    },
    ({ rows, from, to }) => {
      const middle = (from + to) / 2;
      const [left, right] = halveRows(rows);
      return [
        { rows: left, from, to: middle },
        { rows: right, from: middle, to },
      ];
    },
    { share: 1e-9, least: 1e-14 * size },
  );
  // The control points of the difference carry the rounding of products of positive numbers, which is small against the size.
  return { distance: upper === 0 ? 0 : upper + rounding * size, parameter: at, point: pointAt(first, at) };
}

const rounding = 2 ** -47;

/** The difference of two curves over a part of the first one's domain: rows of weighted vectors with their weight at the end. */
interface Difference {
  readonly rows: readonly (readonly number[])[];
  readonly from: number;
  readonly to: number;
}

/** The differences of two curves on all spans that both have in common. */
function differences(first: Curve, second: Curve, [from, to]: readonly [number, number]): Difference[] {
  const [start, end] = domainOf(first.knots, first.degree);
  const [otherStart, otherEnd] = domainOf(second.knots, second.degree);
  const same = start === otherStart && end === otherEnd;
  const scale = (otherEnd - otherStart) / (end - start);
  const there = (u: number): number => (same ? u : otherStart + (u - start) * scale);
  const back = (v: number): number => (same ? v : start + (v - otherStart) / scale);
  const [own, others] = [spansOf(first.knots, first.degree), spansOf(second.knots, second.degree)];
  const breaks = [from, ...own.map((span) => span.end), ...others.map((span) => back(span.end)), to]
    .filter((u) => u >= from && u <= to)
    .sort((a, b) => a - b)
    .filter((u, index, all) => index === 0 || u > all[index - 1]!);
  let [k, j] = [0, 0];
  const [ownRows, otherRows] = [rowsOfSpans(first), rowsOfSpans(second)];
  return breaks.slice(1).map((high, index) => {
    const low = breaks[index]!;
    const middle = (low + high) / 2;
    while (k < own.length - 1 && own[k]!.end <= middle) k++;
    while (j < others.length - 1 && others[j]!.end <= there(middle)) j++;
    const a = ownRows(own[k]!, low, high);
    const b = otherRows(others[j]!, there(low), there(high));
    return { rows: differenceOfPieces(a, b, first, second), from: low, to: high };
  });
}
