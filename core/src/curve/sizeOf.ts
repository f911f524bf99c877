import type { Curve } from './curve.js';

/** The largest coordinate of a curve's control points: the size against which rounding is judged. */
export function sizeOf({ points }: Pick<Curve, 'points'>): number {
  let size = 0;
  for (const point of points) for (const value of point) size = Math.max(size, Math.abs(value));
  return size;
}
