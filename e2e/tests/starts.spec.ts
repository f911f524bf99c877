import type { Locator, Page } from '@playwright/test';
import { drag, expect, handle, saved, signIn, test } from '../bogen.js';
import { lesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

/** Whoever builds a lesson, counted: a press, a drag, a field that is typed is one action each. */
class Hand {
  actions = 0;
  constructor(readonly page: Page) {}

  async press(what: Locator): Promise<void> {
    this.actions++;
    await what.click();
  }

  async key(key: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.press(key);
  }

  async fill(field: Locator, text: string): Promise<void> {
    this.actions++;
    await field.fill(text);
  }

  async type(text: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.type(text);
  }

  async drag(name: string, by: { x: number; y: number }): Promise<void> {
    this.actions++;
    await drag(this.page, name, by);
  }

  button(name: string | RegExp): Locator {
    return this.page.getByRole('button', { name });
  }
}

async function begin(hand: Hand, title: string): Promise<void> {
  await hand.press(hand.button('New lesson'));
  await hand.fill(hand.page.getByLabel('Title of the lesson'), title);
  await hand.press(hand.button('Create'));
  await expect(handle(hand.page, 'curve/P0')).toBeVisible();
}

test('“degree or spans” from a ready-made start takes at most 20 actions', async ({ newContext }) => {
  const page = await signIn(await newContext());
  const hand = new Hand(page);
  await begin(hand, 'From a start');
  await hand.press(hand.button('Add sheet'));
  if (shot) {
    await expect(page.locator('[data-add-sheet] [data-drawn="yes"]')).toHaveCount(10);
    await page.screenshot({ path: '/tmp/starts.png' });
  }
  expect(await violations(page)).toEqual([]);
  await hand.press(page.locator('[data-start="degreeOrSpans"]'));
  await expect(page.locator('[data-stage]')).toHaveCount(3);
  await expect(page.locator('.tiptap [data-live-value]')).toHaveCount(3);
  await expect(page.locator('[data-tried]')).toContainText('not met at the start');
  await expect(page.locator('[data-tried]')).toContainText('met by the solution');
  if (shot) await page.screenshot({ path: '/tmp/start-writer.png' });
  const { sheets } = await lesson(page);
  expect(sheets[1]).toMatchObject({
    title: 'Degree or spans',
    stages: [{}, {}, {}],
    tasks: [{ kind: 'shape', conditions: [{}, {}] }],
  });
  expect(hand.actions).toBeLessThanOrEqual(20);

  await test.step('as a student: the task fails, its solution is played, and one’s own figure is kept', async () => {
    await page.getByRole('link', { name: 'See as a student' }).click();
    await page.locator('[data-stages]').getByRole('button', { name: 'Next stage' }).click();
    const task = page.locator('[data-task]');
    await expect(task.getByRole('button', { name: 'Show a way' })).toHaveCount(0);
    await task.getByRole('button', { name: 'Check' }).click();
    await expect(task).toContainText('Not yet');
    await task.getByRole('button', { name: 'Show a way' }).click();
    await expect(task).toContainText('one way to do it');
    await expect(task.locator('li').first()).toHaveAttribute('data-met', 'true');
    await task.getByRole('button', { name: 'Back to my figure' }).click();
    await expect(task.locator('li').first()).toHaveAttribute('data-met', 'false');
    await page.getByRole('link', { name: 'Back to writing' }).click();
  });

  await test.step('or from a sheet of one’s own', async () => {
    await page.getByRole('button', { name: 'Add sheet' }).click();
    const list = page.locator('[data-add-sheet]');
    await list.getByLabel('Lesson').selectOption({ label: 'Near and far' });
    await list.getByRole('button', { name: 'Add “An edit point acts far”' }).click();
    await expect(page.getByLabel('Title of the sheet')).toHaveValue('An edit point acts far');
    await expect.poll(async () => (await lesson(page)).sheets.length).toBe(3);
  });
});

test('“degree or spans” from the empty shelf takes at most 60 actions', async ({ newContext }) => {
  const page = await signIn(await newContext());
  const hand = new Hand(page);
  const stages = page.locator('[data-stage]');
  await begin(hand, 'From nothing');

  await hand.press(hand.button('Capture'));
  await hand.press(hand.button('Compare …'));
  await hand.press(hand.button('Make both copies'));
  await hand.key('Escape');
  await expect(stages).toHaveCount(2);
  // The figure's one pane becomes one for each copy.
  await expect(page.locator('[data-pane="whole"]')).toHaveCount(0);
  await expect(page.locator('[data-pane]')).toHaveCount(2);
  const [raised, cut] = await page
    .locator('[data-pane]')
    .evaluateAll((panes) => panes.map((pane) => pane.getAttribute('data-pane')!));
  await hand.drag(`${raised}/P2`, { x: 0, y: -30 });
  await expect(stages).toHaveCount(3);
  await hand.press(hand.button('Capture'));

  const list = page.locator('[data-pick-list]');
  const live = async (find: string): Promise<void> => {
    await hand.press(hand.button('Live value'));
    await hand.fill(list.getByLabel('Find'), find);
    await hand.key('Enter');
  };
  await hand.press(page.getByRole('textbox', { name: 'Text of the sheet' }));
  await hand.type('A degree more costs as many points as a span more: ');
  await live('control points of');
  await hand.type(', but its comb has fewer peaks than ');
  await live('peaks of the comb');
  await expect(page.locator('.tiptap [data-live-value="fact"]')).toHaveCount(2);

  await hand.press(page.locator('[data-stage]').nth(1).getByRole('button'));
  await hand.press(hand.button('Ask something'));
  await hand.press(page.locator('[data-task-kind="shape"]'));
  const editor = page.locator('[data-task-editor]');
  await hand.fill(editor.getByLabel('What the reader is asked'), 'Give the curve a degree more.');
  await hand.press(editor.getByRole('button', { name: 'Add a check' }));
  await hand.fill(page.locator('[data-condition-list]').getByLabel('Find a check'), 'spans most');
  await hand.key('Enter');
  const row = editor.locator('[data-condition-row="spansAtMost"]');
  await hand.press(row.getByRole('button', { name: 'Change this check' }));
  await hand.fill(row.getByLabel('At most'), '3');
  await hand.key('Enter');
  await expect(editor.locator('[data-tried]')).toContainText('not met at the start');
  await expect(saved(page)).toBeVisible();
  const { sheets } = await lesson(page);
  expect(sheets[0]!.stages).toHaveLength(3);
  expect(sheets[0]!.tasks).toHaveLength(1);
  expect(JSON.stringify(sheets[0]!.prose).match(/liveValue/g)).toHaveLength(2);
  expect(cut).toBeDefined();
  expect(hand.actions).toBeLessThanOrEqual(60);
});
