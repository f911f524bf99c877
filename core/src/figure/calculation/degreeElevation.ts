import { decompose } from '../../curve/decompose.js';
import type { Curve } from '../../curve/curve.js';
import { homogeneousRows } from '../../curve/homogeneous.js';
import { texAt, texControlPoint } from '../../notation/neutralTex.js';
import { mostLines, texPoint, type CalculationLine } from './calculation.js';

/** The elevation of each Bézier piece by one degree: Q_k = k/(p+1) P_{k−1} + (1 − k/(p+1)) P_k (P&T 5.36). */
export function degreeElevation(curve: Curve): readonly CalculationLine[] {
  return decompose(curve)
    .flatMap((piece, index): CalculationLine[] => {
      const { degree, points, weights } = piece;
      const rows = homogeneousRows(piece);
      return Array.from({ length: degree + 2 }, (_, k): CalculationLine => {
        const share = k / (degree + 1);
        const a = rows[Math.max(0, k - 1)]!;
        const b = rows[Math.min(degree, k)]!;
        const mixed = a.map((value, axis) => share * value + (1 - share) * b[axis]!);
        const weight = weights ? mixed.at(-1)! : 1;
        const made = (weights ? mixed.slice(0, -1) : mixed).map((value) => value / weight);
        const parents = [points[Math.max(0, k - 1)]!, points[Math.min(degree, k)]!] as const;
        const inner = k > 0 && k <= degree;
        return {
          step: 'raisedPoint',
          values: { piece: index, index: k },
          tex: inner
            ? String.raw`\overline{\mathbf{${texControlPoint}}}_{${texAt(k)}} = \tfrac{${k}}{${degree + 1}}\,${texPoint(parents[0])} + \tfrac{${degree + 1 - k}}{${degree + 1}}\,${texPoint(parents[1])}${weights ? String.raw`\text{, weighted}` : ''} = ${texPoint(made)}`
            : String.raw`\overline{\mathbf{${texControlPoint}}}_{${texAt(k)}} = \mathbf{${texControlPoint}}_{${texAt(k === 0 ? 0 : degree)}} = ${texPoint(made)}`,
          places: inner ? [made, ...parents] : [made],
          legs: inner ? [parents] : [],
          points: [],
        };
      });
    })
    .slice(0, mostLines);
}
