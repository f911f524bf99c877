import {
  coordinatesOf,
  drag,
  dragTo,
  expect,
  handle,
  joinClass,
  openDesk,
  placeOf,
  saved,
  signIn,
  test,
} from '../bogen.js';
import { choose, click, lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

test('an instructor writes, arranges and publishes a lesson, and a student reads it', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await expect(page.getByRole('img', { name: 'First figure of Near and far' })).toBeVisible();
  await newLesson(page, 'The tail gut');

  await test.step('prose with a formula', async () => {
    await page.getByRole('textbox', { name: 'Text of the sheet' }).click();
    await page.keyboard.type('A curve on six pegs. ');
    await page.getByRole('button', { name: 'Formula', exact: true }).click();
    await page.getByRole('textbox', { name: 'Formula' }).fill('N_{i,p}(u)');
    await page.getByRole('button', { name: 'Set formula' }).click();
    await expect(page.locator('.tiptap .katex')).toBeVisible();
    await page.getByLabel('Title of the sheet').fill('Six pegs');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('link', { name: /Six pegs/ })).toBeVisible();
  });

  await test.step('points and degree', async () => {
    await dragTo(page, 'curve/P2', [80, 60]);
    const [x, y] = await coordinatesOf(page, 'curve/P2');
    expect(Math.hypot(x - 80, y - 60)).toBeLessThan(0.3);
    await page.getByRole('button', { name: 'Raise the degree' }).click();
    await page.getByRole('button', { name: 'Raise the degree' }).click();
    await expect(page.locator('[data-degree]')).toHaveText('5');
    await expect(page.locator('[data-facts]')).toContainText('degree 5 · 1 span · 6 points · 12 knots');
    await expect(page.getByRole('button', { name: 'Raise the degree' })).toBeDisabled();
  });

  await test.step('loose and fixed', async () => {
    await page.getByRole('button', { name: 'Loose or fixed' }).click();
    await handle(page, 'curve/P0').click();
    await expect(handle(page, 'curve/P0')).toHaveClass(/fixed/);
    await handle(page, 'curve/P5').focus();
    await page.keyboard.press('Space');
    await expect(handle(page, 'curve/P5')).toHaveClass(/fixed/);
    await page.getByRole('button', { name: 'Loose or fixed' }).click();
  });

  await test.step('more sheets, in another order', async () => {
    await page.getByRole('button', { name: 'Add sheet' }).click();
    await page.locator('[data-start="oneCurve"]').click();
    await expect(page.getByLabel('Title of the sheet')).toHaveValue('One curve');
    await page.getByLabel('Title of the sheet').fill('Afterwards');
    await page.keyboard.press('Enter');
    const grip = (title: string) => page.getByRole('button', { name: new RegExp(`^Move sheet ${title}`) });
    const [from, to] = [(await grip('Afterwards').boundingBox())!, (await grip('Six pegs').boundingBox())!];
    await page.mouse.move(from.x + 8, from.y + 15);
    await page.mouse.down();
    await page.mouse.move(from.x + 8, from.y - 5, { steps: 4 });
    await page.mouse.move(to.x + 8, to.y + 10, { steps: 6 });
    await page.mouse.up();
    await expect(page.locator('[data-sheet]').first()).toContainText('Afterwards');
  });

  await test.step('undo and redo go on after a reload', async () => {
    await expect(saved(page)).toBeVisible();
    await page.reload();
    await expect(page.locator('[data-sheet]').first()).toContainText('Afterwards');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.locator('[data-sheet]').first()).toContainText('Six pegs');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(page.locator('[data-sheet]').first()).toContainText('Afterwards');
  });

  await test.step('the student’s view tries and keeps nothing', async () => {
    await page.getByRole('link', { name: /Six pegs/ }).click();
    await expect(page.getByLabel('Title of the sheet')).toHaveValue('Six pegs');
    await page.getByRole('link', { name: 'See as a student' }).click();
    await expect(page.getByRole('heading', { name: 'Six pegs' })).toBeVisible();
    const fixed = await coordinatesOf(page, 'curve/P0');
    await dragTo(page, 'curve/P0', [30, 30]);
    expect(await coordinatesOf(page, 'curve/P0')).toEqual(fixed);
    await dragTo(page, 'curve/P2', [60, 60]);
    await page.getByRole('link', { name: 'Back to writing' }).click();
    await expect(page.locator('.tiptap')).toBeVisible();
    const [x, y] = await coordinatesOf(page, 'curve/P2');
    expect(Math.hypot(x - 80, y - 60)).toBeLessThan(0.3);
  });

  await test.step('publishing', async () => {
    await page.getByRole('button', { name: 'Publish' }).click();
    await expect(page.getByRole('dialog')).toContainText('Publish edition 1?');
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.getByRole('dialog')).toContainText('Edition 1 is out.');
    await page.getByRole('dialog').getByRole('button', { name: 'Back to writing' }).click();
    await expect(page.getByRole('button', { name: 'Publish' })).toBeDisabled();
  });

  const { page: student } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'Six pegs', exact: true }).click();
  await expect(student.getByText('A curve on six pegs.')).toBeVisible();
  await expect(student.locator('.katex')).toBeVisible();
  await expect(student.getByText('Sheet 2 of 2')).toBeVisible();
});

