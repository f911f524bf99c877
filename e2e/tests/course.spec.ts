import { demoLessons } from '@bogen/demo';
import type { Locator, Page } from '@playwright/test';
import { stat } from 'node:fs/promises';
import { pathToFileURL } from 'node:url';
import { coordinatesOf, dragTo, expect, handle, joinClass, openDesk, saved, signIn, test } from '../bogen.js';
import { isFull, oneOf } from '../../scripts/test/size.mjs';
import { violations } from '../violations.js';

const isFile = (page: Page): boolean => page.url().startsWith('file:');

/** From the lessons to a sheet, with its figure drawn. */
async function open(page: Page, sheet: string): Promise<void> {
  // A lesson that is a file has no page before its sheets.
  if (isFile(page)) await page.getByRole('link', { name: new RegExp(`^Sheet \\d+, ${sheet}:`) }).click();
  else {
    await page.goto('/class');
    await page.getByRole('link', { name: sheet, exact: true }).first().click();
  }
  await expect(page.getByRole('heading', { name: sheet })).toBeVisible();
  await expect(page.locator('[data-rail]')).toBeVisible();
}

const task = (page: Page) => page.locator('[data-task]');

async function isDone(page: Page, words: RegExp | string = /Done\.|Right\./): Promise<void> {
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(task(page)).toContainText(words);
  await isChecked(page);
  await expect(saved(page)).toBeVisible();
}

/** Where there is a server, it checks too; a file notes it with the sheet. */
async function isChecked(page: Page): Promise<void> {
  if (isFile(page)) await expect(page.locator('a[aria-current]')).toHaveAccessibleName(/: (?:done|tried)$/);
  else await expect(task(page)).toContainText('Checked again by the server');
}

/** Drags a reference point to a place in the drawing's unit. */
async function dragPeg(page: Page, name: string, to: readonly [number, number]): Promise<void> {
  const pegs = page.locator('[data-reference-point]');
  await expect(pegs.first()).toBeVisible();
  const known = await pegs.evaluateAll((elements) =>
    elements.map((element) => {
      const { e, f } = (element as SVGGElement).getScreenCTM()!;
      const [, x, y] = /x (-?[\d.]+), y (-?[\d.]+)/.exec(
        element.getAttribute('aria-label')!.replaceAll('−', '-'),
      )!;
      return { name: element.getAttribute('data-reference-point'), e, f, x: Number(x), y: Number(y) };
    }),
  );
  const [first, last] = [known[0]!, known.at(-1)!];
  const scale = (last.e - first.e) / (last.x - first.x);
  const peg = known.find((one) => one.name === name)!;
  await page.mouse.move(peg.e, peg.f);
  await page.mouse.down();
  const [x, y] = [peg.e + (to[0] - peg.x) * scale, peg.f - (to[1] - peg.y) * scale];
  await page.mouse.move((peg.e + x) / 2, (peg.f + y) / 2, { steps: 3 });
  await page.mouse.move(x, y, { steps: 3 });
  await page.mouse.up();
}

/** Drags a point near a place, and nudges it there by tenths and hundredths of the grid, as far as its label tells. */
async function nudgeTo(page: Page, name: string, to: readonly [number, number]): Promise<void> {
  await dragTo(page, name, [to[0], to[1]]);
  await handle(page, name).focus();
  const [x, y] = await coordinatesOf(page, name);
  const steps = (off: number, up: string, down: string): string[] => {
    const unit = 0.2;
    const count = Math.round(Math.abs(off) / unit);
    return Array.from({ length: count }, () => `Alt+${off > 0 ? up : down}`);
  };
  for (const key of [
    ...steps(to[0] - x, 'ArrowRight', 'ArrowLeft'),
    ...steps(to[1] - y, 'ArrowUp', 'ArrowDown'),
  ])
    await page.keyboard.press(key);
}

