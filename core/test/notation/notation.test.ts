import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { parameterCalculations } from '../../src/figure/calculation/atParameter.js';
import type { CalculationLine } from '../../src/figure/calculation/calculation.js';
import { curveFormulas } from '../../src/figure/calculation/curveFormulas.js';
import type { FactMember } from '../../src/figure/fact/define.js';
import { facts } from '../../src/figure/fact/facts.js';
import { aboutCurve, inNotation, texBound } from '../../src/notation/neutralTex.js';
import {
  pointLetterNames,
  pointLetterOf,
  usualNotation,
  type Notation,
} from '../../src/notation/notation.js';
import { holds } from '../holds.js';

const arch: Curve = {
  degree: 2,
  knots: [0, 0, 0, 0.4, 1, 1, 1],
  points: [
    [0, 0],
    [1, 2],
    [3.14159, 2],
    [4, 0],
  ],
};
const notations: fc.Arbitrary<Notation> = fc.record({
  first: fc.constantFrom(0, 1),
  point: fc.constantFrom(...pointLetterNames),
  parameter: fc.constantFrom('u', 't', 's'),
  size: fc.constantFrom('degree', 'order'),
  decimals: fc.integer({ min: 0, max: 6 }),
});

describe('a notation', () => {
  it('counts, names, and rounds the formulas of a curve', () => {
    const lines = curveFormulas(arch);
    const written = (notation: Notation, step: string, curve = 0): string =>
      inNotation(aboutCurve(lines.find((line) => line.step === step)!.tex, curve), notation);
    expect(written(usualNotation, 'definition')).toBe(
      String.raw`\mathbf{C}(u) = \sum_{i=0}^{3} N_{i,2}(u)\,\mathbf{P}_i`,
    );
    expect(written({ ...usualNotation, first: 1, size: 'order', parameter: 't' }, 'definition', 1)).toBe(
      String.raw`\mathbf{C}(t) = \sum_{i=1}^{4} N_{i,3}(t)\,\mathbf{Q}_i`,
    );
    expect(written(usualNotation, 'controlPoints')).toContain(String.raw`3.142\\2`);
    expect(written({ ...usualNotation, decimals: 0 }, 'controlPoints')).toContain(String.raw`3.1\\2`);
    expect(written(usualNotation, 'knotVector')).toBe(
      String.raw`(u_{0}, \ldots, u_{6}) = (0,\, 0,\, 0,\, 0.4,\, 1,\, 1,\, 1)`,
    );
    // The order k is p + 1: u_{i+k−1} is the knot that u_{i+p} is.
    expect(written(usualNotation, 'recursion')).toContain('u_{i+p}');
    expect(written(usualNotation, 'recursion')).toContain('{u_{i+p+1} - u}');
    const ordered = written({ ...usualNotation, size: 'order' }, 'recursion');
    for (const part of ['N_{i,k-1}', '{u_{i+k-1} - u_i}', '{u_{i+k} - u}']) expect(ordered).toContain(part);
  });

  it('leaves nothing open in any formula of a curve', () => {
    const lines = (curve: Curve): readonly CalculationLine[] => [
      ...curveFormulas(curve),
      ...Object.values(parameterCalculations).flatMap((calculation) => calculation(curve, 0.3)),
      ...Object.values(facts as Readonly<Record<string, FactMember>>).flatMap(
        ({ calculation }) => calculation?.(curve) ?? [],
      ),
    ];
    const rational: Curve = { ...arch, weights: [1, 0.5, 1e-9, 2] };
    holds(
      fc.property(notations, (notation) => {
        for (const { tex } of [...lines(arch), ...lines(rational)]) {
          const written = inNotation(tex, notation);
          expect(written).not.toMatch(/\\(at|val|most|param|point|size|reach|factor|next|nth)\{/);
          expect(inNotation(written, notation)).toBe(written);
        }
      }),
    );
  });

  it('leaves what it does not know, and what is no number, alone', () => {
    for (const tex of [
      String.raw`\at{x} + \frac{1}{2}`,
      String.raw`\size{}`,
      String.raw`\val{1}`,
      'plain words',
      String.raw`\at{-1}`,
    ])
      expect(inNotation(tex, { ...usualNotation, first: 1 })).toBe(tex);
    expect(inNotation(String.raw`\val{nonsense}{1}`, usualNotation)).toBe(String.raw`\text{–}`);
    expect(inNotation(String.raw`\val{1e300}{9}`, usualNotation)).toBe(String.raw`1.00\cdot 10^{300}`);
  });

  it('rounds a bound up, in whatever digits', () => {
    const value = (text: string): number => {
      const [, mantissa, power = '0'] = /^([\d.]+)(?:\\cdot 10\^\{(-?\d+)\})?$/.exec(text)!;
      return Number(`${mantissa}e${power}`);
    };
    holds(
      fc.property(
        fc.double({ min: 1e-15, max: 1e6, noNaN: true }),
        notations,
        fc.integer({ min: 0, max: 4 }),
        (bound, notation, more) => {
          const written = value(inNotation(texBound(bound, more), notation));
          expect(written).toBeGreaterThanOrEqual(bound);
          expect(written).toBeLessThanOrEqual(bound * 1.11 + 10 ** -(notation.decimals + more));
        },
      ),
    );
  });

  it('gives every curve of a figure points of another name', () => {
    for (const point of pointLetterNames) {
      const names = Array.from({ length: 40 }, (_, k) => pointLetterOf({ ...usualNotation, point }, k));
      expect(names[0]).toBe(point);
      expect(new Set(names).size).toBe(names.length);
      for (const name of names) expect('EFGHJKLMNCuts').not.toContain(name);
    }
  });
});
