import { blossom } from './blossom.js';
import type { Curve } from './curve.js';
import { domainOf, knotRounding, spansOf } from './knotVector.js';

/**
 * The control points of a curve whose Bézier pieces and knot vector are known, as blossom values of the
 * pieces at p knots in a row (F 8): each is read off the longest span of its support, where that loses
 * the fewest digits. The pieces must be as smooth at each knot as its multiplicity says; otherwise the
 * result takes what that one piece says.
 * @param pieces one Bézier piece of degree `degree` for each span of `knots`, on the span's interval
 * @param period the length after which a periodic curve's pieces come again; its points are then one for
 * each different one, read off the pieces of the neighbouring turns too
 * @returns homogeneous rows where the pieces have weights, points where not
 */
export function rowsOfPieces(
  pieces: readonly Curve[],
  knots: readonly number[],
  degree: number,
  period?: number,
): number[][] {
  const spans = spansOf(knots, degree);
  const count = knots.length - degree - 1 - (period ? degree : 0);
  const turns = period ? Math.ceil((degree + 1) / count) : 0;
  const shifts = Array.from({ length: 2 * turns + 1 }, (_, k) => (period ? (k - turns) * period : 0));
  const [domainStart, domainEnd] = domainOf(knots, degree);
  const tolerance = period ? knotRounding(knots) : 0;
  /** Number of the first span that begins at this knot or after it. */
  const firstSpan = (index: number): number => {
    let [low, high] = [0, spans.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (spans[middle]!.index < index) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return Array.from({ length: count }, (_, index) => {
    const first = knots[index]! - tolerance;
    const last = knots[index + degree + 1]! + tolerance;
    let best: { piece: Curve; shift: number; length: number } | undefined;
    const inside = first >= domainStart - tolerance && last <= domainEnd + tolerance;
    for (const shift of shifts) {
      // Only points whose support reaches over the seam depend on neighbouring turns.
      if (shift !== 0 && inside) continue;
      const [from, to] = shift === 0 ? [index, index + degree] : [0, knots.length];
      for (let number = firstSpan(from); number < spans.length && spans[number]!.index <= to; number++) {
        const { start, end } = spans[number]!;
        if (start + shift < first || end + shift > last) continue;
        if (!best || end - start > best.length) best = { piece: pieces[number]!, shift, length: end - start };
      }
    }
    const { piece, shift } = best!;
    return blossom(
      piece,
      degree,
      knots.slice(index + 1, index + degree + 1).map((knot) => knot - shift),
    );
  });
}
