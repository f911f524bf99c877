import { clampedUniformKnots, type Curve } from '@bogen/core/curve';
import type { BuiltItem, FigureDocument, FigureItem, ShapeItem, ShapeOf } from '@bogen/core/figure';
import type { Page } from '@playwright/test';
import { expect } from '../bogen.js';
import { choose } from '../figure.js';
import type { LessonFile } from './lessonFile.js';
import { isUndrawn, operate, setOperation, setShape } from './changes.js';
import { escaped, type Writing } from './writing.js';

/** Draws every item of a figure, one after the other, each under its name. */
export async function drawItems(
  writing: Writing,
  { items }: FigureDocument,
  pictures: LessonFile['pictures'],
): Promise<void> {
  for (let at = 0; at < items.length; at++) {
    const item = items[at]!;
    switch (item.kind) {
      case 'point': {
        const end = items.findIndex((other, k) => k > at && other.kind !== 'point');
        const points = items.slice(at, end < 0 ? undefined : end);
        await draw(
          writing,
          /^Reference points/,
          points.map((point) => placeOf((point as { at: readonly number[] }).at)),
        );
        await renameLast(
          writing,
          points.map(({ name }) => name),
        );
        at += points.length - 1;
        continue;
      }
      case 'curve':
        await drawCurve(writing, item.curve);
        if (item.faint) {
          await keepFaint(writing, item.name);
          await line(writing, item);
          continue;
        }
        break;
      case 'shape':
        await drawShape(writing, item);
        break;
      case 'built':
        await build(writing, item, items);
        break;
      case 'picture': {
        const picture = pictures[item.picture]!;
        await writing.press('Draw …');
        const chosen = writing.page.waitForEvent('filechooser');
        await writing.page.getByRole('button', { name: /^Picture to draw over/ }).click();
        await (
          await chosen
        ).setFiles({
          name: 'Picture.svg',
          mimeType: picture.mediaType,
          buffer: Buffer.from(picture.data, 'base64'),
        });
        for (const [name, value] of [
          ['Centre x, mm', item.centre[0]!],
          ['y, mm', item.centre[1]!],
          ['Width, mm', item.width],
        ] as const)
          await writing.set(writing.page.getByLabel(name, { exact: true }), value);
        if (item.locked) await writing.page.getByLabel('locked to the drawing').check();
        await writing.close();
        break;
      }
    }
    await renameLast(writing, [item.name]);
    await line(writing, item);
  }
  await order(writing, items);
  await hideAndLock(writing, items);
}

/** What was put behind everything else comes to its place. */
async function order({ page }: Writing, items: readonly FigureItem[]): Promise<void> {
  const now = async () => Promise.all((await names(page).all()).map((field) => field.inputValue()));
  await page.getByRole('button', { name: 'Items …', exact: true }).click();
  for (const [at, { name }] of items.entries()) {
    for (let from = (await now()).indexOf(name); from > at; from--) {
      await page.getByRole('button', { name: `Draw ${name} earlier`, exact: true }).click();
      await expect(names(page).nth(from - 1)).toHaveValue(name);
    }
  }
  await page.keyboard.press('Escape');
}

const placeOf = (at: readonly number[]): string => at.join(', ');

/** Draws with a tool, each place typed: its first digit begins it. */
async function draw(
  { page }: Writing,
  tool: RegExp,
  places: readonly string[],
  prepare?: () => Promise<void>,
): Promise<void> {
  await choose(page, tool);
  await prepare?.();
  await page.locator('[data-draw-layer]').focus();
  for (const place of places) {
    await page.keyboard.type(place);
    await expect(page.getByLabel('x, y')).toHaveValue(place);
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('x, y')).toHaveValue('');
  }
  const stop = page.getByRole('button', { name: 'Stop drawing', exact: true });
  // Some are whole with their last place, others are finished.
  if ((await stop.count()) === 0) await page.locator('[data-draw-layer]').press('Enter');
  await stop.click();
  await expect(page.locator('[data-draw-layer]')).toHaveCount(0);
}

