import { CurveError } from '../../curve/error.js';
import { applyFigureCommand } from '../../figure/change/applyCommand.js';
import {
  singleCommands,
  type FigureCommand,
  type SingleFigureCommand,
} from '../../figure/command/commands.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { evaluateFigure, geometryOf } from '../../figure/evaluation/evaluate.js';
import { operate, sourcesOfOperation } from '../../figure/operation/operate.js';
import { CommandError } from '../../history/history.js';
import type { Sheet, Stage } from '../lesson.js';
import { stageStates, stateAfter } from './states.js';

/**
 * What the stages of a sheet become when an earlier one, or the row itself, changed: operations are done again on what
 * their curve is now; a stage whose commands do not fit any more keeps the state that it had, and one whose commands fit
 * again keeps none.
 * @param before the sheet before the change
 * @param after the sheet with the change
 * @returns the stages that are to be others than in `after`, whole
 */
export function followingStages(before: Sheet, after: Sheet): readonly Stage[] {
  const had = new Map(stageStates(before).map(({ figure }, index) => [before.stages[index]!.id, figure]));
  const changed: Stage[] = [];
  let input = after.figure;
  for (const stage of after.stages) {
    const next = followed(input, stage, had.get(stage.id));
    if (next !== stage) changed.push(next);
    input = stateAfter(input, next).figure;
  }
  return changed;
}

function followed(input: FigureDocument, stage: Stage, had: FigureDocument | undefined): Stage {
  const commands = doneAgain(input, stage.commands);
  const { kept, ...rest } = stage;
  if (commands) {
    const isSame = commands.every((command, index) => command === stage.commands[index]);
    return isSame && kept === undefined ? stage : { ...rest, commands };
  }
  const last = kept ?? had;
  return last === kept || !last ? stage : { ...stage, kept: last };
}

/** Commands as they are when given on a state, with their operations done again; nothing where one of them does not fit. */
function doneAgain(
  input: FigureDocument,
  commands: readonly FigureCommand[],
): readonly FigureCommand[] | undefined {
  let document = input;
  const done: FigureCommand[] = [];
  try {
    for (const command of commands) {
      const again = withOperationsDone(document, command);
      document = applyFigureCommand(document, again).document;
      done.push(again);
    }
  } catch (error) {
    if (error instanceof CommandError || error instanceof CurveError) return undefined;
    throw error;
  }
  return done;
}

/** A command whose operations carry what they come to on this state. */
function withOperationsDone(document: FigureDocument, command: FigureCommand): FigureCommand {
  const singles = singleCommands(command);
  if (!singles.some(({ name }) => name === 'operate')) return command;
  let now = document;
  const done = singles.map((single): SingleFigureCommand => {
    const again = single.name === 'operate' ? operatedAgain(now, single) : single;
    now = applyFigureCommand(now, again).document;
    return again;
  });
  if (done.every((single, index) => single === singles[index])) return command;
  return command.name === 'batch' ? { ...command, commands: done } : done[0]!;
}

type Operated = Extract<SingleFigureCommand, { readonly name: 'operate' }>;

function operatedAgain(document: FigureDocument, command: Operated): Operated {
  const evaluation = evaluateFigure(document);
  const sources = sourcesOfOperation(command.operation).map((id) => {
    const evaluated = evaluation.items.get(id);
    return evaluated && geometryOf(evaluated);
  });
  if (!sources.every((source) => source !== undefined)) return command;
  const { curve } = operate(command.operation, sources);
  return JSON.stringify(curve) === JSON.stringify(command.curve) ? command : { ...command, curve };
}
