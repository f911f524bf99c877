import type { Curve, Point } from '../../curve/curve.js';
import { domainOf } from '../../curve/knotVector.js';
import { pointAt } from '../../curve/evaluate.js';
import type { FigureItem, ItemColor, LineWeight } from '../../figure/document.js';
import { told } from '../../told/told.js';
import type { OutgoingFigure, WrittenFile } from '../define.js';
import { outgoingOf } from '../outgoing.js';
import { mapTold, untold } from '../reached.js';
import { combsOf } from './comb.js';
import { number, pathOf, place } from './path.js';

export interface SvgOptions {
  readonly style: 'screen' | 'print';
  readonly marks: boolean;
  readonly comb: boolean;
  readonly tolerance: number;
  /** So many millimetres on paper are one of the drawing; lines, marks and names stay as large as they are. */
  readonly scale: number;
}

/** The colours of the light theme, which a drawing has on paper too. */
const colours: Readonly<Record<ItemColor, string>> = {
  ink: '#1b2530',
  teal: '#0d6e84',
  ochre: '#c07610',
  plum: '#70306e',
  moss: '#5a8a26',
  indigo: '#3d4ca8',
  coral: '#d4675a',
};
/** Line widths in millimetres, of the series that technical drawings use. */
const widths: Readonly<Record<LineWeight, number>> = { fine: 0.25, medium: 0.5, bold: 0.7, broad: 1 };
/** The height of names in millimetres, and how wide a letter is at most as part of it. */
const letters = { height: 3.5, width: 0.62 };
/** The longest tooth of all combs, in millimetres on paper. */
const longestTooth = 14;
/** Places on a curve by which its box is found; half a width of the widest line is added. */
const boxPlaces = 64;

/**
 * Writes the curves and points of a figure. At scale 1 they have their true size: a unit of the drawing is a millimetre on
 * paper.
 */