async function drawCurve(writing: Writing, curve: Curve): Promise<void> {
  const { page } = writing;
  const { degree, points, knots, weights } = curve;
  const closes = placeOf(points[0]!) === placeOf(points.at(-1)!);
  // One that ends where it begins is typed as a list: whoever draws back to the start is asked how it is to close.
  const drawn = closes ? points.slice(0, -1) : points;
  await draw(writing, /^Curve by control points/, drawn.map(placeOf), async () => {
    await page.locator('[data-draw-bar]').getByLabel('Degree').fill(String(degree));
  });
  const asDrawn = clampedUniformKnots(points.length, degree);
  if (closes || weights || knots.some((knot, index) => Math.abs(knot - asDrawn[index]!) > 1e-12))
    await lists(writing, curve);
}

/** Types the lists of the curve on the rail. */
export async function lists({ page }: Writing, curve: Curve): Promise<void> {
  await page.getByRole('button', { name: 'Lists …', exact: true }).click();
  const panel = page.locator('[data-lists]');
  await panel.getByLabel('Degree').fill(String(curve.degree));
  await panel.locator('[data-list="points"] textarea').fill(curve.points.map(placeOf).join('  '));
  if (curve.weights) await panel.locator('[data-list="weights"] textarea').fill(curve.weights.join(', '));
  await panel.locator('[data-list="knots"] textarea').fill(curve.knots.join(', '));
  await expect(panel.locator('[data-lists-state]')).toHaveAttribute('data-lists-state', 'ready');
  await panel.getByRole('button', { name: 'Set curve' }).click();
  await expect(panel.locator('[data-lists-state]')).toHaveAttribute('data-lists-state', 'same');
  await page.keyboard.press('Escape');
}

/** A faint copy takes the place of what was drawn. */
async function keepFaint(writing: Writing, to: string): Promise<void> {
  const drawn = await lastName(writing.page);
  await writing.press('Items …');
  await writing.press(`Keep a faint copy of ${drawn}`);
  await writing.press(`Delete ${drawn}`);
  const field = writing.page.getByLabel(`Name of ${drawn} before`, { exact: true });
  await field.fill(to);
  await field.press('Enter');
  await writing.close();
}

async function drawShape(writing: Writing, item: ShapeItem): Promise<void> {
  const { shape } = item;
  const { page } = writing;
  switch (shape.kind) {
    case 'conic':
      await draw(writing, /^Conic/, [shape.start, shape.end, shape.place].map(placeOf), async () => {
        await page
          .getByLabel('Third point is the')
          .selectOption({ label: shape.held === 'shoulder' ? 'shoulder' : 'tangent intersection' });
        await writing.set(page.getByLabel('ρ'), shape.rho);
      });
      return;
    case 'circle': {
      const { layout, centre, radius } = shape;
      const word =
        typeof layout === 'string'
          ? 'four quarters, degree 2'
          : layout.approximation === 'cubics'
            ? 'approximation: cubic pieces'
            : 'approximation: periodic';
      await draw(
        writing,
        /^Circle/,
        [placeOf(centre), placeOf([centre[0]! + radius, centre[1]!])],
        async () => {
          await writing.choose('Layout', word, page.locator('[data-draw-bar]'));
        },
      );
      if (typeof layout !== 'string') await setShape(writing, await lastName(page), shape);
      return;
    }
    case 'stroke':
      await drawStroke(writing, shape);
      return;
    default:
      throw new Error(`${shape.kind} is not drawn by hand here`);
  }
}

