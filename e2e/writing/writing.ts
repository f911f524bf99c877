import type { Locator, Page } from '@playwright/test';
import { expect } from '../bogen.js';

/** The hands of an instructor in the writer: pressing, typing, choosing, and waiting for what comes of it. */
export class Writing {
  readonly text: Locator;
  readonly stages: Locator;
  constructor(readonly page: Page) {
    this.text = page.getByRole('textbox', { name: 'Text of the sheet' });
    this.stages = page.locator('[data-stage-editor]');
  }

  async press(name: string | RegExp, within: Locator | Page = this.page): Promise<void> {
    await within.getByRole('button', { name, exact: true }).first().click();
  }
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
  }
  async close(): Promise<void> {
    await this.page.keyboard.press('Escape');
  }
  /** A field for a number or a text: typed over, and left. Numbers have a digit after which nothing more is known. */
  async set(field: Locator, value: string | number): Promise<void> {
    await field.fill(String(value));
    await expect(field).not.toHaveAttribute('aria-busy', 'true');
    await field.blur();
  }
  /** A choice among words, by its label, which holds its words too. */
  choice(label: string, within: Locator | Page = this.page): Locator {
    return within.locator('label', { hasText: new RegExp(`^${label}`) }).locator('select');
  }
  async choose(label: string, word: string, within: Locator | Page = this.page): Promise<void> {
    await this.choice(label, within).first().selectOption({ label: word });
  }
  /** Where only one can be chosen there is no choice. */
  async chooseItem(name: string): Promise<void> {
    const choice = this.choice('Item');
    if ((await choice.count()) > 0) await choice.first().selectOption({ label: name });
  }

  /** Something to find by typing, in a list that stands open: the first that is called exactly so, else the first. */
  async pick(find: string): Promise<void> {
    const list = this.page.locator('[data-pick-list]');
    await list.getByLabel('Find').fill(find);
    const exact = list.getByRole('button').filter({ has: this.page.getByText(find, { exact: true }) });
    await expect(list.getByRole('button')).not.toHaveCount(0);
    await ((await exact.count()) > 0 ? exact : list.getByRole('button')).first().click();
    await expect(list).toHaveCount(0);
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

  /** The curve that the rail and the panels are about. */
  async onRail(name: string): Promise<void> {
    const tools = this.page.locator('[data-curve-tools]');
    const choice = tools.getByLabel('Curve', { exact: true });
    if ((await choice.count()) === 0) return;
    const option = choice
      .locator('option')
      .filter({ hasText: new RegExp(`^${escaped(name)}( \\(built\\))?$`) });
    await choice.selectOption((await option.getAttribute('value'))!);
  }
  async details(name: string): Promise<Locator> {
    await this.press('Details …');
    await this.chooseItem(name);
    await expect(this.page.getByRole('heading', { name: `Details of ${name}` })).toBeVisible();
    return this.page.locator('[data-details]');
  }
}

export const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
