import type { Point } from '@bogen/core/curve';

/** How a drawing in space is looked at, in degrees. */
export interface Turn {
  /** Counterclockwise about the upright axis. */
  readonly azimuth: number;
  /** From above the horizon; at 90 it is seen from straight above, as a drawing in the plane. */
  readonly elevation: number;
}

/** Lowest and highest place along each axis of the screen, before it is scaled. */
interface Extent {
  readonly low: readonly [number, number];
  readonly high: readonly [number, number];
}

/** A parallel projection of places in space to the screen. */
export interface SpaceProjection {
  toScreen(place: Point): [number, number];
}

/** Where places lie on a screen of no particular size, with the second axis upwards. */
function seen({ azimuth, elevation }: Turn): (place: Point) => [number, number] {
  const [a, e] = [azimuth, elevation].map((degrees) => (degrees * Math.PI) / 180) as [number, number];
  const [cosA, sinA, cosE, sinE] = [Math.cos(a), Math.sin(a), Math.cos(e), Math.sin(e)];
  return ([x, y, z]) => {
    const away = x! * sinA + y! * cosA;
    return [x! * cosA - y! * sinA, z! * cosE + away * sinE];
  };
}

/** How far some places reach as they are seen. */
export function extentOf(places: readonly Point[], turn: Turn): Extent {
  const all = places.map(seen(turn));
  const along = (axis: 0 | 1, pick: (...values: number[]) => number): number =>
    all.reduce((best, place) => pick(best, place[axis]), all[0]![axis]);
  return { low: [along(0, Math.min), along(1, Math.min)], high: [along(0, Math.max), along(1, Math.max)] };
}

/** What holds both of two extents. */
export function extentWith(first: Extent, second: Extent): Extent {
  return {
    low: [Math.min(first.low[0], second.low[0]), Math.min(first.low[1], second.low[1])],
    high: [Math.max(first.high[0], second.high[0]), Math.max(first.high[1], second.high[1])],
  };
}

/**
 * The view of an extent as large as it fits into a pane, in its middle.
 * @param width,height,margin in dots
 */
export function spaceProjection(
  turn: Turn,
  { low, high }: Extent,
  width: number,
  height: number,
  margin: number,
): SpaceProjection {
  const look = seen(turn);
  const across = Math.max(high[0] - low[0], Number.MIN_VALUE);
  const up = Math.max(high[1] - low[1], Number.MIN_VALUE);
  const scale = Math.min(Math.max(1, width - 2 * margin) / across, Math.max(1, height - 2 * margin) / up);
  return {
    toScreen: (place) => {
      const [x, y] = look(place);
      return [
        width / 2 + scale * (x - (low[0] + high[0]) / 2),
        height / 2 - scale * (y - (low[1] + high[1]) / 2),
      ];
    },
  };
}
