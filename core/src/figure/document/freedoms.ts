import {
  choice,
  itemId,
  list,
  optional,
  tagged,
  unionOf,
  whole,
  type UnionField,
  type ValueOf,
} from '../../describe/describe.js';
import { operations, type OperationName } from '../operation/operations.js';
import { degree, figureLimits, index } from '../part/parts.js';
import { shownKeys } from './shown.js';
import { trackNames } from '../track/tracks.js';

const operationNames = Object.keys(operations) as OperationName[];

/** What a figure says of each kind of freedom; what a freedom lets readers do is in `freedom/`. */
const kinds = {
  /** The knots inside a curve may be pulled. */
  knots: { description: tagged('kind', 'knots', { item: itemId }) },
  /** The weights of some control points may be set. */
  weights: {
    description: tagged('kind', 'weights', { item: itemId, indices: list(index, figureLimits.points, 1) }),
  },
  /** The numbers may be set by which a shape is drawn or a linked curve is made. */
  values: { description: tagged('kind', 'values', { item: itemId }) },
  /** The degree of a curve may be set, within bounds. */
  degree: { description: tagged('kind', 'degree', { item: itemId, least: degree, most: degree }) },
  /** What a shape hangs on may be moved: its anchors and handles; or a reference point. */
  anchors: { description: tagged('kind', 'anchors', { item: itemId }) },
  /** An operation may be done on a curve, in its place. */
  operation: {
    description: tagged('kind', 'operation', {
      operation: choice(...operationNames),
      item: itemId,
      /** How many times at most; as often as one likes where nothing is said. */
      most: optional(whole(1, 99)),
    }),
  },
  /** Some of what the figure shows may be switched on and off. */
  looks: {
    description: tagged('kind', 'looks', { keys: list(choice(...shownKeys), shownKeys.length, 1) }),
  },
  /** Some tracks of the rail may be switched on and off, and any be resized. */
  tracks: {
    description: tagged('kind', 'tracks', { tracks: list(choice(...trackNames), trackNames.length, 1) }),
  },
};

export type FreedomKind = keyof typeof kinds;
export type FreedomOf<Kind extends FreedomKind> = ValueOf<(typeof kinds)[Kind]['description']>;
/** What a stage lets its readers do besides moving loose points. */
export type Freedom = { [Kind in FreedomKind]: FreedomOf<Kind> }[FreedomKind];

/** What readers may do besides moving loose points. */
export const freedomsDescription = list(unionOf('kind', kinds) as UnionField<Freedom>, 60);
