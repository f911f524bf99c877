import { told } from '../told/told.js';
import { CurveError } from './error.js';
import type { SpanPolynomials } from './spanPolynomials.js';

/** A table from even steps of the domain to the span in which each begins. */
export interface SpanLookup {
  readonly first: number;
  readonly scale: number;
  readonly table: Int32Array;
}

const lookups = new WeakMap<SpanPolynomials, SpanLookup>();

/** Builds the table, once for each curve. */
export function spanLookup(polynomials: SpanPolynomials): SpanLookup {
  const found = lookups.get(polynomials);
  if (found) return found;
  const { starts, ends } = polynomials;
  const count = starts.length;
  const first = starts[0]!;
  const length = ends[count - 1]! - first;
  const size = 4 * count;
  const table = new Int32Array(size + 1);
  let span = 0;
  for (let k = 0; k <= size; k++) {
    const u = first + (length * k) / size;
    while (span < count - 1 && ends[span]! <= u) span++;
    // One before, so that rounding of the step can't skip a span.
    table[k] = k > 0 ? Math.max(table[k - 1]!, span - 1) : 0;
  }
  const lookup = { first, scale: size / length, table };
  lookups.set(polynomials, lookup);
  return lookup;
}

/** Number of the span that holds `u`; a knot belongs to the span after it, the end to the last. */
export function spanIn(
  { starts, ends }: SpanPolynomials,
  { first, scale, table }: SpanLookup,
  u: number,
  index: number,
): number {
  const final = starts.length - 1;
  if (!(u >= first && u <= ends[final]!)) {
    throw new CurveError(
      'parameter',
      told('parameterOfListOutside', { index, parameter: u, start: first, end: ends[final]! }),
      { index, value: u },
    );
  }
  let span = table[((u - first) * scale) | 0] ?? 0;
  while (span < final && ends[span]! <= u) span++;
  while (starts[span]! > u) span--;
  return span;
}
