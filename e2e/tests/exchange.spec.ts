import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { coordinatesOf, expect, handle, test } from '../bogen.js';
import { violations } from '../violations.js';

const out = (page: Page) => page.locator('[data-exchange-out]');
const into = (page: Page) => page.locator('[data-exchange-in]');
const kept = (page: Page) => page.locator('[data-bench-state="saved"]');

async function openBench(page: Page): Promise<void> {
  await page.goto('/bench');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  await page.getByRole('button', { name: 'Hand on …' }).click();
  await expect(out(page)).toContainText('Everything of the figure is in it.');
}

/** The text of the file that is saved. */
async function savedFile(page: Page): Promise<{ name: string; text: string }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    out(page).getByRole('button', { name: 'Save the file' }).click(),
  ]);
  return { name: download.suggestedFilename(), text: readFileSync(await download.path(), 'latin1') };
}
const choose = (page: Page, name: string, text: string): Promise<void> =>
  page
    .locator('input[type="file"][accept*="step"]')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(text) });

const drawing =
  '<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="50mm" viewBox="0 0 80 50"><title>Rib</title><path d="M5 40C20 5 50 5 75 40"/><circle cx="40" cy="25" r="6"/><text>Rib</text></svg>';

test('a figure goes out in every format, and comes in again', async ({ newContext }) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  expect(await violations(page)).toEqual([]);
  for (const [label, ending, beginning] of [
    ['Drawing, SVG', 'svg', /^<\?xml/],
    ['Curves, STEP (ISO 10303)', 'step', /^ISO-10303-21;/],
    ['Curves, IGES 5.3', 'igs', /^Curves of a figure.* {20}S {6}1/],
    ['Table, CSV', 'csv', /^curve,kind,index/],
    ['Figure of Bogen, JSON', 'json', /^\{\s+"format": "bogen-figure"/],
    ['Picture, PNG', 'png', /^.PNG/],
  ] as const)
    await test.step(label, async () => {
      await out(page).getByLabel('Format').selectOption({ label });
      await expect(out(page).getByRole('button', { name: 'Save the file' })).toBeEnabled();
      const { name, text } = await savedFile(page);
      expect(name).toMatch(new RegExp(`\\.${ending}$`));
      expect(text).toMatch(beginning);
      if (ending === 'png') return;
      // What went out comes in as one curve more.
      await choose(page, name, text);
      await expect(into(page).locator('[data-exchange-content]')).toContainText('1 curve');
      await into(page).getByRole('button', { name: 'Leave it' }).click();
    });
});

test('a picture that no browser has the memory for is refused with the size that can be made', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  await choose(
    page,
    'plumb.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="400mm" viewBox="0 0 10 400"><path d="M1 0C3 100 0 300 2 400"/></svg>',
  );
  await into(page).getByRole('button', { name: 'Take in' }).click();
  await out(page).getByLabel('Format').selectOption({ label: 'Picture, PNG' });
  await out(page).getByLabel('Pixels across').fill('8000');
  await out(page).getByLabel('Pixels across').press('Enter');
  await out(page).getByRole('button', { name: 'Save the file' }).click();
  const told = out(page).getByRole('alert');
  await expect(told).toContainText('at most 8000 can be made');
  const [, most] = /at most (\d+) across/.exec(await told.innerText())!;
  await out(page).getByLabel('Pixels across').fill(most!);
  await out(page).getByLabel('Pixels across').press('Enter');
  expect((await savedFile(page)).text).toMatch(/^.PNG/);
  await expect(told).toHaveCount(0);
});

test('a file is looked at first, comes in as one step, and is refused with its line', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  const curves = page.locator('[data-curve-tools] select option');

  await test.step('seen, and left', async () => {
    await choose(page, 'rib.svg', drawing);
    await expect(into(page).locator('[data-exchange-content]')).toContainText('2 curves');
    await expect(into(page).locator('[data-exchange-content]')).toContainText('70.00 × ');
    await expect(into(page).locator('[data-exchange-left]')).toContainText('1 × text');
    await expect(curves).toHaveCount(3);
    await into(page).getByRole('button', { name: 'Leave it' }).click();
    await expect(curves).toHaveCount(0);
  });

  await test.step('taken in, and undone at once', async () => {
    await choose(page, 'rib.svg', drawing);
    await into(page).getByRole('button', { name: 'Take in' }).click();
    await expect(curves).toHaveCount(3);
    await expect(kept(page)).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(curves).toHaveCount(0);
    await page.getByRole('button', { name: 'Hand on …' }).click();
  });

  await test.step('refused', async () => {
    await choose(page, 'broken.step', 'ISO-10303-21;\nHEADER;\nnothing;');
    await expect(into(page).getByRole('alert')).toContainText('Line 3: There is nothing; where');
    await choose(page, 'notes.docx', 'x');
    await expect(into(page).getByRole('alert')).toContainText('No format with the ending docx is known');
    await choose(page, 'wrong.svg', '\u00ff');
    await expect(into(page).getByRole('alert')).toBeVisible();
    await expect(curves).toHaveCount(0);
  });

  await test.step('dropped onto the figure', async () => {
    await page.keyboard.press('Escape');
    const data = await page.evaluateHandle((text) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([text], 'rib.svg'));
      return transfer;
    }, drawing);
    await page.locator('[data-figure]').first().dispatchEvent('drop', { dataTransfer: data });
    await expect(into(page).locator('[data-exchange-content]')).toContainText('2 curves');
    await into(page).getByRole('button', { name: 'Take in' }).click();
    await expect(curves).toHaveCount(3);
  });
});

