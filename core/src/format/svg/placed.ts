import type { ChainNode } from '../../curve/bezierChain.js';
import { circularArc } from '../../curve/circle.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { joinAll } from '../../curve/join.js';
import { validateCurve } from '../../curve/validate.js';
import { mapPlace, type PlaneMap } from '../../figure/part/plane.js';
import { figureLimits } from '../../figure/part/parts.js';
import { atLine } from '../define.js';
import type { Incoming } from '../incoming.js';
import type { Pair, PathPiece, Subpath } from './pathData.js';
import type { Drawn } from './geometry.js';

/** What is drawn, brought to its place in the figure: each kind as an item of its own kind. */
export function placed(
  drawn: Drawn,
  map: PlaneMap,
  line: number,
): Omit<Incoming, 'name'> | 'large' | undefined {
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
