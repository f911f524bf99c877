import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { pointAt } from './evaluate.js';
import { pointsAt } from './evaluateMany.js';
import { domainOf, spansOf } from './knotVector.js';
import { periodicCurve } from './periodic.js';
import { stationaryDistances } from './nearest.js';
import { solveDenseLeastSquares } from './leastSquares.js';
import { distance } from './vector.js';

/** How far a curve is from a circle. */
export interface CircleError {
  readonly centre: Point;
  readonly radius: number;
  /** The radius error, distance from the centre minus radius, where its size is largest; in the drawing's unit, signed. */
  readonly largest: number;
  /** Where that is. */
  readonly parameter: number;
  readonly point: Point;
}

/**
 * The radius error of a curve against a circle: distance from the centre minus radius, largest where the
 * distance stands still, which is found exactly on every span (P&T 6.1).
 * @param centre as many coordinates as the curve's points
 * @throws CurveError `point`, `argument`
 */
export function circleError(curve: Curve, centre: Point, radius: number): CircleError {
  refuseSignedWeights(curve);
  validateCircle(curve, centre, radius);
  let best: CircleError | undefined;
  // Where the error is rounding alone it has no stationary points; samples in between catch it too.
  const between = spansOf(curve.knots, curve.degree).flatMap(({ start, end }) =>
    [0.2, 0.4, 0.6, 0.8].map((t) => start + t * (end - start)),
  );
  for (const parameter of [...stationaryDistances(curve, centre), ...between]) {
    const point = pointAt(curve, parameter);
    const error = distance(point, centre) - radius;
    if (!best || Math.abs(error) > Math.abs(best.largest)) {
      best = { centre, radius, largest: error, parameter, point };
    }
  }
  return best!;
}

/**
 * The radius error at many parameters, for a plot.
 * @returns distance from the centre minus radius for each parameter
 * @throws CurveError `point`, `argument`, `parameter`
 */
export function circleErrorsAt(
  curve: Curve,
  centre: Point,
  radius: number,
  parameters: ArrayLike<number>,
): Float64Array {
  refuseSignedWeights(curve);
  validateCircle(curve, centre, radius);
  const dimension = dimensionOf(curve);
  const points = pointsAt(curve, parameters);
  return Float64Array.from({ length: parameters.length }, (_, k) => {
    let sum = 0;
    for (let axis = 0; axis < dimension; axis++) sum += (points[k * dimension + axis]! - centre[axis]!) ** 2;
    return Math.sqrt(sum) - radius;
  });
}

/**
 * The circle that a plane curve is nearest to, by least squares of x² + y² (Kåsa 1976) over points spread
 * on the whole curve; exact for a circle.
 * @throws CurveError `singular` where the curve is straight, `unsupported` in space
 */
export function bestCircle(curve: Curve): { centre: Point; radius: number } {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('circleOfPlaneOnly'));
  }
  const [start, end] = domainOf(curve.knots, curve.degree);
  const count = 64 * Math.max(1, curve.points.length);
  const parameters = Array.from({ length: count }, (_, k) =>
    k === count - 1 ? end : start + ((end - start) * k) / (count - 1),
  );
  const points = pointsAt(curve, parameters);
  // About the middle of the points and in their size, so that squares lose no digits.
  let [mx, my, size] = [0, 0, 0];
  for (let k = 0; k < count; k++) [mx, my] = [mx + points[2 * k]! / count, my + points[2 * k + 1]! / count];
  for (let k = 0; k < count; k++) {
    size = Math.max(size, Math.hypot(points[2 * k]! - mx, points[2 * k + 1]! - my));
  }
  if (!(size > 0)) throw new CurveError('singular', told('curveOnOnePlace'));
  const rows: number[][] = [];
  const values: number[][] = [];
  for (let k = 0; k < count; k++) {
    const [x, y] = [(points[2 * k]! - mx) / size, (points[2 * k + 1]! - my) / size];
    rows.push([2 * x, 2 * y, 1]);
    values.push([x * x + y * y]);
  }
  const [[a], [b], [c]] = solveDenseLeastSquares(rows, values) as [number[], number[], number[]];
  return {
    centre: [mx + size * a!, my + size * b!],
    radius: size * Math.sqrt(Math.max(0, c! + a! * a! + b! * b!)),
  };
}

