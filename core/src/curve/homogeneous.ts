import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { CurveError } from './error.js';

/** The control points as rows of weighted coordinates followed by the weight, or unchanged for a curve without weights. */
export function homogeneousRows({ points, weights }: Curve): readonly (readonly number[])[] {
  if (!weights) return points;
  return points.map((point, index) => [
    ...point.map((coordinate) => coordinate * weights[index]!),
    weights[index]!,
  ]);
}

/**
 * A plane curve from one dimension up: the polynomial curve in space with the control points (w x, w y, w), whose
 * central projection from the origin to the plane w = 1 is the curve (P&T 1.4, 4.2).
 * @throws CurveError `unsupported` for a curve in space
 */
export function liftedCurve(curve: Curve): Curve {
  if (dimensionOf(curve) !== 2) throw new CurveError('unsupported', told('liftOfPlaneOnly'));
  const { degree, knots, points, weights } = curve;
  return { degree, knots, points: homogeneousRows({ ...curve, weights: weights ?? points.map(() => 1) }) };
}

/**
 * The points that homogeneous rows stand for. A row of zeros has no weight and no place of its own; it is put halfway
 * between its neighbours.
 * @throws CurveError `weight` for a point at infinity
 */
function pointsOfRows(
  rows: readonly (readonly number[])[],
  dimension: number,
  signedWeights: boolean,
): number[][] {
  const points = rows.map((row, index) => {
    const weight = row[dimension]!;
    if (weight !== 0) return row.slice(0, dimension).map((value) => value / weight);
    if (signedWeights && row.every((value) => value === 0)) return undefined;
    throw new CurveError(
      'weight',
      signedWeights ? told('pointAtInfinity', { index }) : told('weightWouldBe', { index, weight }),
      { index, value: weight },
    );
  });
  return points.map((point, index) => {
    if (point) return point;
    const before = points.slice(0, index).findLast((one) => one !== undefined);
    const after = points.slice(index + 1).find((one) => one !== undefined);
    const [first, second] = [before ?? after ?? [], after ?? before ?? []];
    return first.map((value, axis) => (value + second[axis]!) / 2);
  });
}

/**
 * The curve of given degree and knots whose homogeneous rows these are, rational where `like` is, and with weights of
 * any sign where `like` allows them.
 * @throws CurveError `weight` where a point would lie at infinity
 */
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
    points: pointsOfRows(rows, dimension, like.signedWeights === true),
    weights: rows.map((row) => row[dimension]!),
    ...(like.signedWeights && { signedWeights: true }),
  };
}

/**
 * A curve that came out of a calculation, where its weights are finite and above zero; a weight of zero
 * would be a control point at infinity.
 * @throws CurveError `weight`
 */
export function withPositiveWeights(curve: Curve): Curve {
  curve.weights?.forEach((weight, index) => {
    if (weight > 0 && Number.isFinite(weight)) return;
    throw new CurveError('weight', told('weightWouldBe', { index, weight }), {
      index,
      value: weight,
    });
  });
  return curve;
}
