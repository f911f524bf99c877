import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { largestDeviation } from './deviation.js';
import { CurveError } from './error.js';
import { betweenGaps } from './gaps.js';
import { curveOfRows, homogeneousRows, withPositiveWeights } from './homogeneous.js';
import { clampedKnotVector, domainOf, interiorKnots } from './knotVector.js';
import { fitRows, samplingParameters, type SplineSpace } from './splineSpace.js';
import { knotsOfOnePeriod, periodicKnotVector, periodicOfRows, withoutPeriod } from './periodic.js';
import type { Approximation } from './removeKnot.js';
import { blossom } from './blossom.js';
import { findSpan } from './knotVector.js';
import { clampEnds } from './split.js';

/**
 * A curve of a lower degree as close as possible: every knot stands once less often, but at least once,
 * so that a raised curve comes back exactly, and gaps stay gaps (P&T 5.6; the points by least squares over the whole curve
 * with both ends held). What it costs is measured.
 * @param times by how many degrees, 1 or more; at least degree 1 is left
 * @returns the curve, with clamped ends or periodic, and its largest distance from the one before
 * @throws CurveError `order` (times), `degree`, `weight` where a weight would not stay positive
 */
export function reduceDegree(curve: Curve, times = 1): Approximation {
  refuseSignedWeights(curve);
  if (!Number.isInteger(times) || times < 1) {
    throw new CurveError('order', told('reductionTimes', { times }), { value: times });
  }
  const degree = curve.degree - times;
  if (degree < 1) {
    throw new CurveError('degree', told('reductionTooFar', { degree: curve.degree, times }), {
      value: degree,
    });
  }
  const fewer = (knots: readonly { value: number; multiplicity: number }[]): typeof knots =>
    knots.map(({ value, multiplicity }) => ({
      value,
      multiplicity: Math.min(degree, Math.max(1, multiplicity - times)),
    }));
  const reduced = curve.periodic
    ? fitCurve(
        {
          degree,
          knots: periodicKnotVector(
            fewer(knotsOfOnePeriod(curve)),
            domainOf(curve.knots, curve.degree)[1],
            degree,
          ),
          periodic: true,
        },
        curve,
      )
    : betweenGaps(clampEnds(curve), (part) => {
        const knots = clampedKnotVector(
          ...domainOf(part.knots, part.degree),
          fewer(interiorKnots(part.knots, part.degree)),
          degree,
        );
        return fitCurve({ degree, knots }, part);
      });
  withPositiveWeights(reduced);
  return { curve: reduced, deviation: largestDeviation(curve, reduced) };
}

/**
 * The curve of a space that comes closest to another in homogeneous coordinates, parameter by parameter,
 * rational where that is; clamped ends are held.
 */
function fitCurve(space: SplineSpace, source: Curve): Curve {
  const { degree, knots } = space;
  const parameters = samplingParameters(space, 2 * source.degree + 2);
  const rows = parameters.flatMap((u) => {
    const span = findSpan(source.knots, source.degree, u);
    return blossom(source, span, Array<number>(source.degree).fill(u));
  });
  const components = rows.length / parameters.length;
  if (space.periodic) {
    const fitted = fitRows(space, parameters, rows, components);
    return periodicOfRows(source, knots, fitted);
  }
  const own = homogeneousRows(withoutPeriod(source));
  return curveOfRows(
    source,
    degree,
    knots,
    fitRows(space, parameters, rows, components, [own[0]!, own.at(-1)!]),
  );
}
