import { freePort, startThrowAwayCluster } from './cluster.mjs';
import { ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';
import { dragFrames, makeLessons, signIn } from './benchDrag.mjs';
import { execSync } from 'node:child_process';
const { startBrowser } = await import('./browser.mjs');
const cluster = await startThrowAwayCluster(await ensurePostgres());
const port = await freePort();
const server = await startServer({ url: cluster.url, port, demo: true });
const browser = await startBrowser();
execSync('npx vite build --minify false --logLevel warn', { cwd: 'web' });
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: `http://localhost:${port}` });
const page = await context.newPage();
await page.goto('/sign-in');
await page.evaluate(signIn);
const { write } = await page.evaluate(makeLessons);
await page.goto('/sign-in');
await page.evaluate(signIn);
const which = process.argv[2] ?? 'weighted';
const [mark, by] = { weighted: ['[data-weight="20"]', { x: 0, y: -18 }], full: ['[data-knot="20"]', { x: 9, y: 0 }] }[which];
await page.goto(write.replace(/combed$/, which));
await page.locator(mark).waitFor({ state: 'attached' });
await page.waitForTimeout(2000);
{
const session = await context.newCDPSession(page);
await session.send('Profiler.enable');
await session.send('Profiler.setSamplingInterval', { interval: 200 });
await session.send('Profiler.start');
const frames = await dragFrames(page, mark, by);
const { profile } = await session.send('Profiler.stop');
const gaps = frames.slice(1).map((f, k) => [k, Math.round(f.begin - frames[k].begin)]).filter(([, g]) => g > 25);
console.log('FIRST', frames.length, JSON.stringify(gaps));
// longest stretch by function in first 1.5s
const nodes = new Map(profile.nodes.map((n) => [n.id, n]));
const parent = new Map(); for (const n of profile.nodes) for (const c of n.children ?? []) parent.set(c, n.id);
const buckets = new Map(); let t = 0;
profile.samples.forEach((id, k) => { t += profile.timeDeltas[k]; const b = Math.floor(t / 100000); const name = nodes.get(id).callFrame.functionName || '(anon)'; const key = b + ' ' + name; buckets.set(key, (buckets.get(key) ?? 0) + profile.timeDeltas[k]); });
const per = new Map();
for (const [k, v] of buckets) { const [b, ...n] = k.split(' '); (per.get(b) ?? per.set(b, []).get(b)).push([n.join(' '), v / 1000]); }
for (const [b, list] of [...per].slice(0, 22)) console.log(b, list.sort((x, y) => y[1] - x[1]).slice(0, 5).map(([n, v]) => n + ' ' + v.toFixed(0)).join(', '));
}

await dragFrames(page, mark, by);
{
const session = await context.newCDPSession(page);
const events = [];
session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
await session.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', 'toplevel', 'cc', 'viz', 'gpu'] } });
const frames = await dragFrames(page, mark, by);
const complete = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
await session.send('Tracing.end');
await complete;
const sums = new Map();
const names = new Map();
for (const e of events) if (e.name === 'thread_name') names.set(e.pid + '/' + e.tid, e.args.name);
for (const e of events) if (e.ph === 'X' && e.dur) { const key = (names.get(e.pid + '/' + e.tid) ?? '?') + ' ' + e.name; const v = sums.get(key) ?? [0, 0]; v[0] += e.dur; v[1]++; sums.set(key, v); }
console.log('TRACE per frame ms, count/frame');
[...sums].sort((a, b) => b[1][0] - a[1][0]).slice(0, 60).forEach(([k, [d, n]]) => console.log((d / 1000 / frames.length).toFixed(3), (n / frames.length).toFixed(2), k));
}
const session = await context.newCDPSession(page);
await session.send('Profiler.enable');
await session.send('Profiler.setSamplingInterval', { interval: 200 });
await session.send('Profiler.start');
const frames = await dragFrames(page, mark, by);
const { profile } = await session.send('Profiler.stop');
const nodes = new Map(profile.nodes.map((n) => [n.id, n]));
const self = new Map();
profile.samples.forEach((id, k) => { const n = nodes.get(id); const key = `${n.callFrame.functionName || '(anon)'} ${n.callFrame.url.split('/').at(-1)}:${n.callFrame.lineNumber}`; self.set(key, (self.get(key) ?? 0) + profile.timeDeltas[k]); });
// inclusive
const parent = new Map(); for (const n of profile.nodes) for (const c of n.children ?? []) parent.set(c, n.id);
const incl = new Map();
profile.samples.forEach((id, k) => { const seen = new Set(); for (let at = id; at; at = parent.get(at)) { const n = nodes.get(at); const key = `${n.callFrame.functionName || '(anon)'} ${n.callFrame.url.split('/').at(-1)}:${n.callFrame.lineNumber}`; if (seen.has(key)) continue; seen.add(key); incl.set(key, (incl.get(key) ?? 0) + profile.timeDeltas[k]); } });
const gaps = frames.slice(1).map((f, k) => f.begin - frames[k].begin);
console.log('frames', frames.length, 'within', gaps.filter((g) => g <= 17.5).length / gaps.length);
const show = (m) => [...m].sort((a, b) => b[1] - a[1]).slice(0, 45).forEach(([k, v]) => console.log((v / 1000 / frames.length).toFixed(3), k));
console.log('SELF ms/frame'); show(self); console.log('INCL ms/frame'); show(incl);
await browser.close(); await server.stop(); await cluster.discard();
