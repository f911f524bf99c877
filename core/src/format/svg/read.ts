import { SaxesParser } from 'saxes';
import type { ChainNode } from '../../curve/bezierChain.js';
import { circularArc } from '../../curve/circle.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { joinAll } from '../../curve/join.js';
import { validateCurve } from '../../curve/validate.js';
import { mapPlace, type PlaneMap } from '../../figure/part/plane.js';
import { figureLimits } from '../../figure/part/parts.js';
import { told } from '../../told/told.js';
import { atLine, FormatError, type ReadFile } from '../define.js';
import { collected, type Incoming } from '../incoming.js';
import { formatLimits, refuseTooLong } from '../limits.js';
import { untold } from '../reached.js';
import { parsePath, type Pair, type PathPiece, type Subpath } from './pathData.js';
import { after, millimetresOf, parseTransform, unmoved } from './place.js';

/** What is drawn only where something else names it, or not at all. */
const notDrawn = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'linearGradient',
  'radialGradient',
]);
const containers = new Set(['svg', 'g', 'a', 'switch']);
const descriptions = new Set(['title', 'desc', 'metadata']);

/** Signs that are read between two times that it is told how far it is. */
const piece = 16_384;

interface Open {
  readonly name: string;
  readonly map: PlaneMap;
  readonly isDrawn: boolean;
  /** How it is called: by its title, by its id, or as what it stands in. */
  called: string;
  /** What came in by it, which a title that follows gives its name. */
  readonly made: { -readonly [Key in keyof Incoming]: Incoming[Key] }[];
}

/**
 * Reads the geometry of an SVG: paths, lines, polylines, polygons, circles, ellipses and rectangles with their transformations, at their
 * true size. Nothing is fetched, and no entity is put in.
 * @throws FormatError with the line and the reason
 */
export function readSvg(text: string, reached = untold): ReadFile {
  refuseTooLong(text);
  const parser = new SaxesParser();
  const open: Open[] = [];
  const incoming: Open['made'] = [];
  const left = new Map<string, number>();
  let [elements, points, millimetres] = [0, 0, 1];
  let isSvg = false;
  let title: string | undefined;
  const leave = (what: string): void => void left.set(what, (left.get(what) ?? 0) + 1);
  parser.on('error', (error) => {
    throw atLine(parser.line, told('fileXml', { problem: error.message.replace(/^\d+:\d+: /, '') }));
  });
  parser.on('doctype', (doctype) => {
    if (doctype.includes('[')) throw atLine(parser.line, told('fileEntities'));
  });
  parser.on('opentag', ({ name: written, attributes }) => {
    if (++elements > formatLimits.entities)
      throw atLine(parser.line, told('fileTooMany', { most: formatLimits.entities, what: 'elements' }));
    if (open.length >= formatLimits.depth)
      throw atLine(parser.line, told('fileTooDeep', { most: formatLimits.depth }));
    const name = written.replace(/^svg:/, '');
    const parent = open.at(-1);
    if (!parent) {
      if (name !== 'svg') throw atLine(parser.line, told('fileNotThis', { format: 'SVG' }));
      isSvg = true;
      millimetres = millimetresOf(attributes);
    }
    // The second axis of a page points down.
    const outer: PlaneMap = parent?.map ?? { a: millimetres, b: 0, c: 0, d: -millimetres, e: 0, f: 0 };
    const transform = attributes['transform'];
    const own = transform && name !== 'svg' ? parseTransform(transform, parser.line) : unmoved;
    const isHidden =
      attributes['display'] === 'none' || /(?:^|;)\s*display\s*:\s*none/.test(attributes['style'] ?? '');
    const here: Open = {
      name,
      map: after(outer, own),
      isDrawn: (parent?.isDrawn ?? true) && !notDrawn.has(name) && !isHidden,
      called: attributes['id'] ?? parent?.called ?? '',
      made: [],
    };
    open.push(here);
    if (name === 'title') title = '';
    if (descriptions.has(name) || containers.has(name) || notDrawn.has(name)) return;
    if (!here.isDrawn) {
      leave(name);
      return;
    }
    const drawn = geometryOf(name, attributes, parser.line);
    if (!drawn) {
      leave(name);
      return;
    }
    for (const one of drawn) {
      const item = placed(one, here.map, parser.line);
      points += 'pieces' in one ? one.pieces.length : 1;
      if (points > formatLimits.points)
        throw atLine(parser.line, told('fileTooMany', { most: formatLimits.points, what: 'points' }));
      if (item === 'large') leave('paths of more than 2000 nodes');
      else if (item) here.made.push({ ...item, name: here.called });
    }
  });
  parser.on('text', (words) => {
    if (title !== undefined) title += words;
  });
  parser.on('closetag', () => {
    const closed = open.pop()!;
    const parent = open.at(-1);
    if (closed.name === 'title' && title !== undefined) {
      // A title names what it stands in: an element, or a group with what is drawn in it.
      if (parent) {
        const name = title.trim().slice(0, 200);
        for (const one of parent.made) if (one.name === parent.called) one.name = name;
        parent.called = name;
      }
      title = undefined;
    }
    const target = parent ? parent.made : incoming;
    for (const one of closed.made) target.push(one);
  });
  try {
    for (let at = 0; at < text.length; at += piece) {
      reached(at / text.length);
      parser.write(text.slice(at, at + piece));
    }
    parser.close();
  } catch (error) {
    if (error instanceof FormatError) throw error;
    throw atLine(parser.line, told('fileEnds'));
  }
  if (!isSvg) throw new FormatError(told('fileNotThis', { format: 'SVG' }));
  return collected(incoming, left, millimetres);
}

