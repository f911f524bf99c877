import type { Point } from '../../curve/curve.js';
import { texNumber } from '../../notation/neutralTex.js';

/** Which sentence introduces a line: what is calculated in it. */
export type CalculationStep =
  | 'definition'
  | 'recursion'
  | 'knotVector'
  | 'controlPoints'
  | 'weights'
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
  /** The line in TeX that leaves the lesson's notation open. */
  readonly tex: string;
  /** The points of the figure that it is about, and the lines between them. */
  readonly places: readonly Point[];
  readonly legs: readonly (readonly [Point, Point])[];
  /** The control points of the source among them, by index: pointed at in the figure, they find the line. */
  readonly points: readonly number[];
}

/** More lines than these are not written out; the rest go the same way. */
export const mostLines = 60;

/** A number in the digits of parameters and weights, or in more. */
export const tex = (value: number, digits = 3): string => texNumber(value, digits - 2);

/** A number that stands after another sign: in brackets where it is negative. */
export const texAfter = (value: number): string => (value < 0 ? `(${tex(value)})` : tex(value));

/** A point or vector as a column. */
export const texPoint = (point: Point): string =>
  String.raw`\begin{pmatrix}${point.map((value) => tex(value)).join(String.raw`\\`)}\end{pmatrix}`;

/** A difference quotient (u − low) / (high − low). */
export const texShare = (u: number, low: number, high: number): string =>
  String.raw`\frac{${tex(u)} - ${texAfter(low)}}{${tex(high)} - ${texAfter(low)}}`;
