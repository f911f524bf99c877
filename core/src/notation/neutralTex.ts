import { pointLetterOf, type Notation } from './notation.js';

/*
 * Formulas are written in TeX that leaves open what the notation of a lesson decides: how things are counted, the
 * letters of points and parameter, degree or order, and digits. Each is a macro of its own that `inNotation` fills in:
 *
 *   \at{3}          the number of what has the index 3, counted from 0
 *   \val{0.25}{1}   a number, with this many digits more than lengths have
 *   \most{0.2}{1}   a bound in the same digits, never below what it is
 *   \param{}        the letter of the parameter and of the knots
 *   \point{0}       the letter of the control points of the figure's first curve
 *   \size{3}        the degree 3, or its order
 *   \nth{}          the sign of the degree or order, as basis functions have it: p or k
 *   \reach{}        the degree by that sign: p or k−1
 *   \factor{}       the degree as a factor: p or (k−1)
 *   \next{}         the order by that sign: p+1 or k
 *
 * A formula that names one curve alone has \point{}, until it is known which one that is.
 */

/** The number of what has this index. */
export const texAt = (index: number): string => String.raw`\at{${index}}`;
/** A degree, or its order. */
export const texDegree = (degree: number): string => String.raw`\size{${degree}}`;
/** The letter of the parameter. */
export const texParameter = String.raw`\param{}`;
/** The sign that basis functions have for their degree or order. */
export const texBasisSign = String.raw`\nth{}`;
/** The degree, alone and as a factor, and the order, by that sign. */
export const texDegreeSign = String.raw`\reach{}`;
export const texDegreeFactor = String.raw`\factor{}`;
export const texOrderSign = String.raw`\next{}`;
/** The letter of the control points of the curve that the formula is about. */
export const texControlPoint = String.raw`\point{}`;
/** A number in TeX, with so many digits more than lengths have. */
export const texNumber = (value: number, more = 1): string => String.raw`\val{${value}}{${more}}`;

/** A bound in TeX, in the same digits: what is written is never below it. */
export const texBound = (value: number, more = 1): string => String.raw`\most{${value}}{${more}}`;

/** A formula about one curve as one about the curve with this index in its figure. */
export const aboutCurve = (neutral: string, curve: number): string =>
  neutral.replaceAll(texControlPoint, String.raw`\point{${curve}}`);

type Sign = 'param' | 'nth' | 'reach' | 'factor' | 'next';
const signs = ({ parameter, size }: Notation): Readonly<Record<Sign, string>> =>
  size === 'order'
    ? { param: parameter, nth: 'k', reach: 'k-1', factor: '(k-1)', next: 'k' }
    : { param: parameter, nth: 'p', reach: 'p', factor: 'p', next: 'p+1' };

/** A formula as a lesson with this notation writes it. What is no macro of ours stays as it is. */
export function inNotation(neutral: string, notation: Notation): string {
  if (!neutral.includes('\\')) return neutral;
  const { first, size, decimals } = notation;
  const isOrder = size === 'order';
  return neutral.replace(
    /\\(?:at\{(\d{1,5})\}|(val|most)\{([^{}]{1,30})\}\{(-?\d)\}|point\{(\d{0,3})\}|size\{(\d{1,3})\}|(param|nth|reach|factor|next)\{\})/g,
    (
      whole,
      index?: string,
      kind?: string,
      value?: string,
      more?: string,
      curve?: string,
      degree?: string,
      sign?: string,
    ) => {
      if (index !== undefined) return String(Number(index) + first);
      if (value !== undefined) {
        const digits = Math.min(12, Math.max(0, decimals + Number(more)));
        return kind === 'most' ? texAtMost(Number(value), digits) : texOf(Number(value), digits);
      }
      if (curve !== undefined) return pointLetterOf(notation, Number(curve)).replaceAll('′', "'");
      if (degree !== undefined) return String(Number(degree) + (isOrder ? 1 : 0));
      return sign === undefined ? whole : signs(notation)[sign as Sign];
    },
  );
}

/** A number in at most `digits` digits after the point, without needless zeros; powers of ten where it is tiny or huge. */
function texOf(value: number, digits: number): string {
  if (!Number.isFinite(value)) return String.raw`\text{–}`;
  if (value !== 0 && (Math.abs(value) < 10 ** -digits || Math.abs(value) >= 1e7)) {
    const [mantissa, power] = value.toExponential(2).split('e');
    return String.raw`${mantissa}\cdot 10^{${Number(power)}}`;
  }
  const text = value
    .toFixed(digits)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
  return text === '-0' ? '0' : text;
}

/** A bound that is not negative, rounded up in so many digits, or in two where those would leave nothing of it. */
function texAtMost(value: number, digits: number): string {
  if (!(value > 0) || !Number.isFinite(value)) return texOf(value, digits);
  const isTiny = value < 10 ** -digits;
  const power = isTiny ? Math.floor(Math.log10(value)) - 1 : -digits;
  // A quotient that is a whole number but for its rounding is raised all the same: too much by one digit is no less a bound.
  const raised = Math.ceil((value / 10 ** power) * (1 + 2 ** -50));
  if (!isTiny) return texOf(raised / 10 ** digits, digits);
  const [mantissa, exponent] = raised >= 100 ? [raised / 100, power + 2] : [raised / 10, power + 1];
  return String.raw`${mantissa.toFixed(1)}\cdot 10^{${exponent}}`;
}
