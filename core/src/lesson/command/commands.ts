import { addSheet, type AddSheet } from './addSheet.js';
import { editProse, type EditProse } from './editProse.js';
import { figure, type ChangeFigure } from './figure.js';
import { moveSheet, type MoveSheet } from './moveSheet.js';
import { removeSheet, type RemoveSheet } from './removeSheet.js';
import { setProse, type SetProse } from './setProse.js';
import { setSheetTitle, type SetSheetTitle } from './setSheetTitle.js';
import { setTask, type SetTask } from './setTask.js';
import { setTitle, type SetTitle } from './setTitle.js';
import { unionOf, type UnionField } from '../../describe/describe.js';
import type { LessonCommandMember } from './define.js';

/** Everything that changes a lesson. Changes to a sheet's figure are wrapped figure commands. */
export type LessonCommand =
  | SetTitle
  | AddSheet
  | RemoveSheet
  | MoveSheet
  | SetSheetTitle
  | SetProse
  | EditProse
  | SetTask
  | ChangeFigure;

/** Every lesson command. A new one is a file beside these, and a line for its type and one for itself here. */
export const lessonCommands: {
  readonly [Name in LessonCommand['name']]: LessonCommandMember<
    Extract<LessonCommand, { readonly name: Name }>
  >;
} = {
  setTitle,
  addSheet,
  removeSheet,
  moveSheet,
  setSheetTitle,
  setProse,
  editProse,
  setTask,
  figure,
};

export const lessonCommandDescription = unionOf('name', lessonCommands) as UnionField<LessonCommand>;
