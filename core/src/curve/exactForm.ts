/** A number that is recognised as (a + b √n) / d, with whole numbers in lowest terms and n without square factors. */
export interface ExactForm {
  readonly rational: number;
  readonly factor: number;
  /** 1 where there is no root. */
  readonly root: number;
  readonly denominator: number;
}

/** A value this close to a form, against its own size, is taken for it. */
const relativeTolerance = 1e-12;
const largestDenominator = 360;
const roots = [2, 3, 5, 6, 7, 10] as const;

/**
 * The exact number that a value is, as far as it is one that people write: a fraction, or a fraction with one square
 * root, such as 1/3, √2/2 or (√5 − 1)/2. Simpler forms come first; a whole number is none of them.
 * @returns `undefined` where no such form lies within 1e-12 of the value's size
 */
export function exactForm(value: number): ExactForm | undefined {
  if (!Number.isFinite(value) || value === 0 || Math.abs(value) > 1e6) return undefined;
  const tolerance = relativeTolerance * Math.abs(value);
  if (Math.abs(value - Math.round(value)) <= tolerance) return undefined;
  for (let denominator = 2; denominator <= largestDenominator; denominator++) {
    const rational = Math.round(value * denominator);
    if (rational !== 0 && Math.abs(value - rational / denominator) <= tolerance) {
      return { rational, factor: 0, root: 1, denominator };
    }
  }
  // b √n / d: with n without squares.
  for (const root of roots) {
    for (let denominator = 1; denominator <= 24; denominator++) {
      const factor = Math.round((value * denominator) / Math.sqrt(root));
      if (factor === 0 || Math.abs(factor) > 400) continue;
      if (
        Math.abs(value - (factor * Math.sqrt(root)) / denominator) <= tolerance &&
        isLowest(factor, denominator)
      ) {
        return { rational: 0, factor, root, denominator };
      }
    }
  }
  for (const root of roots) {
    for (let denominator = 1; denominator <= 6; denominator++) {
      for (let factor = 1; factor <= 6; factor++) {
        for (const sign of [1, -1]) {
          const rational = Math.round(value * denominator - sign * factor * Math.sqrt(root));
          if (rational === 0 || Math.abs(rational) > 60) continue;
          if (Math.abs(value - (rational + sign * factor * Math.sqrt(root)) / denominator) > tolerance)
            continue;
          if (!isLowest(gcd(rational, factor), denominator)) continue;
          return { rational, factor: sign * factor, root, denominator };
        }
      }
    }
  }
  return undefined;
}

function gcd(a: number, b: number): number {
  return b === 0 ? Math.abs(a) : gcd(b, a % b);
}

const isLowest = (a: number, b: number): boolean => gcd(a, b) === 1;

/** An exact number as text: 1/3, √2/2, (√5 − 1)/2. */
export function exactText({ rational, factor, root, denominator }: ExactForm): string {
  const surd = Math.abs(factor) === 1 ? `√${root}` : `${Math.abs(factor)}√${root}`;
  const minus = '−';
  const numerator =
    factor === 0
      ? `${rational < 0 ? minus : ''}${Math.abs(rational)}`
      : rational === 0
        ? `${factor < 0 ? minus : ''}${surd}`
        : factor > 0
          ? `${surd} ${rational < 0 ? minus : '+'} ${Math.abs(rational)}`
          : `${rational < 0 ? minus : ''}${Math.abs(rational)} ${minus} ${surd}`;
  if (denominator === 1) return numerator;
  return rational !== 0 && factor !== 0 ? `(${numerator})/${denominator}` : `${numerator}/${denominator}`;
}
