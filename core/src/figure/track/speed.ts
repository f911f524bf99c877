import { derivativesAt } from '../../curve/evaluate.js';
import type { TrackMember } from './define.js';

/** How fast the curve runs over its parameter. */
export const speed: TrackMember = {
  letter: '|C′|',
  plots: [
    {
      values: ({ samples }) => samples.speeds,
      at: ({ curve }, u) => Math.hypot(...derivativesAt(curve, u, 1)[1]!),
    },
  ],
};
