import { clampedUniformKnots } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument } from '@bogen/core/figure';

/** The figure that a new sheet begins with: one cubic on six points, everything loose. */
export function firstFigure(): FigureDocument {
  const points = [
    [0, 10],
    [20, 70],
    [70, 90],
    [120, 85],
    [175, 60],
    [200, 10],
  ];
  return {
    ...emptyFigure(),
    items: [
      {
        id: 'curve',
        name: 'Curve',
        kind: 'curve',
        curve: { degree: 3, knots: clampedUniformKnots(6, 3), points },
      },
    ],
    loose: { curve: { controlPoints: [0, 1, 2, 3, 4, 5], editPoints: [] } },
    rail: { item: 'curve', tracks: ['knots', 'basis', 'curvature'] },
  };
}
