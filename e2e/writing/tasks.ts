import type { FigureDocument } from '@bogen/core/figure';
import {
  figureOfStage,
  type Condition,
  type Question,
  type Sheet,
  type SingleCondition,
  type Task,
} from '@bogen/core/lesson';
import type { Locator } from '@playwright/test';
import { expect } from '../bogen.js';
import { answer } from '../../web/src/text/en/answer.js';
import { operations } from '../../web/src/text/en/operations.js';
import { task as taskTexts } from '../../web/src/text/en/task.js';
import { isUndrawn } from './changes.js';
import { itemName, pointNameOf } from './names.js';
import { measureName, targetName } from './prose.js';
import type { Writing } from './writing.js';

/** Asks what a task asks, on the stage on which it is given. */
export async function ask(writing: Writing, sheet: Sheet, task: Task): Promise<void> {
  const { page } = writing;
  const figure = figureOfStage(sheet, task.stage);
  const number = (stage: string): string => `stage ${sheet.stages.findIndex(({ id }) => id === stage) + 1}`;
  const editors = page.locator('[data-task-editor]');
  const before = await editors.count();
  await goTo(writing, sheet, task.stage);
  await page.getByRole('button', { name: /^Ask something/ }).click();
  await page.locator(`[data-task-kind="${task.kind}"]`).click();
  await expect(editors).toHaveCount(before + 1);
  const editor = editors.nth(before);
  await writing.set(editor.getByLabel('What the reader is asked'), task.prompt);
  switch (task.kind) {
    case 'choice':
      for (const [index, { text, reason, isRight }] of task.choices.entries()) {
        if (index > 1) await writing.press('Add an answer', editor);
        await writing.set(editor.getByLabel(`Answer ${index + 1}`, { exact: true }), text);
        await editor
          .locator('[data-choice-row]')
          .nth(index)
          .getByLabel('right', { exact: true })
          .setChecked(isRight === true);
        if (reason) await writing.set(editor.getByLabel(`Reason for answer ${index + 1}`), reason);
      }
      break;
    case 'number':
      await writing.press('Choose what is asked for', editor);
      await writing.pick(measureName(task.measure, figure));
      if (task.cursor !== undefined)
        await writing.set(editor.getByLabel('At u', { exact: true }), task.cursor);
      await writing.set(editor.getByLabel('Within', { exact: true }), task.tolerance);
      break;
    case 'prediction': {
      const to = writing.choice('What happens to', editor);
      await to.selectOption({ label: number(task.to) });
      for (const row of await editor.locator('[data-question-row]').all())
        await row.getByRole('button').last().click();
      for (const [index, question] of task.questions.entries()) {
        await writing.press('Ask for something more', editor);
        await writing.pick(questionName(question, figure));
        const row = editor.locator('[data-question-row]').nth(index);
        if ('within' in question) await writing.set(row.getByLabel('Within, mm'), question.within);
        if (question.of === 'joint') await writing.choose('Continuity', question.continuity, row);
      }
      break;
    }
    case 'shape':
      // Where the figure is not drawn yet, what is to be asked of it is taken from a stage where it is.
      if (isUndrawnYet(figure)) await goTo(writing, sheet, task.solution!);
      for (const [index, condition] of task.conditions.entries())
        await addCheck(writing, editor, index, condition, figure);
      if (task.score) {
        await writing.press('Let a number count', editor);
        await writing.pick(measureName(task.score, figure));
      }
      break;
    default:
      throw new Error(`${task.kind} is not asked by hand here`);
  }
  for (const [index, { text, lights = [] }] of task.hints.entries()) {
    await writing.press('Add a hint', editor);
    await writing.set(editor.getByLabel(`Hint ${index + 1}`, { exact: true }), text);
    for (const [k, target] of lights.entries()) {
      const row = editor.locator('li').filter({ has: page.getByLabel(`Hint ${index + 1}`, { exact: true }) });
      await writing.press(k === 0 ? 'Light something up' : 'Light something else up too', row);
      await writing.pick(targetName(target, figure));
    }
  }
  if (task.solution) {
    await writing.choose('Solution', number(task.solution), editor);
    await expect(editor.locator('[data-tried]')).toContainText('met by the solution');
  }
}

