import { nearAndFar } from '@bogen/demo';
import type { Page } from '@playwright/test';
import { coordinatesOf, drag, expect, handle, joinClass, openFirstSheet, signIn, test } from '../bogen.js';
import { lesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

const kept = (page: Page) => page.locator('[data-bench-state="saved"]');
const figures = (page: Page) => page.getByRole('button', { name: 'Figures on the bench' });
const list = (page: Page) => page.locator('[data-figure-list]');
async function choose(page: Page, row: string): Promise<void> {
  await figures(page).click();
  await list(page).getByRole('button', { name: row, exact: true }).click();
}
async function name(page: Page, text: string, act: string): Promise<void> {
  await page.getByLabel('Name of the figure').fill(text);
  await page.getByRole('dialog').getByRole('button', { name: act }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(figures(page)).toHaveText(text);
}

test('anybody draws at the bench without an account, and finds their figures again in this browser', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await page.goto('/');
  await page.getByRole('link', { name: 'Or draw at the bench' }).click();
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await expect(figures(page)).toHaveText('First figure');
  expect(await violations(page)).toEqual([]);
  if (shot) await page.screenshot({ path: '/tmp/bench.png' });
  await drag(page, 'curve/P1', { x: 40, y: -30 });
  await expect(kept(page)).toHaveText('Kept in this browser');
  const [x] = await coordinatesOf(page, 'curve/P1');
  await page.reload();
  await expect(handle(page, 'curve/P1')).toBeVisible();
  expect((await coordinatesOf(page, 'curve/P1'))[0]).toBe(x);

  await test.step('with every tool, and undo', async () => {
    await page.getByRole('button', { name: 'Change …' }).click();
    await page.locator('[data-operation-list] [data-choose="insertKnot"]').click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await expect(handle(page, 'curve/P6')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(handle(page, 'curve/P6')).toHaveCount(0);
  });

  await test.step('a picture to draw over rests on the device and is there again', async () => {
    await page.getByRole('button', { name: 'Draw …' }).click();
    await page.locator('input[type="file"]').setInputFiles({
      name: 'plan.svg',
      mimeType: 'image/svg+xml',
      buffer: Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200"><rect width="400" height="200" fill="#d00000"/></svg>',
      ),
    });
    const isRed = () =>
      page.evaluate(() => {
        const canvas = document.querySelector<HTMLCanvasElement>('[data-pane] canvas')!;
        const { width, height } = canvas;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height);
        let red = 0;
        for (let at = 0; at < data.length; at += 4) if (data[at]! > data[at + 1]! + 60) red++;
        return red > 0.2 * width * height;
      });
    await expect.poll(isRed).toBe(true);
    await expect(kept(page)).toHaveText('Kept in this browser');
    await page.reload();
    await expect(handle(page, 'curve/P1')).toBeVisible();
    await expect.poll(isRed).toBe(true);
    if (shot) await page.screenshot({ path: '/tmp/bench-picture.png' });
    await page.getByRole('button', { name: 'Draw …' }).click();
    await page.locator('input[type="file"]').setInputFiles({
      name: 'nonsense.png',
      mimeType: 'image/png',
      buffer: Buffer.from('no picture at all'),
    });
    await expect(page.getByRole('alert')).toContainText('can’t be read');
    await page.keyboard.press('Escape');
  });

  await test.step('several figures with names, copied, and taken away with undo', async () => {
    await choose(page, 'Make a copy');
    await name(page, 'A lining', 'Create');
    await choose(page, 'Give it another name');
    await name(page, 'The lining', 'Set the name');
    await choose(page, 'New figure');
    await name(page, 'Nothing yet', 'Create');
    await expect(page.getByText('Nothing is drawn on this sheet yet')).toBeVisible();
    await choose(page, 'Take away');
    await expect(figures(page)).not.toHaveText('Nothing yet');
    await page.locator('[data-bench-said]').getByRole('button', { name: 'Undo' }).click();
    await expect(figures(page)).toHaveText('Nothing yet');
    await choose(page, 'The lining');
    await expect(handle(page, 'curve/P1')).toBeVisible();
    expect((await coordinatesOf(page, 'curve/P1'))[0]).toBe(x);
  });

  await test.step('a figure that is not there says so', async () => {
    await page.goto('/bench/00000000-0000-4000-8000-000000000000');
    await expect(page.getByRole('heading', { name: 'not on the bench' })).toBeVisible();
  });

  await test.step('what was drawn before somebody joins is taken along', async () => {
    await page.goto('/join');
    await page.getByLabel('Class code').fill('BOUT-7K4M');
    await page.getByLabel('Your name').fill(`Bench ${process.pid}`);
    await page.getByRole('button', { name: 'Join the class' }).click();
    await page.getByRole('button', { name: 'Go to the lessons' }).click();
    await page.getByRole('link', { name: 'Bench' }).click();
    await expect(page.getByText('3 figures are kept in this browser')).toBeVisible();
    await page.getByRole('button', { name: 'Take into my account' }).click();
    await figures(page).click();
    await expect(list(page).getByRole('button', { name: 'The lining' })).toBeVisible();
  });
});

