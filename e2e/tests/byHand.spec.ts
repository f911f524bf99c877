import type { FigureDocument } from '@bogen/core/figure';
import { figureOfStage, type Sheet } from '@bogen/core/lesson';
import type { Locator, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, saved, signIn, test } from '../bogen.js';
import { choose, lesson, newLesson } from '../figure.js';

/** A lesson of the course as it is given out as a file. */
interface LessonFile {
  readonly lesson: { readonly sheets: readonly Sheet[] };
  readonly pictures: Readonly<Record<string, { readonly mediaType: string; readonly data: string }>>;
}
const file = JSON.parse(
  readFileSync(new URL('../../demo/lessons/7-the-arch-of-the-bridge.json', import.meta.url), 'utf8'),
) as LessonFile;

/** The gestures of an instructor who writes. */
class Writing {
  readonly text: Locator;
  readonly stages: Locator;
  constructor(readonly page: Page) {
    this.text = page.getByRole('textbox', { name: 'Text of the sheet' });
    this.stages = page.locator('[data-stage-editor]');
  }

  async press(name: string, within: Locator | Page = this.page): Promise<void> {
    await within.getByRole('button', { name, exact: true }).first().click();
  }
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
  }
  async set(field: Locator, value: string): Promise<void> {
    await field.fill(value);
    await field.blur();
  }
  editor(kind: string): Locator {
    return this.page.locator(`[data-task-editor="${kind}"]`);
  }

  async addSheet(): Promise<void> {
    const count = await this.page.locator('[data-sheet]').count();
    await this.press('Add sheet');
    await this.page.locator('[data-start="empty"]').click();
    await expect(this.page.locator('[data-sheet]')).toHaveCount(count + 1);
    await expect(this.page.getByText('Nothing is drawn on this sheet yet.')).toBeVisible();
  }
  async title(title: string): Promise<void> {
    await this.page.getByLabel('Title of the sheet').fill(title);
    await this.page.keyboard.press('Enter');
  }

  async draw(tool: RegExp, places: readonly string[], prepare?: () => Promise<void>): Promise<void> {
    await choose(this.page, tool);
    await prepare?.();
    await this.page.locator('[data-draw-layer]').focus();
    // The first digit begins the place.
    for (const place of places) {
      await this.type(place);
      await expect(this.page.getByLabel('x, y')).toHaveValue(place);
      await this.page.keyboard.press('Enter');
      await expect(this.page.getByLabel('x, y')).toHaveValue('');
    }
    if (tool.source.includes('Reference')) await this.page.keyboard.press('Enter');
    await this.press('Stop drawing');
    await expect(this.page.locator('[data-draw-layer]')).toHaveCount(0);
  }
  async conic(held: string, rho: string, places: readonly string[]): Promise<void> {
    await this.draw(/^Conic/, places, async () => {
      await this.page.getByLabel('Third point is the').selectOption({ label: held });
      await this.set(this.page.getByLabel('ρ'), rho);
    });
  }
  async rename(from: string, to: string): Promise<void> {
    await this.press('Items …');
    await this.page.getByLabel(`Name of ${from}`, { exact: true }).fill(to);
    await this.page.keyboard.press('Enter');
    await this.page.keyboard.press('Escape');
  }
  /** Without what the lesson does not need, and as large as it is to be seen. */
  async looks(also: readonly string[] = []): Promise<void> {
    await this.press('Look …');
    for (const name of ['Edit points', 'Knots on the curve'])
      await this.page.getByLabel(name, { exact: true }).first().uncheck();
    for (const name of also) await this.page.getByLabel(name, { exact: true }).first().check();
    await this.set(this.page.getByLabel('Distance of the grid’s points, mm'), '5');
    await this.page.keyboard.press('Escape');
    await this.press('Fit');
    await this.press('Keep this view');
    await expect(this.page.getByRole('button', { name: 'Keep this view' })).toHaveCount(0);
  }
  async rho(value: string): Promise<void> {
    await this.press('Details …');
    await this.set(this.page.getByRole('textbox', { name: 'ρ', exact: true }), value);
    await this.page.keyboard.press('Escape');
  }
  async letThem(...what: string[]): Promise<void> {
    await this.press('let them do more …');
    for (const name of what) await this.press(name);
    await this.page.keyboard.press('Escape');
    await expect(this.page.getByText('What they may switch')).toHaveCount(0);
  }

  async bold(words: string): Promise<void> {
    await this.page.keyboard.press('Control+b');
    await this.type(words);
    await this.page.keyboard.press('Control+b');
  }
  async pick(find: string): Promise<void> {
    const list = this.page.locator('[data-pick-list]');
    await list.getByLabel('Find').fill(find);
    await expect(list.getByRole('button')).not.toHaveCount(0);
    await this.page.keyboard.press('Enter');
    await expect(list).toHaveCount(0);
  }
  async live(find: string): Promise<void> {
    await this.press('Live value');
    await this.pick(find);
    await expect(this.text).toBeFocused();
  }
  async control(find: string): Promise<void> {
    await this.press('Live control');
    await this.pick(find);
    await expect(this.text).toBeFocused();
  }
  async pointing(words: string, find: string): Promise<void> {
    await this.type(words);
    for (let k = 0; k < words.length; k++) await this.page.keyboard.press('Shift+ArrowLeft');
    await this.press('Pointing words');
    await this.pick(find);
    await expect(this.text).toBeFocused();
    await this.page.keyboard.press('ArrowRight');
  }
  /** In a paragraph of its own a formula stands on a line of its own. */
  async formula(latex: string): Promise<void> {
    await this.press('Formula');
    await this.page.getByRole('textbox', { name: 'Formula' }).fill(latex);
    await this.press('Set formula');
    await expect(this.text).toBeFocused();
  }
  async callout(kind: string): Promise<void> {
    await this.page.getByLabel('Callout').selectOption({ label: kind });
    await expect(this.text).toBeFocused();
  }

  /** Changes the figure as the next stage. */
  async stage(caption: string, change: () => Promise<void>): Promise<void> {
    const count = await this.stages.locator('[data-stage]').count();
    await this.press('Capture', this.stages);
    await change();
    await expect(this.stages.locator('[data-stage]')).toHaveCount(Math.max(2, count + 1));
    await this.caption(caption);
    await this.press('Capture', this.stages);
  }
  async caption(caption: string): Promise<void> {
    await this.stages.getByLabel('Caption of this stage').fill(caption);
    await this.page.keyboard.press('Enter');
  }
  async goTo(stage: number): Promise<void> {
    await this.stages.getByRole('button', { name: new RegExp(`^Stage ${stage}:`) }).click();
    await expect(this.stages.getByText(`Stage ${stage} of`)).toBeVisible();
  }

  async ask(kind: string, prompt: string): Promise<Locator> {
    await this.page.getByRole('button', { name: /^Ask something/ }).click();
    await this.page.locator(`[data-task-kind="${kind}"]`).click();
    await expect(this.editor(kind)).toBeVisible();
    const editor = this.editor(kind);
    await this.set(editor.getByLabel('What the reader is asked'), prompt);
    return editor;
  }
  async hints(editor: Locator, ...hints: readonly string[]): Promise<void> {
    for (const [index, hint] of hints.entries()) {
      await this.press('Add a hint', editor);
      await this.set(editor.getByLabel(`Hint ${index + 1}`, { exact: true }), hint);
    }
  }
  /** Checks that are found by typing, each with its tolerance where it has one. */
  async checks(
    editor: Locator,
    checks: readonly (readonly [find: string, within?: string])[],
  ): Promise<void> {
    for (const [index, [find, within]] of checks.entries()) {
      await this.press('Add a check', editor);
      await this.page.locator('[data-condition-list]').getByLabel('Find a check').fill(find);
      await expect(this.page.locator('[data-condition-list] [data-condition]')).toHaveCount(1);
      await this.page.keyboard.press('Enter');
      const row = editor.locator('[data-condition-row]').nth(index);
      if (within === undefined) continue;
      await this.press('Change this check', row);
      await this.set(row.getByLabel(/^Within/), within);
      await this.press('Done with this check', row);
    }
  }
  async solvedBy(editor: Locator, stage: number): Promise<void> {
    await editor
      .locator('label', { hasText: /^Solution/ })
      .locator('select')
      .selectOption({ label: `stage ${stage}` });
    await expect(editor.locator('[data-tried]')).toContainText('met by the solution');
  }
}

