import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryCurve, sizeOf } from '../curve/arbitrary.js';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { FormatError, type FormatMember, readerOf } from '../../src/format/define.js';
import { formatNames, formats } from '../../src/format/formats.js';
import { pathOf } from '../../src/format/svg/path.js';
import { curveItem, curvesIn, outgoing } from './figures.js';
import { holds } from '../holds.js';

const both = formatNames.filter((name) => formats[name].keeps === 'digits');
const through = (format: FormatMember, ...items: FigureItem[]) =>
  readerOf(format)(format.write(outgoing(...items), format.first).text);
const plane = { dimension: 2 } as const;

describe.each(both)('a curve that goes out and comes in by %s', (name) => {
  const format: FormatMember = formats[name];

  it('is the same to the last digit', () => {
    holds(
      fc.property(arbitraryCurve(plane), (curve) => {
        const [back] = curvesIn(through(format, curveItem(curve)).items);
        // IGES gives every curve weights: where all are 1 there are none.
        const { weights, ...rest } = curve;
        const expected = name === 'iges' && weights?.every((weight) => weight === 1) ? rest : curve;
        expect(back).toEqual(expected);
      }),
    );
  });

  it('keeps its name and its order among others', () => {
    holds(
      fc.property(
        fc.array(fc.string({ minLength: 1, maxLength: 40 }), { minLength: 1, maxLength: 5 }),
        (names) => {
          const line: Curve = {
            degree: 1,
            knots: [0, 0, 1, 1],
            points: [
              [0, 0],
              [1, 2],
            ],
          };
          const wanted = names.map((given, k) =>
            `${k} ${given.replace(/[^ -~äöüß曲線]/g, '').trim()}`.trim(),
          );
          const items = wanted.map((given, k) => curveItem(line, given, `c${k}`));
          const found = through(format, ...items).items.map((item) => item.name);
          expect(found).toEqual(
            name === 'iges' ? wanted.map((one) => one.replace(/[^ -~]/g, '_').trim()) : wanted,
          );
        },
      ),
    );
  });

  it('stands beside circles and points, which stay what they are', () => {
    const items: FigureItem[] = [
      {
        id: 'hole',
        name: 'Peg hole',
        kind: 'shape',
        shape: { kind: 'circle', centre: [12.3, -4.1], radius: 5.05, layout: 'quadratic9' },
      },
      { id: 'peg', name: 'Peg 1', kind: 'point', at: [0.1, 0.2] },
    ];
    const back = through(format, ...items).items;
    if (name === 'csv') {
      // A table knows curves by their points alone.
      expect(back.map(({ kind }) => kind)).toEqual(['curve', 'point']);
    } else {
      expect(back.map(({ kind }) => kind)).toEqual(['shape', 'point']);
      expect(back[0]).toMatchObject({
        name: 'Peg hole',
        shape: { kind: 'circle', centre: [12.3, -4.1] },
      });
      // IGES gives a circle by its centre and a place on it.
      expect((back[0] as { shape: { radius: number } }).shape.radius).toBeCloseTo(5.05, 14);
    }
    expect(back[1]).toMatchObject({ name: 'Peg 1', at: [0.1, 0.2] });
  });

  it('says what of a figure stays behind', () => {
    const curve: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [1, 2],
      ],
    };
    const { lost } = format.write(
      outgoing(
        curveItem(curve),
        { ...curveItem(curve, 'Hidden', 'c2'), hidden: true },
        {
          id: 'built',
          name: 'Built',
          kind: 'built',
          operation: { name: 'raiseDegree', source: 'c1', times: 1 },
        },
      ),
      format.first,
    );
    expect(lost.map(({ code }) => code)).toEqual(name === 'json' ? [] : ['lostHidden', 'lostBuilt']);
  });
});

