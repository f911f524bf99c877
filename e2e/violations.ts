import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What a page does that keeps somebody from reading or using it.
 * @param rules those to look at; all where none are named
 */
export async function violations(page: Page, ...rules: string[]): Promise<string[]> {
  // The page is looked at in one go, and only what is wrong comes back: a quarter of the time. No page here has frames
  // of other origins, for which it would have to be looked at frame by frame.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({
    resultTypes: ['violations'],
    ...(rules.length > 0 && { runOnly: { type: 'rule', values: rules } }),
  });
  const { violations: found } = await axe.analyze();
  return found.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .map(({ html }) => html)
        .join(' | ')
        .slice(0, 300)}`,
  );
}
