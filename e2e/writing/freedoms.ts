import { operations as operationTexts } from '../../web/src/text/en/operations.js';
import type { FigureDocument, Freedom, PointKind } from '@bogen/core/figure';
import { expect } from '../bogen.js';
import { escaped, type Writing } from './writing.js';

/** Which points are loose, each pressed in the figure, and what else readers may do. */
export async function setFreedoms(writing: Writing, figure: FigureDocument): Promise<void> {
  const { page } = writing;
  const { items, loose, readersMay = [] } = figure;
  for (const item of items) {
    if (item.kind !== 'curve' || item.faint) continue;
    if (!item.hidden) await writing.onRail(item.name);
    // What is drawn is loose as a whole at first.
    await openMore(writing);
    const given = page.locator('[data-let-more]').getByRole('button', {
      name: new RegExp(`^No longer let them: move .* of ${escaped(item.name)}$`),
    });
    await expect(given).toHaveCount(1);
    await given.click();
    await expect(given).toHaveCount(0);
    await writing.close();
    for (const of of ['controlPoints', 'editPoints'] as const) {
      const indices = loose[item.id]?.[of] ?? [];
      if (indices.length === item.curve.points.length) {
        await openMore(writing);
        await writing.chooseItem(item.name);
        await writing.press(`move all ${of === 'controlPoints' ? 'control' : 'edit'} points of ${item.name}`);
        await writing.close();
      } else if (indices.length > 0) {
        await writing.press('Loose or fixed');
        for (const index of indices) await pressPoint(writing, item.name, of, index);
        await writing.press('Loose or fixed');
      }
    }
  }
  for (const freedom of readersMay) await letThem(writing, figure, freedom);
}

async function pressPoint({ page }: Writing, name: string, of: PointKind, index: number): Promise<void> {
  const point = page.locator(
    `[data-handle$="/${of === 'controlPoints' ? 'P' : 'E'}${index}"][aria-label*=" of ${name},"]`,
  );
  const before = await point.getAttribute('aria-label');
  // By the keyboard: another mark may lie over it.
  await point.focus();
  await point.press('Enter');
  await expect(point).not.toHaveAttribute('aria-label', before!);
}

async function openMore(writing: Writing): Promise<void> {
  await writing.press('let them do more …');
  await expect(writing.page.locator('[data-let-more]')).toBeVisible();
}

async function letThem(writing: Writing, { items }: FigureDocument, freedom: Freedom): Promise<void> {
  const { page } = writing;
  const may = page.locator('[data-readers-may]');
  if (!('item' in freedom)) throw new Error(`${freedom.kind} is not let by hand here`);
  const item = items.find(({ id }) => id === freedom.item)!;
  const { name } = item;
  if (freedom.kind === 'degree') return; // The control in the text lets them.
  if (freedom.kind === 'weights') {
    // By doing it: each weight is set and set back.
    await writing.onRail(name);
    await writing.press('Points …');
    for (const index of freedom.indices) {
      const cell = page.locator('[data-point-table] tbody tr').nth(index).locator('input').nth(2);
      const before = await cell.inputValue();
      await cell.fill('2');
      await page.keyboard.press('Enter');
      await page.locator('[data-let-this]').click();
      await cell.fill(before);
      await page.keyboard.press('Enter');
    }
    await writing.close();
    return;
  }
  await openMore(writing);
  const more = page.locator('[data-let-more]');
  await writing.chooseItem(name);
  if (freedom.kind === 'operation') {
    const called = operationTexts[freedom.operation as 'insertKnot'];
    await more.getByLabel('Find a change').fill(called);
    await more.getByRole('button', { name: called, exact: true }).click();
    if (freedom.most !== undefined)
      await more
        .locator('li', { hasText: `use “${called}” on ${name}` })
        .getByLabel('How often')
        .selectOption(String(freedom.most));
    await expect(may).toContainText(`use “${called}” on ${name}`);
  } else {
    const what =
      freedom.kind === 'values'
        ? `set the numbers of ${name}`
        : freedom.kind === 'knots'
          ? `pull the knots of ${name}`
          : item.kind === 'point'
            ? `move ${name}`
            : `move what ${name} hangs on`;
    const button = more.getByRole('button', { name: what, exact: true });
    // A control in the text may have let them already.
    await button.click();
    await expect(may).toContainText(what);
  }
  await writing.close();
}
