import { told } from '../../told/told.js';
import { CurveError } from '../../curve/error.js';
import { addScaled, subtract } from '../../curve/vector.js';
import { place, whole } from '../../describe/describe.js';
import { closedPolygon } from './closedPolygon.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';

const sides = whole(3, 500);

/** A regular polygon, by its centre and its first corner. */
export const polygon = defineShape(
  'polygon',
  { centre: place, corner: place, sides },
  {
    least: 2,
    most: 2,
    options: { sides },
    first: { sides: 6 },
    make: ([centre, corner], { sides: count }) => ({ centre: centre!.at, corner: corner!.at, sides: count }),
  },
  {
    curve: ({ centre, corner, sides }) => {
      if (!Number.isInteger(sides) || sides < 3) {
        throw new CurveError('argument', told('polygonSides', { sides }), {
          value: sides,
        });
      }
      const [x, y] = [corner[0]! - centre[0]!, corner[1]! - centre[1]!];
      if (x === 0 && y === 0) {
        throw new CurveError('argument', told('polygonCorner'));
      }
      return closedPolygon(
        Array.from({ length: sides }, (_, k) => {
          const [c, s] = [Math.cos((2 * Math.PI * k) / sides), Math.sin((2 * Math.PI * k) / sides)];
          return [centre[0]! + c * x - s * y, centre[1]! + s * x + c * y];
        }),
      );
    },
    handles: ({ centre, corner }) => [pulls('centre', centre, corner), passed('corner', corner)],
    moveHandle: (shape, key, to) =>
      key === 'corner'
        ? { ...shape, corner: to }
        : { ...shape, centre: to, corner: addScaled(shape.corner, subtract(to, shape.centre)) },
    closed: () => true,
  },
);
