import type { Point } from '../../curve/curve.js';

/** Which sentence introduces a line: what is calculated in it. */
export type CalculationStep =
  | 'newPoint'
  | 'raisedPoint'
  | 'removedForwards'
  | 'removedBackwards'
  | 'removedMiss'
  | 'span'
  | 'sum'
  | 'errorBound'
  | 'leftOfKnot'
  | 'rightOfKnot'
  | 'jump'
  | 'conicWeight'
  | 'conicKind'
  | 'conicEquation'
  | 'derivatives'
  | 'curvature'
  | 'basisStart'
  | 'basisLevel'
  | 'derivativePoint'
  | 'blossomAfter'
  | 'movedPoint'
  | 'mirroredPoint'
  | 'reversedPoint'
  | 'mappedKnot'
  | 'shiftedWeight'
  | 'leastSquares'
  | 'fittedPoint'
  | 'largestMiss'
  | 'endOfFirst'
  | 'startOfSecond'
  | 'bridgeHandle';

/** One line of a calculation, with its actual numbers. */
export interface CalculationLine {
  readonly step: CalculationStep;
  /** What the sentence names: an index, a parameter, a level. */
  readonly values?: Readonly<Record<string, number | string>>;
  /** The line in TeX notation. */
  readonly tex: string;
  /** The points of the figure that it is about, and the lines between them. */
  readonly places: readonly Point[];
  readonly legs: readonly (readonly [Point, Point])[];
  /** The control points of the source among them, by index: pointed at in the figure, they find the line. */
  readonly points: readonly number[];
}

/** More lines than these are not written out; the rest go the same way. */
export const mostLines = 60;

/** A number in at most `digits` digits after the point, without needless zeros; powers of ten where it is tiny or huge. */
export function tex(value: number, digits = 3): string {
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

/** A number that stands after another sign: in brackets where it is negative. */
export const texAfter = (value: number): string => (value < 0 ? `(${tex(value)})` : tex(value));

/** A point or vector as a column. */
export const texPoint = (point: Point): string =>
  String.raw`\begin{pmatrix}${point.map((value) => tex(value)).join(String.raw`\\`)}\end{pmatrix}`;

/** A difference quotient (u − low) / (high − low). */
export const texShare = (u: number, low: number, high: number): string =>
  String.raw`\frac{${tex(u)} - ${texAfter(low)}}{${tex(high)} - ${texAfter(low)}}`;
