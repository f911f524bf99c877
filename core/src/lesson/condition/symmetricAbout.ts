import { largestDistanceFrom } from '../../curve/hausdorff.js';
import { mirrorCurve, mirrorThrough } from '../../curve/mirror.js';
import { place } from '../../describe/describe.js';
import { defineCondition, tolerance, withinDistance } from './define.js';

/** The curve is its own mirror image in the line through two places, within a distance. */
export const symmetricAbout = defineCondition(
  'symmetricAbout',
  { from: place, to: place, tolerance },
  'length',
  ({ from, to, tolerance: within }, { curve }) => {
    // The mirror exchanges the curve and its image, so that one side tells both.
    const image = mirrorCurve(curve, mirrorThrough(from, to));
    return withinDistance(largestDistanceFrom(curve, image, within), within);
  },
  ({ curve }) => {
    const xs = curve.points.map((point) => point[0]!);
    const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
    return { from: [middle, 0], to: [middle, 1], tolerance: 0.5 };
  },
);
