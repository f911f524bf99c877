import type { Point } from './curve.js';

/** The few vector operations that the curve core needs, on points of two or three coordinates. */
export const subtract = (a: Point, b: Point): number[] => a.map((value, axis) => value - b[axis]!);

/** a + factor · b */
export const addScaled = (a: Point, b: Point, factor = 1): number[] =>
  a.map((value, axis) => value + factor * b[axis]!);

export const scaled = (a: Point, factor: number): number[] => a.map((value) => value * factor);

/** (1 − t) a + t b */
export const mix = (a: Point, b: Point, t: number): number[] =>
  a.map((value, axis) => (1 - t) * value + t * b[axis]!);

export const dot = (a: Point, b: Point): number => {
  let sum = 0;
  for (let axis = 0; axis < a.length; axis++) sum += a[axis]! * b[axis]!;
  return sum;
};

export const lengthOf = (a: Point): number => Math.hypot(...a);

export const distance = (a: Point, b: Point): number => {
  const [x, y] = [a[0]! - b[0]!, a[1]! - b[1]!];
  return a.length === 2 ? Math.hypot(x, y) : Math.hypot(x, y, a[2]! - b[2]!);
};

/** The signed area of the parallelogram of two plane vectors: positive where b lies to the left of a. */
export const cross = (a: Point, b: Point): number => a[0]! * b[1]! - a[1]! * b[0]!;

export const crossInSpace = (a: Point, b: Point): number[] => [
  a[1]! * b[2]! - a[2]! * b[1]!,
  a[2]! * b[0]! - a[0]! * b[2]!,
  a[0]! * b[1]! - a[1]! * b[0]!,
];

/** A plane vector turned left by a right angle. */
export const turnLeft = (a: Point): number[] => [-a[1]!, a[0]!];

/** The vector of length one in the direction of `a`, or `undefined` where `a` has none. */
export function unit(a: Point): number[] | undefined {
  const largest = Math.max(...a.map(Math.abs));
  if (!(largest > 0)) return undefined;
  const even = scaled(a, 1 / largest);
  return scaled(even, 1 / lengthOf(even));
}

/** The angle between two vectors from 0 to π, exact also where it is tiny; 0 where one of them is zero. */
export function angleBetween(a: Point, b: Point): number {
  const [unitA, unitB] = [unit(a), unit(b)];
  if (!unitA || !unitB) return 0;
  return 2 * Math.atan2(lengthOf(subtract(unitA, unitB)), lengthOf(addScaled(unitA, unitB)));
}
