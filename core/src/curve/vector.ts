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

/** The length of a vector of two or three coordinates, as `Math.hypot` gives it but several times as quick. */
export const hypotenuse = (x: number, y: number, z = 0): number => {
  const squared = x * x + y * y + z * z;
  // Where squares leave the range of numbers, or lose digits at its end.
  return squared > 1e-280 && squared < 1e300 ? Math.sqrt(squared) : Math.hypot(x, y, z);
};

export const distance = (a: Point, b: Point): number =>
  hypotenuse(a[0]! - b[0]!, a[1]! - b[1]!, a.length === 2 ? 0 : a[2]! - b[2]!);

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

/** The coordinates of points, one point after the other. */
export function coordinatesOf(points: readonly Point[]): Float64Array {
  const dimension = points[0]?.length ?? 0;
  const coordinates = new Float64Array(points.length * dimension);
  for (let k = 0; k < points.length; k++) {
    const point = points[k]!;
    for (let axis = 0; axis < dimension; axis++) coordinates[k * dimension + axis] = point[axis]!;
  }
  return coordinates;
}
