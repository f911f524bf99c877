import { emptyFigure, type FigureDocument, type Shown, type TrackName } from '@bogen/core/figure';
import { expect } from '../bogen.js';
import { writer } from '../../web/src/text/en/writer.js';
import { rail as railTexts } from '../../web/src/text/en/rail.js';
import type { Writing } from './writing.js';

/** What the figure shows, and how: as large as it is to be seen, too. */
export async function setLooks(writing: Writing, figure: FigureDocument): Promise<void> {
  const { page } = writing;
  const { looks, rail, items, shown } = figure;
  const named = (id: string | null | undefined): string | undefined =>
    items.find((item) => item.id === id)?.name;
  const onRail = named(rail.item);
  if (onRail) await writing.onRail(onRail);
  await show(writing, { ...emptyFigure().shown, ...shown }, async () => {
    await page.getByLabel('Sum of all functions').setChecked(looks?.basisSum ?? false);
    await writing.set(page.getByLabel('Distance of the grid’s points, mm'), figure.view.grid);
  });
  await writing.press('Tracks …');
  const list = page.locator('[data-track-list]');
  const check = (track: TrackName) => list.getByLabel(railTexts.tracks[track].name, { exact: true });
  while ((await list.locator('input:checked').count()) > 0)
    await list.locator('input:checked').first().uncheck();
  for (const track of rail.tracks) await check(track).check();
  await writing.close();
  const compared = named(looks?.compareWith);
  if (compared) {
    await writing.press('Compare …');
    await writing.choose('With', compared, page.locator('[data-compare-panel]'));
    if (looks?.enlarged) {
      const slider = page.getByLabel('Difference enlarged');
      await slider.focus();
      for (
        let k = 0;
        k < 200 && !(await slider.getAttribute('aria-valuetext'))!.startsWith(`× ${looks.enlarged}`);
        k++
      )
        await page.keyboard.press('ArrowRight');
    }
    await writing.close();
  }
  await writing.press('Fit');
  const keep = page.getByRole('button', { name: 'Keep this view' });
  if ((await keep.count()) > 0) await keep.click();
  await expect(keep).toHaveCount(0);
}

export async function show(
  writing: Writing,
  shown: Partial<Shown>,
  also: () => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  await writing.press('Look …');
  for (const [key, value] of Object.entries(shown))
    await writing.page
      .getByRole('checkbox', { name: writer.shown[key as keyof Shown], exact: true })
      .first()
      .setChecked(value === true);
  await also();
  await writing.close();
}
