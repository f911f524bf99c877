import { clampedUniformKnots, type Curve } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstFigure } from '../../src/sheet/firstFigure.js';

/** The curve that a new sheet begins with: a cubic on six points. */
export const cubic: Curve = (firstFigure().items[0] as Extract<FigureItem, { kind: 'curve' }>).curve;
export const curve: FigureItem = { id: 'a', name: 'A', kind: 'curve', curve: cubic };

/** The same curve the other way round, built from it. */
export const reversedOf = (source: string): FigureItem => ({
  id: 'r',
  name: 'R',
  kind: 'built',
  operation: { name: 'reverse', source },
});
export const reversed = reversedOf('a');

export const figure = (...items: FigureItem[]): FigureDocument => ({ ...emptyFigure(), items });

/** A wave of that many points, at a height. */
export const wave = (count: number, height: number, degree = 3): Curve => ({
  degree,
  knots: clampedUniformKnots(count, degree),
  points: Array.from({ length: count }, (_, k) => [k * 5, height + 8 * Math.sin(k)]),
});