test('a task is put together from checks in sentences, and a student meets it', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A task of one’s own');
  const task = async () => (await lesson(page)).sheets[0]!.tasks[0];
  await page.getByRole('button', { name: 'Ask something' }).click();
  await page.locator('[data-task-kind="shape"]').click();
  const editor = page.locator('[data-task-editor]');
  await expect(editor).toContainText('Without a check nobody can be told');
  await editor.getByLabel('What the reader is asked').fill('Make it a curve of degree 4.');
  await editor.getByRole('button', { name: 'Add a check' }).click();
  const list = page.locator('[data-condition-list]');
  // Every kind is there as a sentence with what is measured now; typing finds some.
  await expect(list.locator('[data-condition]')).not.toHaveCount(0);
  expect(await list.locator('[data-condition]').count()).toBeGreaterThanOrEqual(30);
  await list.getByLabel('Find a check').fill('degree least');
  await expect(list.locator('[data-condition]')).toHaveText(['Curve has degree 3 at least']);
  expect(await violations(page)).toEqual([]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/add-check.png' });
  await list.locator('[data-condition="degreeAtLeast"]').click();
  const row = editor.locator('[data-condition-row="degreeAtLeast"]');
  await expect(row).toContainText('Curve has degree 3 at least');
  // As it is the figure meets it, which is told.
  await expect(editor).toContainText('there would be nothing to do');
  await row.getByRole('button', { name: 'Change this check' }).click();
  await row.getByLabel('At least', { exact: true }).fill('4');
  await row.getByLabel('At least', { exact: true }).press('Enter');
  await expect(row).toContainText('Curve has degree 4 at least');
  await expect(editor).not.toContainText('there would be nothing to do');
  expect(await violations(page)).toEqual([]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/task-editor.png' });
  await expect
    .poll(task)
    .toMatchObject({ conditions: [{ kind: 'degreeAtLeast', item: 'curve', atLeast: 4 }] });

  await test.step('a check on lists takes them from the figure, and is taken away again, with undo', async () => {
    await editor.getByRole('button', { name: 'Add a check' }).click();
    await list.locator('[data-condition="knotsEqual"]').click();
    await expect(editor.locator('[data-condition-row]')).toHaveCount(2);
    await editor
      .locator('[data-condition-row="knotsEqual"]')
      .getByRole('button', { name: 'Take this check away' })
      .click();
    await expect(editor.locator('[data-condition-row]')).toHaveCount(1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(editor.locator('[data-condition-row]')).toHaveCount(2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(editor.locator('[data-condition-row]')).toHaveCount(1);
    await editor.getByRole('button', { name: 'Ask nothing' }).click();
    await expect(page.getByText('This sheet asks nothing.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(row).toContainText('Curve has degree 4 at least');
  });

  await test.step('a number counts, and no longer, with undo', async () => {
    const score = editor.locator('[data-score]');
    await score.getByRole('button', { name: 'Let a number count' }).click();
    await page
      .getByRole('button', { name: /^Control points of Curve/ })
      .first()
      .click();
    await expect(score).toContainText('Counts: Control points of Curve, the lower the better.');
    await expect.poll(task).toMatchObject({ score: { of: 'fact', item: 'curve', fact: 'points' } });
    await score.getByRole('button', { name: 'Let nothing count' }).click();
    await expect(score).not.toContainText('Counts');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(score).toContainText('Counts');
    expect(await violations(page)).toEqual([]);
  });

  await test.step('as a student it is checked', async () => {
    await page.getByRole('link', { name: 'See as a student' }).click();
    const asked = page.locator('[data-task] li').first();
    await expect(asked).toContainText('Curve has degree 4 at least');
    await expect(asked).toHaveAttribute('data-met', 'false');
  });
});

test('typing is undone as it was typed, and survives leaving the page at once', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Typing');
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  await text.click();
  await page.keyboard.type('First.');
  // Until what was typed has become a step and is stored.
  await expect.poll(async () => JSON.stringify((await lesson(page)).sheets[0]!.prose)).toContain('First.');
  await page.keyboard.type(' Second.');
  await page.reload();
  await expect(text).toHaveText('First. Second.');
  await expect(handle(page, 'curve/P0')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(text).toHaveText('First.');
  await page.keyboard.press('Control+z');
  await expect(text).toHaveText('');
  await page.keyboard.press('Control+y');
  await expect(text).toHaveText('First.');
});

test('two windows on one lesson: what does not meet is joined, else the later is asked, and nothing is lost whatever it answers', async ({
  newContext,
}) => {
  const context = await newContext();
  const first = await signIn(context);
  await newLesson(first, 'Two windows');
  const address = first.url();
  const second = await context.newPage();
  await second.goto(address);
  await expect(handle(second, 'curve/P0')).toBeVisible();
  await dragTo(first, 'curve/P1', [25, 60]);
  await expect(saved(first)).toBeVisible();

  await dragTo(second, 'curve/P3', [125, 70]);
  await expect(second.getByRole('alert')).toContainText('Both sets of changes are kept');
  await expect(saved(second)).toBeVisible();
  expect(await coordinatesOf(second, 'curve/P1')).toEqual(await coordinatesOf(first, 'curve/P1'));

  await dragTo(first, 'curve/P3', [120, 80]);
  await expect(first.getByRole('dialog')).toContainText('This lesson was changed elsewhere');
  await first.getByRole('button', { name: 'Put mine on top' }).click();
  await expect(saved(first)).toBeVisible();

  await dragTo(second, 'curve/P3', [140, 50]);
  await expect(second.getByRole('dialog')).toContainText('Your 1 change since then is kept');
  const mine = await coordinatesOf(second, 'curve/P3');
  await second.getByRole('button', { name: 'Keep mine as a new lesson' }).click();
  await expect(second.getByLabel('Title of the lesson')).toHaveValue('Two windows (my copy)');
  await expect.poll(() => coordinatesOf(second, 'curve/P3')).toEqual(mine);
});

test('the class desk shows progress and opens a figure as the student left it', async ({ newContext }) => {
  const { page: student, name } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'An edit point acts far' }).click();
  await dragTo(student, 'waist/E6', [216, 70]);
  const left = await coordinatesOf(student, 'waist/P6');
  await expect(saved(student)).toBeVisible();
  const page = await signIn(await newContext());
  await openDesk(page);
  await expect(
    page.getByRole('link', { name: 'Anouk Tessel, A control point acts near: done. Open the figure.' }),
  ).toBeVisible();
  await page.getByRole('link', { name: `${name}, An edit point acts far: begun. Open the figure.` }).click();
  await expect(page.getByRole('heading', { name: `As ${name} left it` })).toBeVisible();
  await expect.poll(() => coordinatesOf(page, 'waist/P6')).toEqual(left);
  await dragTo(page, 'waist/P6', [180, 90]);
  expect(await coordinatesOf(page, 'waist/P6')).toEqual(left);
});

test('a newer edition is offered to who has begun an older one, and both works are kept', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Editions');
  const publish = async (number: number): Promise<void> => {
    await page.getByRole('button', { name: 'Publish' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.getByRole('dialog')).toContainText(`Edition ${number} is out.`);
    await page.getByRole('dialog').getByRole('button', { name: 'Back to writing' }).click();
  };
  await page.getByLabel('Title of the sheet').fill('Old words');
  await page.keyboard.press('Enter');
  await publish(1);
  const { page: student } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'Old words' }).click();
  await dragTo(student, 'curve/P2', [80, 60]);
  await expect(saved(student)).toBeVisible();
  const old = await coordinatesOf(student, 'curve/P2');

  await page.getByLabel('Title of the sheet').fill('New words');
  await page.keyboard.press('Enter');
  await publish(2);
  await student.reload();
  await expect(student.getByRole('heading', { name: 'Old words' })).toBeVisible();
  await expect.poll(() => coordinatesOf(student, 'curve/P2')).toEqual(old);
  await student.getByRole('link', { name: 'Go to edition 2' }).click();
  await expect(student.getByRole('heading', { name: 'New words' })).toBeVisible();
  // The figure did not change, so that the work on it is taken along.
  await expect.poll(() => coordinatesOf(student, 'curve/P2')).toEqual(old);

  // Where it did, it is kept and can be opened beside.
  await dragTo(page, 'curve/P0', [10, 20]);
  await publish(3);
  await student.reload();
  await student.getByRole('link', { name: 'Go to edition 3' }).click();
  await expect.poll(() => coordinatesOf(student, 'curve/P2')).toEqual([70, 90]);
  const opening = student.context().waitForEvent('page');
  await student.getByRole('link', { name: 'Open it beside this one' }).click();
  const beside = await opening;
  await expect.poll(() => coordinatesOf(beside, 'curve/P2')).toEqual(old);
  await beside.close();
  await student.goto('/class');
  await student.getByRole('link', { name: 'Your work on edition 1' }).click();
  await expect(student.getByRole('heading', { name: 'Old words' })).toBeVisible();
  await expect.poll(() => coordinatesOf(student, 'curve/P2')).toEqual(old);
});

test('what a figure shows and which curve has the rail are part of the lesson, with undo', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Looking');
  await expect(handle(page, 'curve/E2')).toBeVisible();
  await page.getByRole('button', { name: 'Look …' }).click();
  await page.getByLabel('Edit points', { exact: true }).uncheck();
  await page.keyboard.press('Escape');
  await expect(handle(page, 'curve/E2')).toHaveCount(0);
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(handle(page, 'curve/P2')).toBeVisible();
  await expect(handle(page, 'curve/E2')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handle(page, 'curve/E2')).toBeVisible();
});

