import type { Curve, Point, Side } from './curve.js';
import { dimensionOf } from './curve.js';
import { told } from '../told/told.js';
import { decompose } from './decompose.js';
import { CurveError } from './error.js';
import { findSpan, spansOf } from './knotVector.js';
import { homogeneousRows } from './homogeneous.js';
import { distinctPointCount } from './periodic.js';

/** One point of a construction, between two of the level before. */
interface ConstructionPoint {
  readonly point: Point;
  /** Its weight; 1 for a polynomial curve. */
  readonly weight: number;
  /**
   * The arguments of its blossom value, ascending: knots, and as many times the parameter as its level
   * (Ramshaw 1987; F 8).
   */
  readonly label: readonly number[];
  /** The share of the second of its two parents, (1 − share) of the first; absent on level 0. */
  readonly share?: number;
  /** The parameters between which the share is taken: (u − low) / (high − low); absent on level 0. */
  readonly between?: readonly [number, number];
}

/** The triangle by which a point of a curve is constructed: p + 1 levels, each one point shorter. */
export interface Construction {
  readonly parameter: number;
  /** Level 0 holds control points, the last level the curve's point. */
  readonly levels: readonly (readonly ConstructionPoint[])[];
  /** Index of the curve's control point where level 0 begins; for a Bézier piece 0. */
  readonly first: number;
  /** Where the span begins and ends. */
  readonly span: readonly [number, number];
}

/**
 * De Boor's algorithm at a parameter, with every intermediate point (P&T 5.2; dB X; F 8): point j of
 * level r lies between two of level r − 1 with the share (u − u_{i}) / (u_{i+p+1−r} − u_{i}).
 * @throws CurveError `parameter`, `pole` where a point of the construction lies at infinity
 */
export function deBoorConstruction(curve: Curve, u: number, side: Side = 'right'): Construction {
  const { degree, knots } = curve;
  const span = findSpan(knots, degree, u, side);
  const rows = homogeneousRows(curve);
  const first = span - degree;
  return triangle(
    curve,
    u,
    Array.from({ length: degree + 1 }, (_, j) => rows[first + j]!),
    (level, j) => [knots[first + level + j]!, knots[span + 1 + j]!],
    (level, j) => [...knots.slice(first + level + j + 1, span + 1 + j), ...Array<number>(level).fill(u)],
    first,
    [knots[span]!, knots[span + 1]!],
  );
}

/**
 * De Casteljau's algorithm at a parameter on the Bézier piece that holds it, with every intermediate
 * point (P&T 1.3; F 4).
 * @throws CurveError as `deBoorConstruction`
 * @throws CurveError `parameter`, `pole` where a point of the construction lies at infinity
 */
export function deCasteljauConstruction(curve: Curve, u: number, side: Side = 'right'): Construction {
  const { degree, knots } = curve;
  const span = findSpan(knots, degree, u, side);
  const spans = spansOf(knots, degree);
  const number = spans.findIndex(({ index }) => index === span);
  const piece = decompose(curve)[number]!;
  const { start, end } = spans[number]!;
  return triangle(
    piece,
    u,
    homogeneousRows(piece),
    () => [start, end],
    (level, j) => [
      ...Array<number>(degree - level - j).fill(start),
      ...Array<number>(j).fill(end),
      ...Array<number>(level).fill(u),
    ],
    0,
    [start, end],
  );
}

function triangle(
  curve: Curve,
  parameter: number,
  controlRows: readonly (readonly number[])[],
  betweenOf: (level: number, j: number) => readonly [number, number],
  labelOf: (level: number, j: number) => number[],
  first: number,
  span: readonly [number, number],
): Construction {
  const dimension = dimensionOf(curve);
  const rational = curve.weights !== undefined;
  const project = (
    row: readonly number[],
    level: number,
    j: number,
    step?: Pick<Required<ConstructionPoint>, 'share' | 'between'>,
  ): ConstructionPoint => {
    const weight = rational ? row[dimension]! : 1;
    if (weight === 0 && level > 0) {
      throw new CurveError('pole', told('constructionAtInfinity', { level, index: j, parameter }), {
        value: parameter,
      });
    }
    return {
      // A control point without a weight has its place all the same.
      point:
        weight === 0
          ? curve.points[first + j]!.slice()
          : rational
            ? row.slice(0, dimension).map((value) => value / weight)
            : row.slice(0, dimension),
      weight,
      label: labelOf(level, j).sort((a, b) => a - b),
      ...step,
    };
  };
  let rows = controlRows;
  const levels = [rows.map((row, j) => project(row, 0, j))];
  for (let level = 1; rows.length > 1; level++) {
    const steps = Array.from({ length: rows.length - 1 }, (_, j) => {
      const between = betweenOf(level, j);
      return { share: (parameter - between[0]) / (between[1] - between[0]), between };
    });
    const before = rows;
    rows = steps.map(({ share }, j) =>
      before[j]!.map((value, axis) => (1 - share) * value + share * before[j + 1]![axis]!),
    );
    levels.push(rows.map((row, j) => project(row, level, j, steps[j])));
  }
  return { parameter, levels, first, span };
}

/**
 * The blossom arguments that label each control point: the p knots after its own (Ramshaw 1987; F 8).
 * @returns p knots for each different control point
 */
export function blossomLabels(curve: Curve): number[][] {
  const { degree, knots } = curve;
  return Array.from({ length: distinctPointCount(curve) }, (_, index) =>
    knots.slice(index + 1, index + degree + 1),
  );
}