for (const { document } of demoLessons) {
  test(`every sheet of “${document.title}” fits its page, with all its stages and words that point, and nothing keeps anybody from it`, async ({
    newContext,
  }) => {
    test.setTimeout(120_000);
    const { page } = await joinClass(await newContext());
    for (const [index, sheet] of document.sheets.entries()) {
      if (index === 0) await open(page, sheet.title);
      else {
        await page.getByRole('link', { name: 'Next sheet' }).click();
        await expect(page.getByRole('heading', { level: 1, name: sheet.title })).toBeVisible();
        await expect(page.locator('[data-rail]')).toBeVisible();
      }
      const steps = await page.getByText(/^Stage 1 of \d+$/).allInnerTexts();
      const stages = steps.length > 0 ? Number(steps[0]!.split(' ').at(-1)) : 1;
      for (let stage = 1; stage <= stages; stage++) {
        if (stage > 1) {
          await page.getByRole('button', { name: 'Next stage' }).click();
          await expect(page.getByText(`Stage ${stage} of ${stages}`)).toBeVisible();
        }
        const scrolls = await page.evaluate(() => {
          const { scrollHeight, scrollWidth } = window.document.documentElement;
          return scrollHeight > innerHeight || scrollWidth > innerWidth;
        });
        expect(scrolls, `${sheet.title}, stage ${stage}`).toBe(false);
      }
      for (const words of await page.locator('[data-pointing]').all()) await words.hover();
      if (isFull || index === oneOf(document.sheets.length))
        expect(await violations(page), sheet.title).toEqual([]);
    }
  });
}

test('Two curves, six pegs is worked through with the pointer', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());

  await test.step('what the pulled lath does', async () => {
    await open(page, 'Six pegs, two laths');
    await page.getByText('Go to stage 3').click();
    await page.getByLabel('It begins at peg 1 and ends at peg 6.').check();
    await page.getByLabel('It passes through peg 3.').check();
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(task(page)).toContainText('It only leans towards it.');
    await page.getByLabel('It passes through peg 3.').uncheck();
    await page.getByLabel('It leaves peg 1 in the direction of peg 2.').check();
    await isDone(page);
    await dragPeg(page, 'Peg 4', [240, 110]);
  });

  await test.step('two spans', async () => {
    await open(page, 'Straight, bent, smoothly bent');
    await page.locator('input[type="range"]').first().focus();
    for (let k = 0; k < 3; k++) await page.keyboard.press('ArrowRight');
    await expect(task(page).locator('li').nth(1)).toHaveAttribute('data-met', 'true');
    await dragTo(page, 'lath/P2', [178, 174]);
    await expect(task(page).locator('li').nth(2)).toHaveAttribute('data-met', 'true');
    await isDone(page);
  });

  await test.step('a degree that four pegs carry', async () => {
    await open(page, 'Too few for the degree');
    await expect(page.getByText('needs at least 6 control points; there are 4.')).toBeVisible();
    await page.getByRole('button', { name: 'Numbers of Lath …' }).click();
    await page.getByLabel('Degree', { exact: true }).fill('3');
    await page.keyboard.press('Tab');
    await expect(task(page).locator('li').first()).toHaveAttribute('data-met', 'true');
    await page.keyboard.press('Escape');
    await isDone(page);
  });

  await test.step('what moves', async () => {
    await open(page, 'Pull one peg');
    const spans = (from: string) => task(page).getByRole('button', { name: from });
    for (const name of [
      '0 to 0.25',
      '0.25 to 0.5',
      '0 to 0.301',
      '0.301 to 0.504',
      '0.504 to 0.707',
      '0.707 to 1',
    ])
      await spans(name).first().click();
    await page.getByRole('button', { name: 'Show what happens' }).click();
    await expect(task(page)).toContainText('Checked again by the server');
  });

  await test.step('a straight span', async () => {
    await open(page, 'Never outside the string');
    for (const [k, place] of (
      [
        [110, 110],
        [170, 90],
        [230, 70],
        [290, 50],
      ] as const
    ).entries())
      await dragPeg(page, `Peg ${k + 2}`, place);
    await isDone(page);
  });

  await test.step('all ten knots', async () => {
    await open(page, 'What holds the ends');
    await page.getByLabel('10', { exact: true }).check();
    await isDone(page);
  });

  await test.step('through all six', async () => {
    await open(page, 'Through all six');
    const places = [
      [70.1, 116.4],
      [181.5, 166.1],
      [230, 49.6],
      [333.6, 29.1],
    ] as const;
    for (const [k, [x, y]] of places.entries()) await dragTo(page, `lath/P${k + 1}`, [x, y]);
    await isDone(page);
  });
});

