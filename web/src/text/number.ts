/**
 * Numbers as they are shown: a sensible number of digits, always with a decimal point, since lists of
 * numbers use the comma in every language.
 */
export function shownNumber(value: number, digits = 2): string {
  const rounded = value.toFixed(digits);
  return Number(rounded) === 0 ? (0).toFixed(digits) : rounded.replace('-', '−');
}

/** A number with about three significant digits, in powers of ten where it is very small or large. */
export function shownScientific(value: number): string {
  if (value === 0) return '0';
  const size = Math.abs(value);
  if (size >= 0.01 && size < 10_000) return shownNumber(value, size >= 100 ? 0 : size >= 1 ? 2 : 3);
  const [mantissa, exponent] = value.toExponential(1).split('e') as [string, string];
  return `${mantissa.replace('-', '−')} × 10${superscript(Number(exponent))}`;
}

/**
 * A size that is told as a bound, such as a deviation: never below the true one, with four digits after the point, and in
 * powers of ten where that would leave nothing of it.
 */
export function shownAtMost(value: number): string {
  if (value === 0) return '0';
  const digits = 4;
  if (value >= 0.001 && value < 10_000) {
    return shownNumber(Math.ceil(value * 10 ** digits) / 10 ** digits, digits);
  }
  const exponent = Math.floor(Math.log10(value));
  const mantissa = Math.ceil((value / 10 ** exponent) * 10) / 10;
  return mantissa >= 10
    ? `1.0 × 10${superscript(exponent + 1)}`
    : `${mantissa.toFixed(1)} × 10${superscript(exponent)}`;
}

const raised = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/** A whole number in raised digits. */
export function superscript(value: number): string {
  return [...String(value)].map((digit) => (digit === '-' ? '⁻' : raised[Number(digit)])).join('');
}
