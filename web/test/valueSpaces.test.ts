import { describe, expect, it } from 'vitest';
import { planeProjection, toPixel } from '../src/figure/geometry/projection.js';
import { alongCurve, alongRail } from '../src/figure/hold/parameter.js';
import { pixels, places } from '../src/figure/hold/place.js';
import { alongLine, lengthDown } from '../src/figure/hold/scalar.js';
import type { HeldKeys, KeyPress, ValueSpace } from '../src/figure/hold/valueSpace.js';
import { railAxis } from '../src/rail/axis.js';

const none: HeldKeys = { ctrlKey: false, shiftKey: false, altKey: false, metaKey: false };
const press = (key: string, held: Partial<HeldKeys> = {}): KeyPress => ({ ...none, ...held, key });
const view = { left: -10, right: 110, bottom: -10, top: 60, grid: 10 };
const curve = {
  degree: 2,
  knots: [0, 0, 0, 0.25, 0.75, 1, 1, 1],
  points: [
    [0, 0],
    [20, 40],
    [50, 10],
    [80, 45],
    [100, 0],
  ],
};
const axis = railAxis(curve, 800, null);

describe.each([1, 1.75])('a projection with marks %s times as large', (markScale) => {
  const projection = planeProjection(view, 900, 500, markScale);

  it('shows the same drawing, with dots that are larger', () => {
    const usual = planeProjection(view, 900, 500);
    expect(projection.width * markScale).toBeCloseTo(900, 9);
    const [x, y] = toPixel(projection, [37, 21]);
    const [x0, y0] = usual.toScreen([37, 21]);
    expect(Math.hypot(x - x0, y - y0)).toBeLessThan(1e-9);
  });

  it.each<[string, ValueSpace<unknown>, readonly unknown[]]>([
    [
      'a place',
      places(projection, 10) as ValueSpace<unknown>,
      [
        [12.5, 30],
        [0, -2.25],
      ],
    ],
    ['a parameter along the curve', alongCurve(curve, projection) as ValueSpace<unknown>, [0, 0.3, 0.75, 1]],
    ['a parameter along the rail', alongRail(curve, axis) as ValueSpace<unknown>, [0, 0.3, 0.75, 1]],
    [
      'a number along a line',
      alongLine(projection, {
        zero: [0, 0],
        one: [30, 40],
        limits: [-1, 5],
        step: 0.1,
      }) as ValueSpace<unknown>,
      [-1, 0, 0.4, 5],
    ],
    ['a length', lengthDown([40, 320], 8) as ValueSpace<unknown>, [40, 97, 320]],
    ['a pixel', pixels as ValueSpace<unknown>, [[3, 4]]],
  ])('%s is found again under its mark', (_, space, values) => {
    for (const value of values) {
      const again = space.at(space.toScreen(value), none);
      const [before, after] = [value, again].map((one) => [one].flat() as number[]);
      before!.forEach((number, k) => expect(after![k]).toBeCloseTo(number, 6));
    }
  });
});

describe('values in the hand', () => {
  const projection = planeProjection(view, 900, 500);

  it('are kept within their limits, wherever the pointer goes', () => {
    const far = [1e6, -1e6] as const;
    expect(alongRail(curve, axis).at(far, none)).toBe(1);
    expect(alongRail(curve, axis, { limits: [0, 0.75] }).at(far, none)).toBe(0.75);
    expect(lengthDown([40, 320], 8).at([0, 1e6], none)).toBe(320);
    const line = alongLine(projection, { zero: [0, 0], one: [1, 0], limits: [0, 2], step: 0.1 });
    expect(line.at(far, none)).toBe(2);
    expect(line.nudged(2, press('ArrowRight'))).toBe(2);
    const nowhere = alongLine(projection, { zero: [5, 5], one: [5, 5], limits: [1, 2], step: 0.1 });
    expect(nowhere.at(far, none)).toBe(1);
  });

  it('are drawn to what attracts them, the nearest first, and rounded elsewhere', () => {
    const space = alongRail(curve, axis, { attracts: [0.25, 0.253, 0.75], unit: 0.01 });
    expect(space.at([axis(0.2524), 0], none)).toBe(0.253);
    expect(space.at([axis(0.75) - 5, 0], none)).toBe(0.75);
    expect(space.at([axis(0.503), 0], none)).toBe(0.5);
    const drawn = places(projection, 10, (pointer) => (pointer[0]! > 50 ? [60, 60] : null));
    expect(drawn.at(projection.toScreen([55, 1]), none)).toEqual([60, 60]);
    expect(drawn.at(projection.toScreen([5.00049, 1]), none)).toEqual([5, 1]);
  });

  it('are stepped by the keys, ten steps with Shift and a tenth with Alt', () => {
    const rail = alongRail(curve, axis);
    expect(rail.nudged(0.5, press('ArrowRight'))).toBeCloseTo(0.51, 12);
    expect(rail.nudged(0.5, press('ArrowDown', { shiftKey: true }))).toBeCloseTo(0.4, 12);
    expect(rail.nudged(0.5, press('ArrowUp', { altKey: true }))).toBeCloseTo(0.501, 12);
    expect(rail.nudged(0.5, press('PageUp'))).toBe(0.75);
    expect(rail.nudged(0.5, press('PageDown'))).toBe(0.25);
    expect([press('Home'), press('End')].map((key) => rail.nudged(0.5, key))).toEqual([0, 1]);
    expect(rail.nudged(0.995, press('ArrowRight'))).toBe(1);
    expect(places(projection, 10).nudged([1, 2], press('ArrowUp', { shiftKey: true }))).toEqual([1, 12]);
    expect(places(projection, 10).nudged([1, 2], press('ArrowLeft', { altKey: true }))).toEqual([0.9, 2]);
    expect(lengthDown([40, 320], 8).nudged(50, press('ArrowUp'))).toBe(42);
  });

  it.each([
    ['another key', press('x')],
    ['an arrow with Ctrl', press('ArrowRight', { ctrlKey: true })],
  ])('stay as they are with %s', (_, key) => {
    expect(alongRail(curve, axis).nudged(0.5, key)).toBeUndefined();
    expect(places(projection, 10).nudged([1, 2], key)).toBeUndefined();
    expect(lengthDown([40, 320], 8).nudged(50, key)).toBeUndefined();
  });
});