/** Draws a stroke with the pointer, between two marks whose places are known and which are taken away again. */
async function drawStroke(writing: Writing, shape: ShapeOf<'stroke'>): Promise<void> {
  const { page } = writing;
  const marks = [0, 400];
  await draw(
    writing,
    /^Reference points/,
    marks.map((x) => placeOf([x, 0])),
  );
  await writing.press('Fit');
  // The row above the figure is another while one draws: they are looked for where they stand then.
  await choose(page, /^Freehand/);
  const [left, right] = await Promise.all(
    ['A', 'B'].map((name) =>
      page.getByLabel(`Reference point ${name}, x`).evaluate((mark) => {
        const matrix = (mark as SVGGraphicsElement).getScreenCTM()!;
        return [matrix.e, matrix.f] as const;
      }),
    ),
  );
  const scale = (right![0] - left![0]) / 400;
  const at = ([x, y]: readonly number[]) => [left![0] + scale * x!, left![1] - scale * y!] as const;
  const [first, ...others] = shape.points.map(at);
  await page.mouse.move(...first!);
  await page.mouse.down();
  for (const place of others) await page.mouse.move(...place);
  await page.mouse.up();
  await page.locator('[data-draw-layer]').press('Enter');
  await writing.press('Stop drawing');
  await writing.press('Items …');
  for (const name of ['A', 'B']) await writing.press(`Delete ${name}`);
  await writing.close();
  await setShape(writing, await lastName(page), shape);
}

async function build(writing: Writing, item: BuiltItem, items: readonly FigureItem[]): Promise<void> {
  const { page } = writing;
  const { operation } = item;
  const named = (id: string): string => items.find((other) => other.id === id)!.name;
  switch (operation.name) {
    case 'curveOnReferencePoints':
    case 'curveThroughReferencePoints': {
      await writing.press('Draw …');
      await page.getByRole('button', { name: /^Both curves on the reference points/ }).click();
      const [on, through] = ['On the reference points', 'Through the reference points'];
      const isOn = operation.name === 'curveOnReferencePoints';
      await writing.press('Items …');
      await writing.press(`Delete ${isOn ? through : on}`);
      await writing.close();
      if (!isUndrawn(operation)) await setOperation(writing, isOn ? on! : through!, operation, items);
      return;
    }
    case 'curveOfDegree':
      await writing.onRail(named(operation.source));
      await writing.press('Draw …');
      await page.getByRole('button', { name: /^Another degree on the points/ }).click();
      await setOperation(writing, await lastName(page), operation, items);
      return;
    case 'bridge':
      await writing.onRail(named(operation.source));
      await operate(writing, operation, items, 'Add the curve');
      return;
    default:
      await writing.onRail(named((operation as { source: string }).source));
      await operate(writing, operation, items, 'Add as a linked curve');
  }
}

/** Colour and width of an item's line, where it has others than at first. */
async function line(writing: Writing, item: FigureItem): Promise<void> {
  if (item.kind === 'point' || item.kind === 'picture' || (!item.color && !item.lineWeight)) return;
  const details = await writing.details(item.name);
  // What is drawn is ink at first, whether it is said or not.
  if (item.color && item.color !== 'ink')
    await details.getByRole('radio', { name: item.color === 'moss' ? 'moss green' : item.color }).check();
  if (item.lineWeight) await writing.choose('Line', item.lineWeight, details);
  await writing.close();
}

async function hideAndLock(writing: Writing, items: readonly FigureItem[]): Promise<void> {
  const marked = items.filter(({ hidden, locked, kind }) => (hidden || locked) && kind !== 'picture');
  if (marked.length === 0) return;
  await writing.press('Items …');
  for (const { name, hidden, locked } of marked) {
    if (hidden) await writing.press(`Hide ${name}`);
    if (locked) await writing.press(`Lock ${name}`);
  }
  await writing.close();
}

const names = (page: Page) => page.locator('[data-item-list] input[aria-label^="Name of"]');

/** How the last item is called. */
async function lastName(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Items …', exact: true }).click();
  const name = await names(page).last().inputValue();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-item-list]')).toHaveCount(0);
  return name;
}

async function renameLast({ page }: Writing, to: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'Items …', exact: true }).click();
  const count = await names(page).count();
  for (const [k, name] of to.entries()) {
    const field = names(page).nth(count - to.length + k);
    if ((await field.inputValue()) === name) continue;
    await field.fill(name);
    await page.keyboard.press('Enter');
    await expect(page.getByLabel(new RegExp(`^Name of ${escaped(name)}$`)).first()).toBeVisible();
  }
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-item-list]')).toHaveCount(0);
}
