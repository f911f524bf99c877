import { describe, expect, it } from 'vitest';
import { coordinatesIn } from '../src/editing/draw/coordinates.js';

describe('A typed place', () => {
  it.each([
    ['-24, 0', ['-24', '0']],
    ['−24,0', ['-24', '0']],
    ['  12.5 ; -3 ', ['12.5', '-3']],
    ['1e2 40', ['1e2', '40']],
    ['(3, 4)', ['3', '4']],
    ['3*cos(30 deg), 12', ['3*cos(30 deg)', '12']],
    ['(1+2)*3, hypot(3, 4)', ['(1+2)*3', 'hypot(3, 4)']],
    ['sqrt(2)/2, 1 + 2', ['sqrt(2)/2', '1 + 2']],
  ])('%s is two coordinates', (text, parts) => {
    expect(coordinatesIn(text)).toEqual(parts);
  });

  it.each(['', '5', '1, 2, 3', 'a b c', ', 3', '3,', '()'])('%j is none', (text) => {
    expect(coordinatesIn(text)).toBeUndefined();
  });
});
