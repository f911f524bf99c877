import { dimensionOf, type Curve } from './curve.js';

/**
 * The polar form (blossom) of one span's polynomial, by de Boor's recursion with an argument of its own
 * at each level (Ramshaw 1987; F 8). It is symmetric and affine in each argument; with all arguments
 * equal it is the curve's point.
 * @param span index of a span of non-zero length
 * @param parameters degree many arguments
 * @returns homogeneous coordinates: the weighted point and, for a curve with weights, then the weight
 */
export function blossom(curve: Curve, span: number, parameters: ArrayLike<number>): number[] {
  const { degree, knots, points, weights } = curve;
  const dimension = dimensionOf(curve);
  const rows: number[][] = [];
  for (let j = 0; j <= degree; j++) {
    const index = span - degree + j;
    const weight = weights ? weights[index]! : 1;
    const row = points[index]!.map((coordinate) => coordinate * weight);
    if (weights) row.push(weight);
    rows.push(row);
  }
  const components = dimension + (weights ? 1 : 0);
  for (let level = 1; level <= degree; level++) {
    const u = parameters[level - 1]!;
    for (let j = degree; j >= level; j--) {
      const low = knots[span - degree + j]!;
      const high = knots[span + j - level + 1]!;
      const alpha = (u - low) / (high - low);
      for (let component = 0; component < components; component++) {
        rows[j]![component] = (1 - alpha) * rows[j - 1]![component]! + alpha * rows[j]![component]!;
      }
    }
  }
  return rows[degree]!;
}
