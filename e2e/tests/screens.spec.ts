import type { Page } from '@playwright/test';
import {
  coordinatesOf,
  expect,
  handle,
  joinClass,
  openDesk,
  placeOf,
  saved,
  signIn,
  test,
  openFirstSheet,
} from '../bogen.js';
import { violations } from '../violations.js';

test('no page before signing in has an accessibility violation', async ({ newContext }) => {
  const visitor = await (await newContext()).newPage();
  for (const address of ['/join', '/sign-in', '/nowhere']) {
    await visitor.goto(address);
    await expect(visitor.getByRole('heading').first()).toBeVisible();
    expect(await violations(visitor), address).toEqual([]);
  }
});

for (const theme of ['light', 'dark']) {
  // The themes differ in nothing but their colours.
  const wrong = (page: Page) => violations(page, ...(theme === 'dark' ? ['color-contrast'] : []));

  test(`no screen of the instructor has an accessibility violation, in the ${theme} theme`, async ({
    newContext,
  }) => {
    const teacher = await signIn(await newContext());
    if (theme === 'dark') await teacher.getByRole('button', { name: 'Dark theme' }).click();
    await expect(teacher.getByRole('link', { name: /Near and far/ })).toBeVisible();
    expect(await wrong(teacher), 'shelf').toEqual([]);
    await teacher.getByRole('link', { name: /Near and far/ }).click();
    await expect(teacher.locator('.tiptap')).toBeVisible();
    expect(await wrong(teacher), 'writer').toEqual([]);
    for (const name of [
      'Change …',
      'Take apart …',
      'Points …',
      'Lists …',
      'Facts',
      'Details …',
      'Look …',
      'Compare …',
      'Keys',
    ]) {
      await teacher.getByRole('button', { name }).click();
      await expect(teacher.getByRole('dialog')).toBeVisible();
      expect(await wrong(teacher), name).toEqual([]);
      await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    }
    for (const name of ['Items …', 'Tracks …', 'Draw …']) {
      await teacher.getByRole('button', { name }).click();
      await expect(teacher.getByRole('dialog')).toBeVisible();
      expect(await wrong(teacher), name).toEqual([]);
      await teacher.keyboard.press('Escape');
    }
    await teacher.locator('[data-figure]').click({ position: { x: 20, y: 20 } });
    await teacher.keyboard.press('Control+a');
    await teacher.getByRole('button', { name: 'Move, scale, turn …' }).click();
    expect(await wrong(teacher), 'several points').toEqual([]);
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await teacher.getByRole('button', { name: 'Look …' }).click();
    await teacher.getByLabel('Construction of the point at the cursor').check();
    await teacher.getByLabel('Facets', { exact: true }).check();
    expect(await wrong(teacher), 'looks with their numbers').toEqual([]);
    await teacher.getByRole('button', { name: 'Numbers …' }).click();
    await expect(teacher.locator('[data-recursion] .katex')).toBeVisible();
    expect(await wrong(teacher), 'construction').toEqual([]);
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await handle(teacher, 'waist/P4').click({ button: 'right' });
    await expect(teacher.getByRole('menu')).toBeVisible();
    expect(await wrong(teacher), 'menu').toEqual([]);
    await teacher.keyboard.press('Escape');
    await teacher.getByRole('button', { name: 'Draw …' }).click();
    await teacher.getByRole('button', { name: /^Curve through points/ }).click();
    await expect(teacher.locator('[data-draw-layer]')).toBeVisible();
    expect(await wrong(teacher), 'drawing').toEqual([]);
    await teacher.keyboard.press('Escape');
    await teacher.getByRole('link', { name: 'See as a student' }).click();
    await expect(handle(teacher, 'waist/P4')).toBeVisible();
    expect(await wrong(teacher), 'preview').toEqual([]);
    await teacher.goto('/shelf');
    await openDesk(teacher);
    await expect(teacher.getByRole('table').first()).toBeVisible();
    expect(await wrong(teacher), 'desk').toEqual([]);
    await teacher
      .getByRole('link', { name: /Catrin Vale/ })
      .first()
      .click();
    await expect(handle(teacher, 'waist/P4')).toBeVisible();
    expect(await wrong(teacher), 'student’s work').toEqual([]);
  });

  test(`no screen of the student has an accessibility violation, in the ${theme} theme`, async ({
    newContext,
  }) => {
    const { page: student } = await joinClass(await newContext());
    if (theme === 'dark') await student.getByRole('button', { name: 'Dark theme' }).click();
    await expect(student.getByRole('heading', { name: 'Lessons' })).toBeVisible();
    expect(await wrong(student), 'class').toEqual([]);
    await student.getByRole('link', { name: 'An edit point acts far' }).click();
    await expect(handle(student, 'waist/E4')).toBeVisible();
    await expect(student.locator('.katex').first()).toBeVisible();
    expect(await wrong(student), 'reader').toEqual([]);
  });
}

