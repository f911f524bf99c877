import {
  clampedUniformKnots,
  periodicCurve,
  type ChainNode,
  type NodeKind,
  type Parametrisation,
  type Point,
} from '@bogen/core/curve';
import type { FigureItem, Shape } from '@bogen/core/figure';

/** What can be drawn, in the order of the menu. */
export type ToolName =
  | 'points'
  | 'controlCurve'
  | 'throughCurve'
  | 'straight'
  | 'stairs'
  | 'chain'
  | 'stroke'
  | 'arcThrough'
  | 'arcRadius'
  | 'circle'
  | 'ellipse'
  | 'rectangle'
  | 'polygon'
  | 'conic';

export const toolNames: readonly ToolName[] = [
  'points',
  'controlCurve',
  'throughCurve',
  'straight',
  'stairs',
  'chain',
  'stroke',
  'arcThrough',
  'arcRadius',
  'circle',
  'ellipse',
  'rectangle',
  'polygon',
  'conic',
];

/** What can be set while drawing. Each tool uses what concerns it. */
export interface DrawOptions {
  readonly degree: number;
  readonly parametrisation: Parametrisation;
  readonly closed: boolean;
  readonly layout: 'quadratic9' | 'quadratic7' | 'cubic7' | 'quintic6' | 'periodic' | 'cubics';
  readonly sides: number;
  readonly rho: number;
  readonly held: 'shoulder' | 'tangentIntersection';
  /** Whether an arc between two ends is given by its radius or its bulge. */
  readonly arcBy: 'radius' | 'bulge';
  readonly radius: number;
  /** Height of the arc against half its chord, positive to the right of the chord. */
  readonly bulge: number;
  readonly side: 'left' | 'right';
  readonly large: boolean;
  readonly tolerance: number;
  /** What a node becomes out of which a handle is pulled. */
  readonly nodeKind: NodeKind;
  /** Whether the mirror image is drawn along, and about which line. */
  readonly mirror: 'none' | 'vertical' | 'horizontal';
  readonly mirrorAt: number;
}

export const firstOptions: DrawOptions = {
  degree: 3,
  parametrisation: 'chord',
  closed: false,
  layout: 'quadratic9',
  sides: 6,
  rho: 0.5,
  held: 'shoulder',
  arcBy: 'radius',
  radius: 60,
  bulge: 0.5,
  side: 'left',
  large: false,
  tolerance: 1,
  nodeKind: 'equal',
  mirror: 'none',
  mirrorAt: 0,
};

/** A place that was set, with the handle that was pulled out of it, if any. */
export interface Placed {
  readonly at: Point;
  readonly pulled?: Point;
  /** What the node is, where it was not the last choice. */
  readonly kind?: NodeKind;
}

/** What has been drawn so far would come to this. */
export type Draft =
  | { readonly status: 'empty' }
  /** So many places are still missing; `item` is what those so far can carry. */
  | { readonly status: 'short'; readonly missing: number; readonly item?: DraftItem }
  | { readonly status: 'whole'; readonly item: DraftItem };

/** An item without its id and name, which it gets when it is done. */
export type DraftItem =
  | Pick<FigureItem & { kind: 'curve' }, 'kind' | 'curve'>
  | Pick<FigureItem & { kind: 'shape' }, 'kind' | 'shape'>
  | { readonly kind: 'points'; readonly at: readonly Point[] };

interface Tool {
  /** How many places it needs, by its options. */
  readonly least: (options: DrawOptions) => number;
  /** How many it can take; when they are set it is done. */
  readonly most: (options: DrawOptions) => number;
  readonly uses: readonly (keyof DrawOptions)[];
  /** Drawn in one stroke with the pointer down. */
  readonly freehand?: true;
  /** Whether handles are pulled while placing. */
  readonly pulls?: true;
  readonly make: (places: readonly Placed[], options: DrawOptions) => DraftItem;
}

const many = 2000;
const fixed = (count: number): Pick<Tool, 'least' | 'most'> => ({ least: () => count, most: () => count });
const shape = (value: Shape): DraftItem => ({ kind: 'shape', shape: value });
const at = (places: readonly Placed[]): Point[] => places.map((place) => place.at);

function polyline(points: readonly Point[], closed: boolean): DraftItem {
  const all = closed && points.length > 2 ? [...points, points[0]!] : points;
  return { kind: 'curve', curve: { degree: 1, knots: clampedUniformKnots(all.length, 1), points: all } };
}

/** Steps between places: along x first, then along y. */
function stairs(points: readonly Point[]): Point[] {
  return points.flatMap((point, index) => {
    const next = points[index + 1];
    const bend = next && next[0] !== point[0] && next[1] !== point[1] ? [[next[0]!, point[1]!]] : [];
    return [point, ...bend];
  });
}

/** A node with the handle that was pulled out of it; a corner's other handle stays in the node. */
function nodeOf({ at: point, pulled }: Placed, kind: NodeKind): ChainNode {
  if (!pulled) return { point, before: point, after: point, kind: 'corner' };
  const before = kind === 'corner' ? point : point.map((value, axis) => 2 * value - pulled[axis]!);
  return { point, before, after: pulled, kind };
}

