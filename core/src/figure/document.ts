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
  readonly looks?: Looks;
  readonly rail: Rail;
  /** The part of the plane that the figure shows, in the drawing's unit. */
  readonly view: View;
}

/** The version of the format; older ones are brought here by `migrateFigure`. */
export const figureVersion = 1;

export type FigureItem = CurveItem | ShapeItem | BuiltItem | PointItem | PictureItem;

interface ItemBase {
  /** Stable: never reused and never changed, so that links and commands can name it. */
  readonly id: string;
  readonly name: string;
  /** Not drawn, but still there for what is built from it. */
  readonly hidden?: boolean;
  /** Drawn, but not to be moved by accident. */
  readonly locked?: boolean;
  /** Ink where absent. */
  readonly color?: ItemColor;
  /** `medium` where absent. */
  readonly lineWeight?: LineWeight;
  /** What is shown of this item where it differs from the figure. */
  readonly shown?: Partial<Shown>;
}

/** The colours that tell items apart; each theme has its own shade of them. */
export type ItemColor = 'ink' | 'teal' | 'ochre' | 'plum' | 'moss' | 'indigo' | 'coral';
export const itemColors: readonly ItemColor[] = ['ink', 'teal', 'ochre', 'plum', 'moss', 'indigo', 'coral'];

export type LineWeight = 'fine' | 'medium' | 'bold' | 'broad';
export const lineWeights: readonly LineWeight[] = ['fine', 'medium', 'bold', 'broad'];

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

/** A picture to draw over: it lies behind everything and stays with the drawing. */
export interface PictureItem extends ItemBase {
  readonly kind: 'picture';
  /** Names the stored picture. */
  readonly picture: string;
  /** Width and height of the picture itself, in its own pixels: only their proportion counts. */
  readonly size: readonly [number, number];
  readonly centre: Point;
  /** Width in the drawing's unit. */
  readonly width: number;
  /** Degrees, counterclockwise. */
  readonly angle: number;
  /** Left and right exchanged. */
  readonly flipped: boolean;
  /** From 0, as it is, to 1, not to be seen. */
  readonly fade: number;
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
  /** What a figure may show besides; where absent as `shownByDefault` says. */
  /** Spans of the rail's curve in their colours. */
  readonly spans?: boolean;
  /** A wedge at the start, pointing along the curve. */
  readonly start?: boolean;
  /** The weights of a rational curve as numbers. */
  readonly weights?: boolean;
  readonly hulls?: boolean;
  /** Inflections, and where curvature is largest and smallest. */
  readonly places?: boolean;
  /** Even steps of the parameter along the curve. */
  readonly ticks?: boolean;
  /** Straight pieces within a tolerance, against the true curve. */
  readonly facets?: boolean;
  /** The distance from another curve as colour along the curve. */
  readonly deviation?: boolean;
  /** At the cursor: tangent and normal, derivatives, the osculating circle, the construction. */
  readonly vectors?: boolean;
  readonly derivatives?: boolean;
  readonly osculating?: boolean;
  readonly construction?: boolean;
  /** The curve of first derivatives, in an inset. */
  readonly hodograph?: boolean;
}

/** What is shown where a document does not say. */
export const shownByDefault: Readonly<Required<Shown>> = {
  controlPoints: true,
  polygon: true,
  editPoints: true,
  knots: true,
  comb: false,
  labels: true,
  spans: true,
  start: true,
  weights: false,
  hulls: false,
  places: false,
  ticks: false,
  facets: false,
  deviation: false,
  vectors: false,
  derivatives: false,
  osculating: false,
  construction: false,
  hodograph: false,
};

/** What can be shown of each item, and not only of the rail's curve. */
export const shownOfItems: readonly (keyof Shown)[] = [
  'controlPoints',
  'polygon',
  'editPoints',
  'knots',
  'labels',
  'weights',
  'spans',
  'start',
  'ticks',
  'hulls',
  'comb',
  'places',
  'facets',
];

/** Whether something is shown of an item: as the item says, or else the figure, or else by default. */
export function isShown(document: FigureDocument, key: keyof Shown, item?: FigureItem): boolean {
  return item?.shown?.[key] ?? document.shown[key] ?? shownByDefault[key];
}

/** How what is shown is drawn, and what is compared with what. */
export interface Looks {
  /** Length of the comb's hairs against the length that is chosen by itself. */
  readonly combScale?: number;
  /** Number of the comb's hairs against the number that is chosen by itself. */
  readonly combDensity?: number;
  /** Largest distance of a facet from the curve, in the drawing's unit. */
  readonly facetTolerance?: number;
  readonly construction?: 'deBoor' | 'deCasteljau';
  /** How many levels of the construction are drawn; all where it is larger. */
  readonly constructionLevels?: number;
  /** Points of the construction are named by their blossom arguments. */
  readonly blossoms?: boolean;
  /** The item that the deviation is measured from. */
  readonly compareWith?: string | null;
  /** Two items, each in a pane of its own. */
  readonly sideBySide?: readonly [string, string] | null;
  /** Whether basis functions are drawn without the weights, too. */
  readonly polynomialBasis?: boolean;
  readonly basisSum?: boolean;
}

export const looksByDefault: Readonly<Required<Looks>> = {
  combScale: 1,
  combDensity: 1,
  facetTolerance: 1,
  construction: 'deBoor',
  constructionLevels: 9,
  blossoms: false,
  compareWith: null,
  sideBySide: null,
  polynomialBasis: false,
  basisSum: false,
};

/** The document's looks, whole. */
export function looksOf({ looks }: FigureDocument): Required<Looks> {
  return { ...looksByDefault, ...looks };
}

export type TrackName = 'knots' | 'basis' | 'curvature' | 'speed' | 'length' | 'derivatives' | 'deviation';

/** Every track that there is, in the order in which a rail gets them. */
export const trackNames: readonly TrackName[] = [
  'knots',
  'basis',
  'curvature',
  'speed',
  'length',
  'derivatives',
  'deviation',
];

/** The tracks that a new figure has. */
export const firstTracks: readonly TrackName[] = ['knots', 'basis', 'curvature'];

/** The stack of plots under the figure: which curve it belongs to, and its tracks from the top. */
export interface Rail {
  readonly item: string | null;
  readonly tracks: readonly TrackName[];
  /** Heights in pixels, of tracks that were resized. */
  readonly heights?: Readonly<Partial<Record<TrackName, number>>>;
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

/** Whether an item comes to a curve, and is neither a reference point nor a picture. */
export function isCurveItem(item: FigureItem): item is CurveItem | ShapeItem | BuiltItem {
  return item.kind === 'curve' || item.kind === 'shape' || item.kind === 'built';
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
