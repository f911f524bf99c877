import { spend } from './effort.js';

/** What is known of a function over a part of its domain. */
export interface Look {
  /** No value in the part is larger. */
  readonly upper: number;
  /** A value that is taken in the part, and where. */
  readonly value: number;
  readonly at: number;
}

/** The largest value of a function: never smaller than the true one. */
export interface Bound {
  readonly upper: number;
  /** The largest value that was met, and where. */
  readonly value: number;
  readonly at: number;
}

/**
 * The largest value of a function by branch and bound: parts whose bound lies above the largest value met are halved,
 * the highest first, until the bound is within a share of that value (Ratschek & Rokne 1988, 3.3).
 * @param look bounds a part; it gets the largest value met so far, and need not be closer than that
 * @param precision how far above the largest value met the bound may stay, as a share of it and as such; where only
 *   a limit matters, a thousandth of it is enough for bounds below it
 * @param most how many parts are looked at; the bound holds where they are used up too, but is less close
 */
export function boundLargest<Part>(
  parts: readonly Part[],
  look: (part: Part, met: number) => Look,
  halve: (part: Part, met: number) => readonly Part[],
  precision: { readonly share: number; readonly least: number; readonly limit?: number | undefined },
  most = 20_000,
): Bound {
  let value = -Infinity;
  let at = NaN;
  let looked = 0;
  const enough = (): number => {
    const close = value + Math.max(precision.least, precision.share * value);
    const { limit = 0 } = precision;
    return Math.max(close, Math.min(limit, value + limit / 1000));
  };
  // The part with the highest bound stands first.
  const open: { readonly part: Part; readonly upper: number }[] = [];
  // What lay below what was enough then does so now.
  let left = -Infinity;
  const take = (part: Part, within: number): void => {
    looked++;
    spend(6);
    const found = look(part, value);
    if (found.value > value) [value, at] = [found.value, found.at];
    const upper = Math.min(found.upper, within);
    if (upper <= enough()) left = Math.max(left, upper);
    else pushOpen(open, { part, upper });
  };
  for (const part of parts) take(part, Infinity);
  while (open.length > 0 && open[0]!.upper > enough() && looked < most + parts.length) {
    const { part, upper } = popOpen(open);
    // A half is bounded by its whole as well.
    for (const half of halve(part, value)) take(half, upper);
  }
  return { upper: Math.max(value, left, open[0]?.upper ?? -Infinity), value, at };
}

interface Ranked {
  readonly upper: number;
}

/** Puts an entry into a heap, in which none stands before one that is larger (Knuth 5.2.3). */
function pushOpen<Entry extends Ranked>(heap: Entry[], entry: Entry): void {
  let at = heap.push(entry) - 1;
  while (at > 0) {
    const above = (at - 1) >> 1;
    if (heap[above]!.upper >= entry.upper) break;
    heap[at] = heap[above]!;
    at = above;
  }
  heap[at] = entry;
}

/** Takes the largest entry out of a heap. */
function popOpen<Entry extends Ranked>(heap: Entry[]): Entry {
  const first = heap[0]!;
  const last = heap.pop()!;
  if (heap.length === 0) return first;
  let at = 0;
  for (;;) {
    let below = 2 * at + 1;
    if (below >= heap.length) break;
    if (below + 1 < heap.length && heap[below + 1]!.upper > heap[below]!.upper) below++;
    if (heap[below]!.upper <= last.upper) break;
    heap[at] = heap[below]!;
    at = below;
  }
  heap[at] = last;
  return first;
}
