import type { Told } from '../../told/told.js';
import { applyFigureCommand } from '../../figure/change/applyCommand.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { CommandError } from '../../history/history.js';
import type { Sheet, Stage } from '../lesson.js';

/** What a stage shows, and why its commands do not fit where they do not. */
export interface StageState {
  readonly figure: FigureDocument;
  /** Nothing where it follows from the stage before. */
  readonly broken?: { readonly command: number; readonly told: Told };
}

interface Known {
  readonly input: FigureDocument;
  readonly state: StageState;
}

/** What each stage came to, and from which state: a stage that did not change is not computed again. */
const known = new WeakMap<Stage, Known>();

/**
 * What every stage of a sheet shows, in order: the first the sheet's figure, and each other what its commands make of
 * the one before. Where they do not fit any more the stage keeps the state that it had, or where nobody kept that, shows
 * the one before.
 */
export function stageStates(sheet: Sheet): readonly StageState[] {
  const states: StageState[] = [];
  let input = sheet.figure;
  for (const stage of sheet.stages) {
    const state = stateAfter(input, stage);
    states.push(state);
    input = state.figure;
  }
  return states;
}

/** What a stage shows; the sheet's figure where there is no such stage. */
export function figureOfStage(sheet: Sheet, id: string): FigureDocument {
  const index = sheet.stages.findIndex((stage) => stage.id === id);
  let { figure } = sheet;
  for (const stage of sheet.stages.slice(0, index + 1)) ({ figure } = stateAfter(figure, stage));
  return figure;
}

/** What a stage makes of the state before it. */
export function stateAfter(input: FigureDocument, stage: Stage): StageState {
  const before = known.get(stage);
  if (before?.input === input) return before.state;
  const state = computed(input, stage);
  known.set(stage, { input, state });
  return state;
}

function computed(input: FigureDocument, { commands, kept }: Stage): StageState {
  let figure = input;
  for (const [index, command] of commands.entries()) {
    try {
      figure = applyFigureCommand(figure, command).document;
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      return { figure: kept ?? input, broken: { command: index, told: error.told } };
    }
  }
  return { figure };
}

/** The stages of a sheet that a reader steps through: those that show how a task is done are played on request. */
export function steppedStages({ stages, tasks }: Sheet): readonly Stage[] {
  const solutions = new Set(tasks.map(({ solution }) => solution));
  const stepped = stages.filter(({ id }) => !solutions.has(id));
  return stepped.length > 0 ? stepped : stages;
}
