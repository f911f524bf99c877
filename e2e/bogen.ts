import { demoClass, instructor } from '@bogen/demo';
import {
  test as base,
  expect,
  type BrowserContext,
  type BrowserContextOptions,
  type Locator,
  type Page,
} from '@playwright/test';
import { Application, makeDemoTemplate, startCluster, type Cluster } from './application.js';

interface Fixtures {
  /** What the pages complained about on their consoles; every test ends with none unless it says so. */
  complaints: string[];
  /** A new context, as another person or device would have. */
  newContext: (
    options?: Pick<BrowserContextOptions, 'baseURL' | 'colorScheme' | 'reducedMotion'>,
  ) => Promise<BrowserContext>;
  /** An application on a cluster of its own, for a test that stops the database; it runs from its sources. */
  apart: { readonly application: Application; readonly cluster: Cluster };
}

export const test = base.extend<Fixtures, { bogen: Application }>({
  bogen: [
    async ({ browserName: _ }, use) => {
      const bogen = await Application.begin(process.env['BOGEN_E2E_CLUSTER']!);
      await use(bogen);
      await bogen.end();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  apart: async ({ browserName: _ }, use) => {
    const cluster = await startCluster();
    try {
      await makeDemoTemplate(cluster.url);
      const application = await Application.begin(cluster.url, 'source');
      await use({ application, cluster });
      await application.end();
    } finally {
      await cluster.discard();
    }
  },
  complaints: async ({ browserName: _ }, use) => {
    const complaints: string[] = [];
    await use(complaints);
    expect(complaints).toEqual([]);
  },
  newContext: async ({ browser, bogen, complaints }, use) => {
    const contexts: BrowserContext[] = [];
    await use(async (options = {}) => {
      const context = await browser.newContext({
        baseURL: bogen.url,
        // Motion is shown where it is tested.
        reducedMotion: 'reduce',
        ...options,
        viewport: { width: 1280, height: 800 },
      });
      contexts.push(context);
      context.on('page', (page) => {
        page.on('pageerror', (error) => complaints.push(error.message));
        page.on('console', (message) => {
          // Answers that refuse something are part of what is tested; everything else is not.
          if (message.type() === 'error' && !message.text().startsWith('Failed to load resource')) {
            complaints.push(message.text());
          }
        });
      });
      return context;
    });
    for (const context of contexts) await context.close();
  },
});

export { expect };

let counter = 0;

/**
 * A new student of the demo class, at the lessons. They come in by the request that the door makes; that the door makes it
 * is tested once (`doors.spec`), and costs two pages each time.
 */
export async function joinClass(
  context: BrowserContext,
  name = `Student ${process.pid}-${++counter}`,
): Promise<{ page: Page; returnKey: string; name: string }> {
  const answer = await context.request.post('/api/join', { data: { code: demoClass.code, name } });
  const { returnKey } = (await answer.json()) as { returnKey: string };
  const page = await context.newPage();
  await page.goto('/class');
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  return { page, returnKey, name };
}

/** From the lessons to the first sheet of *Near and far*, with its figure drawn. */
export async function openFirstSheet(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'A control point acts near' }).click();
  await expect(handle(page, 'waist/P4')).toBeVisible();
}

/** A new student who comes in by the door itself. @returns the page at the lessons, and the key to come back with */
export async function joinByDoor(
  context: BrowserContext,
  name: string,
): Promise<{ page: Page; returnKey: string }> {
  const page = await context.newPage();
  await page.goto('/');
  await page.getByLabel('Class code').fill(demoClass.code);
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: 'Join the class' }).click();
  const returnKey = await page.locator('[data-return-key]').innerText();
  await page.getByRole('button', { name: 'Go to the lessons' }).click();
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  return { page, returnKey };
}

/** The instructor, at the shelf; signed in by the request that the page makes, see `joinClass`. */
export async function signIn(context: BrowserContext): Promise<Page> {
  const { email, password } = instructor;
  await context.request.post('/api/sign-in', { data: { email, password } });
  const page = await context.newPage();
  await page.goto('/shelf');
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  return page;
}

/** From the shelf to the class desk, at a lesson. */
export async function openDesk(page: Page, lesson = 'Near and far'): Promise<void> {
  await page.getByRole('link', { name: 'Class desk' }).first().click();
  // The field’s label holds its choices too.
  await page
    .locator('label', { hasText: /^Lesson/ })
    .locator('select')
    .selectOption({ label: lesson });
}

export const handle = (page: Page, name: string): Locator => page.locator(`[data-handle="${name}"]`);

/** Where a handle stands on the screen, by its translation. */
export async function placeOf(page: Page, name: string): Promise<{ x: number; y: number }> {
  return handle(page, name).evaluate((element) => {
    const matrix = (element as SVGGElement).getScreenCTM()!;
    return { x: matrix.e, y: matrix.f };
  });
}

/** The coordinates that a handle's label speaks of, in the drawing's unit. */
export async function coordinatesOf(page: Page, name: string): Promise<[number, number]> {
  const label = (await handle(page, name).getAttribute('aria-label'))!.replaceAll('−', '-');
  const match = /x (-?[\d.]+), y (-?[\d.]+)/.exec(label)!;
  return [Number(match[1]), Number(match[2])];
}

/** Takes a handle by the pointer and lets it go elsewhere, in several moves as a hand would. */
export async function drag(
  page: Page,
  name: string,
  by: { x: number; y: number },
  release = true,
): Promise<void> {
  const { x, y } = await placeOf(page, name);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x / 2, y + by.y / 2, { steps: 3 });
  await page.mouse.move(x + by.x, y + by.y, { steps: 3 });
  if (release) await page.mouse.up();
}

/** Drags a handle to a place in the drawing's unit. */
export async function dragTo(page: Page, name: string, to: [number, number]): Promise<void> {
  const from = await coordinatesOf(page, name);
  const scale = await scaleOf(page);
  await drag(page, name, { x: (to[0] - from[0]) * scale, y: (from[1] - to[1]) * scale });
}

/** Pixels to the drawing's unit, by two handles that stand apart. */
async function scaleOf(page: Page): Promise<number> {
  // From sheet to sheet there are none for a moment.
  let names: string[] = [];
  await expect
    .poll(async () => {
      names = await page
        .locator('[data-handle*="/P"]')
        .evaluateAll((elements) => elements.map((element) => element.getAttribute('data-handle')!));
      return names.length;
    })
    .toBeGreaterThan(1);
  const [a, b] = [names[0]!, names.at(-1)!];
  const [pa, pb, ca, cb] = [
    await placeOf(page, a),
    await placeOf(page, b),
    await coordinatesOf(page, a),
    await coordinatesOf(page, b),
  ];
  return Math.hypot(pa.x - pb.x, pa.y - pb.y) / Math.hypot(ca[0] - cb[0], ca[1] - cb[1]);
}

export const saved = (page: Page): Locator => page.locator('[data-save="saved"]');
