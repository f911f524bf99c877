import type { Point } from '@bogen/core/curve';
import { toPixel, type Projection } from '../geometry/projection.js';
import { directionOf, stepsOf, within, type ValueSpace } from './valueSpace.js';

/** A line on which one number is set by hand. */
interface NumberLine {
  /** Where the number is zero, and where it is one. */
  readonly zero: Point;
  readonly one: Point;
  readonly limits: readonly [number, number];
  /** What an arrow adds. */
  readonly step: number;
}

/** A number pulled along a line of the drawing. */
export function alongLine(
  projection: Projection,
  { zero, one, limits, step }: NumberLine,
): ValueSpace<number> {
  const [x0, y0] = toPixel(projection, zero);
  const [x1, y1] = toPixel(projection, one);
  const [dx, dy] = [x1 - x0, y1 - y0];
  const square = dx * dx + dy * dy;
  return {
    toScreen: (value) => [x0 + value * dx, y0 + value * dy],
    at: ([x, y]) => within(square > 0 ? ((x - x0) * dx + (y - y0) * dy) / square : 0, limits),
    nudged: (value, press) => {
      const direction = directionOf(press);
      return direction === 0 ? undefined : within(value + direction * stepsOf(press) * step, limits);
    },
  };
}

/** A ratio on an upright logarithmic scale: equal ways mean equal factors. */
interface RatioScale {
  /** The least and the largest ratio, and where they stand, in pixels from above. */
  readonly limits: readonly [number, number];
  readonly pixels: readonly [number, number];
}

/** By how much an arrow multiplies a ratio; with Shift ten times over, with Alt by a tenth. */
const ratioStep = 1.05;
/** Pixels within which a ratio snaps to one, and a number to what attracts it. */
const nearOne = 3;

/** A positive ratio, such as a weight, pulled up and down; it snaps to one, and keeps three digits. */
export function ratioUp({ limits, pixels: [low, high] }: RatioScale): ValueSpace<number> {
  const [from, to] = limits.map(Math.log);
  const y = (value: number): number => low + ((Math.log(value) - from!) / (to! - from!)) * (high - low);
  const short = (value: number): number => within(Number(value.toPrecision(3)), limits);
  return {
    toScreen: (value) => [0, y(value)],
    at: ([, at]) => {
      if (Math.abs(at - y(1)) <= nearOne && limits[0] <= 1 && limits[1] >= 1) return 1;
      return short(Math.exp(from! + ((at - low) / (high - low)) * (to! - from!)));
    },
    nudged: (value, press) => {
      const direction = directionOf(press);
      return direction === 0 ? undefined : short(value * ratioStep ** (direction * stepsOf(press)));
    },
  };
}

/** An even upright scale of numbers of any sign. */
interface NumberScale extends RatioScale {
  /** What an arrow adds. */
  readonly step: number;
  /** What a number snaps to. */
  readonly attracts: readonly number[];
}

/** A number of any sign pulled up and down; it keeps two digits after the point. */
export function numberUp({ limits, pixels: [low, high], step, attracts }: NumberScale): ValueSpace<number> {
  const [from, to] = limits;
  const y = (value: number): number => low + ((value - from) / (to - from)) * (high - low);
  const short = (value: number): number => within(Math.round(value * 100) / 100, limits);
  return {
    toScreen: (value) => [0, y(value)],
    at: ([, at]) =>
      attracts.find((value) => Math.abs(at - y(value)) <= nearOne) ??
      short(from + ((at - low) / (high - low)) * (to - from)),
    nudged: (value, press) => {
      const direction = directionOf(press);
      return direction === 0 ? undefined : short(value + direction * stepsOf(press) * step);
    },
  };
}

/** A length in whole pixels, pulled downwards, as the height of a track. */
export function lengthDown(limits: readonly [number, number], step: number): ValueSpace<number> {
  return {
    toScreen: (length) => [0, length],
    at: ([, y]) => Math.round(within(y, limits)),
    nudged: (length, press) => {
      const direction = press.key === 'ArrowDown' || press.key === 'ArrowUp' ? -directionOf(press) : 0;
      return direction === 0 ? undefined : within(length + direction * step, limits);
    },
  };
}
