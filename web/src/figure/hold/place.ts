import type { Point } from '@bogen/core/curve';
import { fromPixel, toPixel, type Projection } from '../geometry/projection.js';
import type { HeldKeys, KeyPress, ValueSpace } from './valueSpace.js';

/** Places are kept to a thousandth of the unit: finer than any hand, and short to read. */
export const roundPlace = (value: number): number => Math.round(value * 1000) / 1000;

const directions: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The step that an arrow key means: a tenth of the grid, with Shift the whole grid, with Alt a hundredth. */
function arrowStep(press: KeyPress, grid: number): [number, number] | undefined {
  const direction = directions[press.key];
  if (!direction || press.ctrlKey || press.metaKey) return undefined;
  const step = press.shiftKey ? grid : press.altKey ? grid / 100 : grid / 10;
  return [direction[0] * step, direction[1] * step];
}

/**
 * The places of the drawing.
 * @param grid the drawing's grid, of which the arrows step a tenth
 * @param snap what a place snaps to, if anything
 */
export function places(
  projection: Projection,
  grid: number,
  snap: (pointer: Point, keys: HeldKeys) => Point | null = () => null,
): ValueSpace<Point> {
  return {
    toScreen: (place) => toPixel(projection, place),
    at: (pixel, keys) => {
      const pointer = fromPixel(projection, pixel);
      return snap(pointer, keys) ?? pointer.map(roundPlace);
    },
    nudged: (place, press) => {
      const step = arrowStep(press, grid);
      return step && place.map((value, axis) => roundPlace(value + step[axis]!));
    },
  };
}

/** The pixels themselves, for what is drawn on the screen and not in the drawing: a box, the sheet on the move. */
export const pixels: ValueSpace<readonly [number, number]> = {
  toScreen: (pixel) => pixel,
  at: (pixel) => pixel,
  nudged: () => undefined,
};
