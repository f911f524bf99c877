import { drag, expect, handle, joinClass, openFirstSheet, placeOf, saved, signIn, test } from '../bogen.js';
import type { Page } from '@playwright/test';

/** From now on the server answers as another build would. */
const update = (page: Page) =>
  page.route('**/api/**', async (route) => {
    const response = await route.fetch();
    // A page that goes takes its answers along.
    await route
      .fulfill({ response, headers: { ...response.headers(), 'bogen-build': 'the next one' } })
      .catch(() => undefined);
  });

/** Marks the page as it is loaded now. @returns whether it is still that one */
async function mark(page: Page): Promise<() => Promise<boolean>> {
  await page.evaluate(() => ((window as { marked?: boolean }).marked = true));
  return () => page.evaluate(() => (window as { marked?: boolean }).marked === true);
}

test('a page that is open across an update is loaded anew with the next one, and keeps its work', async ({
  newContext,
}) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  const isSame = await mark(page);
  await update(page);
  await drag(page, 'waist/P4', { x: 30, y: -20 });
  await expect(saved(page)).toBeVisible();
  const moved = await placeOf(page, 'waist/P4');
  // It goes on as it is until one leaves it.
  expect(await isSame()).toBe(true);
  await page.getByRole('link', { name: 'Next' }).click();
  await page.waitForFunction(() => (window as { marked?: boolean }).marked !== true);
  await page.goBack();
  await expect(handle(page, 'waist/P4')).toBeVisible();
  const back = await placeOf(page, 'waist/P4');
  expect(Math.hypot(back.x - moved.x, back.y - moved.y)).toBeLessThan(1);
});

test('a part that is not there any more after an update is fetched by loading everything anew', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  const isSame = await mark(page);
  await update(page);
  let missing = 0;
  await page.route('**/assets/PeoplePage*.js', async (route) => {
    if (missing++ === 0) await route.fulfill({ status: 404, body: 'gone' });
    else await route.continue();
  });
  await page.getByRole('link', { name: 'People' }).click();
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  expect(await isSame()).toBe(false);
});