test('a drawing of two thousand paths comes in as one step, is saved, and its curves are taken hold of one by one', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  const curves = page.locator('[data-curve-tools] select option');
  const paths = Array.from({ length: 2000 }, (_, k) => {
    const [x, y] = [5 * (k % 50), 8 * Math.floor(k / 50)];
    return `<path d="M${x} ${y}C${x + 1} ${y + 5} ${x + 3} ${y + 5} ${x + 4} ${y}"/>`;
  });
  await choose(
    page,
    'frames.svg',
    `<svg xmlns="http://www.w3.org/2000/svg" width="250mm" height="320mm" viewBox="0 0 250 320">${paths.join('')}</svg>`,
  );
  await expect(into(page).locator('[data-exchange-content]')).toContainText('2000 curves');
  await into(page)
    .locator('label', { hasText: /^Put it/ })
    .locator('select')
    .selectOption({ label: 'in the middle of the view' });
  await into(page).getByRole('button', { name: 'Take in' }).click();
  await expect(curves).toHaveCount(2001);
  await expect(kept(page)).toBeVisible();
  await page.keyboard.press('Escape');
  // Of so many, the points of the curve on the rail alone are marked.
  await expect(page.locator('[data-shape-handle]')).toHaveCount(6);
  await page.getByRole('button', { name: 'Items …' }).click();
  const rows = page.locator('[data-item-list] li');
  await expect(rows).toHaveCount(100);
  await page.getByRole('button', { name: 'Show more; 1901 are left' }).click();
  await expect(rows).toHaveCount(200);
  await page.getByLabel('Find by name').fill('curve 1999');
  await expect(rows).toHaveCount(1);
  await page.getByLabel('Find by name').fill('keel');
  await expect(page.getByText('Nothing has this name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(curves).toHaveCount(0);
});

test('reading is stopped, and nothing has come', async ({ newContext }) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  const long = `<svg xmlns="http://www.w3.org/2000/svg">${'<path d="M0 0C1 5 3 5 4 0S7-5 8 0"/>'.repeat(19_000)}</svg>`;
  await choose(page, 'long.svg', long);
  await into(page).getByRole('button', { name: 'Stop' }).click();
  await expect(into(page)).toContainText('nothing came in');
  await expect(into(page).getByRole('button', { name: 'Take in' })).toHaveCount(0);
});

test('a drawing and a list of coordinates are pasted', async ({ newContext }) => {
  const page = await (await newContext()).newPage();
  await page.goto('/bench');
  await expect(handle(page, 'curve/P1')).toBeVisible();
  const curves = page.locator('[data-curve-tools] select option');
  const paste = (text: string): Promise<void> =>
    page.evaluate((words) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', words);
      document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
    }, text);
  await paste(drawing);
  await expect(curves).toHaveCount(3);
  await paste('10, 20\n30, 25\n50, 10\n');
  await expect(curves).toHaveCount(4);
  await paste('10, 20\n30, many\n');
  await expect(page.getByText('Line 2: many is not a number.')).toBeAttached();
  await expect(curves).toHaveCount(4);
});

test('an address carries a figure to somebody else’s bench, and nothing of it to the server', async ({
  newContext,
}) => {
  const page = await (await newContext()).newPage();
  await openBench(page);
  await page.getByRole('button', { name: 'Make a link to it' }).click();
  const link = await out(page).locator('[data-link-to-state] input').inputValue();
  expect(link).toContain('/bench#figure=');
  const [x, y] = await coordinatesOf(page, 'curve/P1');

  await test.step('opened by somebody else', async () => {
    const other = await (await newContext()).newPage();
    const asked: string[] = [];
    other.on('request', (request) => asked.push(request.url() + (request.postData() ?? '')));
    await other.goto(link);
    await expect(handle(other, 'curve/P1')).toBeVisible();
    expect(await coordinatesOf(other, 'curve/P1')).toEqual([x, y]);
    await expect(other.getByRole('button', { name: 'Figures on the bench' })).toHaveText('From a link');
    expect(asked.filter((one) => one.includes('knots'))).toEqual([]);
    // It is a figure like any other: kept, and there again.
    await other.reload();
    await expect(handle(other, 'curve/P1')).toBeVisible();
  });

  for (const [what, broken] of [
    ['cut off', link.slice(0, -20)],
    ['something else', `${link.split('=')[0]!}=AAAA`],
    ['empty', `${link.split('=')[0]!}=`],
  ] as const)
    await test.step(`refused where it is ${what}`, async () => {
      const other = await (await newContext()).newPage();
      await other.goto(broken);
      await expect(other.getByText(/carries no figure that can be read/)).toBeVisible();
      await other.getByRole('link', { name: 'Bench' }).last().click();
      await expect(handle(other, 'curve/P1')).toBeVisible();
    });
});
