import {
  coordinatesOf,
  drag,
  dragTo,
  expect,
  handle,
  joinClass,
  placeOf,
  saved,
  test,
  openFirstSheet,
} from '../bogen.js';

test('a student joins, moves near and far, is checked, and finds everything again elsewhere', async ({
  newContext,
}) => {
  const { page, returnKey } = await joinClass(await newContext());
  await openFirstSheet(page);
  await expect(page.getByRole('heading', { name: 'A control point acts near' })).toBeVisible();
  await expect(page.locator('.katex').first()).toBeVisible();

  await test.step('a fixed point stays, a loose one moves and its neighbours do not', async () => {
    const fixed = await coordinatesOf(page, 'waist/P0');
    await drag(page, 'waist/P0', { x: 40, y: 30 });
    expect(await coordinatesOf(page, 'waist/P0')).toEqual(fixed);
    const neighbour = await coordinatesOf(page, 'waist/P5');
    await dragTo(page, 'waist/P4', [150, 60]);
    const [x, y] = await coordinatesOf(page, 'waist/P4');
    expect(Math.hypot(x - 150, y - 60)).toBeLessThan(0.3);
    expect(await coordinatesOf(page, 'waist/P5')).toEqual(neighbour);
    await expect(page.locator('[data-task] li').nth(1)).toContainText('3');
  });

  await test.step('Escape leaves a drag without a trace, and undo and redo work by keys', async () => {
    const before = await coordinatesOf(page, 'waist/P4');
    await drag(page, 'waist/P4', { x: 60, y: -40 }, false);
    await expect(handle(page, 'waist/P4')).toHaveClass(/held/);
    await page.keyboard.press('Escape');
    await expect(handle(page, 'waist/P4')).not.toHaveClass(/held/);
    await page.mouse.up();
    expect(await coordinatesOf(page, 'waist/P4')).toEqual(before);
    await page.keyboard.press('Control+z');
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual([158, 50]);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await page.keyboard.press('Control+Shift+z');
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(before);
    await page.getByRole('button', { name: 'Undo' }).click();
  });

  await test.step('the task is checked here and by the server', async () => {
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.locator('[data-task]')).toContainText('Not yet');
    await expect(page.locator('[data-task]')).toContainText('Checked again by the server');
    await page.getByRole('button', { name: 'Hint' }).click();
    await expect(page.locator('[data-task]')).toContainText('hump that is highest');
    await dragTo(page, 'waist/P4', [158, 41.5]);
    await expect(page.locator('[data-task] li').first()).toHaveAttribute('data-met', 'true');
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.locator('[data-task]')).toContainText(
      'Done. All conditions are met. Checked again by the server.',
    );
    await expect(page.locator('[data-progress="done"]')).toHaveCount(1);
  });

  await test.step('an edit point takes the curve along while the others stay', async () => {
    await page.getByRole('link', { name: 'Next sheet' }).click();
    await expect(page.getByRole('heading', { name: 'An edit point acts far' })).toBeVisible();
    const others = ['E3', 'E5', 'E8'] as const;
    const before = await Promise.all(others.map((name) => coordinatesOf(page, `waist/${name}`)));
    const control = await coordinatesOf(page, 'waist/P7');
    await dragTo(page, 'waist/E4', [158, 46.5]);
    expect(await Promise.all(others.map((name) => coordinatesOf(page, `waist/${name}`)))).toEqual(before);
    expect(await coordinatesOf(page, 'waist/P7')).not.toEqual(control);
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.locator('[data-task]')).toContainText('Done. All conditions are met.');
  });

  await test.step('the page is closed right after a drag, and nothing is lost', async () => {
    await dragTo(page, 'waist/P6', [222, 71]);
    const left = await coordinatesOf(page, 'waist/P6');
    const address = page.url();
    const { context } = { context: page.context() };
    await page.close();
    const again = await context.newPage();
    await again.goto(address);
    await expect.poll(() => coordinatesOf(again, 'waist/P6')).toEqual(left);
    await expect(saved(again)).toBeVisible();
    await again.keyboard.press('Control+z');
    await expect.poll(() => coordinatesOf(again, 'waist/P6')).not.toEqual(left);
    await again.keyboard.press('Control+y');
    await expect.poll(() => coordinatesOf(again, 'waist/P6')).toEqual(left);
    await expect(saved(again)).toBeVisible();

    const device = await (await newContext()).newPage();
    await device.goto('/join');
    await device.getByRole('button', { name: 'I have a return key' }).click();
    await device.getByLabel('Class code').fill('bout 7k4m');
    await device.getByLabel('Return key').fill(returnKey.toLowerCase());
    await device.getByRole('button', { name: 'Come back' }).click();
    await expect(device.getByText('2 of 5 sheets done')).toBeVisible();
    await device.getByRole('link', { name: 'An edit point acts far' }).click();
    await expect.poll(() => coordinatesOf(device, 'waist/P6')).toEqual(left);
  });
});

