import { bestCircle, circleErrorsAt } from '../../curve/circleError.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { spansOf } from '../../curve/knotVector.js';
import { extractPart } from '../../curve/split.js';
import type { TrackMember } from './define.js';

/** What was found for the curves that were asked for; none where a curve is straight. */
const known = new WeakMap<Curve, Circle | null>();

interface Circle {
  readonly centre: Point;
  readonly radius: number;
}

/** Of at most as many spans the circle is tried for the whole. */
const mostTried = 12;

/**
 * The circle that most of a curve is on, or nearest to: the least-squares circle of the whole or of one of its spans,
 * whichever has the smallest median error. So a curve that is round but for one place is measured from what is round.
 * @returns `null` where the curve is straight, or lies in space
 */
export function nearestCircle(curve: Curve): Circle | null {
  let circle = known.get(curve);
  if (circle === undefined) {
    circle = findCircle(curve);
    known.set(curve, circle);
  }
  return circle;
}

function findCircle(curve: Curve): Circle | null {
  const spans = spansOf(curve.knots, curve.degree);
  const every = Math.ceil(spans.length / mostTried);
  const places = spans.flatMap(({ start, end }) =>
    [0.1, 0.3, 0.5, 0.7, 0.9].map((t) => start + t * (end - start)),
  );
  const whole = circleOf(curve);
  if (!whole || spans.length < 3) return whole;
  let best = { circle: whole, error: medianError(curve, whole, places) };
  for (const { start, end } of spans.filter((_, index) => index % every === 0)) {
    const circle = circleOf(extractPart(curve, start, end));
    if (!circle) continue;
    const error = medianError(curve, circle, places);
    if (error < best.error) best = { circle, error };
  }
  return best.circle;
}

function circleOf(curve: Curve): Circle | null {
  try {
    const circle = bestCircle(curve);
    return Number.isFinite(circle.radius) && circle.radius > 0 ? circle : null;
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    return null;
  }
}

function medianError(curve: Curve, { centre, radius }: Circle, places: readonly number[]): number {
  const errors = circleErrorsAt(curve, centre, radius, places).map(Math.abs).sort();
  return errors[errors.length >> 1]!;
}

/** How far the curve is from the circle that it is nearest to, as a share of its radius: for what should be round. */
export const radiusError: TrackMember = {
  letter: '|Δr|/r',
  whole: true,
  floor: 1e-16,
  plots: [
    {
      values: ({ curve, samples }) => {
        const circle = nearestCircle(curve);
        if (!circle) return undefined;
        const errors = circleErrorsAt(curve, circle.centre, circle.radius, samples.parameters);
        return errors.map((error) => Math.abs(error) / circle.radius);
      },
      at: ({ curve }, u) => {
        const circle = nearestCircle(curve);
        return (
          (circle &&
            Math.abs(circleErrorsAt(curve, circle.centre, circle.radius, [u])[0]!) / circle.radius) ??
          undefined
        );
      },
    },
  ],
};
