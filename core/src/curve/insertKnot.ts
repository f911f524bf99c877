import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { distinctKnots, domainOf, knotRounding, relativeKnotTolerance } from './knotVector.js';
import { distinctPointCount, periodicOfRows, unroll } from './periodic.js';
import { refineRows } from './refine.js';
import { validateParameter } from './validate.js';

/**
 * The same curve with the knot `u` inserted `times` times, by Boehm's algorithm (Boehm 1980; P&T A5.1):
 * every new point lies on a leg of the old polygon. A value closer than 1e-9 of the domain's length to a
 * knot is taken for that knot, exactly.
 * @param u a parameter in the domain
 * @param times how often, 1 or more; the multiplicity may reach the degree, at which the curve passes
 * through a control point
 * @throws CurveError `parameter`, `order` (times), `knot-multiplicity`
 */
export function insertKnot(curve: Curve, u: number, times = 1): Curve {
  validateParameter(curve, u);
  if (!Number.isInteger(times) || times < 1) {
    throw new CurveError('order', told('insertionTimes', { times }), {
      value: times,
    });
  }
  return insert(curve, [{ value: u, times }]);
}

/**
 * The same curve with several knots inserted at once (P&T A5.4, after Boehm & Prautzsch 1985). The work grows with
 * the old and the new knots together. Values closer than 1e-9 of the domain's length to a knot, or to one another, are
 * taken for one.
 * @param values parameters in the domain, in any order, each as often as it is to be inserted
 * @throws CurveError `parameter`, `knot-multiplicity` for the first that does not fit
 */
export function insertKnots(curve: Curve, values: readonly number[]): Curve {
  for (const u of values) validateParameter(curve, u);
  if (values.length === 0) return curve;
  return insert(
    curve,
    values.toSorted((a, b) => a - b).map((value) => ({ value, times: 1 })),
  );
}

/** A knot that is to be inserted. */
interface NewKnot {
  readonly value: number;
  readonly times: number;
  /** Whether it stands there already. */
  readonly present: boolean;
}

function insert(curve: Curve, ascending: readonly Pick<NewKnot, 'value' | 'times'>[]): Curve {
  const { degree, knots } = curve;
  const settled = settleInserted(curve, ascending);
  if (curve.periodic) return insertPeriodic(curve, settled);
  const values = settled.flatMap(({ value, times }) => Array<number>(times).fill(value));
  const refined = refineRows({ knots, rows: homogeneousRows(curve) }, degree, values);
  return curveOfRows(curve, degree, refined.knots, refined.rows);
}

/**
 * New knots as they will stand: at the value of the knot that each can't be told apart from.
 * @throws CurveError `knot-multiplicity`
 */
function settleInserted(
  { degree, knots }: Curve,
  ascending: readonly Pick<NewKnot, 'value' | 'times'>[],
): NewKnot[] {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  const list = distinctKnots(knots, degree);
  const settled: NewKnot[] = [];
  let at = 0;
  for (const { value: u, times } of ascending) {
    while (at < list.length - 1 && list[at]!.value <= u - tolerance) at++;
    const known = [list[at]!, list[at - 1]].find((knot) => knot && Math.abs(knot.value - u) < tolerance);
    const last = settled.at(-1);
    const isLast = last !== undefined && (known ? last.value === known.value : u - last.value < tolerance);
    const value = known?.value ?? (isLast ? last.value : u);
    const added = times + (isLast ? last.times : 0);
    const multiplicity = (known?.multiplicity ?? 0) + added;
    if (multiplicity > degree) {
      throw new CurveError('knot-multiplicity', told('knotTooOften', { knot: u, multiplicity, degree }), {
        value: u,
      });
    }
    if (isLast) settled.pop();
    settled.push({ value, times: added, present: known !== undefined });
  }
  return settled;
}

/**
 * A periodic curve is unrolled over several periods, the knots are inserted in each of them, and one period
 * is taken out again, so that the points near the seam come from the same steps as all others.
 */
function insertPeriodic(curve: Curve, inserted: readonly NewKnot[]): Curve {
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const count = distinctPointCount(curve);
  const near = relativeKnotTolerance * (end - start);
  const { unrolled, turns } = unroll(curve);
  const rounding = knotRounding(unrolled.knots);
  /** The images of a knot that is there are the unrolled vector's own values, to the last digit. */
  const known = (image: number): number => {
    let [low, high] = [0, unrolled.knots.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (unrolled.knots[middle]! < image - rounding) low = middle + 1;
      else high = middle;
    }
    return Math.abs(unrolled.knots[low]! - image) <= rounding ? unrolled.knots[low]! : image;
  };
  const isAtSeam = ({ value, present }: NewKnot): boolean =>
    present && (Math.abs(value - start) < near || Math.abs(value - end) < near);
  const values: number[] = [];
  for (let turn = 1 - turns; turn < turns; turn++) {
    for (const knot of inserted) {
      const image = (isAtSeam(knot) ? start : knot.value) + turn * (end - start);
      values.push(...Array<number>(knot.times).fill(knot.present ? known(image) : image));
    }
  }
  const refined = refineRows(
    unrolled,
    degree,
    values.sort((a, b) => a - b),
  );
  const total = inserted.reduce((sum, { times }) => sum + times, 0);
  const atSeam = inserted.filter(isAtSeam).reduce((sum, { times }) => sum + times, 0);
  const base = turns * count + (turns - 1) * total + atSeam;
  const grown = count + total;
  return periodicOfRows(
    curve,
    refined.knots.slice(base, base + grown + 2 * degree + 1),
    refined.rows.slice(base, base + grown),
  );
}
