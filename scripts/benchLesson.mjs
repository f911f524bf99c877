import { signIn } from './benchDrag.mjs';
import { freePort, startThrowAwayCluster } from './cluster.mjs';
import { ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';

const sheets = 40;
const stages = 30;

/** The opening of a lesson of 40 sheets with 30 stages against one of a single sheet, and a step between stages, in Chromium. */
export async function benchLesson() {
  const { startBrowser } = await import('./browser.mjs');
  const cluster = await startThrowAwayCluster(await ensurePostgres());
  const port = await freePort();
  const server = await startServer({ url: cluster.url, port, demo: true });
  const browser = await startBrowser();
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      baseURL: `http://localhost:${port}`,
    });
    const page = await context.newPage();
    await page.goto('/sign-in');
    await page.evaluate(signIn);
    await page.evaluate(makeLessons, { sheets, stages });
    console.log(`\nA lesson of ${sheets} sheets with ${stages} stages in Chromium, ms, seven times each`);
    for (const [title, what] of [
      ['Short', 'one sheet of one stage'],
      ['Long', `${sheets} sheets with ${stages} stages`],
    ]) {
      const [pressed, loaded] = [[], []];
      for (let k = 0; k < 7; k++) {
        await page.goto('/class');
        const link = page.getByRole('link', { name: `${title} 0`, exact: true });
        await link.waitFor();
        await page.waitForTimeout(500);
        pressed.push(await page.evaluate(openByPress, `${title} 0`));
        await page.waitForTimeout(300);
        loaded.push(await untilDrawn(page, page.url()));
      }
      print(`${what}: opened by a press`, pressed);
      print(`${what}: page loaded anew`, loaded);
    }
    const steps = [];
    for (let k = 0; k < 7; k++) {
      await page.waitForTimeout(700);
      steps.push(await page.evaluate(step));
    }
    print('stepping to the next stage: in which frame after the press it is shown', steps);
  } finally {
    await browser.close();
    await server.stop();
    await cluster.discard();
  }
}

function print(what, times) {
  const sorted = times.toSorted((a, b) => a - b).map((time) => time.toFixed(0));
  console.log(`${what.padEnd(78)} ${sorted.join(', ')}`);
}

/** In the page of an instructor: makes and publishes both lessons, and joins a class to read them. */
async function makeLessons({ sheets, stages }) {
  const post = async (path, body) => {
    const headers = { 'content-type': 'application/json' };
    const response = await fetch(`/api${path}`, { method: 'POST', body: JSON.stringify(body), headers });
    if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
    return response.json();
  };
  const course = await post('/courses', { title: 'Bench' });
  const points = Array.from({ length: 12 }, (_, k) => [k * 5, 20 * Math.sin(k / 3)]);
  const knots = [0, 0, 0, ...Array.from({ length: 10 }, (_, k) => k / 9), 1, 1, 1];
  const figure = {
    version: 2,
    items: [{ id: 'curve', name: 'Curve', kind: 'curve', curve: { degree: 3, knots, points } }],
    loose: { curve: { controlPoints: points.map((_, k) => k), editPoints: [] } },
    shown: { controlPoints: true, polygon: true, editPoints: true, knots: true, comb: true, labels: true },
    rail: { item: 'curve', tracks: ['knots', 'basis', 'curvature'] },
    view: { left: -5, right: 65, bottom: -30, top: 35, grid: 10 },
  };
  const lesson = (title, count, ofEach) => ({
    version: 2,
    title,
    sheets: Array.from({ length: count }, (_, number) => ({
      id: `s${number}`,
      title: `${title} ${number}`,
      prose: { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Step on.' }] }] },
      figure,
      stages: Array.from({ length: ofEach }, (__, k) => ({
        id: k === 0 ? 'first' : `k${k}`,
        caption: `Stage ${k}`,
        commands:
          k === 0
            ? []
            : [{ name: 'moveControlPoint', item: 'curve', index: k % 12, to: [k * 2, (k * 7) % 30] }],
      })),
      tasks: [],
    })),
  });
  for (const [title, count, ofEach] of [
    ['Short', 1, 1],
    ['Long', sheets, stages],
  ]) {
    const { id } = await post(`/courses/${course.id}/lessons`, { document: lesson(title, count, ofEach) });
    await post(`/lessons/${id}/editions`, { revision: 0 });
  }
  const { code } = await post(`/courses/${course.id}/classes`, { name: 'Bench' });
  await post('/join', { code, name: 'Bench' });
}

/** In the page: presses a link and waits until its figure is drawn and its handles are there. */
function openByPress(name) {
  return new Promise((resolve) => {
    const link = [...document.querySelectorAll('a')].find(({ textContent }) => textContent.trim() === name);
    const began = performance.now();
    const look = () =>
      requestAnimationFrame(() => {
        const canvas = document.querySelector('[data-pane] canvas');
        const isDrawn = canvas?.width > 300 && canvas.checkVisibility({ visibilityProperty: true });
        const isThere = isDrawn && document.querySelector('[data-handle="curve/P11"]') !== null;
        // What is there when a frame begins has been painted when the next task runs.
        setTimeout(() => (isThere ? resolve(performance.now() - began) : look()));
      });
    link.click();
    look();
  });
}

/** How long a page takes from its address to its figure. */
async function untilDrawn(page, address) {
  const began = performance.now();
  await page.goto(address, { waitUntil: 'commit' });
  await page.waitForFunction(() => {
    const canvas = document.querySelector('[data-pane] canvas');
    return (
      canvas?.width > 300 &&
      canvas.checkVisibility({ visibilityProperty: true }) &&
      document.querySelector('[data-handle="curve/P11"]') !== null
    );
  });
  return performance.now() - began;
}

/** In the page: presses the right arrow's button, and counts the frames until one names the next stage. */
function step() {
  return new Promise((resolve) => {
    const row = document.querySelector('[data-stages]');
    const before = row.textContent;
    const button = row.querySelector('button[aria-label="Next stage"]');
    let frames = 0;
    // A press comes at the beginning of a frame, as the browser hands it out.
    requestAnimationFrame(() => {
      button.click();
      const look = () =>
        requestAnimationFrame(() => {
          frames++;
          if (row.textContent !== before) resolve(frames);
          else look();
        });
      look();
    });
  });
}