test('a student keeps a copy of a sheet’s figure, also without a connection and on two devices', async ({
  newContext,
}) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await page.getByRole('button', { name: 'To the bench' }).click();
  await expect(figures(page)).toHaveText('A control point acts near');
  await expect(handle(page, 'waist/P0')).toBeVisible();
  // What the sheet keeps fixed is free here.
  await drag(page, 'waist/P0', { x: 20, y: 30 });
  await expect(kept(page)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(handle(other, 'waist/P0')).toBeVisible();

  await page.route('**/api/bench/**', (route) => route.abort());
  await drag(page, 'waist/P0', { x: -60, y: 10 });
  await expect(page.locator('[data-bench-state="offline"]')).toBeVisible();
  const left = await coordinatesOf(page, 'waist/P0');
  await page.unroute('**/api/bench/**');
  await page.reload();
  await expect(handle(page, 'waist/P0')).toBeVisible();
  expect(await coordinatesOf(page, 'waist/P0')).toEqual(left);
  await drag(page, 'waist/P1', { x: 10, y: 10 });
  await expect(kept(page)).toBeVisible();

  // The other device has an older state: nothing of either is lost.
  await drag(other, 'waist/P0', { x: 0, y: 50 });
  await expect(other.getByRole('alert')).toContainText('changed on another device');
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await expect(figures(other)).toHaveText('A control point acts near, from this device');
});

test('an instructor takes a figure to the bench, and makes a sheet of one', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await choose(page, 'Give it another name');
  await name(page, 'From the bench', 'Set the name');
  await drag(page, 'curve/P1', { x: 40, y: -30 });
  await expect(kept(page)).toBeVisible();
  const [x] = await coordinatesOf(page, 'curve/P1');
  await page.getByRole('button', { name: 'Make a sheet of it' }).click();
  await page.locator('[data-lesson-pick]').getByRole('button', { name: 'Near and far' }).click();
  await expect(page.getByLabel('Title of the sheet')).toHaveValue('From the bench');
  expect((await coordinatesOf(page, 'curve/P1'))[0]).toBe(x);
  expect((await lesson(page)).sheets.at(-1)!.title).toBe('From the bench');
  await page.getByRole('button', { name: 'To the bench' }).click();
  await expect(page.getByRole('button', { name: 'Make a sheet of it' })).toBeVisible();
  await page.goBack();
  // The other tests of this server find the lesson as it was.
  await page.getByRole('button', { name: 'Remove this sheet' }).click();
  await expect.poll(async () => (await lesson(page)).sheets.length).toBe(nearAndFar.sheets.length);
});

test('what rested on a device while another changed the figure becomes a figure of its own', async ({
  newContext,
}) => {
  const { page } = await joinClass(await newContext());
  await page.goto('/bench');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  const address = `/api/bench/${page.url().split('/').at(-1)!}`;
  await page.route('**/api/bench/**', (route) => route.abort());
  await drag(page, 'curve/P1', { x: 30, y: 20 });
  await expect(page.locator('[data-bench-state="offline"]')).toBeVisible();
  const mine = await coordinatesOf(page, 'curve/P1');
  const { figure, revision } = (await (await page.request.get(address)).json()) as {
    figure: { view: object };
    revision: number;
  };
  const theirs = { ...figure, view: { ...figure.view, grid: 25 } };
  expect((await page.request.put(address, { data: { figure: theirs, base: revision } })).ok()).toBe(true);
  await page.goto('/class');
  await page.unroute('**/api/bench/**');
  await page.goto('/bench');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await page.reload();
  await choose(page, 'First figure, from this device');
  await expect(figures(page)).toHaveText('First figure, from this device');
  await expect.poll(() => coordinatesOf(page, 'curve/P1')).toEqual(mine);
});

test('a picture that rested on the device goes along when an instructor takes the figure into the account', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await page.goto('/bench');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await page.getByRole('button', { name: 'Draw …' }).click();
  await page.locator('input[type="file"]').setInputFiles({
    name: 'plan.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><path d="M0 10H40"/></svg>',
    ),
  });
  await expect(page.getByRole('button', { name: /^Handle centre of Picture/ })).toBeVisible();
  await expect(kept(page)).toHaveText('Kept in this browser');
  await signIn(page.context());
  await page.goto('/bench');
  const fetched = page.waitForResponse((response) => response.url().includes('/api/pictures/'));
  const before = await page.request.get('/api/bench').then((answer) => answer.json());
  await page.getByRole('button', { name: 'Take into my account' }).click();
  await expect(page.getByRole('button', { name: 'Take into my account' })).toHaveCount(0);
  const after = (await page.request.get('/api/bench').then((answer) => answer.json())) as typeof before;
  const known = new Set((before as { figures: { id: string }[] }).figures.map(({ id }) => id));
  const taken = (after as { figures: { id: string }[] }).figures.find(({ id }) => !known.has(id))!;
  await page.goto(`/bench/${taken.id}`);
  expect((await fetched).status()).toBe(200);
});
