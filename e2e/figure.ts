import '@bogen/core/mathematics';
import type { Point } from '@bogen/core/curve';
import type { FigureDocument, FigureItem } from '@bogen/core/figure';
import type { LessonDocument } from '@bogen/core/lesson';
import type { Page } from '@playwright/test';
import { expect, handle, placeOf, saved } from './bogen.js';

/** A lesson of its own, with the curve of a new sheet. */
export async function newLesson(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'New lesson' }).click();
  await page.getByLabel('Title of the lesson').fill(title);
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(handle(page, 'curve/P0')).toBeVisible();
}

/** The lesson as the server has it. */
export async function lesson(page: Page): Promise<LessonDocument> {
  await expect(saved(page)).toBeVisible();
  const id = /write\/([^/?]+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/lessons/${id}/draft`);
  return ((await answer.json()) as { document: LessonDocument }).document;
}

/** The first sheet's figure as the server has it. */
export async function figure(page: Page): Promise<FigureDocument> {
  return (await lesson(page)).sheets[0]!.figure;
}

export async function lastItem(page: Page): Promise<FigureItem> {
  return (await figure(page)).items.at(-1)!;
}

/**
 * Where a place of the plane is on the screen; the first curve runs from (0, 10) to (200, 10). Asked until two answers
 * a frame apart are the same, so that what is still being laid out is not pressed beside.
 */
export async function screenOf(page: Page): Promise<(place: Point) => [number, number]> {
  const ends = async () => [await placeOf(page, 'curve/P0'), await placeOf(page, 'curve/P5')] as const;
  let [a, b] = await ends();
  await expect(async () => {
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
    const before = [a, b];
    [a, b] = await ends();
    expect([a, b]).toEqual(before);
  }).toPass();
  const scale = (b.x - a.x) / 200;
  return ([x, y]) => [a.x + scale * x!, a.y - scale * (y! - 10)];
}

export async function choose(page: Page, tool: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Draw …' }).click();
  await page.getByRole('button', { name: tool }).click();
  await expect(page.locator('[data-draw-layer]')).toBeVisible();
}

/** Presses places of the plane with the pointer. */
export async function click(page: Page, places: readonly Point[]): Promise<void> {
  const at = await screenOf(page);
  for (const place of places) {
    await page.mouse.move(...at(place), { steps: 2 });
    await page.mouse.down();
    await page.mouse.up();
  }
}

/** Opens the panel of changes on the rail's curve, or goes back to its list, and takes one by its name in core. */
export async function change(page: Page, operation: string): Promise<void> {
  const list = page.locator('[data-operation-list]');
  if (await page.locator('[data-change-panel]').isVisible()) {
    await page.getByRole('button', { name: 'All changes' }).click();
  } else await page.getByRole('button', { name: 'Change …' }).click();
  await list.locator(`[data-choose="${operation}"]`).click();
}