describe('an ellipse', () => {
  it.each(['step'] as const)('stays one by %s', (name) => {
    const item: FigureItem = {
      id: 'e',
      name: 'Ellipse',
      kind: 'shape',
      shape: { kind: 'ellipse', centre: [3, 4], axisX: [6, 8], axisY: [-2, 1.5], layout: 'quadratic9' },
    };
    const [back] = through(formats[name], item).items;
    expect(back).toMatchObject({ kind: 'shape', shape: { kind: 'ellipse' } });
    const [a, b] = [item, back!].map((one) => {
      const { document, evaluation } = outgoing(one);
      const state = evaluation.items.get(document.items[0]!.id);
      return state?.status === 'curve' ? state.curve : undefined;
    });
    expect(largestDistance(a!, b!).distance).toBeLessThan(1e-12);
  });
});

describe('a curve as an SVG path', () => {
  /** The places of a path's commands, which are absolute; arcs by their ends only. */
  const ends = (data: string): number[][] =>
    [...data.matchAll(/[MLQCA]([^MLQCAZ]*)/g)].map(([, numbers]) =>
      numbers!.trim().split(/\s+/).map(Number).slice(-2),
    );

  it('lies within what is told of the deviation, and within the tolerance', () => {
    holds(
      fc.property(arbitraryCurve({ ...plane, weightExponent: 0.5, periodic: false }), (curve) => {
        const tolerance = 0.01 * sizeOf(curve);
        const { data, deviation } = pathOf(curve, tolerance);
        const pieces = cubicsOf(data);
        expect(deviation).toBeGreaterThanOrEqual(0);
        if (!pieces || deviation > tolerance) return;
        for (const piece of pieces) {
          const { distance } = largestFrom(piece, curve);
          expect(distance).toBeLessThanOrEqual(deviation + 1e-9 * sizeOf(curve));
        }
      }),
      { numRuns: 15 },
    );
  });

  it('is exact for degree 1 to 3 without weights', () => {
    holds(
      fc.property(arbitraryCurve({ ...plane, rational: false, clampedOnly: true }), (curve) => {
        fc.pre(curve.degree <= 3);
        const { data, deviation } = pathOf(curve, 1);
        expect(deviation).toBe(0);
        const [start, ...rest] = ends(data);
        expect(start).toEqual([curve.points[0]![0], -curve.points[0]![1]! + 0]);
        const last = rest.at(-1)!;
        expect(last[0]).toBeCloseTo(curve.points.at(-1)![0]!, 9);
        expect(last[1]).toBeCloseTo(-curve.points.at(-1)![1]!, 9);
      }),
    );
  });

  it('draws a quarter of a circle as an arc', () => {
    const quarter: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [5, 0],
        [5, 5],
        [0, 5],
      ],
      weights: [1, Math.SQRT1_2, 1],
    };
    const { data, deviation } = pathOf(quarter, 0.01);
    expect(deviation).toBe(0);
    expect(data).toMatch(/^M5 0A5(\.0{6,}\d+)? [\d.]+ -?[\d.]+ 0 0 0 -5$/);
  });

  const largestFrom = (piece: Curve, curve: Curve): { distance: number } => {
    let distance = 0;
    for (let k = 0; k <= 8; k++) {
      const at = pointAt(piece, k / 8);
      let nearest = Infinity;
      const [first, last] = [curve.knots[curve.degree]!, curve.knots[curve.points.length]!];
      for (let j = 0; j <= 800; j++) {
        const [x, y] = pointAt(curve, first + ((last - first) * j) / 800);
        nearest = Math.min(nearest, Math.hypot(x! - at[0]!, y! - at[1]!));
      }
      // Places between those that were tried lie nearer than half a step.
      distance = Math.max(distance, nearest - stepOf(curve) / 2);
    }
    return { distance };
  };
  const stepOf = (curve: Curve): number => {
    const [first, last] = [curve.knots[curve.degree]!, curve.knots[curve.points.length]!];
    let step = 0;
    for (let j = 0; j < 800; j++) {
      const [a, b] = [j, j + 1].map((k) => pointAt(curve, first + ((last - first) * k) / 800));
      step = Math.max(step, Math.hypot(a![0]! - b![0]!, a![1]! - b![1]!));
    }
    return step;
  };
  /** The cubics of a path; nothing where it has arcs. */
  const cubicsOf = (data: string): Curve[] | undefined => {
    if (data.includes('A')) return undefined;
    let at = [0, 0];
    return [...data.matchAll(/([MLQC])([^MLQCAZ]*)/g)].flatMap(([, letter, numbers]) => {
      const flat = numbers!.trim().split(/\s+/).map(Number);
      const places = Array.from({ length: flat.length / 2 }, (_, k) => [flat[2 * k]!, -flat[2 * k + 1]!]);
      const from = at;
      at = places.at(-1)!;
      if (letter === 'M') return [];
      const degree = places.length;
      return [
        {
          degree,
          knots: [...Array<number>(degree + 1).fill(0), ...Array<number>(degree + 1).fill(1)],
          points: [from, ...places],
        },
      ];
    });
  };
});