/** Does an operation of the stage at the cursor, put to a parameter. */
async function operate(page: Page, operation: string, parameter?: string): Promise<void> {
  if (parameter !== undefined) {
    await page.locator('[data-cursor-field]').fill(parameter);
    await page.keyboard.press('Enter');
  }
  await page.locator(`[data-tool="${operation}"]`).click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('button', { name: 'Apply' })).toHaveCount(0);
}

/** Where something of the figure stands on the screen. */
const middleOf = (locator: Locator): Promise<{ x: number; y: number }> =>
  locator.evaluate((element) => {
    const { e, f } = (element as SVGGElement).getScreenCTM()!;
    return { x: e, y: f };
  });

/** Moves what has the focus up or down until its label tells a height, by its larger steps. */
async function keysToHeight(page: Page, marks: Locator, height: number, within: number): Promise<void> {
  await marks.focus();
  for (let k = 0; k < 40; k++) {
    const label = (await marks.getAttribute('aria-label'))!.replaceAll('−', '-');
    const off = height - Number(/y (-?[\d.]+)/.exec(label)![1]);
    if (Math.abs(off) <= within) return;
    await page.keyboard.press(`${Math.abs(off) > 10 ? 'Shift+' : ''}${off > 0 ? 'ArrowUp' : 'ArrowDown'}`);
  }
  throw new Error(`never came to ${height}`);
}

async function isShown(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Show what happens' }).click();
  await isChecked(page);
}

test('the sheets of Near and far on guessing and crowding are worked through', async ({ newContext }) => {
  test.setTimeout(90_000);
  const { page } = await joinClass(await newContext());

  await test.step('a guess', async () => {
    await open(page, 'Guess before you pull');
    for (const name of ['0.143 to 0.286', '0.286 to 0.429', '0.429 to 0.571', '0.571 to 0.714'])
      await task(page).getByRole('button', { name }).click();
    await keysToHeight(page, page.locator('[data-guess-mark]'), 73.7, 3);
    await isShown(page);
    await expect(task(page)).toContainText('It came as you expected.');
  });

  await test.step('crowded points', async () => {
    await open(page, 'Crowded points');
    for (const name of ['waist/P3', 'waist/P5']) await nudgeTo(page, name, [158, 50]);
    await isDone(page);
  });
});

test('Degree or spans is worked through with the pointer', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());

  await test.step('why one comb has corners', async () => {
    await open(page, 'Two ways to more points');
    await page.getByText('Go to stage 2').click();
    await page.getByLabel(/At a knot a cubic keeps its curvature/).check();
    await isDone(page);
  });

  await test.step('one peak', async () => {
    await open(page, 'Read the comb');
    await dragTo(page, 'stick/P2', [284, 31]);
    await isDone(page);
  });

  await test.step('what a degree costs', async () => {
    await open(page, 'What each way costs');
    const fields = task(page).getByRole('textbox');
    for (const [k, count] of ['7', '12', '2'].entries()) await fields.nth(k).fill(count);
    await page.getByRole('button', { name: 'Show what happens' }).click();
    await expect(task(page)).toContainText('Checked again by the server');
  });

  await test.step('down by two', async () => {
    await open(page, 'Down again, and what it costs');
    await operate(page, 'lowerDegree');
    await operate(page, 'lowerDegree');
    await isDone(page);
  });

  await test.step('a stroke with fewer points', async () => {
    await open(page, 'One stroke, too many points');
    await expect(page.locator('[data-facts]')).toContainText('121 points');
    await page.getByRole('button', { name: 'Numbers of Stroke …' }).click();
    // The middle of a line of two hundred steps is a tolerance of 1 mm.
    await page.getByRole('slider', { name: 'Tolerance' }).fill('100');
    // What it would come to is seen before it is let go.
    await expect(page.locator('[data-stroke-fit="10"]')).toContainText('10 control points');
    await expect(page.locator('[data-facts]')).toContainText('121 points');
    await page.keyboard.press('Tab');
    await expect(page.locator('[data-facts]')).toContainText('10 points');
    await page.keyboard.press('Escape');
    await isDone(page);
  });

  await test.step('a camber within a shaving', async () => {
    await open(page, 'Fit the traced camber');
    await operate(page, 'raiseDegree');
    // To the nearest pixel, and then by the arrow keys.
    const places = [
      [180, 44],
      [360, -14],
      [540, 60],
    ] as const;
    for (const [k, [x, y]] of places.entries()) await nudgeTo(page, `stick/P${k + 1}`, [x, y]);
    await isDone(page);
    // The made-up class has done it with five points, too.
    await expect(page.locator('[data-best]')).toContainText(
      /Your best is 5: nobody of the \d+ who have done it has less/,
    );
  });
});