test('the lesson on conics is made with the writer, from empty sheets', async ({ newContext }) => {
  test.setTimeout(240_000);
  const page = await signIn(await newContext());
  await newLesson(page, 'The arch, by hand');
  const writing = new Writing(page);
  const { text } = writing;

  await test.step('One number for three curves', async () => {
    await writing.press('Items …');
    await writing.press('Delete Curve');
    await page.keyboard.press('Escape');
    await writing.title('One number for three curves');
    await writing.conic('tangent intersection', '0.35', ['-24, 0', '24 0', '0, 36']);
    await writing.rename('Conic', 'Arch');
    await writing.looks(['Conic at the cursor, where the degree is 2']);
    await text.click();
    await writing.type('Two feet, and the ');
    await writing.pointing('point where their tangents meet', 'P1 of Arch');
    await writing.type(': that leaves one number. ');
    await writing.bold('Rho');
    await writing.type(' says how far the ');
    await writing.bold('shoulder');
    await writing.type(' comes up from the chord towards that point: ');
    await writing.control('rho');
    await writing.type('.\nNow it is: ');
    await writing.live('conic');
    await writing.type('.\n');
    await writing.formula('S=M+\\rho\\,(T-M),\\qquad \\rho<\\tfrac12,\\;=\\tfrac12,\\;>\\tfrac12');
    await writing.type('Below one half an ');
    await writing.bold('ellipse');
    await writing.type(', at one half the ');
    await writing.bold('parabola');
    await writing.type(', above it a ');
    await writing.bold('hyperbola');
    await writing.type('.');
    await writing.callout('See');
    await writing.stage('Rho 0.5: the parabola, which needs no weight', () => writing.rho('0.5'));
    await writing.stages.getByRole('button', { name: 'Change this stage' }).click();
    await writing.set(
      page.getByLabel('Notes to say, for you alone'),
      'The only one of the three that a curve without weights can be.',
    );
    await page.keyboard.press('Escape');
    await writing.stage('Rho 0.75: a piece of a hyperbola', () => writing.rho('0.75'));
    const choice = await writing.ask('choice', 'Where does the arch go as rho comes near 1?');
    const answers = [
      [
        'Onto the two legs of its polygon.',
        'The shoulder comes to T, and the curve with it: nearly straight, with a sharp turn.',
      ],
      ['Onto the chord between the feet.', 'That is where it goes as rho comes near 0.'],
      ['Into a circle.', 'A circle is an ellipse: rho lies below one half.'],
      ['Beyond T.', 'The weights are positive, so that it stays inside its hull.'],
    ] as const;
    for (const [index, [answer, reason]] of answers.entries()) {
      if (index > 1) await writing.press('Add an answer', choice);
      await writing.set(choice.getByLabel(`Answer ${index + 1}`, { exact: true }), answer);
      await writing.set(choice.getByLabel(`Reason for answer ${index + 1}`), reason);
    }
    await writing.hints(choice, 'Pull rho in the text up, and watch the shoulder.');
    await expect(choice.locator('select').first()).toHaveValue(/./);
    await choice.locator('select').first().selectOption({ label: 'stage 3' });
    await writing.goTo(1);
    await writing.caption('Rho 0.35: a piece of an ellipse');
  });

  await test.step('What is held, and what gives way', async () => {
    await writing.addSheet();
    await writing.title('What is held, and what gives way');
    await writing.conic('shoulder', '0.4', ['-24, 0', '24, 0', '0, 18']);
    await writing.rename('Conic', 'Arch');
    await writing.looks();
    await text.click();
    await writing.type('This time the ');
    await writing.bold('shoulder');
    await writing.type(' is held, 18 mm high. Rho is to go from 0.4 to 0.75.\n');
    await writing.type('Feet and shoulder stay. Something else has to move.\n');
    await writing.formula('T=M+\\frac{S-M}{\\rho}');
    await writing.type('Where will the tangents meet, and how does the arch change?');
    await writing.callout('Predict');
    await writing.caption('Rho 0.4, the shoulder held');
    await writing.stage('Rho 0.75: the tangents meet lower, and the flanks fall in', () =>
      writing.rho('0.75'),
    );
    await writing.stages.getByRole('button', { name: 'Change this stage' }).click();
    await writing.press('Let students predict this change');
    const prediction = writing.editor('prediction');
    await expect(prediction).toBeVisible();
    // Of one span nobody is asked whether it moves.
    await expect(prediction.locator('[data-question-row="spans"]')).toHaveCount(0);
    await writing.set(
      prediction.getByLabel('What the reader is asked'),
      'Rho goes to 0.75 while the shoulder stays. What then?',
    );
    for (const row of await prediction.locator('[data-question-row]').all())
      await row.getByRole('button').last().click();
    for (const [question, kind, within] of [
      ['Where will P1 go?', 'place', '4'],
      ['Where will Arch run?', 'drawn', '2.5'],
    ] as const) {
      await writing.press('Ask for something more', prediction);
      await page.locator('[data-pick-list]').getByRole('button', { name: question }).first().click();
      await writing.set(prediction.locator(`[data-question-row="${kind}"]`).getByLabel('Within, mm'), within);
    }
  });

  const feetAndTangents = [
    ['P0 lies', '0.001'],
    ['P1 lies', '0.001'],
    ['P2 lies', '0.001'],
  ] as const;

  await test.step('Find rho', async () => {
    await writing.addSheet();
    await writing.title('Find rho');
    await writing.conic('tangent intersection', '0.4', ['-24, 0', '24, 0', '0, 36']);
    await writing.rename('Conic', 'Arch');
    await writing.draw(/^Reference points/, ['-7.59, 19.5']);
    await writing.rename('A', 'Mark');
    await writing.looks();
    await text.click();
    await writing.type(
      'The drawing of an old bridge has its feet, its tangents, and one mark on the flank. ',
    );
    await writing.type('That is enough: two ends, two tangents and ');
    await writing.bold('a point');
    await writing.type(' are one conic and no other.\n');
    await writing.type('More rho draws the arch outwards everywhere at once. Set it under ');
    await writing.bold('Numbers of Arch');
    await writing.type(', close in on the mark, and read what it is: ');
    await writing.live('conic');
    await writing.type('.\nHalve the distance each time; three or four tries will do.');
    await writing.callout('Try');
    await writing.stage('A hyperbola', () => writing.rho('0.62'));
    await writing.goTo(1);
    const shape = await writing.ask(
      'shape',
      'Find rho so that the arch passes within 0.1 mm of the mark. Feet and tangents stay.',
    );
    await writing.checks(shape, [['through Mark', '0.1'], ...feetAndTangents]);
    await writing.solvedBy(shape, 2);
    // Who writes is told that nobody could get there, until readers may.
    await expect(shape.locator('[data-tried]')).toContainText('Readers may not do what the solution does');
    await writing.letThem('set the numbers of Arch');
    await expect(shape.locator('[data-tried]')).not.toContainText('Readers may not');
    await writing.hints(
      shape,
      'The mark lies outside of the parabola, which has rho 0.5.',
      'Between 0.6 and 0.65.',
    );
  });

  await test.step('Rho is a weight', async () => {
    await writing.addSheet();
    await writing.title('Rho is a weight');
    await writing.conic('tangent intersection', '0.6', ['-24, 0', '24, 0', '0, 36']);
    await writing.rename('Conic', 'Arch');
    await writing.looks();
    await text.click();
    await writing.type('A conic is a rational curve of degree 2: three points, and with 1 at both ends one ');
    await writing.bold('weight');
    await writing.type(' in the middle. Rho is another way to say it.\n');
    await writing.formula('w=\\frac{\\rho}{1-\\rho}\\qquad\\rho=\\frac{w}{1+w}');
    await writing.type('Weight 1 is the parabola. A weight goes on without end, rho stays between 0 and 1, ');
    await writing.type('which makes it the better handle. Set it: ');
    await writing.control('rho');
    await writing.type('.\nMove rho and watch the hump of the middle point among the basis functions.');
    await writing.callout('Try');
    const number = await writing.ask('number', 'How much does the middle point weigh, as rho stands now?');
    await writing.press('Choose what is asked for', number);
    await writing.pick('weight P1');
    await writing.set(number.getByLabel('Within', { exact: true }), '0.01');
    await writing.hints(
      number,
      'It stood at 0.6 when the sheet was opened: 0.6 divided by what is left to 1.',
      'Weights can be shown by number: 0.6 to 0.4 is 3 to 2.',
    );
  });

  await test.step('The one that is round', async () => {
    await writing.addSheet();
    await writing.title('The one that is round');
    await writing.conic('tangent intersection', '0.5', ['-24, 0', '24, 0', '0, 24']);
    await writing.rename('Conic', 'Arch');
    await writing.looks();
    await writing.press('Tracks …');
    await page.getByLabel('Basis', { exact: true }).uncheck();
    await page.getByLabel('Radius error', { exact: true }).check();
    await page.keyboard.press('Escape');
    await text.click();
    await writing.type('Feet 48 mm apart, and legs that rise at 45°. ');
    await writing.type('Both legs are equally long: among all these arches one is a ');
    await writing.bold('circle');
    await writing.type('.\nIts weight is the cosine of the angle between chord and leg. ');
    await writing.type('Rho follows from it. Out of round now: ');
    await writing.live('out of round');
    await writing.type('.\n');
    await writing.formula('w=\\cos 45^\\circ=\\tfrac{\\sqrt2}{2},\\qquad \\rho=\\frac{w}{1+w}');
    await writing.type('Fields take expressions: type rho exactly, not to two digits.');
    await writing.callout('Prove');
    await writing.stage('The square root of 2, less 1', () => writing.rho('sqrt(2)-1'));
    await writing.goTo(1);
    await writing.letThem('set the numbers of Arch');
    const shape = await writing.ask(
      'shape',
      'Make the arch a piece of a circle, to a millionth of its radius. Feet and tangents stay.',
    );
    await writing.checks(shape, [['round within', '0.000001'], ...feetAndTangents]);
    await writing.solvedBy(shape, 2);
    await writing.hints(
      shape,
      'It takes less than the parabola.',
      'Put w into the formula: the square root of 2, less 1. Type sqrt(2)-1.',
    );
  });

  await test.step('Under the strings', async () => {
    await writing.addSheet();
    await writing.title('Under the strings');
    await writing.press('Draw …');
    const chosen = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: /^Picture to draw over/ }).click();
    const [picture] = Object.values(file.pictures);
    await (
      await chosen
    ).setFiles({
      name: 'Bridge.svg',
      mimeType: picture!.mediaType,
      buffer: Buffer.from(picture!.data, 'base64'),
    });
    for (const [name, value] of [
      ['Centre x, mm', '0'],
      ['y, mm', '21'],
      ['Width, mm', '80'],
    ] as const)
      await writing.set(page.getByLabel(name, { exact: true }), value);
    await page.getByLabel('locked to the drawing').check();
    await page.keyboard.press('Escape');
    await writing.rename('Picture', 'Bridge');
    await writing.conic('shoulder', '0.6', ['-27, 22', '27, 18', '3, 29']);
    await writing.rename('Conic', 'Edge');
    await writing.draw(/^Reference points/, ['-18.01, 29.73', '-2, 33', '15.98, 26.91']);
    await writing.rename('A', 'Bass');
    await writing.rename('B', 'Middle');
    await writing.rename('C', 'Treble');
    await writing.looks();
    await text.click();
    await writing.type('The upper edge of the bridge carries the strings in three notches. It is to be one ');
    await writing.bold('ellipse');
    await writing.type(', so that no string stands on a peak.\n');
    await writing.type('Pull the shoulder first; with Ctrl held it is drawn to a notch. ');
    await writing.type('Then find rho for the other two.');
    await writing.stage('The shoulder in the middle notch, and a rho below one half', () =>
      writing.rho('0.42'),
    );
    await test.step('the places that a shape is made by are numbers too', async () => {
      await writing.press('Details …');
      const shoulder = page.locator('[data-handle-places] fieldset').nth(1);
      await writing.set(shoulder.getByLabel('x, mm'), '-2');
      await writing.set(shoulder.getByLabel('y, mm'), '33');
      await page.keyboard.press('Escape');
    });
    await writing.goTo(1);
    await writing.letThem('set the numbers of Edge', 'move what Edge hangs on');
    const shape = await writing.ask(
      'shape',
      'Lead the edge through all three notches, each within 0.15 mm. Both ends stay.',
    );
    await writing.checks(shape, [
      ['through Middle', '0.15'],
      ['through Bass', '0.15'],
      ['through Treble', '0.15'],
      ['ellipse'],
      ['P0 lies', '0.001'],
      ['P2 lies', '0.001'],
    ]);
    await writing.solvedBy(shape, 2);
    await writing.hints(
      shape,
      'The shoulder belongs into the middle notch, at (−2, 33).',
      'Then less rho, until it meets the outer two: an ellipse lies fuller there.',
    );
  });

  await test.step('is the lesson of the course', async () => {
    await expect(saved(page)).toBeVisible();
    const made = await lesson(page);
    expect(made.sheets.map(({ title }) => title)).toEqual(file.lesson.sheets.map(({ title }) => title));
    for (const [index, sheet] of made.sheets.entries())
      expect(essence(sheet), sheet.title).toEqual(essence(file.lesson.sheets[index]!));
  });

  await test.step('and a student’s view opens it', async () => {
    await writing.press('Publish');
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.getByRole('dialog')).toContainText('Edition 1 is out.');
    await page.getByRole('dialog').getByRole('button', { name: 'Back to writing' }).click();
    await page.getByRole('link', { name: /One number for three curves/ }).click();
    await page.getByRole('link', { name: 'See as a student' }).click();
    await expect(page.locator('[data-live-value]')).toHaveText('ellipse');
  });
});