test('a press that trembles moves nothing', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Trembling');
  const before = await coordinatesOf(page, 'curve/P2');
  await drag(page, 'curve/P2', { x: 1, y: 1 });
  expect(await coordinatesOf(page, 'curve/P2')).toEqual(before);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a sheet without any text, as a program may have stored it, opens and can be written', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'The end pin');
  const lesson = /write\/([^/?]+)/.exec(page.url())![1]!;
  await expect(saved(page)).toBeVisible();
  await page.evaluate(async (id) => {
    const draft = (await (await fetch(`/api/lessons/${id}/draft`)).json()) as {
      revision: number;
      document: { sheets: { id: string }[] };
    };
    const command = {
      name: 'setProse',
      sheet: draft.document.sheets[0]!.id,
      prose: { type: 'doc', content: [] },
    };
    const body = { base: draft.revision, steps: [{ id: crypto.randomUUID(), kind: 'do', command }] };
    const headers = { 'content-type': 'application/json' };
    await fetch(`/api/lessons/${id}/steps`, { method: 'POST', body: JSON.stringify(body), headers });
  }, lesson);
  await page.reload();
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  await text.click();
  await page.keyboard.type('It carries the weight.');
  await expect(text).toHaveText('It carries the weight.');
  await text.blur();
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(text).toHaveText('It carries the weight.');
});

