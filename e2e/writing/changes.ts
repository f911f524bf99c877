import type { FigureDocument, FigureItem, Operation, Shape, SingleFigureCommand } from '@bogen/core/figure';
import { figureOfStage, type Sheet } from '@bogen/core/lesson';
import { expect } from '../bogen.js';
import { change } from '../figure.js';
import { lists } from './items.js';
import { show } from './looks.js';
import type { Writing } from './writing.js';

/** The words for ends, kinds and ways in the form of an operation. */
const words: Readonly<Record<string, string>> = {
  before: 'what lies before',
  after: 'what lies after',
  start: 'start',
  end: 'end',
  wrap: 'wrap round',
};
const labels: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  insertKnot: { parameter: 'at u =', times: 'times' },
  removeKnot: { parameter: 'Knot', times: 'times' },
  raiseDegree: { times: 'times' },
  lowerDegree: { times: 'times' },
  piece: { index: 'Piece' },
  close: { way: 'How' },
  symmetric: { keep: 'Where it crosses the axis, keep', smooth: 'smooth at the axis' },
  bridge: {
    end: 'From its',
    continuity: 'Continuity',
    strength: 'Strength',
    second: 'Other curve',
    secondEnd: 'to the other’s',
    secondContinuity: 'Continuity there',
    secondStrength: 'Strength there',
  },
};

/** Changes the curve on the rail by an operation, or adds what comes of it. */
export async function operate(
  writing: Writing,
  operation: Operation,
  items: readonly FigureItem[],
  apply: string,
): Promise<void> {
  const { page } = writing;
  await change(page, operation.name);
  await operationFields(writing, operation, items, '[data-change-panel]');
  await page.locator('[data-change-panel]').getByRole('button', { name: apply, exact: true }).click();
  await expect(page.locator('[data-change-panel]')).toHaveCount(0);
}

async function operationFields(
  writing: Writing,
  operation: Operation,
  items: readonly FigureItem[],
  within: string,
): Promise<void> {
  const panel = writing.page.locator(within);
  if ('axis' in operation) {
    const [[x1, y1], [x2]] = operation.axis as unknown as [[number, number], [number, number]];
    const isVertical = x1 === x2;
    await writing.choose('Axis', isVertical ? 'vertical line' : 'horizontal line', panel);
    await writing.set(panel.getByLabel('through, mm'), isVertical ? x1 : y1);
  }
  for (const [key, label] of Object.entries(labels[operation.name] ?? {})) {
    const value = (operation as unknown as Readonly<Record<string, unknown>>)[key];
    if (value === undefined) continue;
    const field = panel
      .locator('label')
      .filter({ hasText: new RegExp(`^${label}`) })
      .first();
    if (typeof value === 'boolean') await field.locator('input').setChecked(value);
    else if ((await field.locator('select').count()) > 0) {
      const select = field.locator('select');
      const item = items.find(({ id }) => id === value);
      // Knots to choose from are written in so many digits.
      if (key === 'parameter') await select.selectOption(String(value));
      else await select.selectOption({ label: item?.name ?? words[String(value)] ?? String(value) });
    } else await writing.set(field.locator('input'), value as number);
  }
}

/** Whether a curve on reference points asks for a higher degree than they carry. */
export const isUndrawn = (operation: Operation): boolean =>
  'points' in operation && 'degree' in operation && operation.points.length <= operation.degree;

/** Sets how a linked curve is made. */
export async function setOperation(
  writing: Writing,
  name: string,
  operation: Operation,
  items: readonly FigureItem[],
): Promise<void> {
  const { page } = writing;
  const details = await writing.details(name);
  if (operation.name === 'bridge') await operationFields(writing, operation, items, '[data-operation-of]');
  if ('parametrisation' in operation) {
    const wanted = { uniform: 'uniform', chord: 'chord length', centripetal: 'centripetal' }[
      operation.parametrisation
    ];
    await writing.choose('Parametrisation', wanted, details);
  }
  if ('degree' in operation) {
    await details.getByRole('textbox', { name: 'Degree' }).fill(String(operation.degree));
    // More than there are points for: the sheet is about that.
    if (isUndrawn(operation)) await writing.press('Set it all the same', details);
  }
  await page.keyboard.press('Escape');
}

