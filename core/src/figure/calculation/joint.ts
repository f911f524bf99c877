import { measureJoint } from '../../curve/continuity.js';
import type { Curve } from '../../curve/curve.js';
import { derivativesAt } from '../../curve/evaluate.js';
import { domainOf } from '../../curve/knotVector.js';
import { tex, texPoint, type CalculationLine } from './calculation.js';

/** What two curves have in common where the first ends and the second begins: derivatives on both sides, and the jump. */
export function jointCalculation(first: Curve, second: Curve): readonly CalculationLine[] {
  const [, end] = domainOf(first.knots, first.degree);
  const [start] = domainOf(second.knots, second.degree);
  const left = derivativesAt(first, end, 2, 'left');
  const right = derivativesAt(second, start, 2, 'right');
  const { parametric, geometric, direction, curvature } = measureJoint(first, second);
  const about = { places: [right[0]!], legs: [], points: [] };
  const side = ([, one, two]: readonly (readonly number[])[]): string =>
    String.raw`\mathbf{C}' = ${texPoint(one!)},\; \mathbf{C}'' = ${texPoint(two!)}`;
  return [
    { step: 'endOfFirst', tex: side(left), ...about },
    { step: 'startOfSecond', tex: side(right), ...about },
    {
      step: 'jump',
      values: { c: parametric, g: geometric },
      tex: String.raw`\angle = ${tex((direction * 180) / Math.PI, 6)}^\circ,\quad |\Delta\boldsymbol\kappa| = ${tex(curvature, 6)}`,
      ...about,
    },
  ];
}
