import { clampedUniformKnots, type Curve, type Point } from '@bogen/core/curve';
import { piecesOf, takeApart, type CurveItem, type FigureCommand } from '@bogen/core/figure';
import { curveItem, figureOf, type Start } from './define.js';

const curve: Curve = {
  degree: 3,
  knots: clampedUniformKnots(6, 3),
  points: [
    [0, 15],
    [15, 80],
    [70, 100],
    [120, 45],
    [165, 40],
    [200, 95],
  ],
};
const ids = ['first', 'second', 'third'];

/** A spline taken apart at its knots: Bézier pieces that still agree, until a joint is opened. */
export function takingApart(): Start {
  const item = curveItem('curve', 'Curve', curve) as CurveItem;
  const figure = figureOf([item]);
  const pieces = piecesOf(curve);
  const end = pieces[1]!.points[0]!;
  const opened: Point = [end[0]! + 12, end[1]! - 14];
  const move: FigureCommand = { name: 'moveControlPoint', item: 'second', index: 0, to: opened };
  return {
    figure,
    steps: [
      [
        takeApart(figure, item, pieces, ids),
        { name: 'setRail', rail: { ...figure.rail, item: 'second' } },
        { name: 'setLoose', item: 'second', of: 'controlPoints', indices: [0, 1, 2] },
      ],
      [move],
    ],
    live: { continuity: { of: 'fact', item: 'second', fact: 'degree' } },
    asks: {
      stage: 2,
      conditions: [{ kind: 'continuityAtJoint', item: 'second', other: 'first', continuity: 'G1' }],
    },
  };
}
