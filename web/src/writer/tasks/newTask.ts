import {
  stepBetween,
  figureOfStage,
  offeredQuestions,
  type Sheet,
  type Task,
  type TaskKind,
} from '@bogen/core/lesson';
import type { FigureScene } from '../../figure/scene/scene.js';
import { newId } from '../../saving/newId.js';
import { measureOffers } from '../prose/offers.js';

/** Kinds of task in which something of a curve is asked for. */
const aboutCurve: ReadonlySet<TaskKind> = new Set(['number', 'prediction']);

/** A new task of a kind on a stage; nothing where the figure, or the row of stages, has nothing to ask it of. */
export function newTask(kind: TaskKind, sheet: Sheet, stage: string, scene: FigureScene): Task | undefined {
  const any = { id: newId(), stage, prompt: '', hints: [] };
  if (aboutCurve.has(kind) && !scene.railCurve) return undefined;
  switch (kind) {
    case 'shape':
      return { ...any, kind, conditions: [] };
    case 'number': {
      const [measure] = measureOffers(scene).filter(({ of }) => of !== 'cursor');
      return measure && { ...any, kind, measure, tolerance: 0 };
    }
    case 'choice':
      return { ...any, kind, choices: [{ text: '', isRight: true }, { text: '' }] };
    case 'order':
      return { ...any, kind, entries: [{ text: '' }, { text: '' }] };
    case 'prediction': {
      const to = sheet.stages[sheet.stages.findIndex(({ id }) => id === stage) + 1];
      return to && newPrediction(sheet, stage, to.id, scene.document.rail.item);
    }
  }
}

/** A prediction of what happens between two stages, asking first what can be asked. */
export function newPrediction(sheet: Sheet, stage: string, to: string, item: string | null): Task {
  const step = stepBetween(figureOfStage(sheet, stage), figureOfStage(sheet, to));
  const items = step.before.document.items.toSorted((a, b) => Number(b.id === item) - Number(a.id === item));
  const [question] = items.flatMap(({ id }) => offeredQuestions(id, step));
  return {
    id: newId(),
    stage,
    prompt: '',
    hints: [],
    kind: 'prediction',
    to,
    questions: question ? [question] : [],
  };
}