export async function goTo({ stages }: Writing, sheet: Sheet, stage: string): Promise<void> {
  const at = sheet.stages.findIndex(({ id }) => id === stage) + 1;
  if (sheet.stages.length === 1) return;
  await stages.getByRole('button', { name: new RegExp(`^Stage ${at}:`) }).click();
  await expect(stages.getByText(`Stage ${at} of`)).toBeVisible();
}

function questionName(question: Question, figure: FigureDocument): string {
  const item = itemName(figure, question.item);
  const { questions } = answer;
  const filled = (text: string): string => text.replace('{{item}}', item);
  switch (question.of) {
    case 'spans':
      return filled(questions.spans);
    case 'place':
      return questions.place.replace(
        '{{point}}',
        pointNameOf(figure, question.item, question.index, question.point),
      );
    case 'drawn':
      return filled(questions.drawn[question.line]);
    case 'count':
      return filled(questions.count[question.count]);
    case 'joint':
      return `Will ${item} be C1 at u = ${question.parameter.toFixed(3)}?`;
  }
}

/** Words by which a kind of check is found in the list. */
const found: Partial<Record<SingleCondition['kind'], string>> = {
  curveThroughPoint: 'passes through',
  pointAtPlace: 'lies at',
  pointsUnmoved: 'stay within',
  spansUnmoved: 'stay',
  nearCurve: 'lies within',
  shapeUnchanged: 'keeps its shape',
  roundWithin: 'is round within',
  conicIs: 'is',
};

/** Adds a check, and fills in its blanks. */
async function addCheck(
  writing: Writing,
  editor: Locator,
  index: number,
  condition: Condition,
  figure: FigureDocument,
): Promise<void> {
  const { page } = writing;
  const single = ('conditions' in condition ? condition.conditions[0] : condition) as SingleCondition;
  await writing.press('Add a check', editor);
  const list = page.locator('[data-condition-list]');
  await list.getByLabel('Find a check').fill(found[single.kind] ?? '');
  await list.locator(`[data-condition="${single.kind}"]`).first().click();
  await expect(list).toHaveCount(0);
  const row = editor.locator('[data-condition-row]').nth(index);
  await writing.press('Change this check', row);
  const fields = row.locator('[data-condition-fields]');
  for (const [key, value] of Object.entries(single)) {
    if (key === 'kind') continue;
    const label = taskTexts.blanks[key as 'tolerance'].replace('{{param}}', 'u');
    if (key === 'indices') {
      await writing.set(fields.getByLabel(label, { exact: true }), (value as number[]).join(', '));
      continue;
    }
    if (Array.isArray(value)) {
      for (const [axis, coordinate] of (value as number[]).entries())
        await writing.set(fields.getByLabel(`${label}, ${'xy'[axis]!}`, { exact: true }), coordinate);
      continue;
    }
    const field = fields
      .locator('label')
      .filter({
        has: page.locator('span', {
          hasText: new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`),
        }),
      })
      .first();
    const select = field.locator('select');
    if ((await select.count()) > 0) {
      const item = figure.items.find(({ id }) => id === value);
      const word = item
        ? item.name
        : (taskTexts.words[value as 'start'] ?? operations[value as 'insertKnot'] ?? String(value));
      await select.selectOption({ label: word });
    } else await writing.set(field.locator('input'), value as number);
  }
  if ('conditions' in condition) await writing.choose('It counts', taskTexts.standing[condition.kind], row);
  await writing.press('Done with this check', row);
}

const isUndrawnYet = ({ items }: FigureDocument): boolean =>
  items.some((item) => item.kind === 'built' && isUndrawn(item.operation));
