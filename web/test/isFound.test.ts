import { describe, expect, it } from 'vitest';
import { isFound } from '../src/ui/isFound.js';

describe('Finding by typing', () => {
  it.each([
    ['ρ of Arch', 'rho'],
    ['ρ of Arch', 'ρ arch'],
    ['y of P₁, Curve', 'p1 y'],
    ['y of P1, Curve', 'P₁'],
    ['Spans of Curve', 'curve SPANS'],
    ['anything', ''],
  ])('%s is found by %j', (text, typed) => expect(isFound(text, typed)).toBe(true));

  it.each([
    ['ρ of Arch', 'rhomb'],
    ['y of P1, Curve', 'p12'],
  ])('%s is not found by %j', (text, typed) => expect(isFound(text, typed)).toBe(false));
});
