import { expect, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { essence } from '../writing/essence.js';
import { lessonFile } from '../writing/lessonFile.js';
import { makeSheet } from '../writing/makeSheet.js';
import { Writing } from '../writing/writing.js';

/** Each lesson takes minutes. All of them are made with `npm run prove:writer`, and one with every `npm test`. */
const wanted = (process.env['BOGEN_BY_HAND'] ?? '7').split(',');
const names = [
  '1-two-curves-six-pegs',
  '2-near-and-far',
  '3-degree-or-spans',
  '4-knots-on-the-rail',
  '5-taking-the-outline-apart',
  '6-a-true-round',
  '7-the-arch-of-the-bridge',
  '8-the-section',
];
for (const name of names.filter((one) => wanted.includes(one[0]!))) {
  test(`“${name}” is made with the writer, from empty sheets, and is the lesson of the course`, async ({
    newContext,
  }) => {
    test.setTimeout(1_200_000);
    const { lesson: file, pictures } = lessonFile(name);
    const page = await signIn(await newContext());
    // A gesture for which there is nothing to press tells so, long before the time of the whole is over.
    page.setDefaultTimeout(20_000);
    await newLesson(page, `${file.title}, by hand`);
    const writing = new Writing(page);
    for (const [index, sheet] of file.sheets.entries()) {
      await test.step(sheet.title, async () => {
        if (index > 0) await writing.addSheet();
        else {
          await writing.press('Items …');
          await writing.press('Delete Curve');
          await writing.close();
        }
        await makeSheet(writing, sheet, pictures);
        await expect(saved(page)).toBeVisible();
        expect(essence((await lesson(page)).sheets[index]!)).toEqual(essence(sheet));
      });
    }
  });
}
