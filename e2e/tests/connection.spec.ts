import type { Page } from '@playwright/test';
import {
  coordinatesOf,
  dragTo,
  expect,
  joinClass,
  openDesk,
  saved,
  signIn,
  test,
  openFirstSheet,
} from '../bogen.js';

test('the server goes away while a student works: it says so, nothing is lost, and the check is made up for', async ({
  newContext,
  bogen,
}) => {
  const { page, name } = await joinClass(await newContext());
  await openFirstSheet(page);
  await dragTo(page, 'waist/P3', [126, 64]);
  await expect(saved(page)).toBeVisible();
  await bogen.killServer();

  await dragTo(page, 'waist/P3', [128, 62]);
  await dragTo(page, 'waist/P4', [158, 41.5]);
  await expect(page.getByRole('alert')).toContainText('everything is kept on this device');
  await expect(page.locator('[data-save="offline"]')).toContainText('2 kept on this device');
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(page.locator('[data-task]')).toContainText('Done. All conditions are met.');
  await expect(page.locator('[data-task]')).toContainText('as soon as the connection is back');
  const left = await coordinatesOf(page, 'waist/P4');

  await test.step('another sheet can be read and looked at, and says what is not there yet', async () => {
    await page.getByRole('link', { name: 'Next sheet' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'An edit point' })).toBeVisible();
    await expect(page.getByRole('alert')).toContainText('your work on this sheet is not here yet');
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
    await expect(page.locator('[data-facts]')).toContainText('degree');
    await expect(page.locator('[data-grip]')).toHaveCount(0);
    await expect(page.locator('[data-task]')).toContainText('Your turn');
    await expect(page.getByRole('button', { name: 'Check' })).toHaveCount(0);
    await page.goBack();
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(left);
  });

  await bogen.startServer();
  await page.getByRole('button', { name: 'Send now' }).click();
  await expect(saved(page)).toBeVisible({ timeout: 20_000 });
  // The server has just started; its threads come a little later.
  await expect(page.locator('[data-progress="done"]')).toHaveCount(1, { timeout: 60_000 });

  const desk = await signIn(await newContext());
  await openDesk(desk);
  await expect(
    desk.getByRole('link', { name: `${name}, A control point acts near: done. Open the figure.` }),
  ).toBeVisible();
});

test('a page closed while the server is away brings its moves when it is back', async ({
  newContext,
  bogen,
}) => {
  const context = await newContext();
  const { page } = await joinClass(context);
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(saved(page)).toBeVisible();
  const address = page.url();
  await bogen.killServer();
  await dragTo(page, 'waist/P5', [199, 49]);
  const left = await coordinatesOf(page, 'waist/P5');
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  await page.close();
  await bogen.startServer();
  const again = await context.newPage();
  await again.goto(address);
  await expect.poll(() => coordinatesOf(again, 'waist/P5')).toEqual(left);
  await expect(saved(again)).toBeVisible();
  await again.reload();
  await expect.poll(() => coordinatesOf(again, 'waist/P5')).toEqual(left);
});

test('the database stops for a moment: the server stays up, says so, and goes on', async ({
  newContext,
  apart: { application, cluster },
}) => {
  const { page } = await joinClass(await newContext({ baseURL: application.url }));
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(saved(page)).toBeVisible();
  await cluster.stop();
  const ready = await page.request.get('/api/ready');
  expect(ready.status()).toBe(503);
  await dragTo(page, 'waist/P5', [199, 49]);
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  const stranger = await (await newContext({ baseURL: application.url })).newPage();
  await stranger.goto('/join?code=BOUT-7K4M');
  await stranger.getByLabel('Your name').fill('Too Soon');
  await stranger.getByRole('button', { name: 'Join the class' }).click();
  await expect(stranger.getByRole('alert')).toContainText('database does not respond');
  await cluster.begin();
  await page.getByRole('button', { name: 'Send now' }).click();
  await expect(saved(page)).toBeVisible({ timeout: 20_000 });
});

