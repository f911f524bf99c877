import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What a page does that keeps somebody from reading or using it. */
export async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page }).analyze();
  return found.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .map(({ html }) => html)
        .join(' | ')
        .slice(0, 300)}`,
  );
}
