import { dimensionOf, type Curve } from './curve.js';

/** The control points as rows of weighted coordinates with the weight behind them, or as they are without weights. */
export function homogeneousRows({ points, weights }: Curve): readonly (readonly number[])[] {
  if (!weights) return points;
  return points.map((point, index) => [
    ...point.map((coordinate) => coordinate * weights[index]!),
    weights[index]!,
  ]);
}

/** The curve of given degree and knots whose homogeneous rows these are, rational where `like` is. */
export function curveOfRows(
  like: Curve,
  degree: number,
  knots: readonly number[],
  rows: readonly (readonly number[])[],
): Curve {
  if (!like.weights) return { degree, knots, points: rows };
  const dimension = dimensionOf(like);
  return {
    degree,
    knots,
    points: rows.map((row) => row.slice(0, dimension).map((value) => value / row[dimension]!)),
    weights: rows.map((row) => row[dimension]!),
  };
}
