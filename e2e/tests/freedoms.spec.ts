import type { FigureDocument } from '@bogen/core/figure';
import { drag, expect, handle, joinClass, saved, signIn, test } from '../bogen.js';
import { change, lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('an instructor says by doing it what readers may do, and a student may do exactly that', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Only this');
  const figure = async (): Promise<FigureDocument> => (await lesson(page)).sheets[0]!.figure;
  const may = page.locator('[data-readers-may]');
  await expect(may).toContainText('move all control points of Curve');

  await test.step('what was just done is offered, and let', async () => {
    await page.getByRole('button', { name: 'Points …' }).click();
    await page.getByRole('dialog').getByLabel('Weight of P2').fill('2');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await may.locator('[data-let-this]').click();
    await expect(may).toContainText('set the weights of P2 of Curve');
    await expect(may.locator('[data-let-this]')).toHaveCount(0);
  });

  await test.step('an operation is let from its own panel, and how often from the list', async () => {
    await change(page, 'insertKnot');
    await page.getByRole('button', { name: 'Let readers do this' }).click();
    await page.keyboard.press('Escape');
    await expect(may).toContainText('use “Insert knot” on Curve');
    await may.getByRole('button', { name: 'let them do more' }).click();
    const list = page.locator('[data-let-more]');
    await list.getByLabel('How often').selectOption('1');
    await expect(may).toContainText('use “Insert knot” on Curve once');
    await list.getByLabel('Curvature comb', { exact: true }).check();
    await list.getByLabel('Speed', { exact: true }).check();
    await list.getByRole('button', { name: /No longer let them: move all control points/ }).click();
    await expect(may).not.toContainText('control points');
    if (shot) await page.screenshot({ path: '/tmp/freedoms-writer.png' });
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
  });
  await expect
    .poll(async () => (await figure()).readersMay)
    .toEqual([
      { kind: 'weights', item: 'curve', indices: [2] },
      { kind: 'operation', operation: 'insertKnot', item: 'curve', most: 1 },
      { kind: 'looks', keys: ['comb'] },
      { kind: 'tracks', tracks: ['speed'] },
    ]);
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Edition 1 is out.')).toBeVisible();

  const { page: student } = await joinClass(await newContext());
  await student.getByRole('listitem').filter({ hasText: 'Only this' }).getByRole('link').first().click();
  await test.step('the student has a tool for each, and no other', async () => {
    const knot = student.locator('[data-tool="insertKnot"]');
    await expect(knot).toContainText('1 more time');
    await student.locator('[data-tool="comb"]').click();
    await expect(student.locator('[data-tool="comb"]')).toHaveAttribute('aria-pressed', 'true');
    await student.getByRole('button', { name: 'Tracks …' }).click();
    await expect(student.locator('[data-track-list] li')).toHaveCount(1);
    await student.getByLabel('Speed').check();
    await student.keyboard.press('Escape');
    await expect(student.locator('[data-track="speed"]')).toBeVisible();
    // Points are fixed here.
    const before = await handle(student, 'curve/P1').getAttribute('aria-label');
    await drag(student, 'curve/P1', { x: 0, y: -40 });
    expect(await handle(student, 'curve/P1').getAttribute('aria-label')).toBe(before);
    await knot.click();
    await student.getByRole('button', { name: 'Apply' }).click();
    await expect(handle(student, 'curve/P6')).toBeVisible();
    await expect(knot).toBeDisabled();
    await expect(knot).toContainText('used up');
    await expect(saved(student)).toBeVisible();
    if (shot) await student.screenshot({ path: '/tmp/freedoms-reader.png' });
    expect(await violations(student)).toEqual([]);
  });

  await test.step('what is kept is what was done; taken back, it can be done again', async () => {
    await student.reload();
    await expect(handle(student, 'curve/P6')).toBeVisible();
    await student.getByRole('button', { name: 'Undo' }).click();
    await expect(handle(student, 'curve/P6')).toHaveCount(0);
    await expect(student.locator('[data-tool="insertKnot"]')).toContainText('1 more time');
    await student.getByRole('button', { name: 'Start over' }).click();
    await expect(student.locator('[data-tool="comb"]')).toHaveAttribute('aria-pressed', 'false');
    await expect(saved(student)).toBeVisible();
  });
});
