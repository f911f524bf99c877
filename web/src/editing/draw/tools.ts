import { clampedUniformKnots, periodicCurve, type Point } from '@bogen/core/curve';
import {
  drawnOf,
  mismatchOf,
  shapeKinds,
  shapes,
  type Drawn,
  type FigureItem,
  type SetPlace,
  type ShapeKind,
} from '@bogen/core/figure';

/** What is drawn that is no shape with parameters of its own. */
type PlainTool = 'points' | 'controlCurve' | 'straight' | 'stairs';
export type ToolName = PlainTool | ShapeKind;

/** What is chosen while drawing. Each tool takes what it has an option for, so that tools share what they call alike. */
export interface DrawOptions {
  /** Whether the mirror image is drawn along, and about which line. */
  readonly mirror: 'none' | 'vertical' | 'horizontal';
  readonly mirrorAt: number;
  readonly [option: string]: unknown;
}

export const firstOptions: DrawOptions = { mirror: 'none', mirrorAt: 0 };

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

const at = (places: readonly SetPlace[]): Point[] => places.map((place) => place.at);

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

type Tool = Drawn<DraftItem>;

const { degree, closed } = shapes.through.description.fields;
const { most } = drawnOf('through');

const plain: Readonly<Record<PlainTool, Tool>> = {
  points: {
    least: 1,
    most,
    options: {},
    first: {},
    make: (places) => ({ kind: 'points', at: at(places) }),
  },
  controlCurve: {
    least: (chosen) => (chosen['closed'] === true ? 3 : Number(chosen['degree']) + 1),
    most,
    options: { degree, closed },
    first: { degree: 3, closed: false },
    make: (places, chosen) => {
      const own = Number(chosen['degree']);
      return {
        kind: 'curve',
        curve:
          chosen['closed'] === true
            ? periodicCurve(own, at(places))
            : { degree: own, knots: clampedUniformKnots(places.length, own), points: at(places) },
      };
    },
    closes: 'smooth',
    mirrors: true,
    polygon: true,
  },
  straight: {
    least: 2,
    most,
    options: { closed },
    first: { closed: false },
    make: (places, chosen) => polyline(at(places), chosen['closed'] === true),
    closes: 'corner',
    mirrors: true,
  },
  stairs: {
    least: 2,
    most,
    options: {},
    first: {},
    make: (places) => polyline(stairs(at(places)), false),
  },
};

function toolOfShape(kind: ShapeKind): Tool {
  const drawn = drawnOf(kind);
  return { ...drawn, make: (places, chosen) => ({ kind: 'shape', shape: drawn.make(places, chosen) }) };
}

/** Everything that can be drawn: a shape by what its own file says of that. */
export const tools = {
  ...plain,
  ...Object.fromEntries(shapeKinds.map((kind) => [kind, toolOfShape(kind)])),
} as Readonly<Record<ToolName, Tool>>;

/** What can be drawn, in the order of the menu. */
export const toolNames: readonly ToolName[] = [
  ...new Set<ToolName>([
    'points',
    'controlCurve',
    'through',
    'straight',
    'stairs',
    ...shapeKinds.filter((kind) => drawnOf(kind).as === undefined),
  ]),
];

/** The ways in which what a tool draws can be given, itself among them. */
export function waysOf(name: ToolName): readonly ToolName[] {
  const base = tools[name].as ?? name;
  return [base as ToolName, ...shapeKinds.filter((kind) => drawnOf(kind).as === base)];
}

/** What is chosen for a tool: as far as it fits its options, else what they are at first. */
export function chosenOf(name: ToolName, options: DrawOptions): Tool['first'] {
  const { options: fields, first } = tools[name];
  return Object.fromEntries(
    Object.entries(fields).map(([key, field]) => [
      key,
      key in options && mismatchOf(field, options[key]) === undefined ? options[key] : first[key],
    ]),
  );
}

/** How many places a tool needs, with what is chosen. */
export function leastOf(name: ToolName, options: DrawOptions): number {
  const { least } = tools[name];
  return typeof least === 'number' ? least : least(chosenOf(name, options));
}

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
export function withHovered(places: readonly SetPlace[], at: Point, pulled?: Point): readonly SetPlace[] {
  const last = places.at(-1)?.at;
  if (!pulled && last && last.every((value, axis) => value === at[axis])) return places;
  return [...places, pulled ? { at, pulled } : { at }];
}

/**
 * What the places so far come to: nothing yet, something still short of what the tool needs (drawn with
 * what they can carry: a lower degree, straight pieces), or a whole item.
 */
export function draftOf(name: ToolName, places: readonly SetPlace[], options: DrawOptions): Draft {
  if (places.length === 0) return { status: 'empty' };
  const { make } = tools[name];
  const chosen = chosenOf(name, options);
  const missing = leastOf(name, options) - places.length;
  if (missing <= 0) return { status: 'whole', item: make(places, chosen) };
  if (places.length < 2) return { status: 'short', missing };
  if (name === 'controlCurve') {
    const lower = Math.min(Number(chosen['degree']), places.length - 1);
    return { status: 'short', missing, item: make(places, { ...chosen, degree: lower, closed: false }) };
  }
  return { status: 'short', missing, item: polyline(at(places), false) };
}
