import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { betweenGaps } from './gaps.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { domainOf, validateDegree } from './knotVector.js';
import { knotsOfOnePeriod, periodicKnotVector, periodicOfRows, unroll } from './periodic.js';
import { clampedRows, refineRows, runsOf, type Refined } from './refine.js';
import { clampEnds } from './split.js';

/**
 * The same curve at a higher degree; every knot stands as many times more, so that its continuity stays
 * (P&T 5.5). One degree is the mean of p + 1 splines of the old degree, in each of which other knots are inserted
 * (Prautzsch 1984): only shares between 0 and 1 are taken, so that rounding does not grow with the degree, the
 * weights or the spacing of knots.
 * @param times by how many degrees, 1 or more; the result's degree is at most 9
 * @returns a curve with clamped ends, or a periodic one of a periodic one
 * @throws CurveError `degree`, `order` (times)
 */
export function elevateDegree(curve: Curve, times = 1): Curve {
  if (!Number.isInteger(times) || times < 1) {
    throw new CurveError('order', told('elevationTimes', { times }), {
      value: times,
    });
  }
  validateDegree(curve.degree + times);
  let raised = curve.periodic ? curve : clampEnds(curve);
  for (let time = 0; time < times; time++) {
    raised = raised.periodic ? elevatePeriodic(raised) : betweenGaps(raised, elevateClamped);
  }
  return raised;
}

/** A clamped curve without gaps one degree higher. */
function elevateClamped(curve: Curve): Curve {
  const { knots, rows } = elevateRows({ knots: curve.knots, rows: homogeneousRows(curve) }, curve.degree);
  return curveOfRows(curve, curve.degree + 1, knots, rows);
}

/**
 * Clamped rows without gaps one degree higher. A new row's blossom value is the mean of the old spline's at its
 * p + 1 knots with each left out in turn. Leaving out every (p + 1)-th of the new knots, beginning with the first, the
 * second and so on, gives p + 1 knot vectors in which all that is left stands in a row.
 */
function elevateRows({ knots, rows }: Refined, degree: number): Refined {
  const order = degree + 1;
  const runs = runsOf(knots);
  const made = runs.flatMap(({ value, multiplicity }) => Array<number>(multiplicity + 1).fill(value));
  const inner = runs.slice(1, -1);
  /** The rows of which each new one is the mean, with how often each is among them. */
  const parts = Array.from({ length: made.length - order - 1 }, (): [readonly number[], number][] => []);
  for (let leftOut = 0; leftOut < order; leftOut++) {
    const inserted: number[] = [];
    let first = order + 1;
    for (const { value, multiplicity } of inner) {
      // Of the knots first … first + multiplicity one is left out, or else there is one more than before.
      const next = first + ((((leftOut - first) % order) + order) % order);
      if (next > first + multiplicity) inserted.push(value);
      first += multiplicity + 1;
    }
    const refined = refineRows({ knots, rows }, degree, inserted).rows;
    let at = 0;
    parts.forEach((part, index) => {
      if (index > 0 && index % order !== leftOut) at++;
      const row = refined[at]!;
      const known = part.find(([one]) => one === row);
      if (known) known[1]++;
      else part.push([row, 1]);
    });
  }
  return {
    knots: made,
    rows: parts.map((part) =>
      part[0]![0].map((_, axis) => part.reduce((sum, [row, times]) => sum + (times / order) * row[axis]!, 0)),
    ),
  };
}

/** A periodic curve one degree higher: unrolled over several periods, raised there, and one period taken out again. */
function elevatePeriodic(curve: Curve): Curve {
  const { degree } = curve;
  const [start, end] = domainOf(curve.knots, degree);
  const long = elevateRows(clampedRows(unroll(curve).unrolled, degree), degree);
  const knots = periodicKnotVector(
    knotsOfOnePeriod(curve).map(({ value, multiplicity }) => ({ value, multiplicity: multiplicity + 1 })),
    end,
    degree + 1,
  );
  const count = knots.length - 2 * (degree + 1) - 1;
  // The first point of a period has the last of the knots at its start for the last of its own.
  const first = long.knots.lastIndexOf(start) - (degree + 1);
  return periodicOfRows(curve, knots, long.rows.slice(first, first + count));
}