/** Sets the numbers of a shape. */
export async function setShape(writing: Writing, name: string, shape: Shape): Promise<void> {
  const { page } = writing;
  const details = await writing.details(name);
  if (shape.kind === 'conic') {
    await writing.set(details.getByRole('textbox', { name: 'ρ', exact: true }), shape.rho);
    const places = page.locator('[data-handle-places] fieldset');
    // The place by which it is held stands between the ends.
    await writing.set(places.nth(1).getByLabel('x, mm'), shape.place[0]!);
    await writing.set(places.nth(1).getByLabel('y, mm'), shape.place[1]!);
  }
  if (shape.kind === 'stroke') {
    const field = details.getByRole('textbox', { name: 'Tolerance', exact: true });
    await writing.set(field, shape.tolerance);
    await expect(field).toHaveValue(String(shape.tolerance));
  }
  if (shape.kind === 'circle' && typeof shape.layout !== 'string') {
    if (shape.layout.approximation === 'cubics')
      await details.getByRole('textbox', { name: 'Cubic pieces' }).fill(String(shape.layout.pieces));
    else {
      await details
        .getByRole('textbox', { name: 'Degree of the approximation' })
        .fill(String(shape.layout.degree));
      await details
        .getByRole('textbox', { name: 'Points of the approximation' })
        .fill(String(shape.layout.count));
    }
  }
  await writing.close();
}

/** Does at a stage what its commands say. */
export async function doStage(writing: Writing, sheet: Sheet, stage: Sheet['stages'][number]): Promise<void> {
  const after = figureOfStage(sheet, stage.id);
  for (const command of stage.commands as readonly SingleFigureCommand[])
    await give(writing, sheet.figure, after, command);
}

async function give(
  writing: Writing,
  figure: FigureDocument,
  after: FigureDocument,
  command: SingleFigureCommand,
): Promise<void> {
  const { page } = writing;
  const { items } = figure;
  const item = 'item' in command ? items.find(({ id }) => id === command.item) : undefined;
  switch (command.name) {
    case 'moveControlPoint': {
      await writing.onRail(item!.name);
      await writing.press('Points …');
      const cells = page.locator('[data-point-table] tbody tr').nth(command.index).locator('input');
      for (const axis of [0, 1]) await typeIn(writing, cells.nth(axis), command.to[axis]!);
      await writing.close();
      return;
    }
    case 'setWeight': {
      await writing.onRail(item!.name);
      await writing.press('Points …');
      const cells = page.locator('[data-point-table] tbody tr').nth(command.index).locator('input');
      await typeIn(
        writing,
        cells.nth(2),
        Math.abs(command.weight - Math.SQRT1_2) < 1e-12 ? 'sqrt(2)/2' : command.weight,
      );
      await writing.close();
      return;
    }
    case 'moveReferencePoint': {
      const details = await writing.details(item!.name);
      await writing.set(details.getByLabel('x, mm'), command.to[0]!);
      await writing.set(details.getByLabel('y, mm'), command.to[1]!);
      await writing.close();
      return;
    }
    case 'setDegree':
      await writing.onRail(item!.name);
      for (let k = 0; k < 9; k++) {
        const now = (item as { curve: { degree: number } }).curve.degree + k;
        if (now === command.degree) return;
        await writing.press('Raise the degree');
      }
      return;
    case 'operate':
      await writing.onRail(item!.name);
      await operate(writing, command.operation, items, 'Apply');
      return;
    case 'setOperation':
      await setOperation(writing, item!.name, command.operation, items);
      return;
    case 'setShape':
      await setShape(writing, item!.name, command.shape);
      return;
    case 'setShown':
      await show(writing, command.shown);
      return;
    case 'patchItem':
      await writing.press('Items …');
      if (command.clear?.includes('hidden')) await writing.press(`Show ${item!.name}`);
      else throw new Error(JSON.stringify(command));
      await writing.close();
      return;
    case 'setCurve':
      await writing.onRail(item!.name);
      if (command.curve.periodic && item?.kind === 'curve') {
        // A closed curve has no ends to write down: the open one is closed.
        await lists(writing, item.curve);
        await operate(writing, { name: 'close', source: item.id, way: 'wrap' } as Operation, items, 'Apply');
      } else await lists(writing, command.curve);
      return;
    case 'setEndMultiplicity':
    case 'moveKnot': {
      await writing.onRail(item!.name);
      const now = after.items.find(({ id }) => id === item!.id);
      if (now?.kind === 'curve') await lists(writing, now.curve);
      return;
    }
    default:
      throw new Error(`${command.name} is not done by hand here`);
  }
}

async function typeIn(
  writing: Writing,
  cell: ReturnType<Writing['page']['locator']>,
  value: string | number,
): Promise<void> {
  await cell.fill(String(value));
  await writing.page.keyboard.press('Enter');
}