export const tools: Readonly<Record<ToolName, Tool>> = {
  points: {
    least: () => 1,
    most: () => many,
    uses: [],
    make: (places) => ({ kind: 'points', at: at(places) }),
  },
  controlCurve: {
    least: ({ degree, closed }) => (closed ? 3 : degree + 1),
    most: () => many,
    uses: ['degree', 'closed', 'mirror'],
    make: (places, { degree, closed }) => ({
      kind: 'curve',
      curve: closed
        ? periodicCurve(degree, at(places))
        : { degree, knots: clampedUniformKnots(places.length, degree), points: at(places) },
    }),
  },
  throughCurve: {
    least: ({ closed }) => (closed ? 3 : 2),
    most: () => many,
    uses: ['degree', 'parametrisation', 'closed', 'mirror'],
    make: (places, { degree, parametrisation, closed }) =>
      shape({ kind: 'through', points: at(places), degree, parametrisation, closed }),
  },
  straight: {
    least: () => 2,
    most: () => many,
    uses: ['closed', 'mirror'],
    make: (places, { closed }) => polyline(at(places), closed),
  },
  stairs: {
    least: () => 2,
    most: () => many,
    uses: [],
    make: (places) => polyline(stairs(at(places)), false),
  },
  chain: {
    least: () => 2,
    most: () => many,
    uses: ['nodeKind', 'closed', 'mirror'],
    pulls: true,
    make: (places, { closed, nodeKind }) =>
      shape({
        kind: 'chain',
        chain: { nodes: places.map((place) => nodeOf(place, place.kind ?? nodeKind)), closed },
      }),
  },
  stroke: {
    least: () => 2,
    most: () => 20_000,
    uses: ['degree', 'tolerance', 'mirror'],
    freehand: true,
    make: (places, { tolerance, degree }) => shape({ kind: 'stroke', points: at(places), tolerance, degree }),
  },
  arcThrough: {
    ...fixed(3),
    uses: [],
    make: ([start, end, through]) =>
      shape({ kind: 'arcThrough', start: start!.at, through: through!.at, end: end!.at }),
  },
  arcRadius: {
    ...fixed(2),
    uses: ['arcBy', 'radius', 'bulge', 'side', 'large'],
    make: ([start, end], { arcBy, radius, bulge, side, large }) =>
      shape(
        arcBy === 'bulge'
          ? { kind: 'arcBulge', start: start!.at, end: end!.at, bulge }
          : { kind: 'arcRadius', start: start!.at, end: end!.at, radius, side, large },
      ),
  },
  circle: {
    ...fixed(2),
    uses: ['layout'],
    make: ([centre, rim], { layout }) =>
      shape({
        kind: 'circle',
        centre: centre!.at,
        radius: Math.hypot(rim!.at[0]! - centre!.at[0]!, rim!.at[1]! - centre!.at[1]!),
        layout:
          layout === 'periodic'
            ? { approximation: 'periodic', degree: 3, count: 8 }
            : layout === 'cubics'
              ? { approximation: 'cubics', pieces: 4 }
              : layout,
      }),
  },
  ellipse: {
    ...fixed(3),
    uses: ['layout'],
    make: ([centre, first, second], { layout }) => {
      const [x, y] = [first!.at[0]! - centre!.at[0]!, first!.at[1]! - centre!.at[1]!];
      const length = Math.hypot(x, y) || 1;
      // The second half axis is square to the first; the third place says how long it is.
      const offset = [second!.at[0]! - centre!.at[0]!, second!.at[1]! - centre!.at[1]!];
      const height = (offset[1]! * x - offset[0]! * y) / length;
      return shape({
        kind: 'ellipse',
        centre: centre!.at,
        axisX: [x, y],
        axisY: [(-y / length) * height, (x / length) * height],
        layout: layout === 'periodic' || layout === 'cubics' ? 'quadratic9' : layout,
      });
    },
  },
  rectangle: {
    ...fixed(2),
    uses: [],
    make: ([corner, opposite]) => shape({ kind: 'rectangle', corner: corner!.at, opposite: opposite!.at }),
  },
  polygon: {
    ...fixed(2),
    uses: ['sides'],
    make: ([centre, corner], { sides }) =>
      shape({ kind: 'polygon', centre: centre!.at, corner: corner!.at, sides }),
  },
  conic: {
    ...fixed(3),
    uses: ['held', 'rho'],
    make: ([start, end, place], { held, rho }) =>
      shape({ kind: 'conic', start: start!.at, end: end!.at, place: place!.at, held, rho }),
  },
};

/** The mirror line of a drawing, by two places; none where nothing is mirrored. */
export function mirrorAxis({ mirror, mirrorAt }: DrawOptions): readonly [Point, Point] | undefined {
  if (mirror === 'none') return undefined;
  return mirror === 'vertical'
    ? [
        [mirrorAt, 0],
        [mirrorAt, 1],
      ]
    : [
        [0, mirrorAt],
        [1, mirrorAt],
      ];
}

/** The places with the pointer's as if it were set: right after a place was set the pointer is still on it, and adds none. */
export function withHovered(places: readonly Placed[], at: Point, pulled?: Point): readonly Placed[] {
  const last = places.at(-1)?.at;
  if (!pulled && last && last.every((value, axis) => value === at[axis])) return places;
  return [...places, pulled ? { at, pulled } : { at }];
}

/**
 * What the places so far come to: nothing yet, something still short of what the tool needs (drawn with
 * what they can carry: a lower degree, straight pieces), or a whole item.
 */
export function draftOf(name: ToolName, places: readonly Placed[], options: DrawOptions): Draft {
  if (places.length === 0) return { status: 'empty' };
  const tool = tools[name];
  const missing = tool.least(options) - places.length;
  if (missing <= 0) return { status: 'whole', item: tool.make(places, options) };
  if (places.length < 2) return { status: 'short', missing };
  if (name === 'controlCurve') {
    const degree = Math.min(options.degree, places.length - 1);
    return { status: 'short', missing, item: tool.make(places, { ...options, degree, closed: false }) };
  }
  return { status: 'short', missing, item: polyline(at(places), false) };
}
