import { clampedUniformKnots } from '@bogen/core/curve';
import { allLoose, curveItem, figureOf, placeItem, type Start } from './define.js';

const points = [
  [0, 15],
  [25, 70],
  [60, 85],
  [90, 40],
  [120, 35],
  [150, 80],
  [180, 75],
  [200, 20],
];

/** A control point acts near, an edit point far. */
export const nearAndFar = (): Start => ({
  figure: figureOf(
    [
      curveItem('curve', 'Curve', { degree: 3, knots: clampedUniformKnots(8, 3), points }),
      placeItem('aim', 'Peg', [105, 30]),
    ],
    { loose: { curve: { controlPoints: allLoose(8), editPoints: allLoose(8) } } },
  ),
  steps: [[{ name: 'moveControlPoint', item: 'curve', index: 4, to: [122, 5] }]],
  live: {
    spans: { of: 'fact', item: 'curve', fact: 'spans' },
    degree: { of: 'fact', item: 'curve', fact: 'degree' },
  },
  asks: {
    stage: 0,
    conditions: [
      { kind: 'curveThroughPoint', item: 'curve', target: 'aim', tolerance: 0.5 },
      { kind: 'spansUnmoved', item: 'curve', atLeast: 1, tolerance: 1e-6 },
    ],
  },
});
