import type { Point } from '../../curve/curve.js';

/** A place by which a shape, a picture or a linked curve is taken hold of. */
export interface ItemHandle {
  /** Names it within its item, stable while that keeps its kind and number of places. */
  readonly key: string;
  readonly at: Point;
  /** Whether the curve passes it, or is pulled by it. */
  readonly role: 'passed' | 'pulls';
  /** The place that a line leads to from here, for what pulls. */
  readonly from?: Point;
}

export const passed = (key: string, at: Point): ItemHandle => ({ key, at, role: 'passed' });
export const pulls = (key: string, at: Point, from: Point): ItemHandle => ({ key, at, role: 'pulls', from });
