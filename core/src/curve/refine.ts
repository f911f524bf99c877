import { findSpan } from './knotVector.js';

/** Control rows with their knot vector. */
export interface Refined {
  readonly knots: readonly number[];
  readonly rows: readonly (readonly number[])[];
}

/**
 * A spline's control rows with many knots inserted at once (P&T A5.4, after Boehm & Prautzsch 1985). Every new row
 * is made of old ones by shares between 0 and 1 only, so no digits are lost whatever the knots. The work grows with
 * old and new knots together.
 * @param inserted values in the domain, ascending, as often as they are to be inserted; each at most so often that
 *   its multiplicity stays p + 1 at most, the ends of the domain at most p
 */
export function refineRows({ knots, rows }: Refined, degree: number, inserted: readonly number[]): Refined {
  if (inserted.length === 0) return { knots, rows };
  const last = rows.length - 1;
  const [first, final] = [inserted[0]!, inserted.at(-1)!];
  // Rows up to `before` and from `behind` on don't change.
  const before = findSpan(knots, degree, first) - degree;
  const behind = findSpan(knots, degree, final);
  const more = inserted.length;
  const made: (readonly number[])[] = Array<readonly number[]>(rows.length + more);
  const refined = Array<number>(knots.length + more);
  for (let k = 0; k <= before; k++) made[k] = rows[k]!;
  for (let k = behind; k <= last; k++) made[k + more] = rows[k]!;
  for (let k = 0; k <= before + degree; k++) refined[k] = knots[k]!;
  const tail = behind + degree + 1;
  for (let k = tail; k < knots.length; k++) refined[k + more] = knots[k]!;
  let from = tail - 1;
  let to = tail + more - 1;
  for (let j = more - 1; j >= 0; j--) {
    const value = inserted[j]!;
    while (value <= knots[from]! && from > before + degree) {
      made[to - degree - 1] = rows[from - degree - 1]!;
      refined[to] = knots[from]!;
      to--;
      from--;
    }
    made[to - degree - 1] = made[to - degree]!;
    for (let l = 1; l <= degree; l++) {
      const index = to - degree + l;
      const reach = refined[to + l]! - value;
      if (reach === 0) {
        made[index - 1] = made[index]!;
        continue;
      }
      const share = reach / (refined[to + l]! - knots[from - degree + l]!);
      const [low, high] = [made[index - 1]!, made[index]!];
      const row = Array<number>(low.length);
      for (let axis = 0; axis < low.length; axis++) {
        row[axis] = share * low[axis]! + (1 - share) * high[axis]!;
      }
      made[index - 1] = row;
    }
    refined[to] = value;
    to--;
  }
  return { knots: refined, rows: made };
}

/** Values of a knot vector that are equal to the last digit, with how often and from where on they stand. */
export function runsOf(knots: readonly number[]): { value: number; multiplicity: number; first: number }[] {
  const runs: { value: number; multiplicity: number; first: number }[] = [];
  knots.forEach((value, first) => {
    const last = runs.at(-1);
    if (last?.value === value) last.multiplicity++;
    else runs.push({ value, multiplicity: 1, first });
  });
  return runs;
}

/** A spline's rows with both ends of its domain clamped, and nothing outside it. */
export function clampedRows({ knots, rows }: Refined, degree: number): Refined {
  const [start, end] = [knots[degree]!, knots[rows.length]!];
  const missing = (value: number): number[] => {
    const present = knots.filter((knot) => knot === value).length;
    return Array<number>(Math.max(0, degree - present)).fill(value);
  };
  const refined = refineRows({ knots, rows }, degree, [...missing(start), ...missing(end)]);
  const [first, last] = [refined.knots.lastIndexOf(start), refined.knots.indexOf(end)];
  const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
  return {
    knots: [...ends(start), ...refined.knots.slice(first + 1, last), ...ends(end)],
    rows: refined.rows.slice(first - degree, last),
  };
}
