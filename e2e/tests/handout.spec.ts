import { execFile } from 'node:child_process';
import { readFile, writeFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import { emptyFigure } from '@bogen/core/figure';
import { lessonVersion, newSheet } from '@bogen/core/lesson';
import type { Page } from '@playwright/test';
import { expect, joinClass, openFirstSheet, signIn, test } from '../bogen.js';

// PDF is read by the programs of poppler.
const run = promisify(execFile);
const textOf = async (file: string): Promise<string> =>
  (await run('pdftotext', ['-layout', file, '-'])).stdout;

/** Prints the page as the browser would. @returns where the PDF is */
async function printed(page: Page, file: string): Promise<string> {
  await writeFile(file, await page.pdf({ preferCSSPageSize: true }));
  return file;
}

/** Every font of a PDF is in it. */
async function expectFontsInside(file: string): Promise<void> {
  const { stdout } = await run('pdffonts', [file]);
  const rows = stdout.trim().split('\n').slice(2);
  expect(rows.length).toBeGreaterThan(2);
  // Embedded, subset or not, and with what its signs mean: the columns before the object's number.
  for (const row of rows) expect(row).toMatch(/\byes\s+(?:yes|no)\s+yes\s+\d+\s+\d+$/);
}

test('a lesson is printed as handouts with numbered pages, fonts inside and text to select', async ({
  newContext,
}, info) => {
  const page = await signIn(await newContext());
  await page.getByRole('button', { name: 'What to do with the lesson A true round', exact: true }).click();
  await page.getByRole('button', { name: 'Handouts, to print or as PDF' }).click();
  await expect(page.locator('[data-handout-task]')).toHaveCount(6);
  await expect(page.locator('.handout .katex').first()).toBeVisible();
  const file = await printed(page, info.outputPath('lesson.pdf'));
  const { stdout } = await run('pdfinfo', [file]);
  expect(stdout).toMatch(/Pages:\s+6\n/);
  expect(stdout).toMatch(/Page size:.*\(A4\)/);
  await expectFontsInside(file);
  const text = await textOf(file);
  for (const words of ['What a circle takes', 'They pin it to every second point', 'Answer:', '50 mm'])
    expect(text).toContain(words);
  expect(text).toMatch(/\b6\s*\/\s*6\b/);
  // What is to be predicted is not told.
  expect(text).not.toContain('two arcs came off');
  expect(text).not.toContain('Print or save as PDF');

  await page
    .locator('label', { hasText: /^Print/ })
    .locator('select')
    .selectOption({ label: 'Disturb one knot' });
  const sheet = await printed(page, info.outputPath('sheet.pdf'));
  expect((await run('pdfinfo', [sheet])).stdout).toMatch(/Pages:\s+1\n/);
  expect(await textOf(sheet)).toContain('Sheet 4 of 6');
});

test('what is printed of a sheet is its handout', async ({ newContext }, info) => {
  const { page } = await joinClass(await newContext());
  await openFirstSheet(page);
  const file = info.outputPath('sheet.pdf');
  // It is made when nothing else waits.
  await expect(async () => {
    expect(await textOf(await printed(page, file))).toContain('scale 1 :');
  }).toPass();
  const text = await textOf(file);
  expect(text).toContain('A control point acts near');
  expect(text).toContain('Your turn');
  expect(text).toContain('scale 1 :');
  expect(text).not.toContain('Start over');
  await expectFontsInside(file);
});

test('a figure is printed on a page of its own size', async ({ newContext }, info) => {
  const page = await (await newContext()).newPage();
  // The dialog of the browser is the one thing that a test can't press.
  await page.addInitScript(() => (window.print = () => undefined));
  await page.goto('/bench');
  await page.getByRole('button', { name: 'Hand on …' }).click();
  await page.locator('[data-exchange-out]').getByLabel('Format').selectOption({ label: 'Page, PDF' });
  await page.getByRole('button', { name: 'Print or save as PDF' }).click();
  const width = parseFloat((await page.locator('[data-printed] svg').getAttribute('width'))!);
  const file = await printed(page, info.outputPath('figure.pdf'));
  const { stdout } = await run('pdfinfo', [file]);
  expect(stdout).toMatch(/Pages:\s+1\n/);
  const points = Number(/Page size:\s+([\d.]+)/.exec(stdout)![1]);
  expect(Math.abs((points / 72) * 25.4 - width)).toBeLessThan(0.7);
});

test('a circle on a handout is as large as it says, to a tenth of a millimetre', async ({
  newContext,
}, info) => {
  const page = await signIn(await newContext());
  const radius = 40;
  const figure = {
    ...emptyFigure(),
    items: [
      {
        id: 'round',
        name: 'Round',
        kind: 'shape',
        shape: { kind: 'circle', centre: [50, 50], radius, layout: 'quadratic9' },
      },
    ],
    rail: { item: 'round', tracks: [] },
  } as const;
  const lesson = await page.evaluate(
    async (document) => {
      const post = async (path: string, body: unknown): Promise<{ id: string }> => {
        const response = await fetch(`/api${path}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        });
        if (!response.ok) throw new Error(await response.text());
        return (await response.json()) as { id: string };
      };
      // In the course that is there: other tests count on its being the only one.
      const shelf = (await (await fetch('/api/shelf')).json()) as { courses: { id: string }[] };
      return post(`/courses/${shelf.courses[0]!.id}/lessons`, { document });
    },
    {
      version: lessonVersion,
      title: 'Measures',
      sheets: [newSheet({ id: 'round', title: 'Round', figure })],
    },
  );
  await page.goto(`/handout/${lesson.id}`);
  await expect(page.locator('[data-drawn] svg')).toBeVisible();
  await expect(page.locator('.handout')).toContainText('true size');
  const file = await printed(page, info.outputPath('circle.pdf'));

  const dots = 600;
  await run('pdftoppm', ['-r', String(dots), '-gray', '-singlefile', file, info.outputPath('circle')]);
  const picture = await readFile(info.outputPath('circle.pgm'));
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(picture.subarray(0, 40).toString('latin1'))!;
  const [width, height] = [Number(head[1]), Number(head[2])];
  const pixels = picture.subarray(head[0].length);
  const isDark = (x: number, y: number): boolean => pixels[Math.round(y) * width + Math.round(x)]! < 128;
  const millimetre = dots / 25.4;
  // The left side of the polygon is the one straight line down that is half as long as the circle is high.
  const longest = radius * millimetre;
  const columns: number[] = [];
  let [top, bottom] = [Infinity, -Infinity];
  for (let x = 0; x < 60 * millimetre; x++) {
    let began = 0;
    for (let y = 0; y < height; y++) {
      if (isDark(x, y)) continue;
      if (y - began > longest) {
        columns.push(x);
        [top, bottom] = [Math.min(top, began), Math.max(bottom, y - 1)];
      }
      began = y + 1;
    }
  }
  expect(columns.length).toBeGreaterThan(0);
  const left = (Math.min(...columns) + Math.max(...columns)) / 2;
  const centre = [left + radius * millimetre, (top + bottom) / 2] as const;
  for (const angle of [45, 135, 225, 315]) {
    const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
    const dark: number[] = [];
    for (let r = 0.8 * radius * millimetre; r < 1.2 * radius * millimetre; r += 0.25)
      if (isDark(centre[0] + r * cos, centre[1] + r * sin)) dark.push(r / millimetre);
    const line = (Math.min(...dark) + Math.max(...dark)) / 2;
    expect(Math.abs(line - radius), `at ${angle}°`).toBeLessThan(0.1);
  }
});
