import { type LinearScale } from '@bogen/core/figure';
import { domainOf, pointAt, spansOf, type Curve, unlessPole } from '@bogen/core/curve';
import { nearestOn } from '../geometry/geometry.js';
import { fromPixel, toPixel, type Projection } from '../geometry/projection.js';
import { directionOf, stepsOf, within, type KeyPress, type ValueSpace } from './valueSpace.js';

/** Pixels within which a parameter on the rail snaps to one that attracts it: less where they stand close. */
const reach = 6;

/** A parameter of a curve, pulled along the curve in the drawing. */
export function alongCurve(curve: Curve, projection: Projection): ValueSpace<number> {
  return {
    toScreen: (u) => toPixel(projection, unlessPole(() => pointAt(curve, u)) ?? curve.points[0]!),
    at: (pixel) => nearestOn(curve)(fromPixel(projection, pixel)).parameter,
    nudged: (u, press) => nudgedParameter(curve, u, press, domainOf(curve.knots, curve.degree)),
  };
}

/** What a parameter on the rail is kept within and snaps to. */
interface AlongRail {
  /** The domain, where nothing else is said. */
  readonly limits?: readonly [number, number];
  readonly attracts?: readonly number[];
  /** What a free parameter is rounded to. */
  readonly unit?: number;
}

/** A parameter of a curve, pulled along the axis that all tracks of the rail share. */
export function alongRail(
  curve: Curve,
  axis: LinearScale,
  { limits = domainOf(curve.knots, curve.degree), attracts = [], unit = 0 }: AlongRail = {},
): ValueSpace<number> {
  const rounded = (u: number): number =>
    within(unit > 0 ? Number((Math.round(u / unit) * unit).toPrecision(12)) : u, limits);
  const places = [...new Set(attracts)].sort((a, b) => a - b);
  /** A quarter of the way to the next one at the most, so that there is room between them to let go. */
  const reachAt = (index: number): number =>
    Math.min(
      reach,
      ...[index - 1, index + 1].flatMap((other) =>
        places[other] === undefined ? [] : [Math.abs(axis(places[other]) - axis(places[index]!)) / 4],
      ),
    );
  return {
    toScreen: (u) => [axis(u), 0],
    at: ([x]) => {
      let [nearest, distance] = [-1, Infinity];
      places.forEach((value, index) => {
        const away = Math.abs(axis(value) - x);
        if (away < distance) [nearest, distance] = [index, away];
      });
      return nearest >= 0 && distance <= reachAt(nearest) ? places[nearest]! : rounded(axis.within(x));
    },
    nudged: (u, press) => {
      const next = nudgedParameter(curve, u, press, limits);
      return next === undefined || attracts.includes(next) ? next : rounded(next);
    },
  };
}

/** Arrows step by a hundredth of the domain, page keys from knot to knot, Home and End to the ends. */
function nudgedParameter(
  curve: Curve,
  u: number,
  press: KeyPress,
  limits: readonly [number, number],
): number | undefined {
  if (press.ctrlKey || press.metaKey) return undefined;
  const [start, end] = domainOf(curve.knots, curve.degree);
  const breaks = [start, ...spansOf(curve.knots, curve.degree).map((span) => span.end)];
  const jumps: Record<string, number | undefined> = {
    PageUp: breaks.find((knot) => knot > u + 1e-12),
    PageDown: breaks.findLast((knot) => knot < u - 1e-12),
    Home: limits[0],
    End: limits[1],
  };
  const direction = directionOf(press);
  const next = direction === 0 ? jumps[press.key] : u + direction * stepsOf(press) * ((end - start) / 100);
  return next === undefined ? undefined : within(next, limits);
}
