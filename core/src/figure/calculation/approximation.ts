import type { Curve } from '../../curve/curve.js';
import type { Deviation } from '../../curve/deviation.js';
import { spansOf } from '../../curve/knotVector.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { texAt, texBound, texControlPoint, texDegree, texParameter } from '../../notation/neutralTex.js';
import { mostLines, texPoint, type CalculationLine } from './calculation.js';

/**
 * A curve fitted to another one: how many unknowns there are, the points that were found, and by how much the result
 * misses at most. The points solve one system together, so that none of them has a formula of its own.
 */
export function approximation(made: Curve, deviation: Deviation | undefined): readonly CalculationLine[] {
  const count = distinctPointCount(made);
  const spans = spansOf(made.knots, made.degree).length;
  const found = made.points.slice(0, Math.min(count, mostLines - 2)).map((point, index): CalculationLine => ({
    step: 'fittedPoint',
    values: { index },
    tex: String.raw`\overline{\mathbf{${texControlPoint}}}_{${texAt(index)}} = ${texPoint(point)}`,
    places: [point],
    legs: [],
    points: [],
  }));
  return [
    {
      step: 'leastSquares',
      values: { count, spans },
      tex: String.raw`\sum_k \Bigl|\sum_{i=${texAt(0)}}^{${texAt(count - 1)}} N_{i,${texDegree(made.degree)}}(${texParameter}_k)\,\overline{\mathbf{${texControlPoint}}}_i - \mathbf{C}(${texParameter}_k)\Bigr|^2 \to \min`,
      places: [],
      legs: [],
      points: [],
    },
    ...found,
    {
      step: 'largestMiss',
      tex: deviation
        ? String.raw`\max_{${texParameter}} |\overline{\mathbf{C}} - \mathbf{C}| = ${texBound(deviation.distance, 4)}`
        : String.raw`\overline{\mathbf{C}} = \mathbf{C}`,
      places: deviation ? [deviation.point] : [],
      legs: [],
      points: [],
    },
  ];
}
