import type { Curve } from '../../src/curve/curve.js';

/** The upper bout of a viol as a cubic of four uneven spans: no symmetry, an inflection, nothing special. */
export const bout: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.3, 0.55, 0.8, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 60],
    [60, 90],
    [110, 40],
    [150, 80],
    [190, 20],
    [200, 0],
  ],
};