export function writeSvg(
  figure: OutgoingFigure,
  { style, marks, comb, tolerance, scale }: SvgOptions,
  reached = untold,
): WrittenFile {
  const { curves, points, lost } = outgoingOf(figure);
  const drawn = mapTold(curves, reached, ({ item, curve }) => ({
    item,
    curve,
    ...drawnOf(item, curve, tolerance),
  }));
  const approximated = drawn.filter(({ deviation }) => deviation > 0);
  const deviation = Math.max(0, ...approximated.map(({ deviation: one }) => one));
  const colour = (item: FigureItem): string => (style === 'print' ? '#000' : colours[item.color ?? 'ink']);
  /** A length on paper, as it is written in the drawing. */
  const paper = (length: number): number => length / scale;
  const width = (item: FigureItem): string => number(paper(widths[item.lineWeight ?? 'medium']));
  const names = marks ? namesOf(curves, paper) : [];
  const combs = comb
    ? combsOf(
        curves.map(({ curve }) => curve),
        paper(longestTooth),
      )
    : [];
  const places: Point[] = [
    ...combs.flatMap(({ teeth }) => teeth.map(([, tip]) => tip)),
    ...curves.flatMap(({ curve }) => [...samplesOf(curve), ...(marks ? curve.points : [])]),
    ...points.map(({ at }) => at),
    ...names.flatMap(({ corners }) => corners),
  ];
  const box = boxOf(places, paper(marks ? 3 : 2));
  const lines = drawn.map(
    ({ item, element }) =>
      `<g fill="none" stroke="${colour(item)}" stroke-width="${width(item)}"><title>${escaped(item.name)}</title>${element}</g>`,
  );
  const markings = marks
    ? curves.map(({ item, curve }, index) => {
        const polygon = curve.points.map((point) => place(point).replace(' ', ',')).join(' ');
        const dots = curve.points.map(
          (point) =>
            `<circle cx="${number(point[0]!)}" cy="${number(-point[1]!)}" r="${number(paper(0.8))}" fill="#fff"/>`,
        );
        return [
          `<g fill="none" stroke="${colour(item)}" stroke-width="${number(paper(0.18))}">`,
          `<polyline points="${polygon}"/>${dots.join('')}</g>`,
          `<text x="${number(names[index]!.x)}" y="${number(-names[index]!.y)}" font-size="${number(paper(letters.height))}" font-family="sans-serif" fill="${colour(item)}">${escaped(item.name)}</text>`,
        ].join('');
      })
    : [];
  const hairs = combs.map(({ teeth, lines: tips }, index) => {
    const pair = (point: Point): string => place(point);
    const across = teeth.map(([from, to]) => `M${pair(from)}L${pair(to)}`).join('');
    const along = tips.map((line) => `M${line.map(pair).join('L')}`).join('');
    return [
      `<g fill="none" stroke="${colour(curves[index]!.item)}" stroke-width="${number(paper(0.13))}">`,
      `<title>${escaped(curves[index]!.item.name)} κ</title>`,
      across && `<path d="${across}" stroke-opacity="0.5"/>`,
      along && `<path d="${along}"/>`,
      '</g>',
    ].join('');
  });
  const crosses = points.map(({ at, name }) => {
    const [x, y] = [at[0]!, -at[1]!];
    const cross = `M${number(x - paper(1))} ${number(y)}H${number(x + paper(1))}M${number(x)} ${number(y - paper(1))}V${number(y + paper(1))}`;
    return `<path d="${cross}" fill="none" stroke="#000" stroke-width="${number(paper(0.25))}"><title>${escaped(name)}</title></path>`;
  });
  const [left, top, across, down] = box;
  const text = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="${number(across * scale)}mm" height="${number(down * scale)}mm" viewBox="${[left, top, across, down].map(number).join(' ')}" stroke-linejoin="round" stroke-linecap="round">`,
    ...hairs,
    ...markings,
    ...lines,
    ...crosses,
    '</svg>',
    '',
  ].join('\n');
  return {
    text,
    lost: [
      ...lost,
      ...(approximated.length > 0
        ? [told('lostApproximated', { count: approximated.length, deviation: roundedUp(deviation) })]
        : []),
    ],
    ...(deviation > 0 ? { deviation } : {}),
  };
}

/** Where the names of curves stand: beside their first points, below one another where several curves begin at one place. */
function namesOf(
  curves: readonly { readonly item: FigureItem; readonly curve: Curve }[],
  paper: (length: number) => number,
): { readonly x: number; readonly y: number; readonly corners: readonly Point[] }[] {
  const height = paper(letters.height);
  const taken: Point[] = [];
  return curves.map(({ item, curve }) => {
    const x = curve.points[0]![0]! + paper(1.5);
    let y = curve.points[0]![1]! + paper(1.5);
    while (taken.some((other) => Math.abs(other[0]! - x) < 4 * height && Math.abs(other[1]! - y) < height))
      y -= height;
    taken.push([x, y]);
    return {
      x,
      y,
      corners: [
        [x, y],
        [x + [...item.name].length * letters.width * height, y + height],
      ],
    };
  });
}

/** A deviation with three digits, never less than it is. */
function roundedUp(value: number): number {
  const unit = 10 ** (Math.floor(Math.log10(value)) - 2);
  return Number((Math.ceil(value / unit) * unit).toPrecision(3));
}

function drawnOf(item: FigureItem, curve: Curve, tolerance: number): { element: string; deviation: number } {
  if (item.kind === 'shape') {
    const { shape } = item;
    if (shape.kind === 'circle' && typeof shape.layout === 'string') {
      const [x, y] = shape.centre as [number, number];
      return {
        element: `<circle cx="${number(x)}" cy="${number(-y)}" r="${number(shape.radius)}"/>`,
        deviation: 0,
      };
    }
  }
  const { data, deviation } = pathOf(curve, tolerance);
  return { element: `<path d="${data}"/>`, deviation };
}

function samplesOf(curve: Curve): Point[] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  return Array.from({ length: boxPlaces + 1 }, (_, k) =>
    pointAt(curve, start + ((end - start) * k) / boxPlaces),
  );
}

/** Left, top, width and height of a page that holds places, in millimetres and with a margin. */
function boxOf(places: readonly Point[], margin: number): [number, number, number, number] {
  if (places.length === 0) return [0, 0, 10, 10];
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of places) {
    left = Math.min(left, x!);
    right = Math.max(right, x!);
    bottom = Math.min(bottom, y!);
    top = Math.max(top, y!);
  }
  // A page of whole millimetres, or of tenths where it is small.
  const unit = margin < 1 ? 0.1 : 1;
  const [x0, y0] = [left - margin, -top - margin].map((low) => unit * Math.floor(low / unit)) as [
    number,
    number,
  ];
  const [x1, y1] = [right + margin, -bottom + margin].map((high) => unit * Math.ceil(high / unit)) as [
    number,
    number,
  ];
  return [x0, y0, x1 - x0, y1 - y0];
}

/** A text of the drawing; signs that XML has not are left out. */
const escaped = (text: string): string =>
  [...text]
    .filter((sign) => sign >= ' ' && !/[\ufffe\uffff]|^[\ud800-\udfff]$/.test(sign))
    .join('')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;');
