import { addSheet, removeSheet, type AddSheet, type RemoveSheet } from './addSheet.js';
import { changeStages, type ChangeStages } from './changeStages.js';
import { changeTasks, type ChangeTasks } from './changeTasks.js';
import { editProse, type EditProse } from './editProse.js';
import { figure, type ChangeFigure } from './figure.js';
import { moveSheet, type MoveSheet } from './moveSheet.js';
import { setContents, type SetContents } from './setContents.js';
import { setNotation, type SetNotation } from './setNotation.js';
import { setProse, type SetProse } from './setProse.js';
import { setSheetTitle, type SetSheetTitle } from './setSheetTitle.js';
import { setStageText, type SetStageText } from './setStageText.js';
import { stageCommands, type StageCommands } from './stageCommands.js';
import { setTitle, type SetTitle } from './setTitle.js';
import { unionOf, type UnionField } from '../../describe/describe.js';
import type { LessonCommandMember } from './define.js';

/** Everything that changes a lesson. Changes to a sheet's figure, and to its stages, hold figure commands. */
export type LessonCommand =
  | SetTitle
  | SetNotation
  | AddSheet
  | RemoveSheet
  | MoveSheet
  | SetSheetTitle
  | SetProse
  | EditProse
  | ChangeTasks
  | ChangeStages
  | StageCommands
  | SetStageText
  | ChangeFigure
  | SetContents;

/** Every lesson command. A new one is a file beside these, and a line for its type and one for itself here. */
export const lessonCommands: {
  readonly [Name in LessonCommand['name']]: LessonCommandMember<
    Extract<LessonCommand, { readonly name: Name }>,
    LessonCommand
  >;
} = {
  setTitle,
  setNotation,
  addSheet,
  removeSheet,
  moveSheet,
  setSheetTitle,
  setProse,
  editProse,
  changeTasks,
  changeStages,
  stageCommands,
  setStageText,
  figure,
  setContents,
};

export const lessonCommandDescription = unionOf('name', lessonCommands) as UnionField<LessonCommand>;
