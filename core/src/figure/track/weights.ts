import { pointAt } from '../../curve/evaluate.js';
import { pointsAt } from '../../curve/evaluateMany.js';
import type { Curve } from '../../curve/curve.js';
import type { TrackMember } from './define.js';

/** The weights as a polynomial curve of their own: what a rational curve is divided by. */
function weightCurve({ weights, points, degree, knots }: Curve): Curve {
  return { degree, knots, points: points.map((_, index) => [weights?.[index] ?? 1, 0]) };
}

/** The weight function w(u), the sum of the weights times their basis functions; one everywhere without weights. */
export const weights: TrackMember = {
  letter: 'w',
  plots: [
    {
      values: ({ curve, samples: { parameters } }) =>
        pointsAt(weightCurve(curve), parameters).filter((_, index) => index % 2 === 0),
      at: ({ curve }, u) => pointAt(weightCurve(curve), u)[0],
    },
  ],
};
