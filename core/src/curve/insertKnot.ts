import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { distinctPointCount, periodicOfRows, unrolledKnot, wrapIndex } from './periodic.js';
import { distinctKnots, domainOf, findSpan, relativeKnotTolerance } from './knotVector.js';
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
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  const present = distinctKnots(knots, degree).find(({ value }) => Math.abs(value - u) < tolerance);
  const multiplicity = present?.multiplicity ?? 0;
  if (multiplicity + times > degree) {
    throw new CurveError(
      'knot-multiplicity',
      told('knotTooOften', { knot: u, multiplicity: multiplicity + times, degree }),
      { value: u },
    );
  }
  const value = present?.value ?? u;
  if (curve.periodic) return insertPeriodic(curve, value, times, present !== undefined);
  let result: Refined = { knots, rows: homogeneousRows(curve) };
  for (let time = 0; time < times; time++) result = insertOnce(result, degree, value);
  return curveOfRows(curve, degree, result.knots, result.rows);
}

/**
 * The same curve with several knots inserted, one after the other.
 * @throws CurveError as `insertKnot` does, for the first that does not fit
 */
export function insertKnots(curve: Curve, values: readonly number[]): Curve {
  return values.reduce((refined, u) => insertKnot(refined, u), curve);
}

/**
 * A periodic curve is unrolled over several periods, the knot is inserted in each of them, and one period
 * is taken out again, so that the points near the seam come from the same steps as all others.
 * @param present whether `u` is a knot that is there already
 */
function insertPeriodic(curve: Curve, u: number, times: number, present: boolean): Curve {
  const { degree, knots } = curve;
  const [start, end] = domainOf(knots, degree);
  const count = distinctPointCount(curve);
  const near = relativeKnotTolerance * (end - start);
  const atSeam = present && (Math.abs(u - start) < near || Math.abs(u - end) < near);
  const turns = Math.ceil((degree + 1) / count) + 1;
  const rows = homogeneousRows(curve);
  const first = -turns * count;
  const total = (2 * turns + 1) * count + degree;
  let result: Refined = {
    knots: Array.from({ length: total + degree + 1 }, (_, k) => unrolledKnot(curve, first + k)),
    rows: Array.from({ length: total }, (_, k) => rows[wrapIndex(first + k, count)]!),
  };
  let before = 0;
  for (let turn = 1 - turns; turn < turns; turn++) {
    const image = (atSeam ? start : u) + turn * (end - start);
    // The images of a knot that is there are the unrolled vector's own values, to the last digit.
    const known = present
      ? result.knots.find((knot) => Math.abs(knot - image) < 2 * relativeKnotTolerance * (end - start))
      : undefined;
    for (let time = 0; time < times; time++) result = insertOnce(result, degree, known ?? image);
    if (turn < 0 || (turn === 0 && atSeam)) before += times;
  }
  const base = turns * count + before;
  const grown = count + times;
  return periodicOfRows(
    curve,
    result.knots.slice(base, base + grown + 2 * degree + 1),
    result.rows.slice(base, base + grown),
  );
}

interface Refined {
  readonly knots: readonly number[];
  readonly rows: readonly (readonly number[])[];
}

function insertOnce({ knots, rows }: Refined, degree: number, u: number): Refined {
  const span = findSpan(knots, degree, u);
  let last = span;
  // Points after the last knot that equals u stay as they are.
  while (knots[last]! >= u && last > span - degree) last--;
  const next: (readonly number[])[] = rows.slice(0, span - degree + 1);
  for (let index = span - degree + 1; index <= last; index++) {
    const low = knots[index]!;
    const alpha = (u - low) / (knots[index + degree]! - low);
    const [before, after] = [rows[index - 1]!, rows[index]!];
    next.push(after.map((value, axis) => alpha * value + (1 - alpha) * before[axis]!));
  }
  next.push(...rows.slice(last));
  let place = knots.length;
  while (knots[place - 1]! > u) place--;
  return { knots: [...knots.slice(0, place), u, ...knots.slice(place)], rows: next };
}
