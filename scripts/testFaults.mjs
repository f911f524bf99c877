import { Buffer } from 'node:buffer';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, statfsSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { startBrowser } from './browser.mjs';
import { buildWeb } from './build.mjs';
import { freePort, startCluster } from './cluster.mjs';
import { command } from './command.mjs';
import { lossyLine } from './faults/lossyLine.mjs';
import { Savers } from './faults/savers.mjs';
import { ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run, Trouble } from './say.mjs';
import { startServer } from './server.mjs';

/**
 * What a school's server goes through, one after the other and again, while students save and somebody works in a
 * browser: servers and the database are killed, lines are cut and slow, the disk of the database is full. At the end
 * everything that was acknowledged has to be there, and the browser has to say that it is saved.
 * `npm run test:faults -- 2` takes two minutes instead of twenty.
 */
await run(async () => {
  const minutes = Number(process.argv[2] ?? 20);
  if (!(minutes > 0)) throw new Trouble('Say how many minutes: npm run test:faults -- 20');
  await ensureNodePackages();
  await buildWeb();
  const bin = await ensurePostgres();
  const folder = mkdtempSync('/tmp/bogen-faults-');
  const mounted = await mountSmall(folder);
  const port = await freePort();
  const cluster = await startCluster(bin, folder, port, ['-c', 'max_wal_size=64MB']);
  const linePort = await freePort();
  const line = await lossyLine(linePort, port);
  const url = cluster.url.replace(`:${port}/`, `:${linePort}/`);
  const ports = [await freePort(), await freePort()];
  const servers = [];
  const start = async (k) => (servers[k] = await startServer({ url, port: ports[k], demo: true }));
  for (const k of [0, 1]) await start(k);
  const bases = ports.map((one) => `http://127.0.0.1:${one}`);
  const code = 'BOUT-7K4M';
  const savers = new Savers(bases, code);
  await savers.comeIn(20);
  const browser = await startBrowser();
  const page = await openSheet(browser, bases[0], code);
  savers.begin();

  /** Each leaves things as they were. */
  const faults = {
    'nothing at all': () => sleep(4000),
    'a server killed': async () => {
      await servers[0].kill();
      await sleep(1500);
      await start(0);
    },
    'the other server stopped and started': async () => {
      await servers[1].stop();
      await start(1);
    },
    'the database killed': async () => {
      await killDatabase(join(folder, 'postgres'));
      await sleep(1500);
      await again(() => cluster.begin());
    },
    'all lines to the database cut, five times': async () => {
      for (let k = 0; k < 5; k++) {
        line.cut();
        await sleep(700);
      }
    },
    'a slow database': async () => {
      line.slow(150);
      await sleep(6000);
      line.slow(0);
    },
    ...(mounted && {
      'a full disk': async () => {
        const filler = fill(folder);
        await sleep(4000);
        rmSync(filler);
        await sleep(500);
        // PostgreSQL may have ended itself rather than lose something.
        await again(() => cluster.begin());
      },
    }),
  };
  const until = Date.now() + minutes * 60_000;
  let rounds = 0;
  while (Date.now() < until) {
    rounds++;
    for (const [name, fault] of Object.entries(faults)) {
      const before = savers.acknowledged;
      const began = Date.now();
      const working = work(page);
      await fault();
      await working;
      // It has to go on by itself.
      const recovered = savers.acknowledged;
      for (let k = 0; k < 300 && savers.acknowledged < recovered + 20; k++) await sleep(100);
      const goesOn = savers.acknowledged >= recovered + 20;
      console.log(
        `${name}: ${savers.acknowledged - before} saves acknowledged in ${((Date.now() - began) / 1000).toFixed(0)} s${goesOn ? '' : ', and it did NOT GO ON'}`,
      );
      if (!goesOn) throw new Trouble(`After “${name}” nothing was saved any more.`);
    }
  }
  await savers.end();
  const saved = await becomesSaved(page);
  const lost = await lostSteps(bin, cluster.url, savers);
  await browser.close();
  for (const server of servers) await server.stop();
  line.close();
  await cluster.stop();
  if (mounted) await command('umount', [folder]);
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `\n${rounds} rounds, ${savers.acknowledged} saves acknowledged, ${lost} lost, ${savers.refused.length} refused or failed; the browser ended ${saved ? 'saved' : 'UNSAVED'}.`,
  );
  for (const text of new Set(savers.refused)) console.log(`  ${text}`);
  if (lost > 0 || !saved || savers.refused.length > 0) throw new Trouble('Not everything held.');
});

/** A small disk of its own for the database, where that may be made; so that it can be filled. */
async function mountSmall(folder) {
  if (process.getuid?.() !== 0) return false;
  const { code } = await command('mount', ['-t', 'tmpfs', '-o', 'size=500m', 'tmpfs', folder]);
  if (code !== 0) console.log('There may be no disk of its own here: what a full one does is left out.');
  return code === 0;
}

/** Takes all the room that is left. @returns the file that has it */
function fill(folder) {
  const file = join(folder, 'filler');
  const open = openSync(file, 'w');
  const block = Buffer.alloc(1 << 20, 1);
  try {
    for (let size = block.length; size >= 512; size = Math.floor(size / 2)) {
      try {
        while (statfsSync(folder).bavail > 0) writeSync(open, block, 0, size);
      } catch (error) {
        if (error.code !== 'ENOSPC') throw error;
      }
    }
  } finally {
    closeSync(open);
  }
  return file;
}

/** Ends the database at once, as a crash of the machine would. */
async function killDatabase(data) {
  const pid = Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]);
  await command('pkill', ['-9', '-P', String(pid)]);
  process.kill(pid, 'SIGKILL');
}

/** What may not work the first time after a crash. */
async function again(work) {
  for (let attempt = 0; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      if (attempt === 10) throw error;
      await sleep(1000);
    }
  }
}

async function openSheet(browser, base, code) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/join`);
  await page.getByLabel('Class code').fill(code);
  await page.getByLabel('Your name').fill('In the browser');
  await page.getByRole('button', { name: 'Join the class' }).click();
  await page.getByRole('button', { name: 'Go to the lessons' }).click();
  await page.getByRole('link', { name: 'A control point acts near' }).click();
  await page.locator('[data-handle="waist/P4"]').waitFor();
  return page;
}

/** Moves a point by the keyboard, as somebody would who does not know what goes on below. */
async function work(page) {
  const point = page.locator('[data-handle="waist/P4"]');
  for (let k = 0; k < 6; k++) {
    await point.focus();
    await page.keyboard.press(k % 2 ? 'ArrowUp' : 'ArrowDown');
    await sleep(400);
  }
}

async function becomesSaved(page) {
  return page
    .locator('[data-save="saved"]')
    .waitFor({ timeout: 60_000 })
    .then(
      () => true,
      () => false,
    );
}

/** How many acknowledged steps are not in the database. */
async function lostSteps(bin, url, savers) {
  const { code, output } = await command(
    join(bin, 'psql'),
    ['-X', '-A', '-t', '-c', 'select id from stream_step', url],
    {
      cwd: root,
    },
  );
  if (code !== 0) throw new Trouble(`The database can't be read at the end:\n${output}`);
  const there = new Set(output.split('\n'));
  return savers.students.flatMap(({ steps }) => steps).filter((id) => !there.has(id)).length;
}