/** A circle or ellipse in the coordinates of its element, or what is drawn with a pen. */
type Drawn = Subpath | { readonly centre: Pair; readonly radii: Pair };

/** What an element draws; nothing where it is no geometry. */
function geometryOf(
  name: string,
  attributes: Readonly<Record<string, string>>,
  line: number,
): Drawn[] | undefined {
  const number = (key: string, usual = 0): number => {
    const written = attributes[key];
    if (written === undefined || written.trim() === '' || written === 'auto') return usual;
    const value = Number(/^\s*([+-]?[\d.]+(?:[eE][+-]?\d+)?)(?:px)?\s*$/.exec(written)?.[1] ?? NaN);
    if (!Number.isFinite(value)) throw atLine(line, told('fileNumber', { found: written.slice(0, 24) }));
    return value;
  };
  switch (name) {
    case 'path':
      return parsePath(attributes['d'] ?? '', line, formatLimits.points);
    case 'line':
      return [
        straight(
          [
            [number('x1'), number('y1')],
            [number('x2'), number('y2')],
          ],
          false,
        ),
      ];
    case 'polyline':
    case 'polygon': {
      const flat = (attributes['points'] ?? '')
        .trim()
        .split(/[\s,]+/)
        .filter((word) => word !== '')
        .map(Number);
      if (!flat.every(Number.isFinite))
        throw atLine(line, told('fileNumber', { found: (attributes['points'] ?? '').slice(0, 24) }));
      const places = Array.from({ length: Math.floor(flat.length / 2) }, (_, k): Pair => [
        flat[2 * k]!,
        flat[2 * k + 1]!,
      ]);
      return places.length > 1 ? [straight(places, name === 'polygon')] : [];
    }
    case 'circle':
      return round([number('cx'), number('cy')], [number('r'), number('r')]);
    case 'ellipse':
      return round([number('cx'), number('cy')], [number('rx'), number('ry')]);
    case 'rect':
      return rectangle(number);
    default:
      return undefined;
  }
}

const round = (centre: Pair, radii: Pair): Drawn[] =>
  radii[0] > 0 && radii[1] > 0 ? [{ centre, radii }] : [];