test('Knots on the rail is worked through with pointer and keys', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());
  await workThroughKnots(page);
});

test('Knots on the rail is worked through as a file without a network, and its work is taken in at the desk', async ({
  newContext,
}, info) => {
  test.setTimeout(240_000);
  const instructor = await signIn(await newContext());
  const given = instructor.waitForEvent('download');
  await instructor
    .getByRole('button', { name: 'What to do with the lesson Knots on the rail', exact: true })
    .click();
  await instructor.getByRole('button', { name: 'Give out as a page that needs no server' }).click();
  const file = info.outputPath('knots.html');
  await (await given).saveAs(file);
  expect((await stat(file)).size).toBeLessThan(2_500_000);

  const student = await newContext();
  await student.setOffline(true);
  const page = await student.newPage();
  const asked: string[] = [];
  page.on('request', (request) => {
    if (!/^(?:file|data|blob):/.test(request.url())) asked.push(request.url());
  });
  await page.goto(pathToFileURL(file).href);
  await workThroughKnots(page);
  // The same work is there when the file is opened anew.
  await page.reload();
  await expect(page.getByRole('link', { name: /^Sheet \d+, .*: (?:done|tried)$/ })).toHaveCount(6);
  await expect(page.getByRole('link', { name: /^Sheet \d+, .*: done$/ })).toHaveCount(5);
  await page.getByRole('button', { name: 'My work' }).click();
  await expect(page.locator('[data-own-work]')).toHaveText('Work on 6 sheets; 6 tasks checked.');
  await page.getByLabel('Your name').fill('Oriol Vance');
  const handed = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save my work as a file' }).click();
  const work = info.outputPath('work.json');
  await (await handed).saveAs(work);
  expect(asked).toEqual([]);

  const { name } = await joinClass(await newContext());
  await openDesk(instructor, 'Knots on the rail');
  await instructor.getByRole('button', { name: 'The class', exact: true }).click();
  await instructor.getByRole('button', { name: 'Take in work from a file' }).click();
  await instructor.getByLabel('Choose the file').setInputFiles(work);
  await expect(instructor.getByText('Work on “Knots on the rail”, signed “Oriol Vance”.')).toBeVisible();
  await instructor.getByLabel('It is the work of').selectOption({ label: name });
  await instructor.getByRole('button', { name: 'Take it in' }).click();
  await expect(instructor.locator('[data-work-taken]')).toContainText('6 tasks are checked; 5 met.');
  await expect(instructor.locator('[data-work-taken]')).not.toContainText('Left:');
});

