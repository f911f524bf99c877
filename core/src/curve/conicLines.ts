import type { ConicClass } from './classifyConic.js';
import type { Point } from './curve.js';
import { addScaled, scaled } from './vector.js';

/** A straight line by one of its points and its direction, of length one. */
export interface StraightLine {
  readonly through: Point;
  readonly direction: Point;
}

/**
 * The asymptotes of a hyperbola: through the centre, along a·x ± b·y for the half axes a, b and their directions
 * x, y (Farin, 12).
 * @returns two lines for a hyperbola, none for any other conic
 */
export function asymptotesOf({ kind, centre, axes }: ConicClass): StraightLine[] {
  const [major, minor] = axes ?? [];
  if (kind !== 'hyperbola' || !centre || !major || !minor) return [];
  const [a, b] = [major.half!, minor.half!];
  const length = Math.hypot(a, b);
  return [1, -1].map((sign) => ({
    through: centre,
    direction: addScaled(scaled(major.direction, a / length), minor.direction, (sign * b) / length),
  }));
}

/**
 * The directrices of a conic: every point of the conic is as far from a focus as from its directrix, times the
 * eccentricity. They stand at a/e from the centre for the half axis a, that of a parabola as far before the vertex
 * as the focus is behind it.
 * @returns one line for each of `foci`, in the same order; none for a circle and a line, which have none
 */
export function directricesOf({
  kind,
  centre,
  axes,
  foci,
  vertex,
  eccentricity,
}: ConicClass): StraightLine[] {
  const [major, minor] = axes ?? [];
  if (!major || !minor) return [];
  const direction = minor.direction;
  if (kind === 'parabola') {
    return [{ through: addScaled(scaled(vertex!, 2), foci[0]!, -1), direction }];
  }
  if (!centre || !eccentricity || kind === 'circle') return [];
  const distance = major.half! / eccentricity;
  // The foci are listed with the one along the axis first.
  return [1, -1].map((sign) => ({ through: addScaled(centre, major.direction, sign * distance), direction }));
}
