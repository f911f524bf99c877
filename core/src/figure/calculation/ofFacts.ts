import { hasSignedWeights, piecesBetweenPoles } from '../../curve/betweenPoles.js';
import { classifyConic } from '../../curve/classifyConic.js';
import { standardWeight, quadraticPiece } from '../../curve/conic.js';
import { measureContinuity } from '../../curve/continuity.js';
import { decompose } from '../../curve/decompose.js';
import type { Curve } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { derivativesAt, pointAt } from '../../curve/evaluate.js';
import { gaussRule, lengthOfCurve, speedsAt } from '../../curve/length.js';
import { domainOf, spansOf } from '../../curve/knotVector.js';
import { spanPolynomials } from '../../curve/spanPolynomials.js';
import { texAt, texBound, texParameter } from '../../notation/neutralTex.js';
import { mostLines, tex, texPoint, type CalculationLine } from './calculation.js';

/** The length as Σ w |C′| over the spans by the 16-point rule, and how far that is from the halved rule's result. */
export function lengthCalculation(curve: Curve): readonly CalculationLine[] {
  const polynomials = spanPolynomials(curve, 1);
  const by = (start: number, end: number): number => {
    const { places, weights } = gaussRule(start, end);
    return speedsAt(polynomials, places).reduce((sum, speed, k) => sum + weights[k]! * speed, 0);
  };
  const parts = spansOf(curve.knots, curve.degree).map(({ start, end }) => ({
    start,
    end,
    length: by(start, end),
  }));
  const total = parts.reduce((sum, { length }) => sum + length, 0);
  const exact = lengthOfCurve(curve);
  const lines = parts.slice(0, mostLines).map(({ start, end, length }): CalculationLine => ({
    step: 'span',
    values: { from: start, to: end },
    tex: String.raw`\int_{${tex(start)}}^{${tex(end)}} |\mathbf{C}'(${texParameter})|\,d${texParameter} \approx \sum_{k=1}^{16} w_k\,|\mathbf{C}'(${texParameter}_k)| = ${tex(length, 6)}`,
    places: [pointAt(curve, start), pointAt(curve, end, 'left')],
    legs: [],
    points: [],
  }));
  return [
    ...lines,
    { step: 'sum', tex: String.raw`L \approx ${tex(total, 6)}`, places: [], legs: [], points: [] },
    {
      step: 'errorBound',
      tex: String.raw`L = ${tex(exact, 6)}, \qquad |\Delta L| \le ${texBound(Math.abs(total - exact) + 1e-12 * exact, 4)}`,
      places: [],
      legs: [],
      points: [],
    },
  ];
}

/** The one-sided derivatives at every knot, whose differences are the jumps. */
export function continuityCalculation(curve: Curve): readonly CalculationLine[] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  return measureContinuity(curve)
    .flatMap(({ knot, parametric, geometric, direction, curvature }): CalculationLine[] => {
      const isSeam = knot === start;
      const left = derivativesAt(curve, isSeam ? end : knot, 2, 'left');
      const right = derivativesAt(curve, knot, 2, 'right');
      const about = { places: [right[0]!], legs: [], points: [] };
      const side = (sign: string, [, first, second]: readonly (readonly number[])[]): string =>
        String.raw`\mathbf{C}'(${tex(knot)}^${sign}) = ${texPoint(first!)},\; \mathbf{C}''(${tex(knot)}^${sign}) = ${texPoint(second!)}`;
      return [
        { step: 'leftOfKnot', values: { u: knot }, tex: side('-', left), ...about },
        { step: 'rightOfKnot', values: { u: knot }, tex: side('+', right), ...about },
        {
          step: 'jump',
          values: { c: parametric, g: geometric },
          tex: String.raw`\angle = ${tex((direction * 180) / Math.PI, 6)}^\circ,\quad |\Delta\boldsymbol\kappa| = ${tex(curvature, 6)}`,
          ...about,
        },
      ];
    })
    .slice(0, mostLines);
}

const terms = ['x^2', 'xy', 'y^2', 'x', 'y', ''] as const;

/** A x² + B xy + C y² + D x + E y + F = 0 with its numbers. */
export function conicEquation(equation: readonly number[]): string {
  const size = Math.max(...equation.map(Math.abs));
  const parts = equation.flatMap((value, k) => {
    if (Math.abs(value) <= 1e-12 * size) return [];
    const amount = Math.abs(value);
    const shown = tex(amount, 5);
    const term = terms[k]!;
    return [
      {
        sign: value < 0 ? '-' : '+',
        text: Math.abs(amount - 1) < 5e-6 && term !== '' ? term : `${shown}\\,${term}`,
      },
    ];
  });
  const text = parts
    .map(({ sign, text: part }, k) => (k === 0 && sign === '+' ? part : `${sign} ${part}`))
    .join(' ');
  return `${text} = 0`;
}

/** Which conic each quadratic piece lies on: k = w₁ / √(w₀ w₂) against 1, and its equation (P&T 7.2). */
export function conicCalculation(curve: Curve): readonly CalculationLine[] {
  if (curve.degree !== 2) return [];
  const pieces = hasSignedWeights(curve) ? piecesBetweenPoles(curve) : decompose(curve);
  return pieces
    .flatMap((piece, index): CalculationLine[] => {
      try {
        const { points, weights } = quadraticPiece(piece);
        const k = standardWeight(weights);
        const { kind, equation } = classifyConic(piece);
        const about = { places: points, legs: [], points: [] };
        return [
          {
            step: 'conicWeight',
            values: { piece: index },
            tex: String.raw`k = \frac{w_{${texAt(1)}}}{\sqrt{w_{${texAt(0)}}\,w_{${texAt(2)}}}} = \frac{${tex(weights[1])}}{\sqrt{${tex(weights[0])}\cdot ${tex(weights[2])}}} = ${tex(k, 6)}`,
            ...about,
          },
          {
            step: 'conicKind',
            values: { kind },
            tex: String.raw`B^2 - 4AC = ${tex(equation[1] ** 2 - 4 * equation[0] * equation[2], 6)}`,
            ...about,
          },
          { step: 'conicEquation', values: { piece: index }, tex: conicEquation(equation), ...about },
        ];
      } catch (error) {
        if (error instanceof CurveError) return [];
        throw error;
      }
    })
    .slice(0, mostLines);
}