/** A curve without weights that looks round, and how round it is. */
export interface CircleApproximation {
  readonly curve: Curve;
  readonly error: CircleError;
}

/**
 * A closed curve without weights that comes close to a circle: periodic with uniform knots, its control
 * points on a regular polygon, scaled so that the radius error is equal outwards and inwards.
 * @param degree 1 to 9
 * @param count number of control points, 3 or more
 * @throws CurveError `argument`, `degree`
 */
export function approximateCircle(
  centre: Point,
  radius: number,
  degree: number,
  count: number,
): CircleApproximation {
  if (!Number.isInteger(count) || count < 3) {
    throw new CurveError('argument', told('pointsOnCircle', { count }), {
      value: count,
    });
  }
  if (centre.length !== 2 || !centre.every(Number.isFinite) || !(radius > 0 && Number.isFinite(radius))) {
    throw new CurveError('argument', told('circleCentreAndRadius', { radius }), {
      value: radius,
    });
  }
  const ring = (size: number, [x, y]: Point): Curve =>
    periodicCurve(
      degree,
      Array.from({ length: count }, (_, k) => [
        x! + size * Math.cos((2 * Math.PI * k) / count),
        y! + size * Math.sin((2 * Math.PI * k) / count),
      ]),
    );
  const one = ring(1, [0, 0]);
  const distances = stationaryDistances(one, [0, 0]).map((u) => Math.hypot(...pointAt(one, u)));
  const size = (2 * radius) / (Math.min(...distances) + Math.max(...distances));
  const curve = ring(size, centre);
  return { curve, error: circleError(curve, centre, radius) };
}

/**
 * A closed chain of cubic pieces without weights that approximates a circle: each piece of angle α touches
 * the circle at both ends and passes it in the middle, with handles of 4/3 · tan(α/4) of the radius; its
 * error is outwards only (F 13).
 * @param pieces 2 or more
 * @throws CurveError `argument`
 */
export function approximateCircleByCubics(
  centre: Point,
  radius: number,
  pieces: number,
): CircleApproximation {
  if (!Number.isInteger(pieces) || pieces < 2) {
    throw new CurveError('argument', told('roundChainPieces', { count: pieces }), {
      value: pieces,
    });
  }
  const angle = (2 * Math.PI) / pieces;
  const chain = (handle: number, size: number): Curve => {
    const points: Point[] = [];
    for (let k = 0; k < pieces; k++) {
      const [c0, s0] = [Math.cos(k * angle), Math.sin(k * angle)];
      const [c1, s1] = [Math.cos((k + 1) * angle), Math.sin((k + 1) * angle)];
      points.push(
        [centre[0]! + size * c0, centre[1]! + size * s0],
        [centre[0]! + size * (c0 - handle * s0), centre[1]! + size * (s0 + handle * c0)],
        [centre[0]! + size * (c1 + handle * s1), centre[1]! + size * (s1 - handle * c1)],
      );
    }
    points.push(points[0]!);
    const inner = Array.from({ length: pieces - 1 }, (_, k) =>
      Array<number>(3).fill((k + 1) / pieces),
    ).flat();
    return { degree: 3, knots: [0, 0, 0, 0, ...inner, 1, 1, 1, 1], points };
  };
  const curve = chain((4 / 3) * Math.tan(angle / 4), radius);
  return { curve, error: circleError(curve, centre, radius) };
}

function validateCircle(curve: Curve, centre: Point, radius: number): void {
  if (centre.length !== dimensionOf(curve) || !centre.every(Number.isFinite)) {
    throw new CurveError('point', told('centreCoordinates', { dimension: dimensionOf(curve) }), {
      value: centre,
    });
  }
  if (!(radius > 0 && Number.isFinite(radius))) {
    throw new CurveError('argument', told('radius', { radius }), {
      value: radius,
    });
  }
}
