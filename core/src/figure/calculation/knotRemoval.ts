import { dimensionOf, type Curve, type Point } from '../../curve/curve.js';
import { homogeneousRows } from '../../curve/homogeneous.js';
import { relativeKnotTolerance, domainOf } from '../../curve/knotVector.js';
import { texAt, texControlPoint } from '../../notation/neutralTex.js';
import { tex, texPoint, type CalculationLine } from './calculation.js';

/**
 * Removal of a knot, once: the insertion's equations solved from the left and from the right, and by how much both chains
 * miss each other; the curve can lose the knot without change where they meet (P&T A5.8).
 */
export function knotRemoval(curve: Curve, u: number): readonly CalculationLine[] {
  if (curve.periodic) return [];
  const { degree, knots, points } = curve;
  const [start, end] = domainOf(knots, degree);
  const near = relativeKnotTolerance * (end - start);
  const last = knots.findLastIndex((knot) => Math.abs(knot - u) <= near);
  if (last < 0) return [];
  const multiplicity = knots.filter((knot) => Math.abs(knot - u) <= near).length;
  const rows = homogeneousRows(curve);
  const dimension = dimensionOf(curve);
  const place = (row: readonly number[]): Point =>
    row.length > dimension ? row.slice(0, dimension).map((value) => value / row[dimension]!) : row;
  const from = last - degree;
  const to = last - multiplicity;
  if (from < 1 || to + 1 >= rows.length) return [];
  let left = rows[from - 1]!;
  let right = rows[to + 1]!;
  const lines: CalculationLine[] = [];
  let [i, j] = [from, to];
  while (j - i > 0) {
    const alpha = (u - knots[i]!) / (knots[i + degree + 1]! - knots[i]!);
    const before = left;
    left = rows[i]!.map((value, axis) => (value - (1 - alpha) * before[axis]!) / alpha);
    lines.push({
      step: 'removedForwards',
      values: { index: i },
      tex: String.raw`\mathbf{R}_{${texAt(i)}} = \frac{\mathbf{${texControlPoint}}_{${texAt(i)}} - (1-${tex(alpha)})\,\mathbf{R}_{${texAt(i - 1)}}}{${tex(alpha)}} = \frac{${texPoint(points[i]!)} - ${tex(1 - alpha)}\,${texPoint(place(before))}}{${tex(alpha)}} = ${texPoint(place(left))}`,
      places: [place(left), points[i]!, place(before)],
      legs: [[place(before), place(left)]],
      points: [i],
    });
    const beta = (u - knots[j]!) / (knots[j + degree + 1]! - knots[j]!);
    const after = right;
    right = rows[j]!.map((value, axis) => (value - beta * after[axis]!) / (1 - beta));
    lines.push({
      step: 'removedBackwards',
      values: { index: j },
      tex: String.raw`\mathbf{S}_{${texAt(j)}} = \frac{\mathbf{${texControlPoint}}_{${texAt(j)}} - ${tex(beta)}\,\mathbf{S}_{${texAt(j + 1)}}}{1-${tex(beta)}} = \frac{${texPoint(points[j]!)} - ${tex(beta)}\,${texPoint(place(after))}}{${tex(1 - beta)}} = ${texPoint(place(right))}`,
      places: [place(right), points[j]!, place(after)],
      legs: [[place(after), place(right)]],
      points: [j],
    });
    i++;
    j--;
  }
  // Either both chains end at neighbours that must be one, or the point between them must lie where they say.
  const [a, b] =
    j < i
      ? [place(left), place(right)]
      : (() => {
          const alpha = (u - knots[i]!) / (knots[i + degree + 1]! - knots[i]!);
          const expected = left.map((value, axis) => (1 - alpha) * value + alpha * right[axis]!);
          return [place(expected), points[i]!];
        })();
  const miss = Math.hypot(...a.map((value, axis) => value - b[axis]!));
  lines.push({
    step: 'removedMiss',
    values: { distance: miss },
    tex: String.raw`\left|\,${texPoint(a)} - ${texPoint(b)}\,\right| = ${tex(miss, 6)}`,
    places: [a, b],
    legs: [[a, b]],
    points: [],
  });
  return lines;
}
