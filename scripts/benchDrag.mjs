import { freePort, startThrowAwayCluster } from './cluster.mjs';
import { ensurePostgres } from './packages.mjs';
import { Trouble } from './say.mjs';
import { startServer } from './server.mjs';

/**
 * Drags in a small and in a large figure, and the opening of the large one, in Chromium.
 *
 * One file, though long: it is one session of one browser, each part where the one before left it.
 */
export async function benchDrag() {
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
    const { read, write } = await page.evaluate(makeLessons);
    const [plain, combed, full] = read;
    const small = 'degree 5, 40 points, three tracks';
    const large = '5 curves of 60 points, comb, construction, four tracks';
    const point = (name) => `[data-handle="curve/${name}"]`;
    const about = { x: 60, y: 45 };
    // A knot goes between its neighbours, out of reach of its own place.
    const alongRail = { x: 9, y: 0 };
    const up = { x: 0, y: -18 };
    // Who writes has a page of their own: this one has joined the class.
    const writer = await (
      await browser.newContext({
        viewport: { width: 1280, height: 800 },
        baseURL: `http://localhost:${port}`,
      })
    ).newPage();
    await writer.goto('/sign-in');
    await writer.evaluate(signIn);
    const writing = write.replace(/combed$/, 'full');
    /** Opens what evens out the parameter and holds the cursor's place. */
    const holdPlace = async (own) => {
      await own.getByRole('button', { name: 'Change …' }).click();
      await own.locator('[data-operation-list] [data-choose="evenOut"]').click();
      await own.getByRole('button', { name: 'Hold the cursor’s place' }).click();
    };
    for (const [own, address, mark, by, what, prepare] of [
      [page, plain, point('P20'), about, `one control point; ${small}`],
      [page, plain, point('E20'), about, `one edit point; ${small}`],
      [page, combed, point('P20'), about, `one control point, comb on; ${small}`],
      [page, full, point('P20'), about, `one control point; ${large}`],
      [writer, writing, point('P20'), about, `one control point while writing; ${large}`],
      [writer, writing, '[data-knot="20"]', alongRail, `one knot; ${large}`],
      [writer, write.replace(/combed$/, 'weighted'), '[data-weight="20"]', up, `one weight; ${large}`],
      [writer, write.replace(/combed$/, 'locked'), point('P58'), about, `at a locked joint; ${large}`],
      [writer, writing, '[data-pin]', { x: 60, y: 0 }, `one held parameter; ${large}`, holdPlace],
    ]) {
      await own.goto(address);
      await prepare?.(own);
      await own.locator(mark).waitFor({ state: 'attached', timeout: 20_000 });
      await own.waitForTimeout(1500);
      const frames = await dragFrames(own, mark, by);
      report(what, frames, await busyFrames(own, () => dragFrames(own, mark, by)));
    }
    await benchOpening(browser, page, { read: combed, write });
  } finally {
    await browser.close();
    await server.stop();
    await cluster.discard();
  }
}

/** In the page: signs in as the demo data's instructor. */
export async function signIn() {
  const body = JSON.stringify({ email: 'mirela@ellerbrook.example', password: 'peg-rib-and-purfling' });
  await fetch('/api/sign-in', { method: 'POST', body, headers: { 'content-type': 'application/json' } });
}

