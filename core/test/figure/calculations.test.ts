import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve, Point } from '../../src/curve/curve.js';
import { decompose } from '../../src/curve/decompose.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { CurveError } from '../../src/curve/error.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { domainOf, interiorKnots } from '../../src/curve/knotVector.js';
import { basisAt } from '../../src/curve/sampleBasis.js';
import { clampEnds } from '../../src/curve/split.js';
import {
  parameterCalculationNames,
  parameterCalculations,
} from '../../src/figure/calculation/atParameter.js';
import type { CalculationLine } from '../../src/figure/calculation/calculation.js';
import { conicEquation } from '../../src/figure/calculation/ofFacts.js';
import type { FactMember } from '../../src/figure/fact/define.js';
import { factNames, facts } from '../../src/figure/fact/facts.js';
import type { OperationMember } from '../../src/figure/operation/define.js';
import { offeredOperations, operations } from '../../src/figure/operation/operations.js';
import { inNotation } from '../../src/notation/neutralTex.js';
import { usualNotation } from '../../src/notation/notation.js';
import { arbitraryCurve, sizeOf } from '../curve/arbitrary.js';
import { holds } from '../holds.js';

const most = 60;

function expectReadable(lines: readonly CalculationLine[]): void {
  expect(lines.length).toBeLessThanOrEqual(most);
  for (const { tex, places, values } of lines) {
    expect(tex).not.toMatch(/NaN|Infinity|undefined/);
    expect(JSON.stringify(values ?? {})).not.toMatch(/NaN|Infinity/);
    expect(places.flat().every(Number.isFinite)).toBe(true);
    // Braces in pairs, so that it can be typeset.
    expect(tex.split('{').length).toBe(tex.split('}').length);
  }
}

const near = (a: Point, b: Point, size: number): void =>
  a.forEach((value, axis) => expect(Math.abs(value - b[axis]!)).toBeLessThanOrEqual(1e-9 * size));

describe('every calculation', () => {
  const unfolded = offeredOperations.filter((name) => (operations[name] as OperationMember).calculation);
  it.each(unfolded)('of %s is readable on random curves, and bounded', async (name) => {
    const member = operations[name] as OperationMember;
    await holds(
      fc.asyncProperty(
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        async (curve, share) => {
          const [start, end] = domainOf(curve.knots, curve.degree);
          const first = member.first as (curve: Curve, cursor: number) => Readonly<Record<string, unknown>>;
          const args = first(curve, start + share * (end - start));
          const sources = [{ kind: 'curve', curve }] as const;
          try {
            member.run(sources, args as never);
          } catch (error) {
            // What can't be done is not unfolded.
            expect(error).toBeInstanceOf(CurveError);
            return;
          }
          expectReadable(await member.calculation!(sources, args as never));
        },
      ),
      { numRuns: name === 'fitToTolerance' ? 3 : name === 'evenOut' || name === 'convert' ? 15 : 60 },
    );
  });

  it('is there for every operation that is offered', () => {
    expect(offeredOperations.filter((name) => !unfolded.includes(name))).toEqual([]);
  });

  const told = factNames.filter((name) => (facts[name] as FactMember).calculation);
  it.each(told)('of the fact %s is readable on random curves, and bounded', (name) => {
    const { calculation } = facts[name] as FactMember;
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => expectReadable(calculation!(curve))),
      { numRuns: 60 },
    );
  });

  it.each(parameterCalculationNames)('%s at a parameter is readable, and bounded', (name) => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (curve, share) => {
          const [start, end] = domainOf(curve.knots, curve.degree);
          expectReadable(parameterCalculations[name](curve, start + share * (end - start)));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the points of a calculation are those of the operation', () => {
  it('for a knot that is inserted', async () => {
    await holds(
      fc.asyncProperty(
        arbitraryCurve({ dimension: 2 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        async (any, share) => {
          if (any.periodic) return;
          const curve = clampEnds(any);
          const [start, end] = domainOf(curve.knots, curve.degree);
          const u = start + share * (end - start);
          if (interiorKnots(curve.knots, curve.degree).some(({ value }) => Math.abs(value - u) < 1e-6))
            return;
          const lines = await operations.insertKnot.calculation!([{ kind: 'curve', curve }], {
            parameter: u,
            times: 1,
          });
          const made = lines.filter(({ step }) => step === 'newPoint');
          expect(made).toHaveLength(curve.degree);
          const after = insertKnot(curve, u);
          for (const { places, values } of made) {
            near(places[0]!, after.points[Number(values!['index'])]!, sizeOf(curve) + 1);
          }
        },
      ),
    );
  });

  it('for a degree that is raised', async () => {
    await holds(
      fc.asyncProperty(arbitraryCurve({ dimension: 2 }), async (curve) => {
        if (curve.degree > 8 || decompose(curve).length * (curve.degree + 2) > most) return;
        const lines = await operations.raiseDegree.calculation!([{ kind: 'curve', curve }], { times: 1 });
        const pieces = decompose(elevateDegree(curve));
        for (const { places, values } of lines) {
          const piece = pieces[Number(values!['piece'])]!;
          near(places[0]!, piece.points[Number(values!['index'])]!, 1e3 * (sizeOf(curve) + 1));
        }
      }),
      { numRuns: 60 },
    );
  });

  it('for a knot that can go without a change, both chains meet', async () => {
    const curve: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 2, 3, 3, 3, 3],
      points: [
        [0, 0],
        [10, 40],
        [40, 60],
        [80, 50],
        [110, 20],
        [120, 0],
      ],
    };
    const miss = async (of: Curve, u: number): Promise<number> => {
      const lines = await operations.removeKnot.calculation!([{ kind: 'curve', curve: of }], {
        parameter: u,
        times: 1,
      });
      const [a, b] = lines.at(-1)!.places;
      expect(lines.at(-1)!.step).toBe('removedMiss');
      return Math.hypot(a![0]! - b![0]!, a![1]! - b![1]!);
    };
    expect(await miss(insertKnot(curve, 1.5), 1.5)).toBeLessThan(1e-12);
    expect(await miss(curve, 1)).toBeGreaterThan(1);
  });

  it('the last level of the basis functions has their values', () => {
    const curve: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 2, 2, 2],
      points: [
        [0, 0],
        [1, 2],
        [3, 2],
        [4, 0],
      ],
    };
    const last = parameterCalculations.basisFunctions(curve, 0.5).at(-1)!;
    const { firstIndex } = basisAt(curve, 0.5);
    const usual = inNotation(last.tex, usualNotation);
    expect(usual).toContain(`N_{${firstIndex},2}`);
    expect(usual).toContain('= 0.25');
    expect(usual).toContain('= 0.625');
    expect(usual).toContain('= 0.125');
    const other = inNotation(last.tex, { ...usualNotation, first: 1, size: 'order', decimals: 0 });
    expect(other).toContain(`N_{${firstIndex + 1},3}`);
    expect(other).toContain('= 0.6');
  });

  it('an equation is written as in a book', () => {
    expect(inNotation(conicEquation([1, 0, 1, 0, 0, -25]), usualNotation)).toBe('x^2 + y^2 - 25\\, = 0');
    expect(inNotation(conicEquation([0, 0, -1, 2, 0, 0]), usualNotation)).toBe('- y^2 + 2\\,x = 0');
  });
});
