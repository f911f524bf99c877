import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { curvatureAt } from '../../src/curve/differential.js';
import { basisAt } from '../../src/curve/sampleBasis.js';
import type { FigureDocument } from '../../src/figure/document/document.js';
import { formats } from '../../src/format/formats.js';
import { usualNotation, type Notation } from '../../src/notation/notation.js';
import { arbitraryCurve } from '../curve/arbitrary.js';
import { curveItem, outgoing } from './figures.js';
import { holds } from '../holds.js';

const cubic: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.5, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 30],
    [40, 35],
    [70, 20],
    [90, 0],
  ],
};

/** A drawing of curves, of which the first is on the rail. */
function drawing(
  curves: readonly Curve[],
  options: object,
  change: Partial<FigureDocument> = {},
  notation?: Notation,
): string {
  const items = curves.map((curve, k) => curveItem(curve, `Curve ${k + 1}`, `c${k}`));
  const { document, evaluation } = outgoing(...items);
  return formats.svg.write(
    {
      document: { ...document, rail: { item: 'c0', tracks: ['knots', 'basis', 'curvature'] }, ...change },
      evaluation,
      ...(notation ? { notation } : {}),
    },
    { ...formats.svg.first, ...options },
  ).text;
}

const numbers = (text: string): number[] =>
  [...text.matchAll(/-?\d+(?:\.\d+)?(?:e[-+]?\d+)?/g)].map(([value]) => Number(value));
/** The names of points: letters with a number below. */
const names = (text: string): string[] =>
  [...text.matchAll(/>([^<>]+)<tspan[^>]*>(\d+)</g)].map(([, letter, index]) => `${letter}${index}`);

describe('what stands beside curves in a drawing', () => {
  it('has the names that the figure has, each curve its own letter', () => {
    const text = drawing([cubic, { ...cubic, points: cubic.points.map(([x, y]) => [x!, y! - 60]) }], {
      marks: true,
    });
    expect(names(text)).toEqual([
      ...['P0', 'P1', 'P2', 'P3', 'P4', 'E1', 'E2', 'E3'],
      ...['Q0', 'Q1', 'Q2', 'Q3', 'Q4', 'F1', 'F2', 'F3'],
    ]);
    expect(text).toContain('>Curve 2</text>');
    expect(text.match(/<polyline/g)).toHaveLength(2);
  });

  it('counts and names as a lesson wants it, and leaves out what the figure does not show', () => {
    const notation: Notation = { ...usualNotation, first: 1, point: 'b' };
    const shown = {
      controlPoints: true,
      polygon: false,
      editPoints: false,
      knots: false,
      comb: false,
      labels: true,
    };
    const text = drawing([cubic], { marks: true }, { shown }, notation);
    expect(names(text)).toEqual(['b1', 'b2', 'b3', 'b4', 'b5']);
    expect(text).not.toContain('<polyline');
    // A curve that is alone needs no name.
    expect(text).not.toContain('>Curve 1</text>');
    expect(names(drawing([cubic], { marks: true }, { shown: { ...shown, labels: false } }))).toEqual([]);
  });

  it('has a stroke across the curve at each knot', () => {
    const text = drawing([cubic], { marks: true });
    const [, data] = /<path d="(M[^"]+)" stroke-width="0.35"/.exec(text)!;
    const [x0, y0, x1, y1] = numbers(data!) as [number, number, number, number];
    // The middle of the stroke is C(1/2) = (P1 + 2 P2 + P3) / 4 for this knot vector.
    expect((x0 + x1) / 2).toBeCloseTo((10 + 80 + 70) / 4, 9);
    expect(-(y0 + y1) / 2).toBeCloseTo((30 + 70 + 20) / 4, 9);
    expect(Math.hypot(x1 - x0, y1 - y0)).toBeCloseTo(2.2, 9);
  });

  it('spans have their colours on the screen, and are black for print', () => {
    const [screen, print] = ['screen', 'print'].map((style) => drawing([cubic], { style, marks: true }));
    expect([...screen!.matchAll(/<path d="[^"]+" stroke="(#\w+)"\/>/g)].map(([, colour]) => colour)).toEqual([
      '#0d6e84',
      '#c07610',
    ]);
    expect(
      [...print!.matchAll(/(?:stroke|fill)="(#\w+)"/g)].every(
        ([, colour]) => colour === '#000' || colour === '#fff',
      ),
    ).toBe(true);
    const plain = drawing(
      [cubic],
      { style: 'screen', marks: true },
      { shown: { ...outgoing().document.shown, spans: false } },
    );
    expect(plain).not.toContain('stroke="#c07610"');
  });
});