function straight(places: readonly Pair[], isClosed: boolean): Subpath {
  const [start, ...rest] = places as [Pair, ...Pair[]];
  const to = isClosed ? [...rest, start] : rest;
  return { start, pieces: to.map((place) => ({ kind: 'line', to: place })), isClosed };
}

/** A rectangle, whose corners may be rounded (SVG 1.1, 9.2). */
function rectangle(number: (key: string, usual?: number) => number): Drawn[] {
  const [x, y, width, height] = [number('x'), number('y'), number('width'), number('height')];
  if (!(width > 0 && height > 0)) return [];
  const [givenX, givenY] = [number('rx', NaN), number('ry', NaN)];
  const rx = Math.min(width / 2, Number.isNaN(givenX) ? (Number.isNaN(givenY) ? 0 : givenY) : givenX);
  const ry = Math.min(height / 2, Number.isNaN(givenY) ? (Number.isNaN(givenX) ? 0 : givenX) : givenY);
  const [right, bottom] = [x + width, y + height];
  if (!(rx > 0 && ry > 0))
    return [
      straight(
        [
          [x, y],
          [right, y],
          [right, bottom],
          [x, bottom],
        ],
        true,
      ),
    ];
  const arc = (to: Pair): PathPiece => ({
    kind: 'arc',
    radii: [rx, ry],
    angle: 0,
    isLarge: false,
    isPositive: true,
    to,
  });
  const line = (to: Pair): PathPiece => ({ kind: 'line', to });
  const pieces: PathPiece[] = [
    line([right - rx, y]),
    arc([right, y + ry]),
    line([right, bottom - ry]),
    arc([right - rx, bottom]),
    line([x + rx, bottom]),
    arc([x, bottom - ry]),
    line([x, y + ry]),
    arc([x + rx, y]),
  ];
  return [{ start: [x + rx, y], pieces, isClosed: true }];
}

/** What is drawn, brought to its place in the figure: each kind as an item of its own kind. */
function placed(drawn: Drawn, map: PlaneMap, line: number): Omit<Incoming, 'name'> | 'large' | undefined {
  if ('centre' in drawn) {
    const centre = mapPlace(map, drawn.centre);
    const [x, y] = [
      [map.a * drawn.radii[0], map.c * drawn.radii[0]],
      [map.b * drawn.radii[1], map.d * drawn.radii[1]],
    ] as const;
    const [a, b] = [Math.hypot(...x), Math.hypot(...y)];
    const isRound = Math.abs(a - b) <= 1e-12 * a && Math.abs(x[0] * y[0] + x[1] * y[1]) <= 1e-12 * a * b;
    if (!(a > 0 && b > 0)) return undefined;
    return isRound ? { circle: { centre, radius: a } } : { ellipse: { centre, x, y } };
  }
  const { start, pieces, isClosed } = drawn;
  if (pieces.length >= figureLimits.points) return 'large';
  const at = (place: Pair): Point => mapPlace(map, place);
  try {
    if (pieces.every(({ kind }) => kind === 'line')) {
      const points = [start, ...pieces.map(({ to }) => to)].map(at);
      const last = points.length - 1;
      const curve: Curve = { degree: 1, knots: [0, ...points.map((_, k) => k), last], points };
      validateCurve(curve);
      return { curve };
    }
    if (pieces.some(({ kind }) => kind === 'arc')) return { curve: joinAll(curvesOf(drawn, map), 1e-6) };
    return { chain: { nodes: nodesOf(start, pieces, isClosed, at), closed: isClosed } };
  } catch (error) {
    if (error instanceof CurveError) throw atLine(line, error.told);
    throw error;
  }
}

