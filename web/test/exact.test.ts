import { describe, expect, it } from 'vitest';
import { shownOrExact, typedOrExact } from '../src/text/exact.js';
import { listsOf, readLists } from '../src/editing/lists/readLists.js';

describe('exact numbers on request', () => {
  it('are read and typed as such, and else in digits', () => {
    expect(shownOrExact(Math.SQRT1_2, true)).toBe('√2/2');
    expect(shownOrExact(Math.SQRT1_2, false)).toBe('0.707');
    expect(shownOrExact(2, true)).toBe('2');
    expect(typedOrExact(Math.SQRT1_2, true)).toBe('sqrt(2)/2');
    expect(typedOrExact((4 / 3) * (Math.SQRT2 - 1), true)).toBe('(4*sqrt(2) - 4)/3');
    expect(typedOrExact(1 / 3, false)).toBe(String(1 / 3));
  });

  it('in lists come back as the same curve', async () => {
    const curve = {
      degree: 2,
      knots: [0, 0, 0, 1 / 3, 1, 1, 1],
      points: [
        [0, 0],
        [10, Math.sqrt(3)],
        [20, (Math.sqrt(5) - 1) / 2],
        [30, 0.123456789012],
      ],
      weights: [1, Math.SQRT1_2, 1, 2 / 3],
    };
    for (const convention of ['full', 'short'] as const) {
      for (const exact of [true, false]) {
        const read = await readLists(2, listsOf(curve, convention, exact));
        if (!('curve' in read)) throw new Error(JSON.stringify(read));
        expect(read.convention).toBe(convention);
        const numbers = (of: typeof curve): number[] => [...of.knots, ...of.points.flat(), ...of.weights];
        numbers(read.curve as typeof curve).forEach((value, k) => {
          const was = numbers(curve)[k]!;
          expect(Math.abs(value - was)).toBeLessThanOrEqual(exact ? 1e-12 * Math.abs(was) : 0);
        });
      }
    }
  });

  it('what is wrong in lists is told at its place', async () => {
    const lists = { points: '0 0, 1 1, 2 0', weights: '', knots: '0 0 0 1 1 1' };
    const faultOf = async (change: Partial<typeof lists>, degree = 2) => {
      const read = await readLists(degree, { ...lists, ...change });
      return 'faults' in read ? read.faults[0] : undefined;
    };
    expect(await faultOf({})).toBeUndefined();
    expect(await faultOf({ points: '0 0, 1 1, 2' })).toMatchObject({
      list: 'points',
      told: { code: 'listOddCoordinates' },
    });
    expect(await faultOf({}, 3)).toMatchObject({ list: 'points', told: { code: 'listTooFewPoints' } });
    expect(await faultOf({ knots: '0 0 0 1 0.5 1' })).toMatchObject({
      list: 'knots',
      from: 8,
      to: 11,
      told: { code: 'knotOrder' },
    });
    expect(await faultOf({ knots: '0 0 1 0.5' })).toMatchObject({ list: 'knots', from: 6, to: 9 });
    expect(await faultOf({ weights: '1, -2, 1' })).toMatchObject({ list: 'weights', from: 3, to: 5 });
  });
});