/** What a sheet is, whatever its ids are, and without what is a matter of the window in which it was made. */
function essence(sheet: Sheet): unknown {
  const { prose, figure, stages, tasks, title } = sheet;
  const names = new Map<string, string>([
    ...figure.items.map(({ id, name }): [string, string] => [id, `item ${name}`]),
    ...stages.map(({ id }, index): [string, string] => [id, `stage ${index + 1}`]),
  ]);
  const plain = (value: unknown): unknown => {
    if (typeof value === 'string') return names.get(value) ?? value;
    if (typeof value === 'number') return Number(value.toFixed(9));
    if (Array.isArray(value)) return value.map(plain);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value)
        .filter(([key, part]) => part !== undefined && part !== null && !unessential.has(key))
        .map(([key, part]) => [names.get(key) ?? key, isText(key) ? part : plain(part)]),
    );
  };
  return {
    title,
    prose: withoutEmptyEnd(plain(prose) as { content?: unknown[] }),
    figure: plain(withoutWindow(figure)),
    // What each shows, in however many steps.
    stages: stages.map(({ id, caption, notes }) => ({
      caption,
      notes: notes ?? '',
      items: plain(figureOfStage(sheet, id).items),
    })),
    tasks: plain(tasks),
  };
}

/** A word that is written is none of the ids that it may be equal to. */
const isText = (key: string): boolean =>
  ['kind', 'text', 'latex', 'caption', 'prompt', 'reason'].includes(key);

/** Ids, digits of words, how large what is drawn by hand may be, how much a picture is faded, and what hints light up. */
const unessential = new Set(['id', 'digits', 'scale', 'fade', 'lights', 'picture']);

function withoutWindow({ view, ...figure }: FigureDocument): object {
  return { ...figure, grid: view.grid };
}

/** The editor keeps an empty paragraph after what is no paragraph, to go on there. */
function withoutEmptyEnd(prose: { content?: unknown[] }): object {
  const content = [...(prose.content ?? [])];
  while (JSON.stringify(content.at(-1)) === '{"type":"paragraph"}') content.pop();
  return { ...prose, content };
}
