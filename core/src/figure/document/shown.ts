import { flag, object, optional, type ValueOf } from '../../describe/describe.js';

/** What the figure shows of its curves. What is optional is shown as `shownByDefault` says where it is absent. */
export const shown = object({
  controlPoints: flag,
  polygon: flag,
  editPoints: flag,
  knots: flag,
  comb: flag,
  labels: flag,
  /** Spans of the rail's curve in their colours. */
  spans: optional(flag),
  /** A wedge at the start, pointing along the curve. */
  start: optional(flag),
  /** The weights of a rational curve as numbers. */
  weights: optional(flag),
  hulls: optional(flag),
  /** Inflections, and where curvature is largest and smallest. */
  extremes: optional(flag),
  /** Uniform steps of the parameter along the curve. */
  ticks: optional(flag),
  /** Straight pieces within a tolerance, against the true curve. */
  facets: optional(flag),
  /** The distance from another curve as colour along the curve. */
  deviation: optional(flag),
  /** At the cursor: tangent and normal, derivatives, the osculating circle, the construction. */
  vectors: optional(flag),
  derivatives: optional(flag),
  osculating: optional(flag),
  construction: optional(flag),
  /** At the cursor, of a curve of degree 2: the conic of its span, with axes, foci, asymptotes and directrices. */
  conic: optional(flag),
  /** The curve of first derivatives, in an inset. */
  hodograph: optional(flag),
  /** The rail's curve from one dimension up, in a pane of its own. */
  lifted: optional(flag),
});
export type Shown = ValueOf<typeof shown>;
export const shownKeys = Object.keys(shown.fields) as (keyof Shown)[];

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
