import {
  coordinatesOf,
  drag,
  expect,
  handle,
  joinClass,
  openFirstSheet,
  saved,
  signIn,
  test,
} from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('a sheet is presented with one key: stages on the arrows, a pen, a pointer, a dark room, and notes of one’s own', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'On the wall');
  const editor = page.locator('[data-stage-editor]');
  await editor.getByRole('button', { name: 'Capture' }).click();
  await drag(page, 'curve/P1', { x: 30, y: -50 });
  await expect(editor.locator('[data-stage]')).toHaveCount(2);
  await editor.getByRole('button', { name: 'Capture' }).click();
  await editor.getByRole('button', { name: 'Change this stage' }).click();
  await page.getByLabel('Notes').fill('Ask who expected that.');
  await page.keyboard.press('Escape');
  await editor.getByRole('button', { name: 'Stage 1:' }).click();
  await expect(editor.getByText('Stage 1 of 2')).toBeVisible();
  await editor.getByLabel('Caption of this stage').fill('As it was drawn');
  await editor.getByLabel('Caption of this stage').blur();
  const before = await lesson(page);

  await page.locator('[data-pane]').click({ position: { x: 12, y: 12 } });
  await page.keyboard.press('q');
  const wall = page.locator('[data-present]');
  await expect(wall.locator('[data-caption]')).toHaveText('As it was drawn');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await page.waitForFunction(() => document.querySelector('[data-pane] canvas') !== null);
  expect(await violations(page)).toEqual([]);

  await test.step('arrows and the keys of a clicker step', async () => {
    await page.keyboard.press('ArrowRight');
    await expect(wall).toContainText('stage 2 of 2');
    await page.keyboard.press('PageUp');
    await expect(wall).toContainText('stage 1 of 2');
  });

  await test.step('what is moved before a class is not kept in the lesson, and can be given up', async () => {
    const [x] = await coordinatesOf(page, 'curve/P2');
    await drag(page, 'curve/P2', { x: 60, y: 30 });
    expect((await coordinatesOf(page, 'curve/P2'))[0]).not.toBe(x);
    await page.keyboard.press('0');
    await expect.poll(async () => (await coordinatesOf(page, 'curve/P2'))[0]).toBe(x);
  });

  await test.step('a pen draws over the figure, and what it drew leaves with the stage', async () => {
    await page.keyboard.press('e');
    const box = (await page.locator('[data-pen="true"]').boundingBox())!;
    await page.mouse.move(box.x + 200, box.y + 150);
    await page.mouse.down();
    await page.mouse.move(box.x + 420, box.y + 220, { steps: 6 });
    await page.mouse.up();
    await expect(page.locator('[data-stroke]')).toHaveCount(1);
    if (shot) await page.screenshot({ path: '/tmp/present.png' });
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('[data-stroke]')).toHaveCount(0);
    await page.keyboard.press('e');
  });

  await test.step('a pointer that all can see, and a dark room that ends with it', async () => {
    await page.keyboard.press('o');
    await page.mouse.move(500, 300);
    await expect(page.locator('[data-pointer-ring]')).toHaveCSS('opacity', '1');
    const theme = () => page.locator('html').getAttribute('data-theme');
    const chosen = await theme();
    await page.keyboard.press('d');
    await expect.poll(theme).not.toBe(chosen);
    if (shot) await page.screenshot({ path: '/tmp/present-dark.png' });
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('d');
    await page.keyboard.press('o');
  });

  await test.step('a second window has the notes and what comes next, and steps too', async () => {
    const opening = page.context().waitForEvent('page');
    await page.keyboard.press('n');
    const notes = await opening;
    await expect(notes.locator('[data-notes-text]')).toHaveText('Ask who expected that.');
    await expect(notes.locator('[data-notes]')).toContainText('the last stage');
    await notes.keyboard.press('ArrowLeft');
    await expect(wall).toContainText('stage 1 of 2');
    await expect(notes.locator('[data-notes-text]')).toContainText('No notes');
    await expect(notes.getByText(/P1 moved by/)).toBeVisible();
    expect(await violations(notes)).toEqual([]);
    if (shot) await notes.screenshot({ path: '/tmp/present-notes.png' });
    await notes.close();
  });

  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Title of the sheet')).toBeVisible();
  expect(await lesson(page)).toEqual(before);

  await test.step('from the preview one comes back to it', async () => {
    await page.getByRole('link', { name: 'See as a student' }).click();
    await expect(page.getByRole('link', { name: 'Back to writing' })).toBeVisible();
    await expect(handle(page, 'curve/P1')).toBeVisible();
    await page.keyboard.press('q');
    await expect(wall.locator('[data-caption]')).toHaveText('As it was drawn');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: 'Back to writing' })).toBeVisible();
  });
});

test('a reader presents a sheet with the figure as they have it', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await drag(page, 'waist/P4', { x: 25, y: -35 });
  const moved = await coordinatesOf(page, 'waist/P4');
  await expect(saved(page)).toBeVisible();
  await page.locator('[data-pane]').click({ position: { x: 12, y: 12 } });
  await page.keyboard.press('q');
  await expect(page.locator('[data-present]')).toBeVisible();
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(moved);
  await expect(page.getByRole('button', { name: /Notes/ })).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('0');
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).not.toEqual(moved);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'A control point acts near' })).toBeVisible();
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(moved);
});
