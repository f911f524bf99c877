import { describe, expect, it } from 'vitest';
import { shownAtMost, shownNumber, shownScientific, superscript } from '../src/text/number.js';
import { factNames, facts as factsOfCore, labelDirection, type FactMember } from '@bogen/core/figure';
import { facts } from '../src/text/en/facts.js';
import { planeProjection } from '../src/figure/geometry/projection.js';

describe('numbers', () => {
  it('keep the decimal point, have a true minus sign, and no negative zero', () => {
    expect([1.005, -2.5, -0.001, 1234.5].map((value) => shownNumber(value))).toEqual([
      '1.00',
      '−2.50',
      '0.00',
      '1234.50',
    ]);
  });
  it('never tell less than a bound is', () => {
    expect([0, 6.54201, 0.5, 0.000115, 3.61e-14, 9.99e-7].map(shownAtMost)).toEqual([
      '0',
      '6.5421',
      '0.5000',
      '1.2 × 10⁻⁴',
      '3.7 × 10⁻¹⁴',
      '1.0 × 10⁻⁶',
    ]);
    for (let k = 1; k < 200; k++) {
      const value = 0.001 * 1.07 ** k;
      if (value < 10_000) expect(Number(shownAtMost(value))).toBeGreaterThanOrEqual(value);
    }
  });

  it('become powers of ten where they are very small or large', () => {
    expect([0, 0.0234, 3.6e-14, -12345, 7].map(shownScientific)).toEqual([
      '0',
      '0.023',
      '3.6 × 10⁻¹⁴',
      '−1.2 × 10⁴',
      '7.00',
    ]);
    expect(superscript(-12)).toBe('⁻¹²');
  });
});

describe('the projection', () => {
  it('shows the whole view and leads back', () => {
    const projection = planeProjection({ left: -10, right: 30, bottom: 0, top: 20, grid: 5 }, 800, 300);
    const [x0, y0] = projection.toScreen([-10, 20]);
    const [x1, y1] = projection.toScreen([30, 0]);
    expect(Math.min(x0, y0)).toBeGreaterThanOrEqual(0);
    expect([x1 <= 800, y1 <= 300]).toEqual([true, true]);
    const [x, y] = projection.toDrawing(...projection.toScreen([3.25, 17]));
    expect(x).toBeCloseTo(3.25, 12);
    expect(y).toBeCloseTo(17, 12);
  });
});

describe('the name of a point', () => {
  it('stands outside the bend of its polygon, and above where that is straight', () => {
    expect(
      labelDirection(
        [
          [0, 0],
          [1, 1],
          [2, 0],
        ],
        1,
      )[1],
    ).toBeCloseTo(1, 12);
    expect(
      labelDirection(
        [
          [0, 0],
          [1, 0],
          [2, 0],
        ],
        1,
      ),
    ).toEqual([0, 1]);
    expect(
      labelDirection(
        [
          [0, 0],
          [1, 0],
        ],
        0,
      ),
    ).toEqual([-1, 0]);
    expect(
      labelDirection(
        [
          [1, 1],
          [1, 1],
        ],
        0,
      ),
    ).toEqual([0, 1]);
  });
});

describe('facts in few words', () => {
  it('are there for each that stands below curves side by side', () => {
    const texts = Object.keys(facts.brief);
    const wanted = factNames.filter((name) => (factsOfCore[name] as FactMember).beside !== undefined);
    expect(wanted.length).toBeGreaterThan(3);
    for (const name of wanted)
      expect(
        texts.some((key) => key === name || key === `${name}_one`),
        name,
      ).toBe(true);
  });
});