describe('a comb in a drawing', () => {
  const numbersOf = (text: string): number[] => [...text.matchAll(/-?[\d.]+(?:e-?\d+)?/g)].map(Number);
  const teethOf = (text: string): number[][] =>
    [...text.matchAll(/<path d="((?:M[^ML]+L[^ML"]+)+)" stroke-opacity/g)].flatMap(([, data]) =>
      data!
        .split('M')
        .filter(Boolean)
        .map((tooth) => numbersOf(tooth)),
    );
  const written = (curve: Curve, options: object = {}): string =>
    formats.svg.write(outgoing(curveItem(curve)), { ...formats.svg.first, comb: true, ...options }).text;

  it('has teeth across the curve as long as the curvature, on the side away from its centre', () => {
    const curve: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [0, 0],
        [20, 40],
        [40, 0],
      ],
    };
    const teeth = teethOf(written(curve));
    expect(teeth.length).toBeGreaterThan(20);
    const lengths = teeth.map(([x0, y0, x1, y1]) => Math.hypot(x1! - x0!, y1! - y0!));
    expect(Math.max(...lengths)).toBeCloseTo(14, 6);
    for (const [index, [x0, y0, x1, y1]] of teeth.entries()) {
      // The parabola is y = 2x − x²/20, so that its curvature is known; the drawing has y downwards.
      expect(-y0!).toBeCloseTo(2 * x0! - x0! ** 2 / 20, 6);
      const slope = 2 - x0! / 10;
      expect(lengths[index]! / 14).toBeCloseTo((1 + slope ** 2) ** -1.5, 6);
      expect(-(y1! - y0!)).toBeGreaterThan(0);
      expect((x1! - x0!) * 1 - (y1! - y0!) * slope).toBeCloseTo(0, 6);
    }
    // On paper they stay as long when the drawing is made larger.
    const larger = teethOf(written(curve, { scale: 2 })).map(([x0, y0, x1, y1]) =>
      Math.hypot(x1! - x0!, y1! - y0!),
    );
    expect(Math.max(...larger)).toBeCloseTo(7, 6);
  });

  it('is not there for a line, nor unless it is asked for, and the page holds it', () => {
    const line: Curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [30, 10],
      ],
    };
    expect(written(line)).not.toContain('NaN');
    holds(
      fc.property(arbitraryCurve(plane), (curve) => {
        const text = written(curve);
        const [left, top, width, height] = numbersOf(/viewBox="([^"]+)"/.exec(text)![1]!);
        for (const [, , x, y] of teethOf(text)) {
          expect(x! >= left! && x! <= left! + width! && y! >= top! && y! <= top! + height!).toBe(true);
        }
        expect(written(curve, { comb: false })).not.toContain('stroke-opacity');
      }),
      { numRuns: 30 },
    );
  });
});