/** In the page of an instructor: makes and publishes a lesson of two sheets, without and with comb, and joins a class to read it. */
export async function makeLessons() {
  const post = async (path, body) => {
    const headers = { 'content-type': 'application/json' };
    const response = await fetch(`/api${path}`, { method: 'POST', body: JSON.stringify(body), headers });
    if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
    return response.json();
  };
  const course = await post('/courses', { title: 'Bench' });
  const count = 40;
  const degree = 5;
  const spans = count - degree;
  const inner = Array.from({ length: spans + 1 }, (_, k) => k / spans);
  const knots = [...Array(degree).fill(0), ...inner, ...Array(degree).fill(1)];
  const points = Array.from({ length: count }, (_, k) => [k * 7, 50 + 30 * Math.sin(k * 0.9)]);
  const all = points.map((_, k) => k);
  const sheet = (id, comb) => ({
    id,
    title: id[0].toUpperCase() + id.slice(1),
    prose: { type: 'doc', content: [{ type: 'paragraph' }] },
    task: null,
    figure: {
      version: 1,
      items: [{ id: 'curve', name: 'Curve', kind: 'curve', curve: { degree, knots, points } }],
      loose: { curve: { controlPoints: all, editPoints: all } },
      shown: { controlPoints: true, polygon: true, editPoints: true, knots: true, comb, labels: true },
      rail: { item: 'curve', tracks: ['knots', 'basis', 'curvature'] },
      view: { left: -10, right: 283, bottom: -10, top: 120, grid: 10 },
    },
  });
  // Five cubics of sixty points, with everything that a figure of that size has to carry.
  const many = 60;
  const cubic = [0, 0, 0, ...Array.from({ length: many - 2 }, (_, k) => k / (many - 3)), 1, 1, 1];
  const items = Array.from({ length: 5 }, (_, c) => ({
    id: c === 0 ? 'curve' : `curve${c}`,
    name: `Curve ${c}`,
    kind: 'curve',
    curve: {
      degree: 3,
      knots: cubic,
      points: Array.from({ length: many }, (_, k) => [k * 4.6, 15 + 18 * c + 7 * Math.sin(k * 0.7 + c)]),
    },
  }));
  const full = {
    ...sheet('full', true),
    figure: {
      ...sheet('full', true).figure,
      items,
      loose: { curve: { controlPoints: Array.from({ length: many }, (_, k) => k), editPoints: [] } },
      shown: {
        controlPoints: true,
        polygon: true,
        editPoints: false,
        knots: true,
        comb: true,
        labels: true,
        construction: true,
      },
      rail: { item: 'curve', tracks: ['knots', 'basis', 'curvature', 'speed'] },
    },
  };
  const weighted = {
    ...full,
    id: 'weighted',
    title: 'Weighted',
    figure: { ...full.figure, rail: { item: 'curve', tracks: ['knots', 'basis', 'curvature', 'weights'] } },
  };
  // The second curve goes on from the end of the first in its direction, and keeps doing so.
  const [before, end] = items[0].curve.points.slice(-2);
  const following = items[1].curve.points.map(([x, y]) => [end[0] - x, y]);
  following[0] = end;
  following[1] = end.map((value, axis) => 2 * value - before[axis]);
  const joined = items.map((item, k) => {
    if (k === 0) {
      return { ...item, lockedJoints: [{ end: 'end', to: 'curve1', toEnd: 'start', continuity: 'G1' }] };
    }
    return k === 1 ? { ...item, curve: { ...item.curve, points: following } } : item;
  });
  const locked = {
    ...full,
    id: 'locked',
    title: 'Locked',
    figure: { ...full.figure, version: 2, items: joined },
  };
  const sheets = [sheet('plain', false), sheet('combed', true), full, weighted, locked];
  const document = { version: 1, title: 'Bench', sheets };
  const lesson = await post(`/courses/${course.id}/lessons`, { document });
  await post(`/lessons/${lesson.id}/editions`, { revision: 0 });
  const { code } = await post(`/courses/${course.id}/classes`, { name: 'Bench' });
  await post('/join', { code, name: 'Bench' });
  return {
    read: ['plain', 'combed', 'full'].map((id) => `/read/${lesson.id}/${id}`),
    write: `/write/${lesson.id}/combed`,
  };
}

/**
 * Opening the figure of five curves of sixty points: by a reader who has not moved anything in it, by one who
 * has, and by its writer, each in a page that was just loaded and in one that opened it before.
 */
