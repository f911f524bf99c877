import { curvatureAt } from '../../curve/differential.js';
import type { TrackMember } from './define.js';

/** Signed curvature. */
export const curvature: TrackMember = {
  letter: 'κ',
  first: true,
  plots: [{ values: ({ samples }) => samples.curvature, at: ({ curve }, u) => curvatureAt(curve, u) }],
};
