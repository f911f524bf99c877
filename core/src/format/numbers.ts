/**
 * A number as the exchange standards write reals: with a point, and the fewest digits from which the same number is read
 * again.
 * @param exponent the sign before the power of ten: E, or D where a standard tells double precision by it
 */
export function realText(value: number, exponent: 'E' | 'D' = 'E'): string {
  const [mantissa, power] = String(Object.is(value, -0) ? 0 : value).split('e') as [string, string?];
  const digits = mantissa.includes('.') ? mantissa : `${mantissa}.`;
  return power === undefined ? digits : `${digits}${exponent}${Number(power)}`;
}

/** Knots as values with multiplicities; only equal numbers are one. */
export function countedKnots(knots: readonly number[]): { values: number[]; multiplicities: number[] } {
  const values: number[] = [];
  const multiplicities: number[] = [];
  for (const knot of knots) {
    if (values.at(-1) === knot) multiplicities[multiplicities.length - 1]!++;
    else {
      values.push(knot);
      multiplicities.push(1);
    }
  }
  return { values, multiplicities };
}
