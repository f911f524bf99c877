import type { Curve, Point } from '../../curve/curve.js';
import { domainOf, spansOf } from '../../curve/knotVector.js';
import { pointAt } from '../../curve/evaluate.js';
import { decompose } from '../../curve/decompose.js';
import { isShown, looksOf } from '../../figure/document/seen.js';
import type { FigureItem, LineWeight } from '../../figure/document/item.js';
import { curveOf } from '../../figure/evaluation/evaluate.js';
import { told } from '../../told/told.js';
import type { OutgoingCurve, OutgoingFigure, WrittenFile } from '../define.js';
import { outgoingOf } from '../outgoing.js';
import { mapTold, untold } from '../reached.js';
import { combsOf } from './comb.js';
import { marksOf } from './marks.js';
import { escaped, Paper, spanColours, type Part } from './paper.js';
import { number, pathOf, place } from './path.js';
import { railOf } from './rail.js';

export interface SvgOptions {
  readonly style: 'screen' | 'print';
  readonly marks: boolean;
  readonly comb: boolean;
  /** The tracks of the rail, below the drawing. */
  readonly rail: boolean;
  readonly tolerance: number;
  /** So many millimetres on paper are one of the drawing; lines, marks and names stay as large as they are. */
  readonly scale: number;
}

/** Line widths in millimetres, of the series that technical drawings use. */
const widths: Readonly<Record<LineWeight, number>> = { fine: 0.25, medium: 0.5, bold: 0.7, broad: 1 };
/** The longest tooth of all combs, in millimetres on paper. */
const longestTooth = 14;
/** Places on a curve by which its box is found; half a width of the widest line is added. */
const boxPlaces = 64;

/**
 * Writes the curves and points of a figure. At scale 1 they have their true size: a unit of the drawing is a millimetre on
 * paper.
 */
export function writeSvg(figure: OutgoingFigure, options: SvgOptions, reached = untold): WrittenFile {
  const { style, marks, comb, rail, tolerance, scale } = options;
  const { document, evaluation } = figure;
  const { curves, points, lost } = outgoingOf(figure);
  const paper = new Paper(document, style, scale, figure.notation);
  const drawn = mapTold(curves, reached, (curve) => drawnOf(curve, tolerance, marks, paper));
  const approximated = drawn.filter(({ deviation }) => deviation > 0);
  const deviation = Math.max(0, ...approximated.map(({ deviation: one }) => one));
  const parts: Part[] = [
    ...(comb ? [combs(curves, paper)] : []),
    ...(marks ? [marksOf(curves, paper)] : []),
    {
      elements: drawn.map(({ element }) => element),
      places: curves.flatMap(({ curve }) => samplesOf(curve)),
    },
    ...points.map(({ at, name }) => cross(at, name, marks, paper)),
  ];
  let box = boxOf(
    parts.flatMap(({ places }) => places),
    paper.length(marks ? 3 : 2),
  );
  const onRail = rail ? curves.find(({ item }) => paper.isOnRail(item)) : undefined;
  if (onRail) {
    const { compareWith } = looksOf(document);
    const compared = compareWith === onRail.item.id ? undefined : curveOf(evaluation, compareWith);
    const [left, top, width, height] = box;
    const below = railOf(
      onRail.curve,
      compared,
      paper,
      [left + paper.length(2), -top - height - paper.length(3)],
      width - paper.length(4),
    );
    parts.push(below);
    box = boxOf([...below.places, [left, -top], [left + width, -top - height]], paper.length(1));
  }
  const [left, top, across, down] = box;
  const text = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="${number(across * scale)}mm" height="${number(down * scale)}mm" viewBox="${[left, top, across, down].map(number).join(' ')}" stroke-linejoin="round" stroke-linecap="round">`,
    ...parts.flatMap(({ elements }) => elements).filter((element) => element !== ''),
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

function combs(curves: readonly OutgoingCurve[], paper: Paper): Part {
  const all = combsOf(
    curves.map(({ curve }) => curve),
    paper.length(longestTooth),
  );
  const elements = all.map(({ teeth, lines }, index) => {
    const { item } = curves[index]!;
    const across = teeth.map(([from, to]) => `M${place(from)}L${place(to)}`).join('');
    const along = lines.map((line) => `M${line.map(place).join('L')}`).join('');
    return [
      `<g fill="none" stroke="${paper.colour(item)}" stroke-width="${paper.written(0.13)}">`,
      `<title>${escaped(item.name)} κ</title>`,
      across && `<path d="${across}" stroke-opacity="0.5"/>`,
      along && `<path d="${along}"/>`,
      '</g>',
    ].join('');
  });
  return { elements, places: all.flatMap(({ teeth }) => teeth.map(([, tip]) => tip)) };
}

/** A reference point as a cross, with its name where names are written. */
function cross(at: Point, name: string, isNamed: boolean, paper: Paper): Part {
  const [x, y] = [at[0]!, -at[1]!];
  const half = paper.length(1);
  const data = `M${number(x - half)} ${number(y)}H${number(x + half)}M${number(x)} ${number(y - half)}V${number(y + half)}`;
  const mark = `<path d="${data}" fill="none" stroke="#000" stroke-width="${paper.written(0.25)}"><title>${escaped(name)}</title></path>`;
  const text = isNamed
    ? paper.text([at[0]! + paper.length(1.4), at[1]! - paper.length(2.8)], name, { colour: '#000' })
    : { elements: [], places: [] };
  return { elements: [mark, ...text.elements], places: [at, ...text.places] };
}

/** A deviation with three digits, never less than it is. */
function roundedUp(value: number): number {
  const unit = 10 ** (Math.floor(Math.log10(value)) - 2);
  return Number((Math.ceil(value / unit) * unit).toPrecision(3));
}

/** A curve as it is drawn: in one colour, or with marks on the screen each span in its own where the figure shows that. */
function drawnOf(
  { item, curve }: OutgoingCurve,
  tolerance: number,
  marks: boolean,
  paper: Paper,
): { element: string; deviation: number } {
  const { document } = paper;
  const hasSpans = paper.isOnRail(item) ? isShown(document, 'spans', item) : item.shown?.spans === true;
  const isParted = marks && paper.isColoured && hasSpans && spansOf(curve.knots, curve.degree).length > 1;
  const { inner, deviation } = isParted ? spansIn(curve, tolerance) : outlineOf(item, curve, tolerance);
  const width = paper.written(widths[item.lineWeight ?? 'medium']);
  return {
    element: `<g fill="none" stroke="${paper.colour(item)}" stroke-width="${width}"><title>${escaped(item.name)}</title>${inner}</g>`,
    deviation,
  };
}

function outlineOf(item: FigureItem, curve: Curve, tolerance: number): { inner: string; deviation: number } {
  if (item.kind === 'shape') {
    const { shape } = item;
    if (shape.kind === 'circle' && typeof shape.layout === 'string') {
      const [x, y] = shape.centre as [number, number];
      return {
        inner: `<circle cx="${number(x)}" cy="${number(-y)}" r="${number(shape.radius)}"/>`,
        deviation: 0,
      };
    }
  }
  const { data, deviation } = pathOf(curve, tolerance);
  return { inner: `<path d="${data}"/>`, deviation };
}

function spansIn(curve: Curve, tolerance: number): { inner: string; deviation: number } {
  const paths = decompose(curve).map((piece) => pathOf(piece, tolerance));
  return {
    inner: paths
      .map(({ data }, span) => `<path d="${data}" stroke="${spanColours[span % spanColours.length]!}"/>`)
      .join(''),
    deviation: Math.max(...paths.map(({ deviation }) => deviation)),
  };
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
