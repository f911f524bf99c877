import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readEntries, type Entry } from '../src/editing/lists/listText.js';
import { holds } from '../../core/test/holds.js';

const texts = (text: string): readonly string[] => {
  const read = readEntries(text);
  if (!Array.isArray(read)) throw new Error(JSON.stringify(read));
  return (read as Entry[]).map((entry) => entry.text);
};

describe('a list as it is typed or pasted', () => {
  it.each([
    ['1, 2, 3', ['1', '2', '3']],
    ['1 2\n3\t4', ['1', '2', '3', '4']],
    ['1; 2;3', ['1', '2', '3']],
    ['[0, 0, 0.5, 1, 1]', ['0', '0', '0.5', '1', '1']],
    ['{(0, 1), (1, 0)}', ['0', '1', '1', '0']],
    ['[[0 1] [1 0]]', ['0', '1', '1', '0']],
    ['(0,1)(1,0)', ['0', '1', '1', '0']],
    ['(1, sqrt(2)/2) * 4, 1', ['1', 'sqrt(2)/2', '1', 'sqrt(2)/2', '1', 'sqrt(2)/2', '1', 'sqrt(2)/2', '1']],
    ['(1, √2/2) × 2, 1', ['1', 'sqrt(2)/2', '1', 'sqrt(2)/2', '1']],
    ['(0) * 3, [1] * 2', ['0', '0', '0', '1', '1']],
    ['(0)*2 (1)*2', ['0', '0', '1', '1']],
    ['(1 + 2) * 3 + 4', ['(1 + 2) * 3 + 4']],
    ['(1 + 2) * 0.5, 1', ['(1 + 2) * 0.5', '1']],
    ['1 -2 - 3 −4', ['1', '-2 - 3', '-4']],
    ['1 / 3, 2 * 4', ['1 / 3', '2 * 4']],
    ['(1 + 2) / 3', ['(1 + 2) / 3']],
    ['max(1, 2), 3', ['max(1, 2)', '3']],
    ['', []],
    [' , ; ', []],
  ])('%j', (text, expected) => {
    expect(texts(text)).toEqual(expected);
  });

  it.each([
    ['(1, 2', 'bracket', 0],
    ['1, 2)', 'bracket', 4],
    ['(1, 2] 3', 'bracket', 5],
    ['(1, 2) * x', 'times', 6],
    ['(1, 2) * 99999999', 'times', 6],
    ['[[1] * 9000] * 9000', 'times', 12],
  ])('%j is told where it goes wrong', (text, kind, from) => {
    expect(readEntries(text)).toMatchObject({ kind, from });
  });

  it('knows where each entry stands, and reads numbers back from any separator and bracket', () => {
    const number = fc.double({ noNaN: true, min: -1e6, max: 1e6 }).map((value) => String(value));
    holds(
      fc.property(
        fc.array(number, { maxLength: 30 }),
        fc.constantFrom(', ', '; ', '\n', ' ', ','),
        fc.constantFrom(['', ''], ['[', ']'], ['{', '}'], ['( ', ' )']),
        (numbers, separator, [open, close]) => {
          // Brackets around one number are the expression's own.
          if (numbers.length === 1) return;
          const text = `${open}${numbers.join(separator)}${close}`;
          const entries = readEntries(text) as Entry[];
          expect(entries.map((entry) => entry.text)).toEqual(numbers);
          for (const { text: own, from, to } of entries) expect(text.slice(from, to)).toBe(own);
        },
      ),
    );
  });

  it('ends with any text', () => {
    holds(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'()[]{},; *-+/12x√'), maxLength: 60 }),
        (text) => void readEntries(text),
      ),
    );
  });
});