/** Every task of *Knots on the rail*, on its page or in a file. */
async function workThroughKnots(page: Page): Promise<void> {
  await test.step('which list', async () => {
    await open(page, 'Two ways to write one list');
    await page.getByLabel('The list without first and last value.').check();
    await isDone(page);
  });

  await test.step('ends that let go', async () => {
    await open(page, 'Ends that let go');
    await task(page).getByRole('button', { name: 'Start from the line as it is' }).click();
    await isShown(page);
  });

  await test.step('six spans of four', async () => {
    await open(page, 'One knot more, nothing moved');
    await operate(page, 'insertKnot', '0.4');
    await operate(page, 'insertKnot', '0.6');
    await isDone(page);
  });

  await test.step('one knot less', async () => {
    await open(page, 'One knot less');
    await task(page).getByRole('textbox').first().fill('6');
    for (const name of ['0 to 0.25', '0.25 to 0.5', '0.5 to 0.75', '0.75 to 1'])
      await task(page).getByRole('button', { name }).click();
    await page.getByRole('button', { name: 'Show what happens' }).click();
    await isChecked(page);
  });

  await test.step('a corner', async () => {
    await open(page, 'A place for a corner');
    await operate(page, 'insertKnot', '0.5');
    await operate(page, 'insertKnot', '0.5');
    await dragTo(page, 'bout/P5', [226, 40]);
    await isDone(page);
  });

  await test.step('G1 and no more', async () => {
    await open(page, 'G1, and no more');
    await handle(page, 'bout/P5').focus();
    for (let k = 0; k < 6; k++) await page.keyboard.press('Shift+ArrowDown');
    await isDone(page);
  });
}

test('A true round is worked through with pointer and numbers', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());

  await test.step('what the pairs do', async () => {
    await open(page, 'What a circle takes');
    await page.getByText('Go to stage 3').click();
    await page.getByLabel(/They pin it to every second point/).check();
    await isDone(page);
  });

  await test.step('a weight by number', async () => {
    await open(page, 'What a weight does');
    await page.getByRole('button', { name: 'Weights of Quarter …' }).click();
    await page.locator('[data-weights]').getByLabel('P1').fill('sqrt(2)/2');
    await page.keyboard.press('Tab');
    await expect(task(page).locator('li').first()).toHaveAttribute('data-met', 'true');
    await page.keyboard.press('Escape');
    await isDone(page);
  });

  await test.step('three lists', async () => {
    await open(page, 'Build it from three lists');
    await page.getByRole('button', { name: 'Weights of Hole …' }).click();
    for (const name of ['P1', 'P3', 'P5', 'P7']) {
      await page.locator('[data-weights]').getByLabel(name).fill('sqrt(2)/2');
      await page.keyboard.press('Tab');
    }
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(task(page)).toContainText('Not yet');
    // From either end on, since none may pass its neighbour.
    for (const [from, to] of [
      ['0.857', '0.75'],
      ['0.714', '0.75'],
      ['0.143', '0.25'],
      ['0.286', '0.25'],
      ['0.571', '0.5'],
      ['0.429', '0.5'],
    ] as const) {
      const knot = page.locator(`[role="slider"][aria-label="Knot of Hole"][aria-valuetext^="${from}"]`);
      await knot.focus();
      await page.locator('[data-knot-field] input').first().fill(to);
      await page.keyboard.press('Tab');
      await expect(knot).toHaveCount(0);
    }
    await isDone(page);
  });

  await test.step('a disturbed knot', async () => {
    await open(page, 'Disturb one knot');
    for (const name of ['0 to 0.25', '0.25 to 0.5']) await task(page).getByRole('button', { name }).click();
    for (const answer of await task(page).getByRole('radio', { name: /yes/i }).all()) await answer.check();
    await page.getByRole('button', { name: 'Show what happens' }).click();
    await expect(task(page)).toContainText('Checked again by the server');
  });

  await test.step('what only looks round', async () => {
    await open(page, 'It only looks round');
    await task(page).getByLabel('Your answer').fill('0.0007');
    await isDone(page);
  });

  await test.step('as few points as will do', async () => {
    await open(page, 'Round enough to ream');
    await page.getByRole('button', { name: 'Numbers of Periodic hole …' }).click();
    await page.getByLabel('Points of the approximation').fill('7');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Escape');
    await isDone(page);
  });
  await expect(handle(page, 'cursor')).toBeVisible();
});

