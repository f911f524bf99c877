import { addItem, removeItem, type AddItem, type RemoveItem } from './addItem.js';
import { freeze, type Freeze } from './freeze.js';
import { moveControlPoint, type MoveControlPoint } from './moveControlPoint.js';
import { moveEditPoint, type MoveEditPoint } from './moveEditPoint.js';
import { moveHandle, type MoveHandle } from './moveHandle.js';
import { moveKnot, type MoveKnot } from './moveKnot.js';
import { moveReferencePoint, type MoveReferencePoint } from './moveReferencePoint.js';
import { operate, type Operate } from './operate.js';
import { orderItem, type OrderItem } from './orderItem.js';
import { patchItem, type PatchItem } from './patchItem.js';
import { renameItem, type RenameItem } from './renameItem.js';
import { replaceItem, type ReplaceItem } from './replaceItem.js';
import { setCurve, type SetCurve } from './setCurve.js';
import { setDegree, type SetDegree } from './setDegree.js';
import { setEndMultiplicity, type SetEndMultiplicity } from './setEndMultiplicity.js';
import { setForm, type SetForm } from './setForm.js';
import { setLooks, type SetLooks } from './setLooks.js';
import { setLoose, type SetLoose } from './setLoose.js';
import { setOperation, type SetOperation } from './setOperation.js';
import { setPoints, type SetPoints } from './setPoints.js';
import { setRail, type SetRail } from './setRail.js';
import { setReadersMay, type SetReadersMay } from './setReadersMay.js';
import { setShape, type SetShape } from './setShape.js';
import { setShown, type SetShown } from './setShown.js';
import { setUses, type SetUses } from './setUses.js';
import { setView, type SetView } from './setView.js';
import { setWeight, type SetWeight } from './setWeight.js';
import { list, tagged, unionOf, type UnionField } from '../../describe/describe.js';
import type { Batch, CommandMember } from './define.js';

/** A command that is one change; a batch of them is applied and taken back as one. */
export type SingleFigureCommand =
  | MoveControlPoint
  | MoveEditPoint
  | MoveReferencePoint
  | MoveHandle
  | MoveKnot
  | SetEndMultiplicity
  | SetPoints
  | SetWeight
  | SetCurve
  | SetShape
  | SetOperation
  | SetForm
  | Operate
  | Freeze
  | SetDegree
  | SetLoose
  | SetReadersMay
  | SetShown
  | SetLooks
  | SetRail
  | SetUses
  | SetView
  | PatchItem
  | RenameItem
  | OrderItem
  | AddItem
  | RemoveItem
  | ReplaceItem;

/**
 * Everything that changes a figure: plain data, applied by `applyFigureCommand`, which also finds the
 * command that takes it back.
 */
export type FigureCommand = SingleFigureCommand | Batch<SingleFigureCommand>;

/** The parts of a command, in order. */
export function singleCommands(command: FigureCommand): readonly SingleFigureCommand[] {
  return command.name === 'batch' ? command.commands : [command];
}

export type FigureCommandName = SingleFigureCommand['name'];

/** Every figure command. A new one is a file beside these, and a line for its type and one for itself here. */
export const figureCommands: {
  readonly [Name in FigureCommandName]: CommandMember<
    Extract<SingleFigureCommand, { readonly name: Name }>,
    SingleFigureCommand
  >;
} = {
  moveControlPoint,
  moveEditPoint,
  moveReferencePoint,
  moveHandle,
  moveKnot,
  setEndMultiplicity,
  setPoints,
  setWeight,
  setCurve,
  setShape,
  setOperation,
  setForm,
  operate,
  freeze,
  setDegree,
  setLoose,
  setReadersMay,
  setShown,
  setLooks,
  setRail,
  setUses,
  setView,
  patchItem,
  renameItem,
  orderItem,
  addItem,
  removeItem,
  replaceItem,
};

const singleDescription = unionOf('name', figureCommands) as UnionField<SingleFigureCommand>;

/** The largest number of commands in one batch. */
const mostInBatch = 500;

/** A batch holds single commands only, so that no command can nest without end. */
export const figureCommandDescription = unionOf('name', {
  ...figureCommands,
  batch: { description: tagged('name', 'batch', { commands: list(singleDescription, mostInBatch) }) },
}) as UnionField<FigureCommand>;
