import type { Curve, Point } from '../curve/curve.js';
import { sourcesOfOperation, type Operation } from './operation.js';
import type { Shape } from './shape.js';

/**
 * A figure as it is stored: small and declarative. Everything shown is computed from it by
 * `evaluateFigure`, and every change to it is a `FigureCommand`.
 */
export interface FigureDocument {
  readonly version: typeof figureVersion;
  /** In drawing order; a built item may stand before its sources. */
  readonly items: readonly FigureItem[];
  /** For each curve that a student may change, by id: which of its points are loose. */
  readonly loose: Readonly<Record<string, LoosePoints>>;
  readonly shown: Shown;
  readonly rail: Rail;
  /** The part of the plane that the figure shows, in the drawing's unit. */
  readonly view: View;
}

/** The version of the format; older ones are brought here by `migrateFigure`. */
export const figureVersion = 1;

export type FigureItem = CurveItem | ShapeItem | BuiltItem | PointItem;

interface ItemBase {
  /** Stable: never reused and never changed, so that links and commands can name it. */
  readonly id: string;
  readonly name: string;
  /** Not drawn, but still there for what is built from it. */
  readonly hidden?: boolean;
  /** Drawn, but not to be moved by accident. */
  readonly locked?: boolean;
}

/** A given curve: its own degree, knots, points and weights. */
export interface CurveItem extends ItemBase {
  readonly kind: 'curve';
  readonly curve: Curve;
  /** A faint copy is drawn behind the others and is never moved. */
  readonly faint?: boolean;
}

/** A given curve with parameters of its own kind: an arc, a conic, a chain, a stroke. */
export interface ShapeItem extends ItemBase {
  readonly kind: 'shape';
  readonly shape: Shape;
}

/** A curve built from others: it follows its sources. */
export interface BuiltItem extends ItemBase {
  readonly kind: 'built';
  readonly operation: Operation;
}

/** A reference point: a peg to aim at. It is not a control point of anything. */
export interface PointItem extends ItemBase {
  readonly kind: 'point';
  readonly at: Point;
}

export type PointKind = 'controlPoints' | 'editPoints';

/** The indices of the points that a student may move, ascending. What is not loose is fixed. */
export type LoosePoints = Readonly<Record<PointKind, readonly number[]>>;

/** What the figure shows of its curves. */
export interface Shown {
  readonly controlPoints: boolean;
  readonly polygon: boolean;
  readonly editPoints: boolean;
  readonly knots: boolean;
  readonly comb: boolean;
  readonly labels: boolean;
  /** What a figure may show besides; absent is off. */
  readonly hulls?: boolean;
  /** Inflections, and where curvature is largest and smallest. */
  readonly places?: boolean;
  /** At the cursor: tangent and normal, the osculating circle, de Boor's construction. */
  readonly vectors?: boolean;
  readonly osculating?: boolean;
  readonly construction?: boolean;
  /** Even steps of the parameter along the curve. */
  readonly ticks?: boolean;
}

export type TrackName = 'knots' | 'basis' | 'curvature' | 'speed' | 'length';

/** Every track that there is, in the order in which the rail stacks them. */
export const trackNames: readonly TrackName[] = ['knots', 'basis', 'curvature', 'speed', 'length'];

/** The tracks that a new figure has. */
export const firstTracks: readonly TrackName[] = ['knots', 'basis', 'curvature'];

/** The stack of plots under the figure: which curve it belongs to, and its tracks from the top. */
export interface Rail {
  readonly item: string | null;
  readonly tracks: readonly TrackName[];
}

export interface View {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
  /** Distance of the grid's lines. */
  readonly grid: number;
}

/** The item of this id, if there is one. */
export function itemOf(document: FigureDocument, id: string): FigureItem | undefined {
  return document.items.find((item) => item.id === id);
}

/** The ids of the items that an item is built from. */
export function sourcesOf(item: FigureItem): readonly string[] {
  return item.kind === 'built' ? sourcesOfOperation(item.operation) : [];
}

/** An empty figure: a sheet of paper with a grid. */
export function emptyFigure(): FigureDocument {
  return {
    version: figureVersion,
    items: [],
    loose: {},
    shown: { controlPoints: true, polygon: true, editPoints: true, knots: true, comb: false, labels: true },
    rail: { item: null, tracks: firstTracks },
    view: { left: -20, right: 220, bottom: -20, top: 110, grid: 10 },
  };
}
