import type { Curve } from '../../curve/curve.js';
import { choice, number, place, type ValueOf } from '../../describe/describe.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

const held = choice('shoulder', 'tangentIntersection');
const rho = number({ unit: 'ratio', above: 0, below: 1 });

/** A conic from two ends, with its shoulder point or its tangent intersection held while rho changes. */
export const conic = defineShape(
  'conic',
  {
    start: place,
    end: place,
    held,
    /** The place that is held. */
    place,
    rho,
  },
  {
    least: 3,
    most: 3,
    options: { held, rho },
    first: { held: 'shoulder', rho: 0.5 },
    make: ([start, end, at], chosen) => ({ start: start!.at, end: end!.at, place: at!.at, ...chosen }),
    polygon: true,
  },
  {
    curve: (shape) =>
      shape.held === 'shoulder'
        ? mathematics().conicFromShoulder(shape.start, shape.place, shape.end, shape.rho)
        : mathematics().conicFromTangents(shape.start, shape.place, shape.end, shape.rho),
    handles: ({ start, end, held: by, place: at }) => [
      passed('start', start),
      by === 'shoulder' ? passed('place', at) : pulls('place', at, start),
      passed('end', end),
    ],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
  },
);

/** A conic held the other way: by its shoulder instead of its tangent intersection, or back, unchanged in form. */
export function conicHeldBy(
  shape: ValueOf<typeof conic.description>,
  by: ValueOf<typeof held>,
  curve: Curve,
): ValueOf<typeof conic.description> {
  if (shape.held === by) return shape;
  return {
    ...shape,
    held: by,
    place: by === 'shoulder' ? mathematics().shoulderOf(curve) : curve.points[1]!,
  };
}
