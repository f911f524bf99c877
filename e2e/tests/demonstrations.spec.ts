import { interiorKnots, type Curve } from '@bogen/core/curve';
import { evaluateFigure, jointsOf } from '@bogen/core/figure';
import type { Page } from '@playwright/test';
import { dragTo, expect, handle, saved, signIn, test } from '../bogen.js';
import { figure, newLesson } from '../figure.js';

const curves = async (page: Page): Promise<readonly Curve[]> =>
  (await figure(page)).items.flatMap((item) => (item.kind === 'curve' ? [item.curve] : []));
const joints = async (page: Page) => {
  const document = await figure(page);
  return jointsOf(document, evaluateFigure(document));
};

test('a cubic with two knots is taken apart, a joint is opened, mended, locked and dragged, and all is put together', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Apart and together');
  const [whole] = await curves(page);
  expect(interiorKnots(whole!.knots, whole!.degree)).toHaveLength(2);

  await page.getByRole('button', { name: 'Take apart …' }).click();
  const panel = page.locator('[data-apart-panel]');
  await expect(panel.locator('[data-apart-counts]')).toContainText(
    '3 pieces, 12 control points instead of 6',
  );
  await panel.locator('[data-apart-slider]').fill('80');
  await expect(panel).toContainText('pieces apart');
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/apart.png' });
  await panel.getByRole('button', { name: 'Take apart' }).click();
  await expect(saved(page)).toBeVisible();
  await expect.poll(async () => (await curves(page)).length).toBe(3);
  expect((await joints(page)).map(({ measured }) => measured.parametric)).toEqual([2, 2]);
  const marks = page.locator('[data-joint]');
  await expect(marks).toHaveText(['C2', 'C2']);

  // One inner point of the middle piece moves: both of its joints fall to C0.
  const { items } = await figure(page);
  const middle = items[1]!.id;
  const [, inner] = (items[1] as { curve: Curve }).curve.points;
  await dragTo(page, `${middle}/P1`, [inner![0]! + 4, inner![1]! + 22]);
  await expect(saved(page)).toBeVisible();
  await expect(marks.first()).not.toHaveText('C2');
  await expect.poll(async () => (await joints(page))[0]!.measured.parametric).toBe(0);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/joint-open.png' });

  for (const [continuity, kind, order] of [
    ['G1', 'geometric', 1],
    ['G2', 'geometric', 2],
  ] as const) {
    await marks.first().click();
    const row = page.locator('[data-joint-row]');
    await row.locator(`[data-bring="${continuity}"]`).hover();
    if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/joint-${continuity}.png` });
    await row.locator(`[data-bring="${continuity}"]`).click();
    await page.keyboard.press('Escape');
    await expect.poll(async () => (await joints(page))[0]!.measured[kind]).toBeGreaterThanOrEqual(order);
  }

  // Locked, both sides follow.
  await marks.first().click();
  await page.locator('[data-lock] select').selectOption('G2');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-joint][data-locked="G2"]')).toHaveCount(1);
  const first = items[0]!.id;
  const before = (await curves(page))[1]!.points;
  const at = (await curves(page))[0]!.points[2]!;
  await dragTo(page, `${first}/P2`, [at[0]! + 3, at[1]! - 12]);
  await expect(saved(page)).toBeVisible();
  await expect.poll(async () => (await curves(page))[1]!.points).not.toEqual(before);
  await expect.poll(async () => (await joints(page))[0]!.measured.geometric).toBeGreaterThanOrEqual(2);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/joint-locked.png' });
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await curves(page))[1]!.points).toEqual(before);

  // What is protected can't follow: the drag says so and leaves all as it is.
  await expect(handle(page, `${first}/P2`)).toBeVisible();
  await page.getByRole('button', { name: 'Take apart …' }).click();
  await expect(page.locator('[data-together-counts]')).toContainText('12 control points become');
  await panel.getByRole('button', { name: 'Put together' }).click();
  await expect.poll(async () => (await curves(page)).length).toBe(1);
  const [together] = await curves(page);
  expect(together!.points.length).toBeLessThan(12);
});
