import { demoClass, instructor } from '@bogen/demo';
import {
  test as base,
  expect,
  type BrowserContext,
  type BrowserContextOptions,
  type Locator,
  type Page,
} from '@playwright/test';
// @ts-expect-error the set-up scripts are plain JavaScript, so that they run before anything is installed
import { freePort, startThrowAwayCluster } from '../scripts/cluster.mjs';
// @ts-expect-error as above
import { ensurePostgres } from '../scripts/packages.mjs';
// @ts-expect-error as above
import { startServer } from '../scripts/server.mjs';

interface Process {
  stop(): Promise<void>;
  kill(): Promise<void>;
}

/** A whole Bogen: a database cluster and a server process, which can be taken away and brought back. */
export class Bogen {
  private process: Process | undefined;
  private constructor(
    readonly url: string,
    private readonly port: number,
    readonly cluster: {
      url: string;
      begin(): Promise<void>;
      stop(): Promise<void>;
      discard(): Promise<void>;
    },
  ) {}

  static async begin(): Promise<Bogen> {
    const cluster = (await startThrowAwayCluster(await ensurePostgres())) as Bogen['cluster'];
    const port = (await freePort()) as number;
    const bogen = new Bogen(`http://localhost:${port}`, port, cluster);
    await bogen.startServer();
    return bogen;
  }

  async startServer(): Promise<void> {
    this.process = (await startServer({ url: this.cluster.url, port: this.port, demo: true })) as Process;
  }

  /** The server is gone at once, as after a crash. */
  async killServer(): Promise<void> {
    await this.process?.kill();
    this.process = undefined;
  }

  async end(): Promise<void> {
    await this.process?.stop();
    await this.cluster.discard();
  }
}

interface Fixtures {
  /** What the pages complained about on their consoles; every test ends with none unless it says so. */
  complaints: string[];
  /** A new context, as another person or device would have. */
  newContext: (options?: Pick<BrowserContextOptions, 'colorScheme'>) => Promise<BrowserContext>;
}

export const test = base.extend<Fixtures, { bogen: Bogen }>({
  bogen: [
    async ({ browserName: _ }, use) => {
      const bogen = await Bogen.begin();
      await use(bogen);
      await bogen.end();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  complaints: async ({ browserName: _ }, use) => {
    const complaints: string[] = [];
    await use(complaints);
    expect(complaints).toEqual([]);
  },
  newContext: async ({ browser, bogen, complaints }, use) => {
    const contexts: BrowserContext[] = [];
    await use(async (options = {}) => {
      const context = await browser.newContext({
        ...options,
        baseURL: bogen.url,
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

/** A new student of the demo class, at the lessons. */
export async function joinClass(
  context: BrowserContext,
  name = `Student ${process.pid}-${++counter}`,
): Promise<{ page: Page; returnKey: string; name: string }> {
  const page = await context.newPage();
  await page.goto('/');
  await page.getByLabel('Class code').fill(demoClass.code);
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: 'Join the class' }).click();
  const returnKey = await page.locator('[data-return-key]').innerText();
  await page.getByRole('button', { name: 'Go to the lessons' }).click();
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  return { page, returnKey, name };
}

/** From the lessons to the first sheet of *Near and far*, with its figure drawn. */
export async function openFirstSheet(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'A control point acts near' }).click();
  await expect(handle(page, 'waist/P4')).toBeVisible();
}

/** The instructor, at the shelf. */
export async function signIn(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByLabel('Address').fill(instructor.email);
  await page.getByLabel('Password').fill(instructor.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
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
export async function scaleOf(page: Page): Promise<number> {
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
