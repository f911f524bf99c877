import { told } from '../../told/told.js';
import { CurveError } from '../../curve/error.js';
import { place } from '../../describe/describe.js';
import { closedPolygon } from './closedPolygon.js';
import { passed } from '../part/handle.js';
import { byPlaces, defineShape } from './define.js';

/** A rectangle along the axes, by two opposite corners. */
export const rectangle = defineShape(
  'rectangle',
  { corner: place, opposite: place },
  byPlaces(2, (corner, opposite) => ({ corner: corner!, opposite: opposite! })),
  {
    curve: ({ corner, opposite }) => {
      const [x0, y0] = corner as [number, number];
      const [x1, y1] = opposite as [number, number];
      if (x0 === x1 || y0 === y1) {
        throw new CurveError('argument', told('rectangleCorners'));
      }
      return closedPolygon([
        [x0, y0],
        [x1, y0],
        [x1, y1],
        [x0, y1],
      ]);
    },
    handles: ({ corner, opposite }) => [passed('corner', corner), passed('opposite', opposite)],
    moveHandle: (shape, key, to) => ({ ...shape, [key]: to }),
    closed: () => true,
  },
);