test('start over is one step that can be undone', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await dragTo(page, 'waist/P4', [150, 60]);
  await dragTo(page, 'waist/P5', [195, 60]);
  const moved = await coordinatesOf(page, 'waist/P4');
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual([158, 50]);
  await expect.poll(() => coordinatesOf(page, 'waist/P5')).toEqual([190, 52]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual(moved);
  await expect(saved(page)).toBeVisible();
});

test('a built curve follows its source', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await page.getByRole('link', { name: 'The same points, another degree' }).click();
  const measured = page.locator('[data-task] li').first();
  await expect(measured).toContainText('8.882 mm');
  await dragTo(page, 'waist/P4', [158, 69.1]);
  await expect(measured).toHaveAttribute('data-met', 'true');
});

test('everything on a figure works by keyboard', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await expect(handle(page, 'waist/P4')).toBeVisible();

  await test.step('Tab reaches every point, and focus lights its support', async () => {
    const reached = new Set<string>();
    for (let press = 0; press < 60; press++) {
      await page.keyboard.press('Tab');
      const name = await page.evaluate(() => document.activeElement?.getAttribute('data-handle'));
      if (name) reached.add(name);
    }
    for (let index = 0; index < 10; index++) expect(reached).toContain(`waist/P${index}`);
    expect(reached).toContain('cursor');
    expect(reached).toContain('rail-cursor');
  });

  await test.step('arrows nudge by a tenth, the whole and a hundredth of the grid', async () => {
    await handle(page, 'waist/P4').focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual([159, 50]);
    await page.keyboard.press('Shift+ArrowUp');
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual([159, 60]);
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(() => coordinatesOf(page, 'waist/P4')).toEqual([159, 59.9]);
    await handle(page, 'waist/P0').focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(() => coordinatesOf(page, 'waist/P0')).toEqual([60, 86]);
  });

  await test.step('the cursor moves on the curve and on the rail as one', async () => {
    await handle(page, 'rail-cursor').focus();
    await page.keyboard.press('Home');
    await expect(handle(page, 'cursor')).toHaveAttribute('aria-valuenow', '0.000');
    await page.keyboard.press('PageUp');
    await expect(handle(page, 'cursor')).toHaveAttribute('aria-valuenow', '0.143');
    await handle(page, 'cursor').focus();
    await page.keyboard.press('ArrowRight');
    await expect(handle(page, 'rail-cursor')).toHaveAttribute('aria-valuenow', '0.153');
  });
});

test('the cursor can be dragged on the rail and on the curve', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  const before = await placeOf(page, 'cursor');
  const line = (await handle(page, 'rail-cursor').boundingBox())!;
  await page.mouse.move(line.x + line.width / 2, line.y + 40);
  await page.mouse.down();
  await page.mouse.move(line.x + line.width / 2 + 200, line.y + 40, { steps: 4 });
  await page.mouse.up();
  const u = Number(await handle(page, 'rail-cursor').getAttribute('aria-valuenow'));
  expect(u).toBeGreaterThan(0.6);
  expect((await placeOf(page, 'cursor')).x).toBeGreaterThan(before.x + 50);
  await drag(page, 'cursor', { x: -150, y: 20 });
  await expect
    .poll(async () => Number(await handle(page, 'rail-cursor').getAttribute('aria-valuenow')))
    .toBeLessThan(u - 0.1);
});

test('pointing at a control point lights its support on the rail', async ({ newContext }) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await expect(handle(page, 'waist/P4')).toBeVisible();
  await page.mouse.move(700, 120);
  const lit = (track: string) =>
    page
      .locator(`[data-track="${track}"] canvas`)
      .first()
      .evaluate((element) => {
        const canvas = element as HTMLCanvasElement;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let sum = 0;
        for (let at = 0; at < data.length; at += 4)
          sum = (sum * 31 + data[at]! + 7 * data[at + 3]!) % 1_000_000_007;
        return sum;
      });
  const before = [await lit('knots'), await lit('basis')];
  const { x, y } = await placeOf(page, 'waist/P4');
  await page.mouse.move(x, y);
  await expect.poll(() => lit('knots')).not.toEqual(before[0]);
  await expect.poll(() => lit('basis')).not.toEqual(before[1]);
  await page.mouse.move(700, 120);
  await expect.poll(async () => [await lit('knots'), await lit('basis')]).toEqual(before);
});

test('a faint copy of one’s own is kept to compare with, stays on the device and is forgotten again', async ({
  newContext,
}) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  await page.getByRole('button', { name: 'Keep a copy' }).click();
  const copy = page.locator('[data-kept-copy] path').first();
  const line = await copy.getAttribute('d');
  await drag(page, 'waist/P4', { x: 0, y: 60 });
  await expect(saved(page)).toBeVisible();
  expect(await copy.getAttribute('d')).toBe(line);
  await page.reload();
  await expect(copy).toHaveAttribute('d', line!);
  await page.getByRole('button', { name: 'Forget the copy' }).click();
  await expect(copy).toHaveCount(0);
});