describe('the tracks of the rail in a table', () => {
  const curve: Curve = {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 1],
    points: [
      [0, 0],
      [10, 20],
      [30, 0],
    ],
    weights: [1, 2, 1],
  };
  const figure = outgoing(curveItem(curve));
  const document = {
    ...figure.document,
    rail: {
      item: figure.document.items[0]!.id,
      tracks: ['knots', 'basis', 'curvature', 'derivatives', 'weights', 'deviation'] as const,
    },
  };
  const rowsWith = (samples: number): Record<string, string>[] => {
    const { text } = formats.csv.write({ ...figure, document }, { samples });
    const [head, ...rows] = text
      .trim()
      .split('\r\n')
      .map((row) => row.split(','));
    return rows.map((row) => Object.fromEntries(head!.map((name, index) => [name, row[index]!])));
  };

  it('are columns of the samples, as the rail shows them', () => {
    const samples = rowsWith(4).filter(({ kind }) => kind === 'sample');
    expect(samples).toHaveLength(5);
    for (const row of samples) {
      const u = Number(row['value']);
      const weight = (1 - u) ** 2 + 4 * u * (1 - u) + u ** 2;
      expect(Number(row['weights'])).toBeCloseTo(weight, 12);
      const [x, y] = [Number(row['derivatives x′']), Number(row['derivatives y′'])];
      expect(Math.hypot(x, y)).toBeCloseTo(Number(row['speed']), 9);
      const shares = [(1 - u) ** 2 / weight, (4 * u * (1 - u)) / weight, u ** 2 / weight];
      shares.forEach((share, index) => expect(Number(row[`basis ${index}`])).toBeCloseTo(share, 12));
      // Nothing is compared with.
      expect(row['deviation']).toBe('');
    }
    expect(samples[0]).not.toHaveProperty('basis 3');
    expect(Object.keys(samples[0]!).filter((name) => name === 'curvature')).toHaveLength(1);
  });

  it('are not there without samples, and come in again as no harm', () => {
    expect(Object.keys(rowsWith(0)[0]!)).not.toContain('weights');
    const { text } = formats.csv.write({ ...figure, document }, { samples: 10 });
    expect(curvesIn(formats.csv.read!(text).items)).toEqual([curve]);
  });
});

describe('basis functions in a table', () => {
  const linear = (count: number): Curve => ({
    degree: 1,
    knots: [0, ...Array.from({ length: count }, (_, k) => k), count - 1],
    points: Array.from({ length: count }, (_, k) => [k, k % 2]),
  });
  const tableOf = (...counts: readonly number[]) => {
    const items = counts.map((count, k) => curveItem(linear(count), `Curve ${k}`, `c${k}`));
    const { document, evaluation } = outgoing(...items);
    const tracks = ['basis'] as const;
    return formats.csv.write(
      { document: { ...document, rail: { item: 'c0', tracks } }, evaluation },
      { samples: 4 },
    );
  };

  it('a curve has no cells beyond its own, and zeros where a function is not there', () => {
    const [head, ...rows] = tableOf(2, 3)
      .text.trim()
      .split('\r\n')
      .map((row) => row.split(','));
    const cells = (name: string) =>
      rows
        .filter(([curve, kind]) => curve === name && kind === 'sample')
        .map((row) => row.slice(head!.indexOf('basis 0')));
    expect(cells('Curve 0')[1]).toEqual(['0.75', '0.25', '']);
    expect(cells('Curve 1')[1]).toEqual(['0.5', '0.5', '0']);
    expect(cells('Curve 1')[4]).toEqual(['0', '0', '1']);
  });

  it('a table that would have too many rows or cells is refused before it is made', () => {
    const of = (count: number, points: number, samples: number) => () => {
      const items = Array.from({ length: count }, (_, k) => curveItem(linear(points), `C ${k}`, `c${k}`));
      const { document, evaluation } = outgoing(...items);
      const rail = { item: 'c0', tracks: ['basis'] as const };
      return formats.csv.write({ document: { ...document, rail }, evaluation }, { samples }).text;
    };
    expect(of(51, 2, 10_000)).toThrow(FormatError);
    expect(of(4, 200, 10_000)).toThrow(FormatError);
    expect(of(2, 20, 1000)()).toContain('basis 19');
  });

  it('of very many stay behind, which is told', () => {
    const { text, lost } = tableOf(201, 3);
    expect(lost.map(({ code, parameters }) => [code, parameters])).toEqual([
      ['lostBasis', { count: 1, most: 200 }],
    ]);
    expect(text.split('\r\n')[0]).toMatch(/basis 2$/);
  });
});

