import { beforeEach, describe, expect, it } from 'vitest';
import { Sprites } from '../src/figure/paint/sprites.js';
import { FakeContext, fakeBitmaps, type FakeBitmap } from './support/canvas.js';

let made: FakeBitmap[];
beforeEach(() => {
  made = fakeBitmaps();
});
const ring = (context: CanvasRenderingContext2D): void => context.arc(0, 0, 5, 0, 7);

describe('small drawings that are copied', () => {
  it('are made once, those that are new together on one sheet, each in a place of its own', () => {
    const sprites = new Sprites();
    const target = new FakeContext();
    for (let k = 0; k < 90; k++) sprites.add(`P${k % 30}`, 16, 10 * k, 20, ring);
    sprites.draw(target.context, 'light');
    expect(made).toHaveLength(1);
    expect(made[0]!.drawn.named('arc')).toHaveLength(30);
    const corners = made[0]!.drawn.named('translate').map(({ args }) => args.join());
    expect(new Set(corners).size).toBe(30);
    const copies = target.named('drawImage');
    expect(copies).toHaveLength(90);
    for (const { args } of copies) {
      const [, left, top, width, height] = args as [unknown, number, number, number, number];
      expect([width, height]).toEqual([32, 32]);
      expect(left + width).toBeLessThanOrEqual(made[0]!.width);
      expect(top + height).toBeLessThanOrEqual(made[0]!.height);
    }
    // The same name is the same place of the sheet.
    expect(copies[31]!.args.slice(1, 3)).toEqual(copies[1]!.args.slice(1, 3));

    sprites.add('P3', 16, 0, 0, ring);
    sprites.draw(target.context, 'light');
    expect(made).toHaveLength(1);
    sprites.add('P31', 16, 0, 0, ring);
    sprites.draw(target.context, 'light');
    expect(made).toHaveLength(2);
    expect(made[1]!.drawn.named('arc')).toHaveLength(1);
  });

  it('come to lie on whole pixels of the screen, in the order in which they were wanted', () => {
    (globalThis.window as { devicePixelRatio: number }).devicePixelRatio = 1.5;
    const sprites = new Sprites();
    const target = new FakeContext();
    sprites.add('a', 7, 100.37, 51.02, ring);
    sprites.add('b', 7, 3.21, 4.9, ring);
    sprites.draw(target.context, 'light');
    const places = target.named('drawImage').map(({ args }) => args.slice(5, 7) as number[]);
    for (const [x, y] of places as [number, number][]) {
      expect(x * 1.5).toBeCloseTo(Math.round(x * 1.5), 9);
      expect(y * 1.5).toBeCloseTo(Math.round(y * 1.5), 9);
    }
    expect(Math.abs(places[0]![0]! - 93.37)).toBeLessThan(0.5);
    expect(Math.abs(places[1]![0]! + 3.79)).toBeLessThan(0.5);
  });

  it('are made anew for other colours, another screen, and when a font has come', () => {
    const sprites = new Sprites();
    const { context } = new FakeContext();
    const draw = (palette: string): number => {
      sprites.add('P0', 16, 0, 0, ring);
      sprites.draw(context, palette);
      return made.length;
    };
    expect([draw('light'), draw('light'), draw('dark'), draw('dark')]).toEqual([1, 1, 2, 2]);
    (globalThis.window as { devicePixelRatio: number }).devicePixelRatio = 2;
    expect(draw('dark')).toBe(3);
    sprites.clear();
    expect(draw('dark')).toBe(4);
  });
});
