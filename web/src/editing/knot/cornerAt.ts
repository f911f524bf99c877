import {
  distinctKnots,
  domainOf,
  insertKnot,
  nearestPoint,
  pointAt,
  type Curve,
  type Point,
} from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import type { Projection } from '../../figure/geometry/projection.js';
import type { FigurePreview } from '../../figure/scene/sceneParts.js';

/** Dots within which a place on the curve is that of a knot that is there already. */
const reach = 8;

/** What putting knots at a place of a curve comes to. */
export interface KnotsAt {
  readonly command: FigureCommand;
  readonly preview: FigurePreview;
}

/**
 * Knots put where a curve is pointed at, or at the knot beside it: one more, or as many as let it be pulled into a corner
 * there. The shape stays.
 * @returns nothing at the ends of the domain, or where there are as many already
 */
export function knotsAt(
  curve: Curve,
  item: string,
  place: Point,
  projection: Projection,
  what: 'knot' | 'corner',
): KnotsAt | undefined {
  const near = nearestPoint(curve, place);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const [x, y] = projection.toScreen(near.point);
  const known = distinctKnots(curve.knots, curve.degree).find(({ value }) => {
    if (value < start || value > end) return false;
    const [knotX, knotY] = projection.toScreen(pointAt(curve, value));
    return Math.hypot(knotX - x, knotY - y) <= reach;
  });
  const parameter = known?.value ?? Number(near.parameter.toPrecision(6));
  if (!(parameter > start && parameter < end)) return undefined;
  const room = curve.degree - (known?.multiplicity ?? 0);
  const times = what === 'corner' ? room : Math.min(1, room);
  if (times < 1) return undefined;
  const made = insertKnot(curve, parameter, times);
  return {
    command: {
      name: 'operate',
      item,
      operation: { name: 'insertKnot', source: item, parameter, times },
      curve: made,
    },
    preview: { curve: made, places: made.points, pulls: [], polygon: true },
  };
}