describe('samples in a table', () => {
  const samplesOf = (curve: Curve, options: object) => {
    const { text } = formats.csv.write(outgoing(curveItem(curve)), { ...formats.csv.first, ...options });
    const [head, ...rows] = text
      .trim()
      .split('\r\n')
      .map((row) => row.split(','));
    const at = (name: string) => head!.indexOf(name);
    const number = (row: string[], name: string) => Number(row[at(name)]);
    return rows
      .filter((row) => row[at('kind')] === 'sample')
      .map((row) => ({
        point: [number(row, 'x'), number(row, 'y')],
        value: number(row, 'value'),
        length: number(row, 'length'),
        speed: number(row, 'speed'),
        curvature: row[at('curvature')] === '' ? undefined : number(row, 'curvature'),
      }));
  };

  it('stand at even steps of the arc length where that is asked for', () => {
    holds(
      fc.property(arbitraryCurve(plane), fc.integer({ min: 1, max: 40 }), (curve, count) => {
        const samples = samplesOf(curve, { samples: count, even: 'length' });
        const whole = lengthOfCurve(curve);
        expect(samples).toHaveLength(count + 1);
        for (const [index, { length, point, value }] of samples.entries()) {
          expect(Math.abs(length - (whole * index) / count)).toBeLessThan(1e-9 * sizeOf(curve));
          expect(point).toEqual(pointAt(curve, value));
        }
      }),
      { numRuns: 60 },
    );
  });

  it('say of an arc how curved it is everywhere', () => {
    const arc: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [20, 0],
        [20, 20],
        [0, 20],
      ],
      weights: [1, Math.SQRT1_2, 1],
    };
    const samples = samplesOf(arc, { samples: 8 });
    samples.forEach(({ curvature, value }, index) => {
      expect(curvature).toBeCloseTo(1 / 20, 12);
      expect(value).toBe(index / 8);
    });
    expect(samples.at(-1)!.length).toBeCloseTo(10 * Math.PI, 9);
    // Each has the speed by which its length grows.
    const [before, , after] = samplesOf(arc, { samples: 2000 }).slice(999, 1002);
    expect(samples[4]!.speed).toBeCloseTo(
      (after!.length - before!.length) / (after!.value - before!.value),
      4,
    );
  });
});

describe('a figure as a drawing', () => {
  it('has the scale that is asked for, with lines as thick as before', () => {
    const write = (scale: number): string =>
      formats.svg.write(
        outgoing(
          curveItem({
            degree: 1,
            knots: [0, 0, 1, 1],
            points: [
              [0, 0],
              [40, 0],
            ],
          }),
        ),
        { ...formats.svg.first, scale },
      ).text;
    const of = (text: string, name: string): number =>
      parseFloat(new RegExp(`${name}="([-\\d.e]+)`).exec(text)![1]!);
    const [once, twice] = [write(1), write(2)];
    // A margin of two millimetres on each side, on paper.
    expect([of(once, 'width'), of(twice, 'width')]).toEqual([44, 84]);
    expect(of(twice, 'stroke-width') * 2).toBeCloseTo(of(once, 'stroke-width'), 12);
  });

  it('has its true size, names as titles, and nothing that is not drawn', () => {
    const text = formats.svg.write(
      outgoing(
        curveItem(
          {
            degree: 1,
            knots: [0, 0, 1, 1],
            points: [
              [0, 0],
              [100, 50],
            ],
          },
          'Rib <1>',
        ),
      ),
      formats.svg.first,
    ).text;
    expect(text).toContain('width="104mm" height="54mm" viewBox="-2 -52 104 54"');
    expect(text).toContain('<title>Rib &lt;1&gt;</title><path d="M0 0L100 -50"/>');
  });

  it('goes out with ten thousand curves', () => {
    const curve: Curve = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 1, 1, 1],
      points: [
        [0, 0],
        [1, 2],
        [3, 2],
        [4, 0],
      ],
    };
    const items = Array.from({ length: 10_000 }, (_, k) => curveItem(curve, `Curve ${k}`, `c${k}`));
    const document = { ...outgoing().document, items };
    const { text } = formats.step.write({ document, evaluation: evaluateFigure(document) }, {});
    expect(text.match(/B_SPLINE_CURVE_WITH_KNOTS/g)).toHaveLength(10_000);
    expect(readerOf(formats.step)(text).items).toHaveLength(10_000);
  });
});
