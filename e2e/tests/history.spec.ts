import { expect, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('what changed since the last edition is told sheet by sheet, and an earlier state is gone back to, with undo', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'As it was');
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Back to writing' }).click();
  const first = await lesson(page);
  await page.getByLabel('Title of the sheet').fill('Another title');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Copy this sheet' }).click();
  await expect(page.locator('[data-sheet]')).toHaveCount(2);

  await page.getByRole('button', { name: 'Publish' }).click();
  const told = page.locator('[data-differences]');
  await expect(told.locator('li')).toHaveText(['Another title: title', 'Another title: new']);
  await page.getByRole('dialog').getByRole('button', { name: 'Cancel' }).click();

  await page.getByRole('button', { name: 'History' }).click();
  await page.locator('[data-history]').getByRole('button', { name: 'Edition 1' }).click();
  await expect(told.locator('li')).toHaveCount(2);
  expect(await violations(page)).toEqual([]);
  if (shot) await page.screenshot({ path: '/tmp/history.png' });
  await page.getByRole('button', { name: 'Go back to this' }).click();
  await expect(page.locator('[data-sheet]')).toHaveCount(1);
  await expect(page.getByLabel('Title of the sheet')).toHaveValue('First sheet');
  await expect.poll(() => lesson(page)).toEqual(first);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-sheet]')).toHaveCount(2);
  await expect
    .poll(async () => (await lesson(page)).sheets.map(({ title }) => title))
    .toEqual(['Another title', 'Another title']);

  await test.step('two pages on one draft see each other', async () => {
    const other = await page.context().newPage();
    await other.goto(page.url());
    await expect(saved(other)).toBeVisible();
    const seen = page.locator('[data-other-writers="1"]');
    await expect(seen).toContainText('Mirela Kastan writes on this sheet too', { timeout: 15_000 });
    expect(await violations(page)).toEqual([]);
    await other.close();
    await expect(seen).toHaveCount(0, { timeout: 25_000 });
  });
});
