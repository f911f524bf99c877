import {
  coordinatesOf,
  dragTo,
  expect,
  handle,
  joinByDoor,
  joinClass,
  openFirstSheet,
  saved,
  signIn,
  test,
} from '../bogen.js';
import { newLesson } from '../figure.js';

test('by plain HTTP under a name a sheet opens, is worked on and saved', async ({
  browser,
  bogen,
  complaints,
}) => {
  const context = await browser.newContext({
    baseURL: bogen.url.replace('localhost', 'classroom.example'),
    viewport: { width: 1280, height: 800 },
  });
  const { page } = await joinByDoor(context, 'By plain HTTP');
  page.on('pageerror', (error) => complaints.push(error.message));
  expect(await page.evaluate(() => [window.isSecureContext, 'randomUUID' in crypto])).toEqual([false, false]);
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 47]);
  await expect(saved(page)).toBeVisible();
  const left = await coordinatesOf(page, 'waist/P4');
  await page.reload();
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(left);
  await context.close();
});

test('steps taken without a connection are kept, survive closing the page, and are saved', async ({
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
  await handle(page, 'waist/P5').focus();
  for (let k = 0; k < 30; k++) await page.keyboard.press(k % 2 === 0 ? 'ArrowUp' : 'ArrowRight');
  await expect(page.locator('[data-save="offline"]')).toContainText('30 kept on this device');
  const left = await coordinatesOf(page, 'waist/P5');
  await page.close();
  await bogen.startServer();
  const again = await context.newPage();
  await again.goto(address);
  await expect.poll(() => coordinatesOf(again, 'waist/P5')).toEqual(left);
  await expect(saved(again)).toBeVisible();
  await again.reload();
  await expect.poll(() => coordinatesOf(again, 'waist/P5')).toEqual(left);
  await expect(again.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await again.keyboard.press('Control+z');
  await expect.poll(() => coordinatesOf(again, 'waist/P5')).not.toEqual(left);
});

test('a long text typed on without a connection is kept step by step, survives closing the page, and is saved', async ({
  newContext,
  bogen,
}) => {
  const context = await newContext();
  const page = await signIn(context);
  await newLesson(page, 'Typed on a train');
  await expect(saved(page)).toBeVisible();
  const text = page.locator('.tiptap');
  await text.click();
  // Twelve kilobytes: what is kept for each step must not be the whole text.
  await page.keyboard.insertText(
    'The outline of a violin is drawn with a few arcs that meet smoothly. '.repeat(175),
  );
  await page.getByLabel('Title of the sheet').focus();
  await expect(saved(page)).toBeVisible();
  const address = page.url();
  await bogen.killServer();
  for (let k = 1; k <= 120; k++) {
    await text.focus();
    await page.keyboard.insertText(` ${k}`);
    await text.blur();
  }
  await expect(page.locator('[data-save="offline"]')).toContainText('120 kept on this device');
  await page.close();
  await bogen.startServer();
  const again = await context.newPage();
  await again.goto(address);
  const typed = again.locator('.tiptap');
  await expect(typed).toContainText(' 119 120');
  await expect(saved(again)).toBeVisible();
  await again.reload();
  await expect(typed).toContainText(' 119 120');
  await expect(again.getByRole('alert')).toHaveCount(0);
});

test('a step that the server refuses is set aside to be read and copied, and what follows is saved', async ({
  newContext,
}) => {
  const context = await newContext();
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const page = await signIn(context);
  await newLesson(page, 'Set aside');
  await expect(handle(page, 'curve/P0')).toBeVisible();
  await page.route('**/steps', async (route) => {
    const { steps } = route.request().postDataJSON() as {
      steps: { id: string; command?: { title?: string } }[];
    };
    const wrong = steps.find(({ command }) => command?.title === 'Odd title');
    if (!wrong) return route.continue();
    const detail = 'This title is odd.';
    return route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        type: 'refused',
        title: 'Refused',
        status: 422,
        detail,
        told: { code: 'oddTitle', parameters: {} },
        step: wrong.id,
      }),
    });
  });
  await page.getByLabel('Title of the sheet').fill('Odd title');
  await page.getByLabel('Title of the sheet').blur();
  await dragTo(page, 'curve/P1', [25, 60]);
  await expect(page.getByRole('alert')).toContainText(
    '1 change could not be saved and is set aside. This title is odd.',
  );
  await expect(saved(page)).toBeVisible();
  await expect(page.getByLabel('Title of the sheet')).not.toHaveValue('Odd title');
  const moved = await coordinatesOf(page, 'curve/P1');
  await page.reload();
  await expect.poll(() => coordinatesOf(page, 'curve/P1')).toEqual(moved);
  await page.getByRole('button', { name: 'Read and copy' }).click();
  await expect(page.locator('[data-aside]')).toContainText('Odd title');
  await page.getByRole('button', { name: 'Copy as text' }).click();
  await expect(page.getByRole('dialog')).toContainText('Copied.');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Odd title');
  await page.getByRole('button', { name: 'Forget them' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('what is undone comes into view', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Undone');
  await expect(handle(page, 'curve/P0')).toBeVisible();
  await dragTo(page, 'curve/P1', [25, 60]);
  const first = page.url();
  await page.getByRole('button', { name: 'Add sheet' }).click();
  await page.locator('[data-start="oneCurve"]').click();
  await expect(page).not.toHaveURL(first);
  await expect(handle(page, 'curve/P0')).toBeVisible();
  const second = page.url();
  await dragTo(page, 'curve/P2', [60, 20]);
  const moved = await coordinatesOf(page, 'curve/P2');
  await page.goto(first);
  await expect(handle(page, 'curve/P0')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page).toHaveURL(second);
  await expect.poll(() => coordinatesOf(page, 'curve/P2')).not.toEqual(moved);
  await page.keyboard.press('Control+y');
  await expect.poll(() => coordinatesOf(page, 'curve/P2')).toEqual(moved);
});

test('a shelf with a figure that takes long to draw is there at once and says so', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await page.route('**/api/shelf', async (route) => {
    const response = await route.fetch();
    const shelf = (await response.json()) as {
      courses: { lessons: { title: string; firstFigure: { items: unknown[] } }[] }[];
    };
    const points = Array.from({ length: 1800 }, (_, k) => [k, 40 * Math.sin(k * k)]);
    const { items } = shelf.courses[0]!.lessons.find(({ title }) => title === 'Near and far')!.firstFigure;
    for (let k = 0; k < 6; k++) {
      items.push({
        id: `costly${k}`,
        name: 'Costly',
        kind: 'shape',
        shape: { kind: 'stroke', points, tolerance: 1e-9, degree: 5 },
      });
    }
    await route.fulfill({ response, json: shelf });
  });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(page.getByText('This figure takes too long to draw here')).toBeVisible({ timeout: 15_000 });
  // The page itself was never held up: it answers while the drawing is given up.
  await page.getByRole('link', { name: 'Class desk' }).first().click();
  await expect(page).toHaveURL(/desk/);
});
