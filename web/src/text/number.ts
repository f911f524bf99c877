import { notation } from './notation.js';

/**
 * A number in the digits of the lesson's notation: those of lengths and coordinates, or so many more. Parameters, weights
 * and basis values have one more, what is typed or compared has two. Always with a decimal point, since lists of numbers
 * use the comma in every language.
 */
export function shownNumber(value: number, more = 0): string {
  return inDigits(value, Math.max(0, notation().decimals + more));
}

/** A number in digits that something else than the notation decides. */
export function inDigits(value: number, digits: number): string {
  const rounded = value.toFixed(digits);
  return Number(rounded) === 0 ? (0).toFixed(digits) : rounded.replace('-', '−');
}

/** A number with about three significant digits, in powers of ten where it is very small or large. */
export function shownScientific(value: number): string {
  if (value === 0) return '0';
  const size = Math.abs(value);
  if (size >= 0.01 && size < 10_000) return inDigits(value, size >= 100 ? 0 : size >= 1 ? 2 : 3);
  const [mantissa, exponent] = value.toExponential(1).split('e') as [string, string];
  return `${mantissa.replace('-', '−')} × 10${superscript(Number(exponent))}`;
}

/** A number without needless zeros, in the digits of parameters or so many. */
export const shownShort = (value: number, digits = notation().decimals + 1): string =>
  inDigits(value, digits)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

/**
 * A size that is told as a bound, such as a deviation: never below the true one, with four digits after the point, and in
 * powers of ten where that would leave nothing of it.
 */
export function shownAtMost(value: number): string {
  if (value === 0) return '0';
  const digits = 4;
  if (value >= 0.001 && value < 10_000) {
    return inDigits(Math.ceil(value * 10 ** digits) / 10 ** digits, digits);
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
