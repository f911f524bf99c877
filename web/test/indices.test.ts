import { describe, expect, it } from 'vitest';
import { indicesText, readIndices } from '../src/writer/tasks/indices.js';

describe('numbers of points', () => {
  it('are written with runs, and read as they are written', () => {
    expect(indicesText([9, 0, 1, 2, 3, 6, 8, 8], 0)).toBe('0–3, 6, 8, 9');
    expect(indicesText([0, 1], 1)).toBe('1, 2');
    for (const indices of [[0], [3, 5], [0, 1, 2, 4, 6, 7, 8, 9]])
      for (const first of [0, 1])
        expect(readIndices(indicesText(indices, first), first, 10)).toEqual(indices);
  });
  it('are read with any separators and dashes', () => {
    expect(readIndices('0;2 - 4  7', 0, 8)).toEqual([0, 2, 3, 4, 7]);
    expect(readIndices(' 3, 3,2 ', 0, 8)).toEqual([2, 3]);
    expect(readIndices('', 0, 8)).toEqual([]);
  });
  it('are refused where a point has none of them, or something else is typed', () => {
    for (const text of ['8', '0-8', '5-2', 'P3', '1.5', '-1', '2-', '99999999'])
      expect(readIndices(text, 0, 8), text).toBeUndefined();
    expect(readIndices('0', 1, 8)).toBeUndefined();
  });
});
