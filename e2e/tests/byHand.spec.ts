import { demoLessons } from '@bogen/demo';
import { expect, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { isFull, oneOf } from '../../scripts/test/size.mjs';
import { essence } from '../writing/essence.js';
import { lessonFile } from '../writing/lessonFile.js';
import { makeSheet } from '../writing/makeSheet.js';
import { Writing } from '../writing/writing.js';

const names = demoLessons.map(({ name }) => name);
/** Each lesson takes minutes. `npm run prove:writer` makes all of them, and `npm test` one, another one each day. */
const wanted =
  process.env['BOGEN_BY_HAND']?.split(',') ??
  (isFull ? names.map((name) => name[0]!) : [names[oneOf(names.length)]![0]!]);

for (const name of names.filter((one) => wanted.includes(one[0]!))) {
  const { lesson: file, pictures } = lessonFile(name);
  for (const [index, sheet] of file.sheets.entries()) {
    test(`sheet ${index + 1} of “${name}” is made with the writer, from an empty one, and is that of the course`, async ({
      newContext,
    }) => {
      test.setTimeout(300_000);
      const page = await signIn(await newContext());
      // A gesture for which there is nothing to press tells so, long before the time of the whole is over.
      page.setDefaultTimeout(20_000);
      await newLesson(page, `${file.title}, sheet ${index + 1}, by hand`);
      const writing = new Writing(page);
      if (index === 0) {
        await writing.press('Items …');
        await writing.press('Delete Curve');
        await writing.close();
      } else await writing.addSheet();
      await makeSheet(writing, sheet, pictures);
      await expect(saved(page)).toBeVisible();
      expect(essence((await lesson(page)).sheets[index === 0 ? 0 : 1]!)).toEqual(essence(sheet));
    });
  }
}
