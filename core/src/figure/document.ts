import {
  choice,
  flag,
  itemId,
  list,
  nullable,
  number,
  object,
  optional,
  ownItemId,
  pair,
  partial,
  place,
  record,
  signs,
  tagged,
  text,
  unionOf,
  uuid,
  whole,
  type UnionField,
  type ValueOf,
} from '../describe/describe.js';
import { sourcesOfOperation } from './operate.js';
import { freedomsDescription, type Freedom } from './freedom.js';
import { operationDescription } from './operation/operations.js';
import { curve, figureLimits, index } from './parts.js';
import { shapeDescription } from './shape/shapes.js';
import { shown, type Shown } from './shown.js';
import { usesDescription } from './uses.js';
import { firstTracks, trackNames } from './track/tracks.js';

/** The version of the format; older ones are brought here by `migrateFigure`. */
export const figureVersion = 3;

const itemName = text(1, 200);

export const somethingShown = partial(shown);

/** The colours that tell items apart; each theme has its own shade of them. Ink where absent. */
const itemColor = choice('ink', 'teal', 'ochre', 'plum', 'moss', 'indigo', 'coral');
export type ItemColor = ValueOf<typeof itemColor>;
export const itemColors: readonly ItemColor[] = itemColor.choices;

const lineWeight = choice('fine', 'medium', 'bold', 'broad');
export type LineWeight = ValueOf<typeof lineWeight>;
export const lineWeights: readonly LineWeight[] = lineWeight.choices;

/** A joint with another curve that later changes keep. */
const lockedJoint = object({
  end: choice('start', 'end'),
  to: itemId,
  toEnd: choice('start', 'end'),
  continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
});

/** A knot of full multiplicity at which later changes keep a continuity. */
const lockedKnot = object({
  knot: number({ unit: 'parameter' }),
  continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
});

/** What every item may carry besides what it is: how it is called, and how it is drawn and taken hold of. */
export const attributes = {
  name: itemName,
  /** Not drawn, but still there for what is built from it. */
  hidden: optional(flag),
  /** Drawn, but not to be moved by accident. */
  locked: optional(flag),
  color: optional(itemColor),
  /** `medium` where absent. */
  lineWeight: optional(lineWeight),
  /** What is shown of this item where it differs from the figure. */
  shown: optional(somethingShown),
  /** A faint copy is drawn behind the others and is never moved. */
  faint: optional(flag),
  /** Joints with other curves that are kept when either curve changes. */
  lockedJoints: optional(list(lockedJoint, 8)),
  /** Knots at which a continuity is kept when the curve changes. */
  lockedKnots: optional(list(lockedKnot, 60)),
} as const;

const base = {
  /** Stable: never reused and never changed, so that links and commands can name it. */
  id: ownItemId,
  ...attributes,
} as const;

/** What a picture is besides which one it is. */
export const pictureAttributes = {
  centre: place,
  /** Width in the drawing's unit. */
  width: number({ unit: 'length' }),
  /** Counterclockwise. */
  angle: number({ unit: 'degrees' }),
  /** Left and right exchanged. */
  flipped: flag,
  /** From 0, as it is, to 1, not to be seen. */
  fade: number({ least: 0, most: 1 }),
} as const;

const curveItem = tagged('kind', 'curve', { ...base, curve });
const shapeItem = tagged('kind', 'shape', { ...base, shape: shapeDescription });
const builtItem = tagged('kind', 'built', { ...base, operation: operationDescription });
const pointItem = tagged('kind', 'point', { ...base, at: place });
const pictureItem = tagged('kind', 'picture', {
  ...base,
  /** Names the stored picture. */
  picture: uuid,
  /** Width and height of the picture itself, in its own pixels: only their proportion counts. */
  size: pair(number()),
  ...pictureAttributes,
});

/** A given curve: its own degree, knots, points and weights. */
export type CurveItem = ValueOf<typeof curveItem>;
/** A given curve with parameters of its own kind: an arc, a conic, a chain, a stroke. */
export type ShapeItem = ValueOf<typeof shapeItem>;
/** A curve built from others: it follows its sources. */
export type BuiltItem = ValueOf<typeof builtItem>;
/** A reference point: a place to aim at and to draw on. It is not a control point of anything. */
export type PointItem = ValueOf<typeof pointItem>;
/** A picture to draw over: it lies behind everything and stays with the drawing. */
export type PictureItem = ValueOf<typeof pictureItem>;

export type FigureItem = CurveItem | ShapeItem | BuiltItem | PointItem | PictureItem;

export const itemDescription: UnionField<FigureItem> = unionOf('kind', {
  curve: { description: curveItem },
  shape: { description: shapeItem },
  built: { description: builtItem },
  point: { description: pointItem },
  picture: { description: pictureItem },
});

export type PointKind = 'controlPoints' | 'editPoints';

export const indices = list(index, figureLimits.points);

/** The indices of the points that a reader may move, ascending. What is not loose is fixed. */
export const loosePoints = object({ controlPoints: indices, editPoints: indices });
export type LoosePoints = ValueOf<typeof loosePoints>;

