import { choice, object, signs, whole, type ValueOf } from '../describe/describe.js';

/** The letters of the control points of a figure's curves, in the order of the curves, by the letter of the first. */
const pointLetters = {
  P: 'PQRSTUVW',
  A: 'ABD',
  B: 'BDA',
  D: 'DAB',
  V: 'VWXYZ',
  b: 'bcda',
  d: 'dabc',
} as const;

type PointLetter = keyof typeof pointLetters;
export const pointLetterNames = Object.keys(pointLetters) as readonly PointLetter[];

/** The letters of the parameter and of the knots, its values. */
export const parameterLetters = ['u', 't', 's'] as const;

export const decimalLimits = { least: 0, most: 6 } as const;

export const notationDescription = object({
  first: signs(0, 1),
  point: signs(...pointLetterNames),
  parameter: signs(...parameterLetters),
  size: choice('degree', 'order'),
  decimals: whole(decimalLimits.least, decimalLimits.most),
});

/** How a lesson writes down what its figures show. Nothing is calculated by it. */
export interface Notation {
  /** The number of the first control point, knot and basis function. */
  readonly first: 0 | 1;
  /** The letter of the control points of a figure's first curve. */
  readonly point: PointLetter;
  /** That of the parameter, and of the knots. */
  readonly parameter: (typeof parameterLetters)[number];
  /** Whether curves are told apart by their degree, or by their order, which is one more. */
  readonly size: 'degree' | 'order';
  /** Digits after the point of lengths and coordinates; parameters and weights have one more. */
  readonly decimals: number;
}

type Fits<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
// Does not compile where the description and the type part ways.
void (true satisfies Fits<Notation, ValueOf<typeof notationDescription>>);

/** That of a lesson which says nothing else, and of every figure outside lessons. */
export const usualNotation: Notation = {
  first: 0,
  point: 'P',
  parameter: 'u',
  size: 'degree',
  decimals: 2,
};

/** The letter of the control points of the curve with this index in its figure; one that comes again has a prime. */
export function pointLetterOf({ point }: Notation, curve: number): string {
  const own = pointLetters[point];
  return own[curve % own.length]! + '′'.repeat(Math.floor(curve / own.length));
}
