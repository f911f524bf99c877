import { exactCircle, type Curve } from '@bogen/core/curve';
import { curveItem, figureOf, type Start } from './define.js';

/** Nine points on a square, then their weights, then their knots: a circle, exactly. */
export function trueRound(): Start {
  const round = exactCircle({ centre: [100, 50], radius: 40, x: [1, 0], y: [0, 1] }, 'quadratic9');
  const start: Curve = {
    degree: 2,
    knots: [0, 0, 0, 1 / 7, 2 / 7, 3 / 7, 4 / 7, 5 / 7, 6 / 7, 1, 1, 1],
    points: round.points,
  };
  return {
    figure: figureOf([curveItem('round', 'Round', start)], {
      rail: { item: 'round', tracks: ['knots', 'weights', 'radiusError'] },
      readersMay: [
        { kind: 'weights', item: 'round', indices: [0, 1, 2, 3, 4, 5, 6, 7, 8] },
        { kind: 'knots', item: 'round' },
      ],
    }),
    steps: [
      [{ name: 'setCurve', item: 'round', curve: { ...start, weights: round.weights! } }],
      [{ name: 'setCurve', item: 'round', curve: round }],
    ],
    live: {
      conic: { of: 'fact', item: 'round', fact: 'conic' },
      length: { of: 'fact', item: 'round', fact: 'length' },
    },
    asks: {
      stage: 0,
      solution: 2,
      conditions: [{ kind: 'roundWithin', item: 'round', share: 1e-6 }],
    },
  };
}
