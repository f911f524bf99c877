import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryCurve, sizeOf } from '../curve/arbitrary.js';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { emptyFigure } from '../../src/figure/document/document.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { formats } from '../../src/format/formats.js';
import { readerOf } from '../../src/format/define.js';
import { curveItem, outgoing } from './figures.js';
import { holds } from '../holds.js';

const read = (text: string) => readerOf(formats.svg)(text);
/** An image in which a unit is a millimetre. */
const image = (inside: string, attributes = 'width="100mm" height="100mm" viewBox="0 0 100 100"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;
const curvesOf = (items: readonly FigureItem[]): Curve[] => {
  const evaluation = evaluateFigure({ ...emptyFigure(), items });
  return items.map(({ id }) => curveOf(evaluation, id)!);
};
const refusal = (text: string): string => {
  try {
    read(text);
  } catch (error) {
    return (error as Error).message;
  }
  return 'it was read';
};

describe('a curve that goes out as SVG and comes in', () => {
  it('lies within what is told of its deviation', () => {
    holds(
      fc.property(arbitraryCurve({ dimension: 2, weightExponent: 0.5, clampedOnly: true }), (curve) => {
        const size = sizeOf(curve);
        const written = formats.svg.write(outgoing(curveItem(curve, 'Camber')), {
          ...formats.svg.first,
          tolerance: 0.02 * size,
        });
        // A knot of full multiplicity lets a curve break, and a path then lifts the pen.
        const { items } = read(written.text);
        fc.pre(items.length === 1);
        expect(items[0]!.name).toBe('Camber');
        const [back] = curvesOf(items);
        // Where a curve turns back on itself the bound of the distance stays above what it truly is.
        const { atLeast } = largestDistance(back!, curve);
        expect(atLeast).toBeLessThanOrEqual((written.deviation ?? 0) * (1 + 1e-6) + 1e-7 * size);
      }),
      { numRuns: 25 },
    );
  });

  it('stays a circle, an arc and a straight piece', () => {
    const items: FigureItem[] = [
      {
        id: 'a',
        name: 'Hole',
        kind: 'shape',
        shape: { kind: 'circle', centre: [3, 4], radius: 5, layout: 'cubic7' },
      },
      {
        id: 'b',
        name: 'Arc',
        kind: 'shape',
        shape: { kind: 'arcThrough', start: [0, 0], through: [5, 5], end: [10, 0] },
      },
      curveItem(
        {
          degree: 1,
          knots: [0, 0, 1, 1],
          points: [
            [0, 0],
            [9, 1],
          ],
        },
        'Edge',
        'c',
      ),
    ];
    const back = read(formats.svg.write(outgoing(...items), formats.svg.first).text).items;
    expect(back.map(({ name, kind }) => [name, kind])).toEqual([
      ['Hole', 'shape'],
      ['Arc', 'curve'],
      ['Edge', 'curve'],
    ]);
    expect(back[0]).toMatchObject({ shape: { kind: 'circle', centre: [3, 4], radius: 5 } });
    const [before, after] = [curvesOf(items)[1]!, curvesOf(back)[1]!];
    expect(largestDistance(before, after).distance).toBeLessThan(1e-13);
  });
});

describe('an SVG', () => {
  it('comes in at its true size, with its second axis up', () => {
    const at = (attributes: string): unknown =>
      (read(image('<line x1="0" y1="0" x2="96" y2="48"/>', attributes)).items[0] as { curve: Curve }).curve
        .points[1];
    expect(at('width="100mm" viewBox="0 0 100 50"')).toEqual([96, -48]);
    expect(at('width="10cm" height="5cm" viewBox="0 0 200 100"')).toEqual([48, -24]);
    expect(at('')).toEqual([25.4, -12.7]);
    expect(at('width="100%" viewBox="0 0 96 96"')).toEqual([25.4, -12.7]);
    expect(at('width="1in" height="9in" viewBox="0 0 96 96"')).toEqual([25.4, -12.7]);
  });

  it('knows all commands of a path, absolute and relative, with numbers as close as may be', () => {
    const [curve] = curvesOf(
      read(
        image(
          '<path d="M10,10l10 0h5v5H20V10L10-5c1 1 2 2 3 3s.5.5 4-2q1 1 2 0t2-.5a5 5 0 0110 0A2 2 0 1 0 5e1.5z"/>',
        ),
      ).items,
    );
    expect(pointAt(curve!, curve!.knots[0]!)).toEqual([10, -10]);
    expect(pointAt(curve!, curve!.knots.at(-1)!)).toEqual([10, -10]);
  });

  it('makes a chain of a path, with its nodes and handles', () => {
    const { items } = read(image('<path id="bout" d="M0 0C1 1 2 1 3 0S5-1 6 0"/>'));
    expect(items).toMatchObject([
      {
        name: 'bout',
        kind: 'shape',
        shape: {
          kind: 'chain',
          chain: {
            closed: false,
            nodes: [
              { point: [0, 0], kind: 'corner' },
              { point: [3, 0], before: [2, -1], after: [4, 1], kind: 'aligned' },
              { point: [6, 0], kind: 'corner' },
            ],
          },
        },
      },
    ]);
  });

  it('is brought to its place by all transformations in turn', () => {
    const { items } = read(
      image(
        '<g transform="translate(10 20) rotate(90)"><g transform="scale(2)"><line x1="0" y1="0" x2="1" y2="0"/><circle cx="1" cy="1" r="3"/><circle r="1" transform="skewX(30)"/></g></g>',
      ),
    );
    const [line, circle, skewed] = items;
    const [start, end] = (line as { curve: Curve }).curve.points;
    expect(start).toEqual([10, -20]);
    expect(end![0]).toBeCloseTo(10, 12);
    expect(end![1]).toBeCloseTo(-22, 12);
    expect(circle).toMatchObject({ shape: { kind: 'circle' } });
    expect((circle as { shape: { radius: number } }).shape.radius).toBeCloseTo(6, 12);
    expect(skewed).toMatchObject({ shape: { kind: 'ellipse' } });
  });

  it('rounds the corners of a rectangle', () => {
    const [curve] = curvesOf(read(image('<rect x="0" y="0" width="20" height="10" rx="2"/>')).items);
    const length = Array.from({ length: 4001 }, (_, k) =>
      pointAt(curve!, (k / 4000) * curve!.knots.at(-1)!),
    ).reduce(
      (sum, point, k, all) =>
        k === 0 ? 0 : sum + Math.hypot(point[0]! - all[k - 1]![0]!, point[1]! - all[k - 1]![1]!),
      0,
    );
    expect(length).toBeCloseTo(2 * (16 + 6) + 4 * Math.PI, 3);
  });

  it('lists what is no geometry, and leaves it', () => {
    const { items, left } = read(
      image(
        '<defs><path d="M0 0L1 1"/></defs><style>a{}</style><script>alert(1)</script><text>Rib</text><image href="https://elsewhere.example/a.png"/><use href="#a"/><g display="none"><line x2="1"/></g><line x2="5"/>',
      ),
    );
    expect(items).toHaveLength(1);
    expect(Object.fromEntries(left.map(({ what, count }) => [what, count]))).toEqual({
      path: 1,
      style: 1,
      script: 1,
      text: 1,
      image: 1,
      use: 1,
      line: 1,
    });
  });

  it.each([
    ['no XML', 'M 0 0 L 1 1', 'XML'],
    ['another element', '<html/>', 'not a file of the kind SVG'],
    ['one that is cut off', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0L1 1"/>', 'Line 1'],
    ['a command that is none', image('<path d="M0 0X1 1"/>'), 'There is X1 1 where a command should stand'],
    ['a path that does not begin', image('<path d="L1 1"/>'), 'where M should stand'],
    ['a number that is none', image('<circle r="large"/>'), 'large is not a number'],
    ['a number that is too large', image('<path d="M0 0L1e999 1"/>'), 'can’t be calculated with'],
    [
      'a transformation that is none',
      image('<g transform="spin(3)"/>'),
      'where a transformation should stand',
    ],
    ['entities', '<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg>&a;</svg>', 'entities of its own'],
    ['an entity that is not there', image('<text>&a;</text>'), 'XML'],
    ['elements in elements', `<svg>${'<g>'.repeat(100_000)}`, 'deep'],
    ['numbers without end', image(`<path d="M0 0${'L1 1'.repeat(1_100_000)}"/>`), 'more than'],
    ['an attribute that goes on', `<svg a="${'x'.repeat(19_000_000)}`, 'Line 1'],
  ])('is refused: %s', (_, text, told) => {
    expect(refusal(text)).toContain(told);
  });

  it('comes in with two thousand paths', () => {
    const path = `<path d="M0 0${'C1 1 2 1 3 0S5-1 6 0'.repeat(10)}"/>`;
    expect(read(image(path.repeat(2000))).items).toHaveLength(2000);
  });
});