test('Taking the outline apart is worked through with pointer and keys', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());

  await test.step('one line', async () => {
    await open(page, 'Four pieces in one curve');
    await page.getByText('Go to stage 2').click();
    await page.getByLabel('Both pieces have the same tangent at P3.').check();
    await isDone(page);
  });

  await test.step('by halves', async () => {
    await open(page, 'A point by halves');
    await task(page).getByLabel('Your answer').fill('130');
    await isDone(page);
  });

  await test.step('by halves on a spline', async () => {
    await open(page, 'By halves on a spline');
    await page.getByLabel('P1, P2, P3 and P4.').check();
    await isDone(page);
  });

  await test.step('a joint is closed', async () => {
    await open(page, 'A joint that opened');
    // The end of the bout draws the point to it.
    const [from, to] = [await middleOf(handle(page, 'waist/P0')), await middleOf(handle(page, 'bout/P3'))];
    await page.keyboard.down('Control');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
    await page.mouse.move(to.x + 2, to.y + 1, { steps: 3 });
    await page.mouse.up();
    await page.keyboard.up('Control');
    await expect(task(page).locator('li').first()).toHaveAttribute('data-met', 'true');
    await handle(page, 'waist/P1').focus();
    const [x, y] = await coordinatesOf(page, 'waist/P1');
    for (let k = 0; k < Math.round(Math.abs(230 - x)); k++)
      await page.keyboard.press(x > 230 ? 'ArrowLeft' : 'ArrowRight');
    for (let k = 0; k < Math.round(Math.abs(96 - y)); k++)
      await page.keyboard.press(y > 96 ? 'ArrowDown' : 'ArrowUp');
    await isDone(page);
  });

  await test.step('the same road', async () => {
    await open(page, 'The same road at another speed');
    await task(page).getByRole('radio', { name: 'yes' }).nth(0).check();
    await task(page).getByRole('radio', { name: 'no', exact: true }).nth(1).check();
    await task(page).getByRole('textbox').fill('2');
    await isShown(page);
  });

  await test.step('G2', async () => {
    await open(page, 'G2, and let it be calculated');
    await page.locator('[data-tool="match"]').click();
    await page.getByRole('combobox', { name: 'Continuity', exact: true }).selectOption('G2');
    await page.getByRole('button', { name: 'Apply' }).click();
    await isDone(page);
  });

  await test.step('a bridge', async () => {
    await open(page, 'A piece that was missing');
    await page.getByRole('button', { name: 'Numbers of Bridge …' }).click();
    await page.getByRole('combobox', { name: 'Continuity', exact: true }).selectOption('G2');
    await page.getByRole('combobox', { name: 'Continuity there' }).selectOption('G2');
    for (const name of ['Strength', 'Strength there']) {
      await page.getByRole('textbox', { name, exact: true }).fill('1');
      await page.keyboard.press('Tab');
    }
    await expect(task(page).locator('li[data-met="true"]')).toHaveCount(3);
    await page.keyboard.press('Escape');
    await isDone(page);
  });
});

