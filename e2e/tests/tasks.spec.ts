import type { Page } from '@playwright/test';
import { pathToFileURL } from 'node:url';
import { coordinatesOf, drag, expect, joinClass, openDesk, placeOf, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson, screenOf } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

const picks = (page: Page) => page.locator('[data-pick-list]');
async function pick(page: Page, text: string | RegExp): Promise<void> {
  const row = picks(page).getByRole('button', { name: text }).first();
  await row.click();
  await expect(picks(page)).toHaveCount(0);
}

test('a number, a choice, an order and a prediction are written, tried, published and answered', async ({
  newContext,
}, info) => {
  test.setTimeout(300_000);
  const page = await signIn(await newContext());
  await newLesson(page, 'Asked in five ways');
  const stages = page.locator('[data-stage-editor]');
  const editor = (kind: string) => page.locator(`[data-task-editor="${kind}"]`);
  const ask = async (kind: string): Promise<void> => {
    await page.getByRole('button', { name: /^Ask something/ }).click();
    await page.locator(`[data-task-kind="${kind}"]`).click();
    await expect(editor(kind)).toBeVisible();
  };

  await test.step('a prediction needs a stage that shows what comes true', async () => {
    await page.getByRole('button', { name: 'Ask something' }).click();
    await expect(page.locator('[data-task-kind="prediction"]')).toBeDisabled();
    if (shot) await page.screenshot({ path: '/tmp/ask-menu.png' });
    await page.keyboard.press('Escape');
  });

  await stages.getByRole('button', { name: 'Capture' }).click();
  await drag(page, 'curve/P1', { x: 30, y: -50 });
  await expect(stages.locator('[data-stage]')).toHaveCount(2);
  await stages.getByRole('button', { name: 'Capture' }).click();

  await test.step('made from the step between two stages', async () => {
    await stages.getByRole('button', { name: 'Change this stage' }).click();
    await page.getByRole('button', { name: 'Let students predict this change' }).click();
    await expect(stages.getByText('Stage 1 of 2')).toBeVisible();
    const prediction = editor('prediction');
    await expect(prediction.locator('[data-question-row="spans"]')).toBeVisible();
    await prediction.getByRole('button', { name: 'Ask for something more' }).click();
    await pick(page, 'Where will P1 go?');
    await prediction.getByRole('button', { name: 'Ask for something more' }).click();
    await pick(page, 'Where will Curve run?');
    await expect(prediction.locator('[data-tried]')).toContainText('has an answer');
    await prediction.getByLabel('What the reader is asked').fill('P1 goes up. What else moves?');
    if (shot) await page.screenshot({ path: '/tmp/write-prediction.png' });
  });
  expect(await violations(page)).toEqual([]);

  await test.step('a number, different for each student', async () => {
    await ask('number');
    const number = editor('number');
    await number.getByLabel('What the reader is asked').fill('How high is P2?');
    await number.getByRole('button', { name: 'Choose what is asked for' }).click();
    await picks(page).getByLabel('Find').fill('y of P2');
    await page.keyboard.press('Enter');
    await expect(number.locator('[data-number-fields]')).toContainText('y of P2');
    await number.getByRole('button', { name: 'Different for each student' }).click();
    await pick(page, 'P2 of Curve lies elsewhere');
    await expect(number.locator('[data-varied]')).toContainText('P2 of Curve lies elsewhere');
    await expect(number.locator('[data-tried]')).toContainText('has an answer');
  });

  await test.step('a choice says what is still missing, and gives reasons', async () => {
    await ask('choice');
    const choice = editor('choice');
    await expect(choice.locator('[data-tried]')).toContainText('no text yet');
    await choice.getByLabel('What the reader is asked').fill('Which points act on one span of degree 3?');
    await choice.getByLabel('Answer 1', { exact: true }).fill('Four');
    await choice.getByLabel('Answer 2', { exact: true }).fill('All');
    await choice.getByLabel('Reason for answer 2').fill('Each has a support of a few spans only.');
    await choice.getByLabel('Reason for answer 2').blur();
    await choice.getByRole('button', { name: 'Add a hint' }).click();
    await choice.getByRole('button', { name: 'Light something up' }).last().click();
    await pick(page, 'Span 1 of Curve');
    await expect(choice.locator('[data-tried]')).not.toContainText('no text yet');
    if (shot) await page.screenshot({ path: '/tmp/write-choice.png' });
  });

  await test.step('an order', async () => {
    await ask('order');
    const order = editor('order');
    await order.getByLabel('What the reader is asked').fill('How is a point of the curve made?');
    await order.getByLabel('Entry 1', { exact: true }).fill('Find the span');
    await order.getByLabel('Entry 2', { exact: true }).fill('Evaluate the basis functions');
    await order.getByLabel('Entry 2', { exact: true }).blur();
    await order.getByRole('button', { name: 'Add an entry' }).click();
    await order.getByLabel('Entry 3', { exact: true }).fill('Add up the weighted points');
    await order.getByLabel('Entry 3', { exact: true }).blur();
    await expect(order.locator('[data-tried]')).toContainText('has an answer');
  });
  await expect
    .poll(async () => (await lesson(page)).sheets[0]!.tasks.map(({ kind }) => kind))
    .toEqual(['prediction', 'number', 'choice', 'order']);
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Edition 1 is out.')).toBeVisible();

  const { page: student } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'First sheet' }).last().click();
  const task = (text: string) => student.locator('[data-task]').filter({ hasText: text });

  await test.step('the prediction is marked by hand, then shown and measured', async () => {
    const prediction = task('P1 goes up');
    await expect(prediction.getByRole('button', { name: 'Show what happens' })).toBeDisabled();
    const mark = student.locator('[data-guess-mark]').first();
    const box = (await mark.boundingBox())!;
    await student.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await student.mouse.down();
    const at = await screenOf(student);
    const [went] = (await lesson(page)).sheets[0]!.stages[1]!.commands as unknown as { to?: number[] }[];
    await student.mouse.move(...at(went!.to!), { steps: 5 });
    await student.mouse.up();
    await expect(prediction).toContainText('marked at');
    await mark.focus();
    await student.keyboard.press('ArrowUp');
    await student.keyboard.press('ArrowDown');
    await prediction.getByRole('button', { name: '0 to 0.333' }).click();
    // In the figure too: the second span lights up where it is pressed.
    await expect(student.locator('[data-span-mark="0"]')).toHaveAttribute('data-guessed', 'true');
    await prediction.getByRole('button', { name: 'Draw', exact: true }).click();
    await expect(student.locator('[data-drawing]')).toBeVisible();
    await student.mouse.move(...at([0, 10]));
    await student.mouse.down();
    for (let x = 10; x <= 200; x += 10) await student.mouse.move(...at([x, 10 + Math.sin(x / 40) * 30]));
    await student.mouse.up();
    await expect(prediction).toContainText('drawn');
    if (shot) await student.screenshot({ path: '/tmp/predicting.png' });
    expect(await violations(student)).toEqual([]);
    await prediction.getByRole('button', { name: 'Show what happens' }).click();
    await expect(prediction.locator('[data-question="place"]')).toHaveAttribute('data-met', 'true');
    await expect(prediction.locator('[data-question="spans"]')).toHaveAttribute('data-met', 'false');
    await expect(prediction.locator('[data-question="spans"]')).toContainText('span told wrongly');
    await expect(prediction.locator('[data-question="drawn"]')).toContainText(/at most [\d.]+ mm apart/);
    await expect(prediction).toContainText('Checked again by the server');
    await expect(student.locator('[data-truth="drawn"]')).toBeVisible();
    if (shot) await student.screenshot({ path: '/tmp/predicted.png' });
    await prediction.getByRole('button', { name: 'Back to before the change' }).click();
    await prediction.getByRole('button', { name: '0.333 to 0.667' }).click();
    await prediction.getByRole('button', { name: 'Show what happens' }).click();
    await expect(prediction.locator('[data-question="spans"]')).toHaveAttribute('data-met', 'true');
    await prediction.getByRole('button', { name: 'Back to before the change' }).click();
  });

  await test.step('the number is one’s own, and what was answered is found after a reload', async () => {
    const number = task('How high is P2?');
    const [, y] = await coordinatesOf(student, 'curve/P2');
    await number.getByLabel('Your answer').fill('1000');
    await number.getByRole('button', { name: 'Check' }).click();
    await expect(number).toContainText('too large');
    await number.getByLabel('Your answer').fill('what');
    await expect(number.getByRole('alert')).toBeVisible();
    await number.getByLabel('Your answer').fill(String(y));
    await number.getByRole('button', { name: 'Check' }).click();
    await expect(number).toContainText('Right. Checked again by the server.');
    await number.getByLabel('Your answer').fill('123');
    await student.reload();
    await expect(number.getByLabel('Your answer')).toHaveValue('123');
    await expect(number).toContainText('You have done this');
  });

  await test.step('a choice gives its reason, and a hint lights up', async () => {
    const choice = task('Which points act');
    await choice.getByLabel('All').check();
    await choice.getByRole('button', { name: 'Check' }).click();
    await expect(choice.locator('[data-reason]')).toContainText('a few spans only');
    await choice.getByRole('button', { name: 'Hint' }).click();
    await expect(choice.locator('[data-hint]')).toBeVisible();
    await choice.getByLabel('Four').check();
    await choice.getByRole('button', { name: 'Check' }).click();
    await expect(choice).toContainText('Right.');
    if (shot) await student.screenshot({ path: '/tmp/answering.png' });
  });

  await test.step('an order is put right with the arrows and by dragging', async () => {
    const order = task('How is a point');
    const entries = order.locator('[data-entry]');
    const texts = () => entries.allTextContents();
    await order.getByRole('button', { name: 'Check' }).click();
    await expect(order).toContainText('Not yet.');
    for (const text of ['Evaluate the basis functions', 'Find the span']) {
      for (let k = 0; k < 2; k++) {
        const up = order.getByRole('button', { name: `Move “${text}” up` });
        if (await up.isEnabled()) await up.click();
      }
    }
    await expect
      .poll(texts)
      .toEqual(['Find the span', 'Evaluate the basis functions', 'Add up the weighted points']);
    await order.getByRole('button', { name: 'Check' }).click();
    await expect(order).toContainText('Right.');
    const grip = order.getByRole('button', { name: 'Drag “Find the span”' });
    const [from, to] = [(await grip.boundingBox())!, (await entries.last().boundingBox())!];
    await student.mouse.move(from.x + 8, from.y + 10);
    await student.mouse.down();
    await student.mouse.move(from.x + 8, to.y + to.height / 2, { steps: 8 });
    await student.mouse.up();
    await expect
      .poll(texts)
      .not.toEqual(['Find the span', 'Evaluate the basis functions', 'Add up the weighted points']);
  });
  expect(await violations(student)).toEqual([]);

  await test.step('without a connection an answer waits and is checked later', async () => {
    const choice = task('Which points act');
    await student.route('**/check', (route) => route.abort());
    await choice.getByLabel('All').check();
    await choice.getByRole('button', { name: 'Check' }).click();
    await expect(choice).toContainText('as soon as the connection is back');
    await student.unroute('**/check');
    await student.reload();
    await expect
      .poll(async () => {
        const id = /read\/([^/?]+)/.exec(student.url())![1]!;
        const answer = await student.request.get(`/api/class/lessons/${id}`);
        const { progress } = (await answer.json()) as {
          progress: { answers: Record<string, { chosen?: number[] }> }[];
        };
        return Object.values(progress[0]!.answers)
          .map(({ chosen }) => chosen)
          .filter(Boolean);
      })
      .toEqual([[1]]);
  });
  await expect(saved(page)).toBeVisible();
  expect(await placeOf(page, 'curve/P0')).toBeDefined();

  await test.step('in a file without a network, too, the number is one’s own, and the desk takes it in', async () => {
    await page.goto('/');
    const given = page.waitForEvent('download');
    await page
      .getByRole('button', { name: 'What to do with the lesson Asked in five ways', exact: true })
      .click();
    await page.getByRole('button', { name: 'Give out as a page that needs no server' }).click();
    const file = info.outputPath('asked.html');
    await (await given).saveAs(file);
    const context = await newContext();
    await context.setOffline(true);
    const reader = await context.newPage();
    await reader.goto(pathToFileURL(file).href);
    const own = await coordinatesOf(reader, 'curve/P2');
    // What was drawn once stays.
    await reader.reload();
    expect(await coordinatesOf(reader, 'curve/P2')).toEqual(own);
    const number = reader.locator('[data-task]').filter({ hasText: 'How high is P2?' });
    await number.getByLabel('Your answer').fill(String(own[1]));
    await number.getByRole('button', { name: 'Check' }).click();
    await expect(number).toContainText('Right.');
    await reader.getByRole('button', { name: 'My work' }).click();
    const handed = reader.waitForEvent('download');
    await reader.getByRole('button', { name: 'Save my work as a file' }).click();
    const work = info.outputPath('work.json');
    await (await handed).saveAs(work);

    const { page: classmate, name } = await joinClass(await newContext());
    await openDesk(page, 'Asked in five ways');
    await page.getByRole('button', { name: 'The class', exact: true }).click();
    await page.getByRole('button', { name: 'Take in work from a file' }).click();
    await page.getByLabel('Choose the file').setInputFiles(work);
    await page.getByLabel('It is the work of').selectOption({ label: name });
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.locator('[data-work-taken]')).toContainText('1 met');
    await expect(page.locator('[data-work-taken]')).not.toContainText('Left:');
    // In the class it is the same figure from then on.
    await classmate.getByRole('link', { name: 'First sheet' }).last().click();
    expect(await coordinatesOf(classmate, 'curve/P2')).toEqual(own);
  });
});
