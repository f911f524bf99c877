import { buildWeb } from './build.mjs';
import { freePort, startThrowAwayCluster } from './cluster.mjs';
import { ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';
import { startBrowser } from './browser.mjs';
if (!process.env.NOBUILD) await buildWeb();
const cluster = await startThrowAwayCluster(await ensurePostgres());
const port = await freePort();
const server = await startServer({ url: cluster.url, port, demo: true });
const browser = await startBrowser();
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: `http://localhost:${port}`, hasTouch: !!process.env.TOUCH });
  const page = await context.newPage();
  page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text()));
  page.on('pageerror', (e) => console.log('page error:', e.message, e.stack?.slice(0, 400)));
  await page.goto('/sign-in');
  await page.getByLabel('Address').fill('mirela@ellerbrook.example');
  await page.getByLabel('Password').fill('peg-rib-and-purfling');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Shelf' }).waitFor();
  await page.getByRole('link', { name: /Open Near and far/ }).click();
  await page.locator('.tiptap').waitFor();
  const { act } = await import(process.argv[2]);
  await act(page, async (name) => { await page.waitForTimeout(400); await page.screenshot({ path: `/tmp/look-${name}.png` }); });
} catch (e) { console.log(e); } finally { await browser.close(); await server.stop(); await cluster.discard(); }
process.exit(0);
