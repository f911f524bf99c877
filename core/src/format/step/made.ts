import { circularArc } from '../../curve/circle.js';
import type { Curve, Point } from '../../curve/curve.js';
import { addScaled } from '../../curve/vector.js';

/** A circle or an ellipse where it stands: its axes as directions, with the radius along each. */
export interface PlacedConic {
  readonly centre: Point;
  readonly x: Point;
  readonly y: Point;
  readonly first: number;
  readonly second: number;
}

export const polyline = (points: readonly Point[]): Curve => ({
  degree: 1,
  knots: [0, ...points.map((_, k) => k), points.length - 1],
  points,
});

/** The arc of a circle or ellipse from one angle to another, in the direction of its parameter or against it. */
export function arcOf(
  { centre, x, y, first, second }: PlacedConic,
  start: number,
  end: number,
  isForward: boolean,
): Curve {
  const turn = 2 * Math.PI;
  const by = (((isForward ? end - start : start - end) % turn) + turn) % turn;
  const sweep = by < 1e-12 ? turn : by;
  const arc = circularArc(
    { centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] },
    start,
    isForward ? sweep : -sweep,
  );
  return {
    ...arc,
    points: arc.points.map(([u, v]) => addScaled(addScaled(centre, x, first * u!), y, second * v!)),
  };
}

/** The knots of the forms that write none (ISO 10303-42, 4.4.29 to 4.4.31). */
export function knotsOfForm(kind: string, degree: number, pointCount: number): number[] {
  const spans = pointCount - degree;
  if (kind === 'UNIFORM_CURVE') return Array.from({ length: pointCount + degree + 1 }, (_, k) => k - degree);
  if (kind === 'BEZIER_CURVE') {
    const pieces = (pointCount - 1) / degree;
    return [
      0,
      ...Array.from({ length: Math.floor(pieces) + 1 }, (_, k) => Array<number>(degree).fill(k)).flat(),
      pieces,
    ];
  }
  return [
    ...Array<number>(degree).fill(0),
    ...Array.from({ length: spans + 1 }, (_, k) => k),
    ...Array<number>(degree).fill(spans),
  ];
}