test('from sheet to sheet the list keeps the focus, and what belonged to one sheet ends with it', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'The bass bar');
  const title = page.getByLabel('Title of the sheet');
  const link = (name: string) => page.locator('[data-sheet]').getByRole('link', { name });
  await title.fill('Before');
  await page.getByRole('button', { name: 'Copy this sheet' }).click();
  // The copy has come into view.
  await expect(page.locator('[data-sheet]').nth(1).getByRole('link')).toHaveAttribute('aria-current', 'page');
  await title.fill('After');
  await page.keyboard.press('Enter');
  await dragTo(page, 'curve/P2', [80, 60]);
  const left = await coordinatesOf(page, 'curve/P2');

  await test.step('by keyboard, with a drawing begun and a panel open', async () => {
    await choose(page, /by control points/);
    await click(page, [
      [30, 40],
      [60, 50],
    ]);
    await link('Before').focus();
    await page.keyboard.press('Enter');
    await expect(title).toHaveValue('Before');
    await expect(link('Before')).toBeFocused();
    await expect(page.locator('[data-draw-layer]')).toHaveCount(0);
    await expect.poll(() => coordinatesOf(page, 'curve/P2')).toEqual([70, 90]);
    await page.getByRole('button', { name: 'Look …' }).click();
    await expect(page.locator('[data-look-group]').first()).toBeVisible();
    await page.goBack();
    await expect(title).toHaveValue('After');
    await expect(page.locator('[data-look-group]')).toHaveCount(0);
    await expect.poll(() => coordinatesOf(page, 'curve/P2')).toEqual(left);
  });

  await test.step('a point in the hand is let go, and its sheet is as it was', async () => {
    const from = await placeOf(page, 'curve/P2');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y - 30, { steps: 4 });
    await page.goBack();
    await expect(title).toHaveValue('Before');
    await page.mouse.move(from.x + 60, from.y - 50, { steps: 2 });
    await page.mouse.up();
    await expect.poll(() => coordinatesOf(page, 'curve/P2')).toEqual([70, 90]);
    await expect(page.locator('[data-facts]')).toBeVisible();
    await page.goForward();
    await expect(title).toHaveValue('After');
    await expect.poll(() => coordinatesOf(page, 'curve/P2')).toEqual(left);
  });

  await test.step('what is being typed goes with its sheet and not with the next', async () => {
    await title.fill('Afterwards');
    await page.goBack();
    await expect(title).toHaveValue('Before');
    await expect(link('Afterwards')).toBeVisible();
    await expect(saved(page)).toBeVisible();
    await page.getByLabel('Title of the lesson').fill('The bass bar, carved');
    await page.goBack();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await page.goForward();
    await expect(page.getByLabel('Title of the lesson')).toHaveValue('The bass bar, carved');
    await expect(saved(page)).toBeVisible();
  });

  await test.step('a sheet that is removed gives way to its neighbour at once', async () => {
    await link('Afterwards').click();
    await page.getByRole('button', { name: 'Copy this sheet' }).click();
    await expect(page.locator('[data-sheet]').nth(2).getByRole('link')).toHaveAttribute(
      'aria-current',
      'page',
    );
    await title.fill('Too many');
    await page.keyboard.press('Enter');
    await page.evaluate(() => {
      const seen = new Set<string>();
      Object.assign(window, { seen });
      const look = (): void => {
        seen.add(document.querySelector<HTMLTextAreaElement>('[aria-label="Title of the sheet"]')!.value);
        requestAnimationFrame(look);
      };
      look();
    });
    await page.getByRole('button', { name: 'Remove this sheet' }).click();
    await expect(title).toHaveValue('Afterwards');
    await expect(page.locator('[data-sheet]')).toHaveCount(2);
    const seen = await page.evaluate(() => [...(window as unknown as { seen: Set<string> }).seen]);
    expect(seen).toEqual(['Too many', 'Afterwards']);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(link('Too many')).toBeVisible();
  });
});
