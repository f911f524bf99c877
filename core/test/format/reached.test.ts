import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { type FormatMember, readerOf } from '../../src/format/define.js';
import { formatNames, formats } from '../../src/format/formats.js';
import { curveItem, outgoing } from './figures.js';

const curve: Curve = {
  degree: 2,
  knots: [0, 0, 0, 1, 1, 1],
  points: [
    [0, 0],
    [5, 8],
    [10, 0],
  ],
};
const many = Array.from({ length: 600 }, (_, k) => curveItem(curve, `Curve ${k}`, `c${k}`));

/** The shares that are told while something runs. */
function toldBy<Value>(run: (reached: (share: number) => void) => Value): { shares: number[]; value: Value } {
  const shares: number[] = [];
  const value = run((share) => shares.push(share));
  return { shares, value };
}

describe('how far a file is', () => {
  // A figure as JSON is written and read in one piece.
  it.each(formatNames.filter((name) => name !== 'json'))('is told while %s is written and read', (name) => {
    const format: FormatMember = formats[name];
    const out = toldBy((reached) => format.write(outgoing(...many), format.first, reached).text);
    const back = toldBy((reached) => readerOf(format)(out.value, reached).items);
    expect(back.value).toHaveLength(600);
    for (const { shares } of [out, back]) {
      expect(shares.length).toBeGreaterThan(3);
      expect(shares).toEqual(shares.toSorted((a, b) => a - b));
      expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
      expect(shares.at(-1)).toBeGreaterThan(0.7);
    }
  });
});
