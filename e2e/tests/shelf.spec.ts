import { readFile, writeFile } from 'node:fs/promises';
import { expect, handle, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('courses and lessons are named, copied, moved, put away, deleted and brought back', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  const course = (title: string) =>
    page
      .locator('section')
      .filter({ has: page.getByRole('heading', { level: 2, name: title, exact: true }) });
  const cards = (title: string) => course(title).locator('[data-lesson] h3');
  const menu = async (what: string, row: string): Promise<void> => {
    await page.getByRole('button', { name: `What to do with the ${what}`, exact: true }).click();
    await page.locator('[data-menu]').getByRole('button', { name: row, exact: true }).click();
  };
  const name = async (label: string, text: string, act: string): Promise<void> => {
    await page.getByLabel(label).fill(text);
    await page.getByRole('dialog').getByRole('button', { name: act }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  const done = page.locator('[data-shelf-done]');

  await page.getByRole('button', { name: 'New course' }).click();
  await name('Title of the course', 'Plates', 'Create');
  await menu('lesson Near and far', 'Make a copy');
  await name('Title of the lesson', 'Far and near', 'Create');
  await expect(cards('Lines of a viol')).toContainText(['Near and far', 'Far and near']);
  await menu('lesson Far and near', 'Move earlier');
  await expect(cards('Lines of a viol').nth(1)).toHaveText('Far and near');
  await menu('lesson Far and near', 'Give it another name');
  await name('Title of the lesson', 'Arching', 'Set the name');
  await menu('lesson Arching', 'Move to Plates');
  await expect(cards('Plates')).toHaveText(['Arching']);
  await done.getByRole('button', { name: 'Undo' }).click();
  await expect(cards('Lines of a viol').nth(1)).toHaveText('Arching');
  if (shot) {
    await page.getByRole('button', { name: 'What to do with the lesson Arching', exact: true }).click();
    await page.screenshot({ path: '/tmp/shelf.png' });
    await page.keyboard.press('Escape');
  }
  expect(await violations(page)).toEqual([]);

  await test.step('what is put away or deleted can be brought back, also after a reload', async () => {
    await menu('lesson Arching', 'Put away');
    await expect(page.locator('[data-put-away]')).toContainText('Arching');
    await page.getByRole('button', { name: 'Bring back: Arching' }).click();
    await menu('lesson Arching', 'Delete');
    await expect(page.locator('[data-deleted]')).toContainText('Arching');
    await page.reload();
    await expect(page.locator('[data-deleted]')).toContainText('kept until');
    if (shot) await page.screenshot({ path: '/tmp/shelf-deleted.png', fullPage: true });
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Bring back: Arching' }).click();
    await expect(cards('Lines of a viol').nth(1)).toHaveText('Arching');
    await menu('course Plates', 'Delete');
    await done.getByRole('button', { name: 'Undo' }).click();
    await expect(course('Plates')).toBeVisible();
    await menu('course Plates', 'Move up');
    await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('Plates');
  });

  await test.step('words are found in titles and texts', async () => {
    await page.getByLabel('Find in titles and texts').fill('AN EDIT POINT acts');
    await expect(page.locator('[data-found] li').first()).toContainText('An edit point acts far');
    if (shot) await page.screenshot({ path: '/tmp/shelf-found.png' });
    await page.getByLabel('Find in titles and texts').fill('nowhere to be read');
    await expect(page.locator('[data-found]')).toContainText('0 sheets');
    await page.getByLabel('Find in titles and texts').fill('');
  });

  // The other tests of this server find the shelf as it was.
  await menu('course Plates', 'Delete');
  await expect(course('Plates')).toHaveCount(0);
  await menu('lesson Arching', 'Delete');
  await expect(cards('Lines of a viol').nth(1)).toHaveText('Near and far');
});

test('a lesson goes out as a file and comes in again; a broken one is refused and changes nothing', async ({
  newContext,
}, info) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'To move to');
  await page.goto('/shelf');
  await newLesson(page, 'To give out');
  const before = await lesson(page);
  await page.goto('/shelf');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'What to do with the lesson To give out', exact: true }).click();
  await page.getByRole('button', { name: 'Give out as a file' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('To give out.json');
  const file = info.outputPath('lesson.json');
  await download.saveAs(file);

  const whole = JSON.parse(await readFile(file, 'utf8')) as { lesson: object };
  const count = await page.locator('[data-lesson]').count();
  const take = page.getByLabel('Lesson from a file').first();
  for (const [broken, why] of [
    ['{"half', 'not JSON'],
    ['{"format":"other"}', 'not a lesson file'],
    [(await readFile(file, 'utf8')).replace('"title": "First sheet"', '"title": 7'), 'sheets.0.title'],
    [JSON.stringify({ ...whole, lesson: { ...whole.lesson, version: 99 } }), 'version'],
  ] as const) {
    const wrong = info.outputPath('wrong.json');
    await writeFile(wrong, broken);
    await take.setInputFiles(wrong);
    await expect(page.getByRole('alert')).toContainText(why);
    await expect(page.locator('[data-lesson]')).toHaveCount(count);
  }
  await take.setInputFiles(file);
  await expect(handle(page, 'curve/P0')).toBeVisible();
  expect(page.url()).toContain('/write/');
  expect(await lesson(page)).toEqual(before);

  await test.step('and a sheet is moved to another lesson', async () => {
    await page.getByRole('button', { name: 'Copy this sheet' }).click();
    await expect(page.locator('[data-sheet]')).toHaveCount(2);
    await page.getByRole('button', { name: 'Move this sheet to another lesson' }).click();
    await page.locator('[data-lesson-pick]').getByRole('button', { name: 'To move to' }).click();
    await expect(page.locator('[data-sheet]')).toHaveCount(1);
    await page.goto('/shelf');
    await expect(page.locator('[data-lesson]').filter({ hasText: 'To move to' })).toContainText('2 sheets');
  });
});
