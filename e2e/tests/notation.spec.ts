import { expect, handle, joinClass, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('a lesson counts and names as it wants, in the figure, on the rail, in formulas and calculations, and for readers', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Another notation');
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  const list = page.locator('[data-pick-list]');
  const p0 = (of = page) => handle(of, 'curve/P0');
  await expect(p0()).toHaveAttribute('aria-label', /^Control point P0 /);

  await test.step('a formula of the figure stands in the text', async () => {
    await text.click();
    await page.getByRole('button', { name: 'Heading', exact: true }).click();
    await page.keyboard.type('A curve');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Subheading' }).click();
    await page.keyboard.type('What it is');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Formula of the figure' }).click();
    await list.getByLabel('Find').fill('basis functions');
    await list.getByRole('button', { name: 'The curve by its basis functions · Curve' }).click();
    await expect(text.locator('h4')).toHaveText('What it is');
    await expect(text.locator('.katex').first()).toContainText('P');
  });

  await test.step('the notation is another, at once and everywhere', async () => {
    await page.getByRole('button', { name: 'Notation' }).click();
    const panel = page.locator('[data-notation]');
    await panel.getByLabel('Counted from').selectOption('1');
    await panel.getByLabel('Control points of the first curve').selectOption('b');
    await panel.getByLabel('Parameter and knots').selectOption('t');
    await panel.getByLabel('Curves have a').selectOption('order');
    await panel.getByLabel('Digits after the point').fill('1');
    await expect(p0()).toHaveAttribute('aria-label', /^Control point b1 /);
    await expect(page.locator('[data-facts]')).toContainText('order 4');
    await expect(page.locator('[data-track="basis"]')).toContainText('N of order 4');
    await expect(panel.locator('.katex-mathml annotation').first()).toContainText(
      '\\sum_{i=1}^{6} N_{i,4}(t)',
    );
    await expect(text.locator('.katex-mathml annotation').first()).toContainText('\\at');
    await expect(text.locator('.katex-html').first()).toContainText('b');
    expect(await violations(page)).toEqual([]);
    await expect(page.locator('[data-rail-foot]')).toContainText('t');
    await expect(handle(page, 'rail-cursor')).toContainText('t = 0.38');
    if (shot) await page.screenshot({ path: '/tmp/notation.png' });
    await page.keyboard.press('Escape');
  });

  await test.step('calculations keep to it, and a line of one goes into the text', async () => {
    await page.getByRole('button', { name: 'Facts' }).click();
    await page.getByRole('button', { name: 'Basis functions, order by order' }).click();
    const line = page.locator('[data-step="basisLevel"]').last();
    await expect(line).toContainText('Basis functions of order 4');
    const before = await text.locator('.katex').count();
    await line.getByRole('button', { name: 'Put this line into the text' }).click();
    await expect(text.locator('.katex')).toHaveCount(before + 1);
    if (shot) await page.screenshot({ path: '/tmp/notation-calculation.png' });
    await page.keyboard.press('Escape');
  });

  await test.step('it is undone and done again', async () => {
    await expect(saved(page)).toBeVisible();
    expect((await lesson(page)).notation).toEqual({
      first: 1,
      point: 'b',
      parameter: 't',
      size: 'order',
      decimals: 1,
    });
  });

  await test.step('pieces drift apart by a line in the text', async () => {
    await text.focus();
    await page.keyboard.press('Control+End');
    await page.getByRole('button', { name: 'Live control', exact: true }).first().click();
    await list.getByLabel('Find').fill('apart');
    await page.keyboard.press('Enter');
    const control = text.locator('[data-live-control="apart"]');
    await expect(control.locator('output')).toHaveText('0 %');
    await control.locator('input').fill('500');
    await expect(control.locator('output')).toHaveText('100 %');
    if (shot) await page.screenshot({ path: '/tmp/apart-control.png' });
  });

  await test.step('readers have it too', async () => {
    await expect(saved(page)).toBeVisible();
    await page.getByRole('button', { name: 'Publish' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.getByText('Edition 1 is out.')).toBeVisible();
    const { page: student } = await joinClass(await newContext());
    await student.getByRole('link', { name: 'First sheet' }).last().click();
    await expect(p0(student)).toHaveAttribute('aria-label', /^Control point b1 /);
    await expect(student.locator('[data-facts]')).toContainText('order 4');
    await expect(student.locator('[data-live-control="apart"] output')).toHaveText('0 %');
    if (shot) await student.screenshot({ path: '/tmp/notation-reader.png' });
    // What is elsewhere is written as usual.
    await student.goBack();
    await student.getByRole('link', { name: 'A control point acts near' }).click();
    await expect(handle(student, 'waist/P4')).toHaveAttribute('aria-label', /^Control point P4 /);
  });
});
