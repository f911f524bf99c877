import { clampedUniformKnots, type Curve } from '@bogen/core/curve';
import { degreeOrSpan, sideBySideCommand, type CurveItem } from '@bogen/core/figure';
import { curveItem, figureOf, type Start } from './define.js';

const curve: Curve = {
  degree: 3,
  knots: clampedUniformKnots(4, 3),
  points: [
    [0, 20],
    [50, 85],
    [150, 95],
    [200, 30],
  ],
};

/** A degree more, or a span more: the same shape, the same move, two combs. */
export function degreeOrSpans(): Start {
  const item = curveItem('curve', 'Curve', curve) as CurveItem;
  const figure = figureOf([item]);
  const two = degreeOrSpan(curve);
  const beside = sideBySideCommand(figure, item, two, ['degree', 'span'], ['A degree more', 'A span more']);
  const goal: Curve = {
    ...two.degree,
    points: two.degree.points.with(2, [100, 120]),
  };
  return {
    figure,
    steps: [
      [
        beside,
        {
          name: 'setReadersMay',
          freedoms: [{ kind: 'looks', keys: ['comb'] }],
        },
        { name: 'setLoose', item: 'degree', of: 'controlPoints', indices: [1, 2, 3] },
        { name: 'setLoose', item: 'span', of: 'controlPoints', indices: [1, 2, 3] },
      ],
      [
        { name: 'moveControlPoint', item: 'degree', index: 2, to: goal.points[2]! },
        { name: 'moveControlPoint', item: 'span', index: 2, to: goal.points[2]! },
      ],
    ],
    live: {
      degree: { of: 'fact', item: 'degree', fact: 'points' },
      span: { of: 'fact', item: 'span', fact: 'points' },
      kink: { of: 'fact', item: 'span', fact: 'combSlopeJump' },
    },
    asks: {
      stage: 1,
      solution: 2,
      conditions: [
        {
          kind: 'pointAtPlace',
          item: 'degree',
          of: 'controlPoints',
          index: 2,
          place: [100, 120],
          tolerance: 4,
        },
        {
          kind: 'pointAtPlace',
          item: 'span',
          of: 'controlPoints',
          index: 2,
          place: [100, 120],
          tolerance: 4,
        },
      ],
    },
  };
}