/** The nodes of a chain of cubic pieces; a line has its handles at thirds of it. */
function nodesOf(
  start: Pair,
  pieces: readonly PathPiece[],
  isClosed: boolean,
  at: (place: Pair) => Point,
): ChainNode[] {
  const cubics = pieces.map((piece, k) => {
    const from = k === 0 ? start : pieces[k - 1]!.to;
    const { to } = piece;
    if (piece.kind === 'cubic') return { ...piece, from };
    const third = (share: number): Pair => [
      from[0] + share * (to[0] - from[0]),
      from[1] + share * (to[1] - from[1]),
    ];
    return { from, first: third(1 / 3), second: third(2 / 3), to };
  });
  const last = cubics.at(-1)!;
  const nodes = cubics.map(({ from, first }, k) => {
    const before = k === 0 ? (isClosed ? last.second : from) : cubics[k - 1]!.second;
    return node(at(from), at(before), at(first));
  });
  return isClosed ? nodes : [...nodes, node(at(last.to), at(last.second), at(last.to))];
}

function node(point: Point, before: Point, after: Point): ChainNode {
  const [bx, by] = [before[0]! - point[0]!, before[1]! - point[1]!];
  const [ax, ay] = [after[0]! - point[0]!, after[1]! - point[1]!];
  const sizes = Math.hypot(bx, by) * Math.hypot(ax, ay);
  const isAligned = sizes > 0 && bx * ax + by * ay < 0 && Math.abs(bx * ay - by * ax) <= 1e-9 * sizes;
  return { point, before, after, kind: isAligned ? 'aligned' : 'corner' };
}

/** The pieces of a path as curves of their own, arcs as the exact rational ones. */
function curvesOf({ start, pieces }: Subpath, map: PlaneMap): Curve[] {
  let from = start;
  return pieces.map((piece): Curve => {
    const begin = from;
    from = piece.to;
    const through = (points: readonly Pair[]): Curve => {
      const degree = points.length - 1;
      const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
      return { degree, knots: [...ends(0), ...ends(1)], points: points.map((point) => mapPlace(map, point)) };
    };
    if (piece.kind === 'line') return through([begin, piece.to]);
    if (piece.kind === 'cubic') return through([begin, piece.first, piece.second, piece.to]);
    return arcOf(begin, piece, map);
  });
}

/** An arc from its ends, radii and flags (SVG 1.1, appendix F.6.5), as a rational quadratic curve. */
function arcOf(from: Pair, arc: Extract<PathPiece, { readonly kind: 'arc' }>, map: PlaneMap): Curve {
  const { to, isLarge, isPositive } = arc;
  const turn = (arc.angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [(from[0] - to[0]) / 2, (from[1] - to[1]) / 2];
  const [x, y] = [cos * dx + sin * dy, -sin * dx + cos * dy];
  let [rx, ry] = arc.radii;
  // Radii that are too small for the ends are made as large as they have to be.
  const need = (x / rx) ** 2 + (y / ry) ** 2;
  if (need > 1) [rx, ry] = [rx * Math.sqrt(need), ry * Math.sqrt(need)];
  const rest = Math.max(0, (rx * ry) ** 2 - (rx * y) ** 2 - (ry * x) ** 2) / ((rx * y) ** 2 + (ry * x) ** 2);
  const size = (isLarge === isPositive ? -1 : 1) * Math.sqrt(rest);
  const [cx, cy] = [(size * rx * y) / ry, (-size * ry * x) / rx];
  const centre: Pair = [
    cos * cx - sin * cy + (from[0] + to[0]) / 2,
    sin * cx + cos * cy + (from[1] + to[1]) / 2,
  ];
  const start = Math.atan2((y - cy) / ry, (x - cx) / rx);
  const end = Math.atan2((-y - cy) / ry, (-x - cx) / rx);
  const whole = 2 * Math.PI;
  const forward = (((end - start) % whole) + whole) % whole;
  const sweep = isPositive ? forward : forward - whole;
  const unit = circularArc({ centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] }, start, sweep);
  const points = unit.points.map(([u, v]): Pair => {
    const [a, b] = [rx * u!, ry * v!];
    return [cos * a - sin * b + centre[0], sin * a + cos * b + centre[1]];
  });
  // Its ends are where the path says, to the last digit.
  points[0] = from;
  points[points.length - 1] = to;
  return { ...unit, points: points.map((point) => mapPlace(map, point)) };
}