test('The arch of the bridge is worked through with pointer and numbers', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());
  page.setDefaultTimeout(15_000);
  const numbers = async (item: string, rho: string): Promise<void> => {
    await page.getByRole('button', { name: `Numbers of ${item} …` }).click();
    await page.getByRole('textbox', { name: 'ρ' }).fill(rho);
    await page.keyboard.press('Tab');
    await expect(task(page).locator('li[data-met="false"]')).toHaveCount(0);
    await page.keyboard.press('Escape');
  };

  await test.step('near 1', async () => {
    await open(page, 'One number for three curves');
    await page.getByText('Go to stage 3').click();
    await page.getByLabel('Onto the two legs of its polygon.').check();
    await isDone(page);
  });

  await test.step('where the tangents will meet', async () => {
    await open(page, 'What is held, and what gives way');
    await keysToHeight(page, page.locator('[data-guess-mark]'), 24, 3);
    await task(page).getByRole('button', { name: 'Start from the line as it is' }).click();
    await isShown(page);
  });

  await test.step('rho through a mark', async () => {
    await open(page, 'Find rho');
    await numbers('Arch', '0.62');
    await isDone(page);
  });

  await test.step('rho as a weight', async () => {
    await open(page, 'Rho is a weight');
    await task(page).getByLabel('Your answer').fill('1.5');
    await isDone(page);
  });

  await test.step('round', async () => {
    await open(page, 'The one that is round');
    await numbers('Arch', 'sqrt(2)-1');
    await isDone(page);
  });

  await test.step('three notches', async () => {
    await open(page, 'Under the strings');
    const [from, start, end] = await Promise.all(
      ['place', 'start', 'end'].map((key) => middleOf(page.locator(`[data-shape-handle="arch/${key}"]`))),
    );
    // The ends are at (−27, 22) and (27, 18), the notch in the middle at (−2, 33).
    const scale = (end!.x - start!.x) / 54;
    const to = { x: start!.x + 25 * scale, y: start!.y - 11 * scale };
    await page.keyboard.down('Control');
    await page.mouse.move(from!.x, from!.y);
    await page.mouse.down();
    await page.mouse.move((from!.x + to.x) / 2, (from!.y + to.y) / 2, { steps: 3 });
    await page.mouse.move(to.x + 2, to.y + 1, { steps: 3 });
    await page.mouse.up();
    await page.keyboard.up('Control');
    await expect(task(page).locator('li').first()).toHaveAttribute('data-met', 'true');
    await numbers('Edge', '0.42');
    await isDone(page);
  });
});

test('The section is worked through, with a picture to draw over', async ({ newContext }) => {
  test.setTimeout(120_000);
  const { page } = await joinClass(await newContext());

  await test.step('the first leg', async () => {
    await open(page, 'Half a section, twice');
    await page.getByLabel('At right angles to the axis.').check();
    await isDone(page);
  });

  await test.step('the side that is kept', async () => {
    await open(page, 'Which half goes');
    await page.locator('[data-tool="symmetric"]').click();
    await expect(page.getByText('What is crossed out in the figure is removed')).toBeVisible();
    await page.getByLabel('through, mm').fill('0');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Apply' }).click();
    // What is checked is the section without its half: a change after the check takes back what was told.
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(task(page)).toContainText('Not yet');
    // The wrong side went; it comes back.
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.locator('[data-tool="symmetric"]').click();
    await page.getByLabel('through, mm').fill('0');
    await page.keyboard.press('Tab');
    await page.getByLabel('Where it crosses the axis, keep').selectOption({ label: 'what lies after' });
    await page.getByRole('button', { name: 'Apply' }).click();
    await isDone(page);
  });

  await test.step('a link that was cut, and one that follows', async () => {
    await open(page, 'What follows, and what no longer does');
    await page.getByRole('button', { name: 'Raise degree of Other half …' }).click();
    await expect(page.getByText('no longer follows its source')).toBeVisible();
    await page.getByRole('button', { name: 'Apply' }).click();
    await expect(task(page).locator('li').first()).toHaveAttribute('data-met', 'true');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Raise degree of Half …' }).click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await dragTo(page, 'half/P2', [22, -28]);
    await isDone(page);
  });

  await test.step('even time', async () => {
    await open(page, 'Even time on uneven roads');
    await task(page).getByRole('button', { name: 'Start from the line as it is' }).click();
    await isShown(page);
  });

  await test.step('closed', async () => {
    await open(page, 'Nearly closed is open');
    // The common mistake: ends that meet.
    await nudgeTo(page, 'section/P7', [-19, 1]);
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(task(page)).toContainText('Not yet');
    await page.locator('[data-tool="close"]').click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await isDone(page);
  });

  await test.step('evened out', async () => {
    await open(page, 'The stretched parameter');
    await page.locator('[data-tool="evenOut"]').click();
    await page.getByLabel('Spans for each span').fill('2');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Apply' }).click();
    await isDone(page);
  });

  await test.step('drawn over', async () => {
    const picture = page.waitForResponse((response) => response.url().includes('/pictures/'));
    await open(page, 'Draw it over');
    expect((await picture).status()).toBe(200);
    await nudgeTo(page, 'half/P1', [14.5, -26]);
    await nudgeTo(page, 'half/P2', [26.5, -19.5]);
    await isDone(page);
  });
});