/** How what is shown is drawn, and what is compared with what. */
export const looksDescription = object({
  /** Length of the comb's hairs against the length that is chosen by itself. */
  combScale: optional(number({ least: 0.01, most: 100 })),
  /** Number of the comb's hairs against the number that is chosen by itself. */
  combDensity: optional(number({ least: 0.05, most: 20 })),
  /** Largest distance of a facet from the curve. */
  facetTolerance: optional(number({ unit: 'length', least: 1e-6, most: 1e4 })),
  construction: optional(choice('deBoor', 'deCasteljau')),
  /** How many levels of the construction are drawn; all where it is larger. */
  constructionLevels: optional(whole(0, 9)),
  /** Points of the construction are named by their blossom arguments. */
  blossoms: optional(flag),
  /** The item that the deviation is measured from. */
  compareWith: optional(nullable(itemId)),
  /** How many times the difference from the compared curve is drawn enlarged; not at all where it is 1. */
  enlarged: optional(number({ least: 1, most: 1e15 })),
  /** Lines lead from the curve to equal parameters of the compared curve. */
  correspondence: optional(flag),
  /** Two items, each in a pane of its own. */
  sideBySide: optional(nullable(pair(itemId))),
  /** Whether basis functions are drawn without the weights, too. */
  polynomialBasis: optional(flag),
  basisSum: optional(flag),
});
export type Looks = ValueOf<typeof looksDescription>;

const trackName = choice(...trackNames);

/** The stack of plots under the figure: which curve it belongs to, and its tracks from the top. */
export const railDescription = object({
  item: nullable(itemId),
  tracks: list(trackName, 20),
  /** Heights in pixels, of tracks that were resized. */
  heights: optional(record(trackName, number({ least: 24, most: 600 }))),
});

/** A part of the plane, in the drawing's unit, with the distance of the grid's lines. */
export const viewDescription = object({
  left: number({ unit: 'length' }),
  right: number({ unit: 'length' }),
  bottom: number({ unit: 'length' }),
  top: number({ unit: 'length' }),
  grid: number({ unit: 'length' }),
});
export type View = ValueOf<typeof viewDescription>;

/**
 * A figure as it is stored: small and declarative. Everything shown is computed from it by
 * `evaluateFigure`, and every change to it is a `FigureCommand`.
 */
export const figureDescription = object({
  version: signs(figureVersion),
  /** In drawing order; a built item may stand before its sources. */
  items: list(itemDescription, figureLimits.items),
  /** For each curve that a reader may change, by id: which of its points are loose. */
  loose: record(itemId, loosePoints),
  /** What else a reader may do, besides moving loose points. */
  readersMay: optional(freedomsDescription),
  uses: optional(usesDescription),
  shown,
  looks: optional(looksDescription),
  rail: railDescription,
  /** The part of the plane that the figure shows. */
  view: viewDescription,
});
export type FigureDocument = Omit<ValueOf<typeof figureDescription>, 'loose' | 'readersMay'> & {
  readonly loose: Readonly<Record<string, LoosePoints>>;
  readonly readersMay?: readonly Freedom[];
};
export type { Shown };

/** What is shown where a document does not say. */
const shownByDefault: Readonly<Required<Shown>> = {
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
  extremes: false,
  ticks: false,
  facets: false,
  deviation: false,
  vectors: false,
  derivatives: false,
  osculating: false,
  construction: false,
  hodograph: false,
  conic: false,
  lifted: false,
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
  'extremes',
  'facets',
];

/** In a figure of more items than this, what stands beside a curve is shown of the curve on the rail alone. */
const mostMarked = 200;

/** Whether an item's points are marked, so that they can be taken hold of: not where there are too many to tell apart. */
export const isMarked = ({ items, rail }: FigureDocument, item: FigureItem): boolean =>
  items.length <= mostMarked || rail.item === item.id || !isCurveItem(item);

/** Whether something is shown of an item: as the item says, or else the figure, or else by default. */
export function isShown(document: FigureDocument, key: keyof Shown, item?: FigureItem): boolean {
  return (
    item?.shown?.[key] ??
    ((!item || isMarked(document, item)) && (document.shown[key] ?? shownByDefault[key]))
  );
}

const looksByDefault: Readonly<Required<Looks>> = {
  combScale: 1,
  combDensity: 1,
  facetTolerance: 1,
  construction: 'deBoor',
  constructionLevels: 9,
  blossoms: false,
  compareWith: null,
  enlarged: 1,
  correspondence: false,
  sideBySide: null,
  polynomialBasis: false,
  basisSum: false,
};

/** The document's looks, whole. */
export function looksOf({ looks }: FigureDocument): Required<Looks> {
  return { ...looksByDefault, ...looks };
}

/** What of a curve is loose, if anything was ever said about it. */
export function looseOf(document: FigureDocument, id: string): LoosePoints | undefined {
  // Ids may be words such as `constructor`, which every object has.
  return Object.hasOwn(document.loose, id) ? document.loose[id] : undefined;
}

/** The item of this id, if there is one. */
export function itemOf(document: FigureDocument, id: string): FigureItem | undefined {
  return document.items.find((item) => item.id === id);
}

/** Whether the figure has joints or knots that are locked. */
export function hasLocks(document: FigureDocument): boolean {
  return document.items.some(
    (item) => item.kind === 'curve' && [...(item.lockedJoints ?? []), ...(item.lockedKnots ?? [])].length > 0,
  );
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
