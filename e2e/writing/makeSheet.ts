import type { FigureDocument } from '@bogen/core/figure';
import { figureOfStage, type Prose, type Sheet } from '@bogen/core/lesson';
import { expect } from '../bogen.js';
import { doStage, isUndrawn, setOperation } from './changes.js';
import { setFreedoms } from './freedoms.js';
import { drawItems } from './items.js';
import type { LessonFile } from './lessonFile.js';
import { setLooks } from './looks.js';
import { write } from './prose.js';
import { ask, goTo } from './tasks.js';
import type { Writing } from './writing.js';

/**
 * Makes a sheet as it stands in a lesson file, on an empty sheet: by the gestures of an instructor, in the order in which
 * one would make it.
 */
export async function makeSheet(
  writing: Writing,
  sheet: Sheet,
  pictures: LessonFile['pictures'],
): Promise<void> {
  const { page, stages } = writing;
  await writing.title(sheet.title);
  await drawItems(writing, sheet.figure, pictures);
  await writing.press('Fit');
  await setFreedoms(writing, sheet.figure);
  await setLooks(writing, sheet.figure);
  // Without a curve the rail has no tracks to choose.
  for (const item of sheet.figure.items)
    if (item.kind === 'built' && isUndrawn(item.operation))
      await setOperation(writing, item.name, item.operation, sheet.figure.items);
  const seen =
    sheet.stages.find(({ id }) => showsAll(figureOfStage(sheet, id), sheet.prose)) ?? sheet.stages[0]!;
  // What comes into sight later is written of there.
  const isWrittenLater = seen !== sheet.stages[0];
  if (!isWrittenLater) await write(writing, sheet.prose, sheet.figure);
  const [first, ...others] = sheet.stages;
  const caption = async (text: string): Promise<void> => {
    if (!text) return;
    await stages.getByLabel('Caption of this stage').fill(text);
    await page.keyboard.press('Enter');
  };
  for (const [index, stage] of others.entries()) {
    await writing.press('New stage', stages);
    await expect(stages.getByText(`Stage ${index + 2} of ${index + 2}`)).toBeVisible();
    await doStage(writing, sheet, stage);
    await caption(stage.caption);
  }
  if (isWrittenLater) {
    await goTo(writing, sheet, seen.id);
    await write(writing, sheet.prose, sheet.figure);
  }
  for (const stage of sheet.stages) {
    if (!stage.notes) continue;
    await goTo(writing, sheet, stage.id);
    await stages.getByRole('button', { name: 'Change this stage' }).click();
    await writing.set(page.getByLabel('Notes to say, for you alone'), stage.notes);
    await writing.close();
  }
  await goTo(writing, sheet, first!.id);
  await caption(first!.caption);
  for (const task of sheet.tasks) await ask(writing, sheet, task);
}

/** Whether everything that a text is about is to be seen. */
const showsAll = ({ items }: FigureDocument, prose: Prose): boolean =>
  items.every(({ id, hidden }) => !hidden || !JSON.stringify(prose).includes(`"${id}"`));
