import { schemaOf } from '@bogen/contract';
import {
  checkTask,
  figureOfStage,
  isTaskMet,
  lessonVersion,
  lostConditions,
  newSheet,
  sheetDescription,
  stageStates,
  validateLesson,
  type ProseNode,
} from '@bogen/core/lesson';
import { evaluateFigure, isAnythingFree, measured } from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';
import { startSheets } from '../src/text/en/starts.js';
import { sheetOfStart } from '../src/writer/starts/define.js';
import { startNames, starts } from '../src/writer/starts/starts.js';

let count = 0;
const newId = (): string => `id-${++count}`;
const all = (nodes: readonly ProseNode[]): ProseNode[] =>
  nodes.flatMap((node) => [node, ...all(node.content ?? [])]);

describe('every ready-made start', () => {
  it.each(startNames)('is a whole sheet: %s', (name) => {
    const start = starts[name]();
    const sheet = newSheet(sheetOfStart(start, startSheets[name], newId));
    expect(schemaOf(sheetDescription).safeParse(JSON.parse(JSON.stringify(sheet)))).toMatchObject({
      success: true,
    });
    validateLesson({ version: lessonVersion, title: 'L', sheets: [sheet] });
    expect(stageStates(sheet).some(({ broken }) => broken)).toBe(false);
    for (const { figure } of stageStates(sheet))
      for (const result of evaluateFigure(figure).items.values()) expect(result.status).not.toBe('failed');
    // Every live value of the text comes to something at some stage.
    for (const { attrs } of all(sheet.prose.content).filter(({ type }) => type === 'liveValue')) {
      const values = sheet.stages.map(({ id }) => {
        const document = figureOfStage(sheet, id);
        return measured(attrs!.measure!, { document, evaluation: evaluateFigure(document), cursor: 0.4 });
      });
      expect(values.some((value) => value !== undefined)).toBe(true);
    }
    for (const { text } of all(sheet.prose.content)) expect(text ?? '').not.toMatch(/[{}$*]/);
    expect(startSheets[name].captions.length).toBe(
      startSheets[name].paragraphs.length > 0 ? sheet.stages.length : 0,
    );
  });

  it.each(startNames.filter((name) => starts[name]().asks))(
    'asks what is not yet so, and can be done: %s',
    (name) => {
      const sheet = newSheet(sheetOfStart(starts[name](), startSheets[name], newId));
      const task = sheet.tasks[0]!;
      const given = figureOfStage(sheet, task.stage);
      expect(task.prompt).not.toBe('');
      expect(lostConditions(sheet, task)).toEqual([]);
      expect(isAnythingFree(given)).toBe(true);
      expect(isTaskMet(checkTask(sheet, task, { start: given, figure: given }))).toBe(false);
      if (task.solution !== undefined)
        expect(
          isTaskMet(checkTask(sheet, task, { start: given, figure: figureOfStage(sheet, task.solution) })),
        ).toBe(true);
    },
  );
});
