import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { curvatureAt } from '../../src/curve/differential.js';
import { basisAt } from '../../src/curve/sampleBasis.js';
import type { FigureDocument } from '../../src/figure/document/document.js';
import { trackNames } from '../../src/figure/track/tracks.js';
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
/** Where the pieces of a path begin and end. */
const endsIn = (data: string): (readonly [number, number])[] =>
  [...data.matchAll(/[MLQA][^MLQAZ]*/g)].map(([piece]) => numbers(piece).slice(-2) as [number, number]);
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
    const [first, second] = [
      ...text.matchAll(/<rect x="([^"]+)" [^>]*width="([^"]+)" [^>]*fill="#(?:0d6e84|c07610)"/g),
    ];
    return [Number(first![1]), Number(second![1]) + Number(second![2])];
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
    const written = [...text.matchAll(/>([N\d])<\/text>/g)].map(([, word]) => word);
    expect(written.join('')).toContain('N0N1N2N3N4');
    const [from, to] = xs(text);
    const uOf = (x: number): number => (x - from) / (to - from);
    // The basis functions in one path, which are faint, and the curvature.
    const lines = [/stroke-opacity="0.75"/, /stroke-width="0.3"/].map((look) => {
      const [, data] = [...text.matchAll(/<path d="(M[^"]+)" fill="none"([^>]*)>/g)].find(
        ([, , attributes]) => look.test(attributes!),
      )!;
      return endsIn(data!).map(([x, y]) => [uOf(x), -y] as const);
    });
    const [basis, curvature] = lines as [(readonly [number, number])[], (readonly [number, number])[]];
    // N0 begins at one and ends at zero, which gives the scale.
    const [one, zero] = [basis[0]![1], Math.min(...basis.map(([, y]) => y))];
    for (const [u, y] of basis) {
      const value = (y - zero) / (one - zero);
      const values = [...basisAt(cubic, Math.min(1, Math.max(0, u)), u >= 1 ? 'left' : 'right').values, 0];
      expect(Math.min(...values.map((each) => Math.abs(each - value)))).toBeLessThan(1e-5);
    }
    // All of it bends to one side: straight proportion to the curvature.
    const ratios = curvature.map(([u, y]) => [curvatureAt(cubic, Math.min(1, Math.max(0, u)))!, y] as const);
    const [[k0, y0], [k1, y1]] = [ratios[2]!, ratios[10]!];
    const slope = (y1 - y0) / (k1 - k0);
    expect(slope).toBeGreaterThan(0);
    for (const [kappa, y] of ratios) expect(y).toBeCloseTo(y0 + slope * (kappa - k0), 4);
  });

  it('of any curve fits its page, with every track', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2 }), (curve) => {
        const text = drawing(
          [curve, cubic],
          // Near enough for a page, so that little time goes into fitting.
          { rail: true, marks: true, tolerance: 1 },
          {
            rail: { item: 'c0', tracks: trackNames },
            looks: { compareWith: 'c1', basisSum: true, polynomialBasis: true },
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
        const tracks = [...text.matchAll(/<g stroke-linecap="butt">(.*)<\/g>/g)].map(([, inner]) => inner!);
        expect(tracks).toHaveLength(trackNames.length);
        const ends = tracks.flatMap((inner) =>
          [...inner.matchAll(/<path d="(M[^"]+)"/g)].flatMap(([, data]) => endsIn(data!)),
        );
        expect(ends.filter(([x, y]) => !within(x, y))).toEqual([]);
      }),
      { numRuns: 10 },
    );
  });
});
