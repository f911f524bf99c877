import { pointAt } from '../../curve/evaluate.js';
import { nearestPoint } from '../../curve/nearest.js';
import type { TrackMember } from './define.js';

/** The distance from the curve that is compared with. */
export const deviation: TrackMember = {
  letter: 'd',
  compares: true,
  plots: [
    {
      values: ({ distances }) => distances?.(),
      at: ({ curve, compared }, u) => compared && nearestPoint(compared, pointAt(curve, u)).distance,
    },
  ],
};
