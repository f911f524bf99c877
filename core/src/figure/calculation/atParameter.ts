import type { Curve } from '../../curve/curve.js';
import { derivativesAt } from '../../curve/evaluate.js';
import { domainOf, findSpan } from '../../curve/knotVector.js';
import {
  texAt,
  texControlPoint,
  texDegree,
  texDegreeFactor,
  texParameter,
} from '../../notation/neutralTex.js';
import { tex, texPoint, texShare, type CalculationLine } from './calculation.js';

/** What can be unfolded at a parameter of a plane curve. */
export type ParameterCalculation = (curve: Curve, u: number) => readonly CalculationLine[];

/** κ = (x′ y″ − y′ x″) / (x′² + y′²)^{3/2} (P&T 6.1). */
const curvature: ParameterCalculation = (curve, u) => {
  const [at, first, second] = derivativesAt(curve, u, 2) as [number[], number[], number[]];
  const speed = Math.hypot(...first);
  const cross = first[0]! * second[1]! - first[1]! * second[0]!;
  const about = { places: [at], legs: [], points: [] };
  return [
    {
      step: 'derivatives',
      values: { u },
      tex: String.raw`\mathbf{C}' = ${texPoint(first)},\quad \mathbf{C}'' = ${texPoint(second)}`,
      ...about,
    },
    {
      step: 'curvature',
      values: { u },
      tex: Number.isFinite(cross / speed ** 3)
        ? String.raw`\kappa = \frac{x'y'' - y'x''}{(x'^2 + y'^2)^{3/2}} = \frac{${tex(cross)}}{${tex(speed)}^3} = ${tex(cross / speed ** 3, 5)}`
        : String.raw`\mathbf{C}' = \mathbf{0}`,
      ...about,
    },
  ];
};

/** The triangle of the basis functions that are not zero at u, degree by degree (P&T 2.5). */
const basisFunctions: ParameterCalculation = (curve, u) => {
  const { degree, knots } = curve;
  const span = findSpan(knots, degree, u);
  const lines: CalculationLine[] = [
    {
      step: 'basisStart',
      values: { span },
      tex: String.raw`N_{${texAt(span)},${texDegree(0)}} = 1 \quad (${tex(knots[span]!)} \le ${tex(u)} < ${tex(knots[span + 1]!)})`,
      places: [],
      legs: [],
      points: [],
    },
  ];
  let before = new Map([[span, 1]]);
  for (let p = 1; p <= degree; p++) {
    const now = new Map<number, number>();
    const terms: string[] = [];
    for (let i = span - p; i <= span; i++) {
      const part = (n: number, share: number): number => (Number.isFinite(share) ? share * n : 0);
      const [a, b] = [before.get(i) ?? 0, before.get(i + 1) ?? 0];
      const low = (u - knots[i]!) / (knots[i + p]! - knots[i]!);
      const high = (knots[i + p + 1]! - u) / (knots[i + p + 1]! - knots[i + 1]!);
      const value = part(a, low) + part(b, high);
      now.set(i, value);
      const first = a === 0 ? '' : String.raw`${texShare(u, knots[i]!, knots[i + p]!)}\cdot ${tex(a)}`;
      const second =
        b === 0
          ? ''
          : String.raw`\frac{${tex(knots[i + p + 1]!)} - ${tex(u)}}{${tex(knots[i + p + 1]!)} - ${tex(knots[i + 1]!)}}\cdot ${tex(b)}`;
      terms.push(
        String.raw`N_{${texAt(i)},${texDegree(p)}} &= ${[first, second].filter(Boolean).join(' + ') || '0'} = ${tex(value)}`,
      );
    }
    lines.push({
      step: 'basisLevel',
      values: { degree: p },
      tex: String.raw`\begin{aligned}${terms.join(String.raw`\\[4pt] `)}\end{aligned}`,
      places: [],
      legs: [],
      points: p === degree ? Array.from({ length: degree + 1 }, (_, j) => span - degree + j) : [],
    });
    before = now;
  }
  return lines;
};

/** The control points of the first derivative that act at u: p (P_{i+1} − P_i) / (u_{i+p+1} − u_{i+1}) (P&T 3.3). */
const derivativePoints: ParameterCalculation = (curve, u) => {
  if (curve.weights) return [];
  const { degree, knots, points } = curve;
  const [start] = domainOf(knots, degree);
  const span = findSpan(knots, degree, Math.max(start, u));
  return Array.from({ length: degree }, (_, k): CalculationLine => {
    const i = span - degree + k;
    const [a, b] = [points[i]!, points[i + 1]!];
    const length = knots[i + degree + 1]! - knots[i + 1]!;
    const made = a.map((value, axis) => (degree * (b[axis]! - value)) / length);
    return {
      step: 'derivativePoint',
      values: { index: i },
      tex: String.raw`\mathbf{${texControlPoint}}^{(1)}_{${texAt(i)}} = \frac{${texDegreeFactor}\,(\mathbf{${texControlPoint}}_{${texAt(i + 1)}} - \mathbf{${texControlPoint}}_{${texAt(i)}})}{${texParameter}_{${texAt(i + degree + 1)}} - ${texParameter}_{${texAt(i + 1)}}} = \frac{${degree}}{${tex(length)}}\left(${texPoint(b)} - ${texPoint(a)}\right) = ${texPoint(made)}`,
      places: [a, b],
      legs: [[a, b]],
      points: [i, i + 1],
    };
  });
};

/** Every calculation at a parameter. A new one is a function here and a text. */
export const parameterCalculations = {
  curvature,
  basisFunctions,
  derivativePoints,
} as const satisfies Readonly<Record<string, ParameterCalculation>>;

export type ParameterCalculationName = keyof typeof parameterCalculations;
export const parameterCalculationNames = Object.keys(
  parameterCalculations,
) as readonly ParameterCalculationName[];
