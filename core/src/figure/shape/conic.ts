import type { Curve } from '../../curve/curve.js';
import { choice, number, place, type ValueOf } from '../../describe/describe.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

/** A conic from two ends, with its shoulder point or its tangent intersection held while rho changes. */
export const conic = defineShape(
  'conic',
  {
    start: place,
    end: place,
    held: choice('shoulder', 'tangentIntersection'),
    /** The place that is held. */
    place,
    rho: number({ unit: 'ratio', above: 0, below: 1 }),
  },
  {
    curve: ({ start, end, held, place: at, rho }) =>
      held === 'shoulder'
        ? mathematics().conicFromShoulder(start, at, end, rho)
        : mathematics().conicFromTangents(start, at, end, rho),
    handles: ({ start, end, held, place: at }) => [
      passed('start', start),
      held === 'shoulder' ? passed('place', at) : pulls('place', at, start),
      passed('end', end),
    ],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => false,
  },
);

/** A conic held the other way: by its shoulder instead of its tangent intersection, or back, unchanged in form. */
export function conicHeldBy(
  shape: ValueOf<typeof conic.description>,
  held: 'shoulder' | 'tangentIntersection',
  curve: Curve,
): ValueOf<typeof conic.description> {
  if (shape.held === held) return shape;
  return { ...shape, held, place: held === 'shoulder' ? mathematics().shoulderOf(curve) : curve.points[1]! };
}