test('moves on two devices at once are both kept', async ({ newContext }) => {
  const { page: first, returnKey } = await joinClass(await newContext());
  await openFirstSheet(first);
  const second = await (await newContext()).newPage();
  await second.goto('/join?code=BOUT-7K4M');
  await second.getByRole('button', { name: 'I have a return key' }).click();
  await second.getByLabel('Return key').fill(returnKey);
  await second.getByRole('button', { name: 'Come back' }).click();
  await second.getByRole('link', { name: 'A control point acts near' }).click();
  await expect.poll(() => coordinatesOf(second, 'waist/P4')).toEqual([158, 50]);
  await dragTo(first, 'waist/P4', [150, 47]);
  await expect(saved(first)).toBeVisible();
  await dragTo(second, 'waist/P5', [199, 49]);
  await expect(second.getByRole('alert')).toContainText('also changed on another device');
  await expect(saved(second)).toBeVisible();
  expect(await coordinatesOf(second, 'waist/P4')).toEqual(await coordinatesOf(first, 'waist/P4'));
  const kept = await coordinatesOf(second, 'waist/P5');
  await first.reload();
  await expect.poll(() => coordinatesOf(first, 'waist/P5')).toEqual(kept);
});

test('a student who is signed out goes on working, signs in again elsewhere, and nothing is lost', async ({
  newContext,
}) => {
  const context = await newContext();
  const { page, returnKey } = await joinClass(context);
  await openFirstSheet(page);
  await context.clearCookies();
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(page.getByRole('alert')).toContainText('You are signed out');
  await dragTo(page, 'waist/P5', [199, 49]);
  const left = await coordinatesOf(page, 'waist/P5');
  const door = await context.newPage();
  await door.goto('/join?code=BOUT-7K4M');
  await door.getByRole('button', { name: 'I have a return key' }).click();
  await door.getByLabel('Return key').fill(returnKey);
  await door.getByRole('button', { name: 'Come back' }).click();
  await expect(door.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  await page.getByRole('button', { name: 'Send now' }).click();
  await expect(saved(page)).toBeVisible();
  await door.getByRole('link', { name: 'A control point acts near' }).click();
  await expect.poll(() => coordinatesOf(door, 'waist/P5')).toEqual(left);
});

test('one who joins after another in the same window sees nothing of the other’s work, and the other’s is kept', async ({
  newContext,
  bogen,
}) => {
  const { page, returnKey } = await joinClass(await newContext());
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(saved(page)).toBeVisible();
  await bogen.killServer();
  await dragTo(page, 'waist/P5', [199, 49]);
  const left = await coordinatesOf(page, 'waist/P5');
  await expect(page.locator('[data-save="offline"]')).toBeVisible();
  await bogen.startServer();
  // The first one's session does not send any more once another signs in.
  await page.goto('/join?code=BOUT-7K4M');
  await page.getByLabel('Your name').fill(`Next ${Date.now()}`);
  await page.getByRole('button', { name: 'Join the class' }).click();
  await page.getByRole('button', { name: 'Go to the lessons' }).click();
  await openFirstSheet(page);
  expect(await coordinatesOf(page, 'waist/P5')).toEqual([190, 52]);
  await page.goto('/join?code=BOUT-7K4M');
  await page.getByRole('button', { name: 'I have a return key' }).click();
  await page.getByLabel('Return key').fill(returnKey);
  await page.getByRole('button', { name: 'Come back' }).click();
  await openFirstSheet(page);
  await expect.poll(() => coordinatesOf(page, 'waist/P5')).toEqual(left);
  await expect(saved(page)).toBeVisible();
});

test('a sheet is drawn while its work is fetched, and one that was worked on is not shown as it was published', async ({
  newContext,
}) => {
  const context = await newContext();
  const { page } = await joinClass(context);
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(saved(page)).toBeVisible();
  const left = await coordinatesOf(page, 'waist/P4');
  const lesson = page.url();
  /** Whether the figure has been drawn: before it is, its canvas has the size that browsers give it, or holds the one before out of sight. */
  const isDrawn = (of: Page): Promise<boolean> =>
    of.locator('[data-pane] canvas').evaluate((canvas) => {
      const isSeen = getComputedStyle(canvas).visibility === 'visible';
      return isSeen && (canvas as HTMLCanvasElement).width > 300;
    });
  const slow = await context.newPage();
  let answer = (): void => undefined;
  await slow.route('**/api/editions/**/work', async (route) => {
    await new Promise<void>((resolve) => (answer = resolve));
    await route.continue();
  });
  const waits = slow.getByText('Your work on this sheet is being opened');

  await test.step('worked on: only its place is kept', async () => {
    await slow.goto(lesson);
    await expect(waits).toBeVisible();
    expect(await isDrawn(slow)).toBe(false);
    await expect(slow.locator('[data-facts]')).toHaveCount(0);
    await expect(slow.locator('[data-grip]')).toHaveCount(0);
    answer();
    await expect.poll(() => coordinatesOf(slow, 'waist/P4')).toEqual(left);
    expect(await isDrawn(slow)).toBe(true);
    await expect(waits).toHaveCount(0);
  });

  await test.step('never worked on: it is the published one, to look at', async () => {
    await slow.getByRole('link', { name: 'Next sheet' }).click();
    await expect(waits).toBeVisible();
    await expect.poll(() => isDrawn(slow)).toBe(true);
    await expect(slow.locator('[data-facts]')).toContainText('degree');
    await expect(slow.locator('[data-grip]')).toHaveCount(0);
    // The cursor moves already.
    const cursor = slow.getByRole('slider', { name: 'Parameter cursor on the curve' });
    const before = await cursor.getAttribute('aria-valuenow');
    await cursor.focus();
    await slow.keyboard.press('ArrowRight');
    await expect(cursor).not.toHaveAttribute('aria-valuenow', before!);
    answer();
    await expect(slow.locator('[data-grip]').first()).toBeVisible();
  });

  await test.step('seen in this page before: as it was left, at once', async () => {
    await slow.getByRole('link', { name: 'Previous sheet' }).click();
    await expect.poll(() => isDrawn(slow)).toBe(true);
    await expect(waits).toBeVisible();
    answer();
    await expect.poll(() => coordinatesOf(slow, 'waist/P4')).toEqual(left);
  });

  await test.step('worked on, from another sheet: the figure of that one is not left standing', async () => {
    await slow.getByRole('link', { name: 'Next sheet' }).click();
    await slow.reload();
    await expect.poll(() => isDrawn(slow)).toBe(true);
    answer();
    await expect(slow.locator('[data-grip]').first()).toBeVisible();
    await slow.getByRole('link', { name: 'Previous sheet' }).click();
    await expect(waits).toBeVisible();
    expect(await isDrawn(slow)).toBe(false);
    const plots = slow.locator('[data-track] > canvas');
    const seen = await plots.evaluateAll((all) =>
      all.filter((canvas) => getComputedStyle(canvas).visibility === 'visible'),
    );
    expect(await plots.count()).toBeGreaterThan(0);
    expect(seen).toHaveLength(0);
    answer();
    await expect.poll(() => coordinatesOf(slow, 'waist/P4')).toEqual(left);
    expect(await isDrawn(slow)).toBe(true);
  });
});

test('a page that cannot be fetched is told in its place, and is fetched anew when it is opened again', async ({
  newContext,
  complaints,
}) => {
  const page = await (await newContext()).newPage();
  await page.goto('/join');
  const link = page.getByRole('link', { name: 'Instructors sign in here' });
  await expect(link).toBeVisible();
  await page.route('**/SignInPage*.js', (route) => route.abort());
  await link.click();
  await expect(page.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to the start' }).click();
  await expect(page.getByLabel('Class code')).toBeVisible();
  await page.unroute('**/SignInPage*.js');
  await link.click();
  await expect(page.getByLabel('Password')).toBeVisible();
  expect(complaints.splice(0).join()).toContain('NotConnected');
});
