import { lessonSchema } from '@bogen/contract';
import { attemptsOn, demoLessons, type Attempt, type DemoLesson } from '@bogen/demo';
import {
  applyFigureCommand,
  controlCommand,
  controlRange,
  evaluateFigure,
  itemOf,
  measured,
  readerMay,
  type FigureDocument,
  type Measured,
} from '@bogen/core/figure';
import {
  checkTask,
  figureOfStage,
  stageStates,
  triedTask,
  validateLesson,
  type ConditionResult,
  type Prose,
  type ProseNode,
  type Sheet,
  type Task,
} from '@bogen/core/lesson';
import { describe, expect, it } from 'vitest';

const sheets = demoLessons.flatMap((lesson) =>
  lesson.document.sheets.map((sheet) => [`${lesson.document.title}: ${sheet.title}`, sheet, lesson] as const),
);
const tasks = sheets.flatMap(([name, sheet, lesson]) =>
  sheet.tasks.map((task) => [`${name}, ${task.id}`, sheet, task, lesson] as const),
);

/** What an attempt comes to, as reader and server check it. Everything in it has to be allowed to students. */
function tried(sheet: Sheet, task: Task, { commands = [], answer }: Attempt): readonly ConditionResult[] {
  const start = figureOfStage(sheet, task.stage);
  const figure = commands.reduce<FigureDocument>((now, command) => {
    expect(readerMay(now, command, start), JSON.stringify(command)).toBe(true);
    return applyFigureCommand(now, command).document;
  }, start);
  return checkTask(sheet, task, { start, figure, answer });
}

const unmetOf = (results: readonly ConditionResult[]): number[] =>
  results.flatMap(({ met }, index) => (met ? [] : [index]));

function nodesOf(node: Prose | ProseNode): ProseNode[] {
  return (node.content ?? []).flatMap((child) => [child, ...nodesOf(child)]);
}

describe('the lessons of the demo course', () => {
  it.each(demoLessons.map(({ document }) => [document.title, document] as const))(
    '%s is a whole lesson',
    (_, document) => {
      expect(lessonSchema.safeParse(document).error).toBeUndefined();
      validateLesson(document);
    },
  );

  it.each(sheets)('%s: stages fit, numbers are there, and words point at what is there', (_, sheet) => {
    for (const { id } of sheet.stages) {
      const figure = figureOfStage(sheet, id);
      const evaluation = evaluateFigure(figure);
      for (const { attrs, marks = [], type } of nodesOf(sheet.prose)) {
        if (type === 'liveValue')
          expect(measured(attrs!.measure!, { document: figure, evaluation, cursor: 0.4 }), id).toBeDefined();
        if (type === 'liveControl') {
          const of: Measured = { document: figure, evaluation, cursor: 0.4 };
          const control = attrs!.control!;
          const range = controlRange(control, of);
          expect(range, JSON.stringify(control)).toBeDefined();
          const command = controlCommand(control, range!.value, of);
          // What stands in the text to be pulled can be pulled by those who read it.
          if (command) expect(readerMay(figure, command, figure), JSON.stringify(control)).toBe(true);
        }
        for (const target of marks.flatMap((mark) => mark.attrs?.targets ?? []))
          expect(itemOf(figure, target.item), JSON.stringify(target)).toBeDefined();
      }
    }
    expect(stageStates(sheet).filter(({ broken }) => broken)).toEqual([]);
  });
});

describe('the tasks of the demo course', () => {
  it.each(tasks)('%s is not met as it is given, and is met by its solution', (_, sheet, task, lesson) => {
    const { flaws, isMetBySolution } = triedTask(sheet, task);
    expect(flaws).toEqual([]);
    const { right } = attemptsOn(lesson, sheet.id, task.id);
    expect(isMetBySolution || right.length > 0).toBe(true);
    for (const attempt of right) expect(unmetOf(tried(sheet, task, attempt))).toEqual([]);
  });

  it.each(tasks)('%s tells typical wrong attempts what is wrong', (_, sheet, task, lesson) => {
    const { wrong } = attemptsOn(lesson, sheet.id, task.id);
    expect(wrong.length).toBeGreaterThanOrEqual(3);
    for (const attempt of wrong) {
      expect(unmetOf(tried(sheet, task, attempt)), attempt.what).toEqual(attempt.unmet);
      if (task.kind !== 'choice' || attempt.answer?.kind !== 'choice') continue;
      const reasons = attempt.answer.chosen.flatMap((index) => {
        const { isRight, reason } = task.choices[index]!;
        return isRight || !reason ? [] : [reason];
      });
      expect(reasons, attempt.what).toEqual(attempt.reasons);
    }
  });

  it('are two in each lesson that the figure answers, and a prediction', () => {
    const kinds = ({ document }: DemoLesson): readonly string[] =>
      document.sheets.flatMap(({ tasks: of }) => of.map(({ kind }) => kind));
    for (const lesson of demoLessons) {
      expect(kinds(lesson).filter((kind) => kind === 'shape').length).toBeGreaterThanOrEqual(2);
      expect(kinds(lesson)).toContain('prediction');
    }
  });
});
