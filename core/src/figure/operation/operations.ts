import { bridge } from './bridge.js';
import { close } from './close.js';
import { continuityAtKnot } from './continuityAtKnot.js';
import { convert } from './convert.js';
import { copy } from './copy.js';
import { curveOfDegree } from './curveOfDegree.js';
import { curveOnReferencePoints } from './curveOnReferencePoints.js';
import { curveThroughReferencePoints } from './curveThroughReferencePoints.js';
import { evenOut } from './evenOut.js';
import { fitToTolerance } from './fitToTolerance.js';
import { insertEditPoint } from './insertEditPoint.js';
import { insertKnot } from './insertKnot.js';
import { join } from './join.js';
import { lowerDegree } from './lowerDegree.js';
import { mapDomain } from './mapDomain.js';
import { match } from './match.js';
import { mirror } from './mirror.js';
import { mobius } from './mobius.js';
import { moveStart } from './moveStart.js';
import { open } from './open.js';
import { part } from './part.js';
import { piece } from './piece.js';
import { raiseDegree } from './raiseDegree.js';
import { refit } from './refit.js';
import { removeKnot } from './removeKnot.js';
import { removePoint } from './removePoint.js';
import { reverse } from './reverse.js';
import { roundCorner } from './roundCorner.js';
import { split } from './split.js';
import { symmetric } from './symmetric.js';
import { throughPoints } from './throughPoints.js';
import { trimToBox } from './trimToBox.js';
import { unionOf, type ValueOf } from '../../describe/describe.js';

/**
 * Every operation, in the order in which a list offers them. A new one is a file beside these and a line here;
 * its type, schema, form and tests follow, and its text is asked for by the compiler.
 */
export const operations = {
  insertKnot,
  insertEditPoint,
  removeKnot,
  removePoint,
  raiseDegree,
  lowerDegree,
  refit,
  fitToTolerance,
  split,
  part,
  piece,
  trimToBox,
  join,
  match,
  bridge,
  roundCorner,
  continuityAtKnot,
  reverse,
  close,
  open,
  moveStart,
  evenOut,
  mobius,
  mapDomain,
  mirror,
  symmetric,
  convert,
  copy,
  curveOfDegree,
  throughPoints,
  curveOnReferencePoints,
  curveThroughReferencePoints,
};

export type Operations = typeof operations;
export type OperationName = keyof Operations;

/**
 * How a built item is made: an operation with the ids of its sources and its arguments. It follows its sources
 * until it is frozen.
 */
export type Operation = ValueOf<Operations[OperationName]['description']>;

export const operationDescription = unionOf('name', operations);

/** The operations that are offered on a curve: those that say what a form holds at first. */
export type OfferedOperation = {
  [Name in OperationName]: Operations[Name] extends { readonly first: (...args: never[]) => unknown }
    ? Name
    : never;
}[OperationName];

export const offeredOperations = (Object.keys(operations) as OperationName[]).filter(
  (name): name is OfferedOperation =>
    operations[name].takes === 'curve' && operations[name].first !== undefined,
);