export async function benchOpening(browser, page, { read, write }) {
  const opens = (what, from, reload) =>
    timeOpening(page, what, /Next sheet/, async () => {
      if (reload) await page.goto(from);
      else await page.getByRole('link', { name: /Previous sheet/ }).click();
    });
  await opens('as published, in a page that was just loaded', read, true);
  await opens('as published, in a page that opened it before', read, false);
  await page.locator('[data-handle="curve/P20"]').focus();
  await page.keyboard.press('ArrowUp');
  await page.getByText('Saved').waitFor();
  await opens('with moves of one’s own, in a page that was just loaded', read, true);
  await opens('with moves of one’s own, in a page that opened it before', read, false);
  // Who reads as a student is no longer signed in as the instructor.
  const { origin } = new URL(page.url());
  const writer = await (
    await browser.newContext({ viewport: page.viewportSize(), baseURL: origin })
  ).newPage();
  await writer.goto('/sign-in');
  await writer.evaluate(signIn);
  await timeOpening(writer, 'by its writer, in a page that was just loaded', /Full/, () =>
    writer.goto(write),
  );
  await timeOpening(writer, 'by its writer, in a page that opened it before', /Full/, () =>
    writer.getByRole('link', { name: /Combed/ }).click(),
  );
}

async function timeOpening(page, what, name, goBack) {
  const times = [];
  for (let k = 0; k < 7; k++) {
    await goBack();
    await page.locator('[data-track]').nth(2).waitFor();
    await page.locator('[data-handle="curve/P20"]').waitFor();
    await page.waitForTimeout(800);
    times.push(
      await page.evaluate(
        (name) =>
          new Promise((resolve) => {
            const link = [...document.querySelectorAll('a')].find((a) =>
              new RegExp(name).test(a.textContent),
            );
            const seen = {};
            // What is there when a frame begins has been painted when the next task runs.
            const look = () =>
              requestAnimationFrame(() => {
                const canvas = document.querySelector('[data-pane] canvas');
                const isNew = document.querySelectorAll('[data-track]').length === 4;
                const there = {
                  // Before it is drawn a canvas has the size that browsers give it, or is kept out of sight.
                  picture:
                    isNew && canvas?.width > 300 && canvas.checkVisibility({ visibilityProperty: true }),
                  handles: document.querySelector('[data-handle="curve4/P59"]') !== null,
                };
                setTimeout(() => {
                  for (const key in there) if (there[key]) seen[key] ??= performance.now() - began;
                  if (!seen.picture || !seen.handles) return look();
                  const answers = performance
                    .getEntriesByType('resource')
                    .filter(({ name, startTime }) => /\/api\/.*work/.test(name) && startTime >= began)
                    .map(({ responseEnd }) => responseEnd - began);
                  resolve({ ...seen, answer: Math.max(0, ...answers) });
                });
              });
            const began = performance.now();
            link.click();
            look();
          }),
        name.source,
      ),
    );
  }
  const line = (value) =>
    times
      .map(value)
      .sort((a, b) => a - b)
      .map((time) => time.toFixed(0))
      .join(', ');
  console.log(`\nOpening a figure of 5 curves of 60 points ${what}, ms from the press, seven times`);
  console.log(`until the server has answered   ${line(({ answer }) => answer)}`);
  console.log(`until it is drawn               ${line(({ picture }) => picture)}`);
  console.log(
    `  or, from the answer on        ${line(({ picture, answer }) => Math.max(0, picture - answer))}`,
  );
  console.log(`until all its handles are there ${line(({ handles }) => handles)}`);
}

/**
 * Drags a mark about for five seconds and records every frame: when it began, and how many moves it brought.
 * @param by how far, in pixels
 */
