import type { Curve } from '../../curve/curve.js';
import { pointAt } from '../../curve/evaluate.js';
import { domainOf, spansOf } from '../../curve/knotVector.js';
import { distance } from '../../curve/vector.js';
import { itemId, list, number, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { onBoth, type GuessMember } from './define.js';

const description = tagged('of', 'spans', {
  item: itemId,
  /** What moves by less than this counts as unmoved. */
  within: number({ unit: 'length', least: 0 }),
});
const guess = tagged('of', 'spans', { spans: list(whole(0, 999), 400) });

/** Which spans of the curve, as it is before, will move. */
export const spans: GuessMember<ValueOf<typeof description>, ValueOf<typeof guess>> = {
  description,
  guess,
  truth: ({ item, within }, step) =>
    onBoth(item, step, (before, after) => ({ of: 'spans', spans: movedSpans(before, after, within) })),
  compare: (_, { spans: guessed }, { spans: moved }) => {
    const said = new Set(guessed);
    const wrong =
      moved.filter((span) => !said.has(span)).length +
      [...said].filter((span) => !moved.includes(span)).length;
    return { met: wrong === 0, measured: wrong };
  },
  // Of one span alone there is nothing to tell.
  offers: (item, step) =>
    onBoth(
      item,
      step,
      (before, after) =>
        spansOf(before.knots, before.degree).length > 1 && movedSpans(before, after, 1e-6).length > 0,
    )
      ? [{ of: 'spans', item, within: 0.001 }]
      : [],
};

/**
 * The spans of `before` on which `after` lies elsewhere, at equal shares of their domains. Between two knots of either, the
 * difference has a numerator of at most twice the degree, so that it vanishes where it does at that many places and one more.
 * @param within distances up to this count as none
 */
export function movedSpans(before: Curve, after: Curve, within: number): number[] {
  const [from, to] = domainOf(before.knots, before.degree);
  const [start, end] = domainOf(after.knots, after.degree);
  const there = (u: number): number =>
    u === to ? end : Math.min(Math.max(start + ((u - from) / (to - from)) * (end - start), start), end);
  const breaks = spansOf(after.knots, after.degree).map(
    (span) => from + ((span.start - start) / (end - start)) * (to - from),
  );
  const count = 2 * Math.max(before.degree, after.degree) + 1;
  return spansOf(before.knots, before.degree).flatMap((span, index) => {
    const inside = breaks.filter((u) => u > span.start && u < span.end);
    const bounds = [span.start, ...inside, span.end];
    const moves = bounds.slice(1).some((right, part) => {
      const left = bounds[part]!;
      return Array.from({ length: count + 2 }, (_, k) => left + ((right - left) * k) / (count + 1)).some(
        (u, k) => {
          // At its ends a part is looked at from its own side, in case the curve has a gap there.
          const side = k === 0 ? 'right' : 'left';
          return !(distance(pointAt(before, u, side), pointAt(after, there(u), side)) <= within);
        },
      );
    });
    return moves ? [index] : [];
  });
}
