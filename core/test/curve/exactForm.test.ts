import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactForm, exactText } from '../../src/curve/exactForm.js';
import { holds } from '../holds.js';

const textOf = (value: number): string | undefined => {
  const form = exactForm(value);
  return form && exactText(form);
};

describe('an exact number', () => {
  it.each([
    [1 / 3, '1/3'],
    [-2 / 7, '−2/7'],
    [Math.SQRT1_2, '√2/2'],
    [Math.sqrt(3), '√3'],
    [-3 * Math.sqrt(2), '−3√2'],
    [(Math.sqrt(5) - 1) / 2, '(√5 − 1)/2'],
    [(1 + Math.sqrt(5)) / 2, '(√5 + 1)/2'],
    [2 - Math.sqrt(2), '2 − √2'],
    [Math.sqrt(2) - 1, '√2 − 1'],
    [Math.cos(Math.PI / 6), '√3/2'],
    [0.5, '1/2'],
    [(4 / 3) * (Math.SQRT2 - 1), '(4√2 − 4)/3'],
  ])('%d is read as %s', (value, text) => {
    expect(textOf(value)).toBe(text);
  });

  it.each([0, 3, -7, Math.PI, Math.E, 0.123456, NaN, Infinity, 1e9 + 0.5])('%d is none', (value) => {
    expect(textOf(value)).toBeUndefined();
  });

  it('is always within its promise', () => {
    holds(
      fc.property(fc.double({ min: -1000, max: 1000, noNaN: true }), (value) => {
        const form = exactForm(value);
        if (!form) return;
        const back = (form.rational + form.factor * Math.sqrt(form.root)) / form.denominator;
        expect(Math.abs(back - value)).toBeLessThanOrEqual(1.1e-12 * Math.abs(value));
      }),
    );
    holds(
      fc.property(fc.integer({ min: -60, max: 60 }), fc.integer({ min: 1, max: 60 }), (a, b) => {
        if (a % b === 0) return;
        const form = exactForm(a / b)!;
        expect(form.rational * b).toBe(a * form.denominator);
      }),
    );
  });

  it('is hardly ever seen by accident', () => {
    let seed = 1;
    const random = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
    let found = 0;
    for (let k = 0; k < 4000; k++) if (exactForm(random() * 10 + random() * 1e-5)) found++;
    expect(found).toBeLessThan(3);
  });
});
