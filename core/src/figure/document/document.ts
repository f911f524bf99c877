import {
  choice,
  itemId,
  list,
  nullable,
  number,
  object,
  optional,
  record,
  signs,
  type ValueOf,
} from '../../describe/describe.js';
import { freedomsDescription, type Freedom } from './freedoms.js';
import { figureLimits, index } from '../part/parts.js';
import { shown } from './shown.js';
import { usesDescription } from '../operation/uses.js';
import { firstTracks, trackNames } from '../track/tracks.js';
import { itemDescription, type FigureItem } from './item.js';
import { looksDescription } from './looks.js';

/** The version of the format; older ones are brought here by `migrateFigure`. */
export const figureVersion = 3;

export type PointKind = 'controlPoints' | 'editPoints';

export const indices = list(index, figureLimits.points);

/** The indices of the points that a reader may move, ascending. What is not loose is fixed. */
export const loosePoints = object({ controlPoints: indices, editPoints: indices });
export type LoosePoints = ValueOf<typeof loosePoints>;

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