describe('the rail in a drawing', () => {
  const xs = (text: string): [number, number] => {
    // The line of the knots, in two spans.
    const [first, second] = [...text.matchAll(/<path d="(M[^"]+)" fill="none" stroke="#(?:0d6e84|c07610)"/g)];
    return [numbers(first![1]!)[0]!, numbers(second![1]!)[2]!];
  };

  it('is not there unless it is asked for, nor where no curve is on it', () => {
    expect(drawing([cubic], {})).not.toContain('<text');
    expect(drawing([cubic], { rail: true }, { rail: { item: null, tracks: ['basis'] } })).not.toContain(
      '<text',
    );
    expect(drawing([cubic], { rail: true })).toContain('>κ</text>');
  });

  it('plots the values of the basis functions and of the curvature over the parameter', () => {
    const text = drawing([cubic], { rail: true });
    expect(names(text)).toEqual(['N0', 'N1', 'N2', 'N3', 'N4']);
    const [from, to] = xs(text);
    const uOf = (x: number): number => (x - from) / (to - from);
    const lines = [
      ...text.matchAll(/<path d="(M[^"]+)" fill="none" stroke="[^"]+" stroke-width="0.25"\/>/g),
    ].map(([, data]) => {
      const flat = numbers(data!);
      return Array.from(
        { length: flat.length / 2 },
        (_, k) => [uOf(flat[2 * k]!), -flat[2 * k + 1]!] as const,
      );
    });
    const [basis, curvature] = lines as [(readonly [number, number])[], (readonly [number, number])[]];
    // N0 begins at one and ends at zero, which gives the scale.
    const [one, zero] = [basis[0]![1], Math.min(...basis.map(([, y]) => y))];
    for (const [u, y] of basis) {
      const value = (y - zero) / (one - zero);
      const values = [...basisAt(cubic, Math.min(1, Math.max(0, u)), u >= 1 ? 'left' : 'right').values, 0];
      expect(Math.min(...values.map((each) => Math.abs(each - value)))).toBeLessThan(1e-6);
    }
    // All of it bends to one side: straight proportion to the curvature.
    const ratios = curvature.map(([u, y]) => [curvatureAt(cubic, Math.min(1, Math.max(0, u)))!, y] as const);
    const [[k0, y0], [k1, y1]] = [ratios[2]!, ratios[10]!];
    const slope = (y1 - y0) / (k1 - k0);
    expect(slope).toBeGreaterThan(0);
    for (const [kappa, y] of ratios) expect(y).toBeCloseTo(y0 + slope * (kappa - k0), 5);
  });

  it('of any curve fits its page, with every track', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const text = drawing(
          [curve],
          // Near enough for a page, so that little time goes into fitting.
          { rail: true, marks: true, tolerance: 1 },
          {
            rail: {
              item: 'c0',
              tracks: [
                'knots',
                'basis',
                'curvature',
                'speed',
                'length',
                'derivatives',
                'weights',
                'radiusError',
              ],
            },
          },
        );
        expect(text).not.toMatch(/NaN|Infinity|undefined/);
        const [left, top, width, height] = numbers(/viewBox="([^"]+)"/.exec(text)![1]!) as [
          number,
          number,
          number,
          number,
        ];
        const within = (x: number, y: number): boolean =>
          x >= left && x <= left + width && y >= top && y <= top + height;
        const outside = [...text.matchAll(/<path d="(M[^"ACQ]+)" fill="none"/g)].flatMap(([, data]) => {
          const flat = numbers(data!);
          return flat.filter((_, k) => k % 2 === 0 && !within(flat[k]!, flat[k + 1]!));
        });
        expect(outside).toEqual([]);
      }),
      { numRuns: 10 },
    );
  });
});
