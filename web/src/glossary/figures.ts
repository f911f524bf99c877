import { circleByPeriodic } from './round.js';
import { clampedUniformKnots, type Curve } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument, type Shown } from '@bogen/core/figure';
import type { glossaryTerms } from '../text/en/glossary.js';

export type TermName = keyof typeof glossaryTerms;

const points = [
  [0, 0],
  [15, 55],
  [60, 75],
  [105, 20],
  [150, 60],
  [170, 5],
];
const cubic: Curve = { degree: 3, knots: clampedUniformKnots(6, 3), points };

const plain = {
  controlPoints: true,
  polygon: true,
  editPoints: false,
  knots: true,
  comb: false,
  labels: false,
};

function figureOf(curve: Curve, shown: Partial<Shown> = {}): FigureDocument {
  return {
    ...emptyFigure(),
    items: [{ id: 'curve', name: 'Curve', kind: 'curve', curve }],
    shown: { ...plain, ...shown },
    rail: { item: 'curve', tracks: [] },
    view: { left: -25, right: 195, bottom: -20, top: 95, grid: 10 },
  };
}

/** A small figure for each term, which shows what it means when it is moved. */
export const termFigures: Readonly<Record<TermName, () => FigureDocument>> = {
  controlPoint: () => figureOf(cubic, { knots: false, labels: true }),
  controlPolygon: () => figureOf(cubic, { knots: false }),
  editPoint: () => figureOf(cubic, { controlPoints: false, polygon: false, editPoints: true, labels: true }),
  knotVector: () => figureOf(cubic),
  knot: () => figureOf(cubic),
  multiplicity: () => figureOf({ degree: 3, knots: [0, 0, 0, 0, 0.5, 0.5, 1, 1, 1, 1], points }),
  span: () => figureOf(cubic, { spans: true }),
  degree: () => figureOf({ degree: 5, knots: clampedUniformKnots(6, 5), points }),
  basisFunction: () => figureOf(cubic),
  support: () => figureOf(cubic, { spans: true }),
  convexHull: () => figureOf(cubic, { hulls: true }),
  weight: () => figureOf({ ...cubic, weights: [1, 1, 5, 1, 1, 1] }, { weights: true }),
  rational: () => figureOf({ ...cubic, weights: [1, 0.4, 3, 1, 1, 1] }, { weights: true }),
  continuity: () =>
    figureOf(
      { degree: 3, knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 1, 1, 1, 1], points: [...points, [185, 30]] },
      { comb: true },
    ),
  curvature: () => figureOf(cubic, { comb: true }),
  comb: () => figureOf(cubic, { comb: true }),
  clamped: () => figureOf(cubic),
  periodic: () => figureOf(circleByPeriodic()),
  knotInsertion: () => figureOf(cubic),
  bezier: () => figureOf({ degree: 3, knots: [0, 0, 0, 0, 1, 1, 1, 1], points: points.slice(0, 4) }),
};