test('wrong codes, passwords, keys and addresses are told in a sentence', async ({ newContext }) => {
  const page = await (await newContext()).newPage();
  await page.goto('/join');
  await page.getByRole('button', { name: 'Join the class' }).click();
  await expect(page.getByText('Please fill this in.')).toHaveCount(2);
  await page.getByLabel('Class code').fill('WRONG-CODE');
  await page.getByLabel('Your name').fill('Someone');
  await page.getByRole('button', { name: 'Join the class' }).click();
  await expect(page.getByRole('alert')).toHaveText('No class has this code. Check it with your instructor.');
  await page.getByRole('button', { name: 'I have a return key' }).click();
  await page.getByLabel('Class code').fill('BOUT-7K4M');
  await page.getByLabel('Return key').fill('nonsense ✗');
  await page.getByRole('button', { name: 'Come back' }).click();
  await expect(page.getByRole('alert')).toContainText('No student of this class has this return key');
  await page.goto('/sign-in');
  await page.getByLabel('Address').fill('mirela@ellerbrook.example');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('do not match');
  await page.goto('/nowhere/at/all');
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  await page.goto('/read/00000000-0000-4000-8000-000000000000');
  await expect(page).toHaveURL(/\/join\?to=/);
});

test('a lesson that is not there says so, and leads back', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await page.goto('/read/00000000-0000-4000-8000-000000000000');
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  await expect(page.getByText('not in your class')).toBeVisible();
  await page.getByRole('link', { name: 'Go to the start' }).click();
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  const teacher = await signIn(await newContext());
  await teacher.goto('/write/not-an-id');
  await expect(teacher.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  await teacher.goto('/desk/00000000-0000-4000-8000-000000000000');
  await expect(teacher.getByText('This class does not exist')).toBeVisible();
});

test('on a small screen the text folds below the figure, and the figure takes the whole screen on request', async ({
  newContext,
}) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await expect(handle(page, 'waist/P4')).toBeVisible();
  const width = async () => (await page.locator('[data-figure]').boundingBox())!.width;
  const before = await width();
  await page.getByRole('button', { name: 'Figure alone' }).click();
  await expect.poll(width).toBeGreaterThan(before + 300);
  await page.getByRole('button', { name: 'Show the text' }).click();
  await page.setViewportSize({ width: 800, height: 1000 });
  const figure = (await page.locator('[data-figure]').boundingBox())!;
  const heading = (await page.getByRole('heading', { name: 'A control point acts near' }).boundingBox())!;
  expect(heading.y).toBeGreaterThan(figure.y + figure.height);

  await test.step('every sheet begins with its figure, and the beginning of its text is in sight', async () => {
    await page.setViewportSize({ width: 420, height: 800 });
    const begins = async (title: string): Promise<void> => {
      await expect(page.getByRole('heading', { level: 1, name: title })).toBeInViewport();
      const drawing = (await page.locator('[data-figure]').boundingBox())!;
      expect(drawing.y).toBeGreaterThanOrEqual(44);
      expect(drawing.height).toBeGreaterThan(250);
    };
    await begins('A control point acts near');
    await page.getByRole('link', { name: 'Next sheet' }).click();
    await begins('An edit point acts far');
  });
});

test('a finger drags a handle, which is large enough for it', async ({ browser, bogen }) => {
  const context = await browser.newContext({
    baseURL: bogen.url,
    hasTouch: true,
    viewport: { width: 1280, height: 800 },
  });
  const { page } = await joinClass(context);
  await openFirstSheet(page);
  const size = (await handle(page, 'waist/P4').boundingBox())!;
  expect(Math.min(size.width, size.height)).toBeGreaterThanOrEqual(24);
  const [x0] = await coordinatesOf(page, 'waist/P4');
  const { x, y } = await placeOf(page, 'waist/P4');
  const finger = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', dx = 0) =>
    finger.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: x + dx, y }],
    });
  // A finger does not wait for the page between its moves: it would rest, and ask for the menu.
  await Promise.all([
    touch('touchStart'),
    ...[5, 10, 15, 20, 25, 30, 35, 40].map((dx) => touch('touchMove', dx)),
    touch('touchEnd'),
  ]);
  await expect.poll(async () => (await coordinatesOf(page, 'waist/P4'))[0]).toBeGreaterThan(x0 + 5);
  await expect(saved(page)).toBeVisible();
  await context.close();
});
