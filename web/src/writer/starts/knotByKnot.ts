import { clampedUniformKnots, insertKnot, type Curve } from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import { allLoose, curveItem, figureOf, type Start } from './define.js';

const curve: Curve = {
  degree: 3,
  knots: clampedUniformKnots(5, 3),
  points: [
    [0, 20],
    [30, 90],
    [100, 100],
    [170, 90],
    [200, 20],
  ],
};
const values = [0.25, 0.75, 0.75, 0.75];

/** One knot after the other comes in: the shape stays, the polygon comes nearer, until there is a corner to be had. */
export function knotByKnot(): Start {
  let now = curve;
  const steps = values.map((parameter): readonly FigureCommand[] => {
    now = insertKnot(now, parameter);
    return [
      {
        name: 'operate',
        item: 'curve',
        operation: { name: 'insertKnot', source: 'curve', parameter, times: 1 },
        curve: now,
      },
    ];
  });
  return {
    figure: figureOf([curveItem('curve', 'Curve', curve)], {
      loose: { curve: { controlPoints: allLoose(5), editPoints: [] } },
    }),
    steps,
    live: {
      spans: { of: 'fact', item: 'curve', fact: 'spans' },
      points: { of: 'fact', item: 'curve', fact: 'points' },
    },
    asks: {
      stage: steps.length,
      conditions: [
        { kind: 'leastContinuity', item: 'curve', continuity: 'G1' },
        { kind: 'none', conditions: [{ kind: 'shapeUnchanged', item: 'curve', tolerance: 1 }] },
      ],
    },
  };
}