export async function dragFrames(page, mark, by) {
  const place = await page.locator(mark).evaluate((element) => {
    if (element.getScreenCTM) {
      const matrix = element.getScreenCTM();
      return { x: matrix.e, y: matrix.f };
    }
    const { left, top, width, height } = element.getBoundingClientRect();
    return { x: left + width / 2, y: top + height / 2 };
  });
  await page.mouse.move(place.x, place.y);
  await page.mouse.down();
  await page.evaluate(() => {
    const frames = [];
    window.benchFrames = frames;
    window.benchOn = true;
    let moves = 0;
    window.addEventListener('pointermove', () => moves++);
    const mark = (begin) => {
      frames.push({ begin, moves });
      moves = 0;
      if (window.benchOn) requestAnimationFrame(mark);
    };
    requestAnimationFrame(mark);
  });
  const mouse = await page.context().newCDPSession(page);
  const until = Date.now() + 5000;
  for (let k = 0; Date.now() < until; k++) {
    const [x, y] = [place.x + by.x * Math.sin(k / 18), place.y + by.y * (Math.cos(k / 14) - 1)];
    void mouse.send('Input.dispatchMouseEvent', { type: 'mouseMoved', x, y, button: 'left', buttons: 1 });
    await new Promise((resolve) => setTimeout(resolve, 8));
  }
  await page.mouse.up();
  return page.evaluate(() => {
    window.benchOn = false;
    return window.benchFrames;
  });
}

/**
 * What the page's main thread was busy with in each frame while something is done, in ms, by the browser's
 * own trace: all tasks from the end of one frame to the end of the next, waits between them left out.
 */
async function busyFrames(page, act) {
  const session = await page.context().newCDPSession(page);
  const events = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['cc', 'toplevel'] },
  });
  await act();
  const complete = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
  await session.send('Tracing.end');
  await complete;
  const threadOf = ({ pid, tid }) => `${pid}/${tid}`;
  const isFrame = ({ name, ph }) => name === 'ProxyMain::BeginMainFrame' && ph === 'X';
  const counts = new Map();
  for (const event of events.filter(isFrame)) {
    counts.set(threadOf(event), (counts.get(threadOf(event)) ?? 0) + 1);
  }
  const [main] = [...counts].sort((a, b) => b[1] - a[1])[0];
  const own = events.filter((event) => threadOf(event) === main).sort((a, b) => a.ts - b.ts);
  const tasks = own.filter(({ name }) => name === 'ThreadControllerImpl::RunTask');
  const frames = own.filter(isFrame);
  const busy = [];
  let next = 0;
  for (const { ts, dur } of frames) {
    let sum = 0;
    let covered = 0;
    for (; next < tasks.length && tasks[next].ts <= ts + dur; next++) {
      const task = tasks[next];
      // A task may run others inside of it.
      const from = Math.max(task.ts, covered);
      const to = task.ts + (task.dur ?? 0);
      if (to > from) [sum, covered] = [sum + to - from, to];
    }
    busy.push(sum / 1000);
  }
  return busy.slice(1);
}

export function report(what, frames, busy) {
  const dragged = frames.filter(({ moves }, index) => index > 0 && moves > 0);
  if (dragged.length < 20) throw new Trouble(`Only ${dragged.length} frames of the drag were seen.`);
  const at = (values, share) =>
    values.slice().sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];
  const gaps = frames.slice(1).map((frame, index) => frame.begin - frames[index].begin);
  // A frame is late when it took the next one's place: the clock of the frames ticks every 16.7 ms.
  const onTime = gaps.filter((gap) => gap < 16.7 * 1.5).length / gaps.length;
  const within = busy.filter((value) => value <= 16.7).length / busy.length;
  const line = (values) =>
    [0.5, 0.9, 0.95, 0.99, 1]
      .map((share) => at(values, Math.min(share, 0.99999)).toFixed(1).padStart(6))
      .join('');
  console.log(`\nDragging ${what}: ${dragged.length} frames`);
  console.log('                                       50 %  90 %  95 %  99 %   all');
  console.log(
    `main thread busy in a frame, ms     ${line(busy)}   ${(within * 100).toFixed(1)} % within 16.7 ms`,
  );
  console.log(`from frame to frame, ms             ${line(gaps)}   ${(onTime * 100).toFixed(1)} % on time`);
}
