import { join } from 'node:path';
import { judgedLoad, measuredLoads } from './firstLoad.mjs';
import { benchCompiled } from './benchCompiled.mjs';
import { benchLesson } from './benchLesson.mjs';
import { benchDrag } from './benchDrag.mjs';
import { buildWeb } from './build.mjs';
import { command } from './command.mjs';
import { ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run } from './say.mjs';

/** A long log against a short one, on a throw-away database. */
async function benchLog() {
  const { startThrowAwayCluster } = await import('./cluster.mjs');
  const cluster = await startThrowAwayCluster(await ensurePostgres());
  console.log('\nThe log: a stream of many steps against one of few (medians)\n');
  try {
    await command(process.execPath, ['--import', 'tsx', 'bench/log.bench.ts'], {
      show: true,
      cwd: join(root, 'server'),
      env: { ...process.env, DATABASE_URL: cluster.url },
    });
  } finally {
    await cluster.discard();
  }
}

/** Requests that are made to keep a server busy, while somebody else saves. */
async function benchAttacks() {
  const { freePort, startThrowAwayCluster } = await import('./cluster.mjs');
  const { startServer } = await import('./server.mjs');
  const cluster = await startThrowAwayCluster(await ensurePostgres());
  const port = await freePort();
  const server = await startServer({ url: cluster.url, port, demo: true });
  try {
    await command(process.execPath, ['--import', 'tsx', 'bench/attacks.bench.ts'], {
      show: true,
      cwd: join(root, 'server'),
      env: { ...process.env, BASE: `http://127.0.0.1:${port}` },
    });
  } finally {
    await server.stop();
    await cluster.discard();
  }
}

/** What the core costs, what the reader loads first, and how a drag keeps up with the frames. */
await run(async () => {
  await ensureNodePackages();
  const only = process.argv.slice(2);
  const wanted = (part) => only.length === 0 || only.includes(part);
  if (wanted('core')) {
    console.log('The curve core (last column: against one point of a rational cubic)\n');
    await command(process.execPath, ['--import', 'tsx', 'bench/curve.bench.ts'], {
      show: true,
      cwd: join(root, 'core'),
    });
  }
  if (wanted('growth')) {
    console.log('\nGrowth with the control points of a cubic\n');
    await command(process.execPath, ['--import', 'tsx', 'bench/growth.bench.ts'], {
      show: true,
      cwd: join(root, 'core'),
    });
  }
  if (only.includes('fewest')) {
    console.log('\nFits to a tolerance beside the fewest points that a long search finds\n');
    await command(process.execPath, ['--import', 'tsx', 'bench/fewest.bench.ts'], {
      show: true,
      cwd: join(root, 'core'),
    });
  }
  if (wanted('compiled')) {
    console.log('\nBeside the compiled scientific library\n');
    await benchCompiled();
  }
  if (wanted('formats')) {
    console.log('\nFiles of many curves, and files that are made to be costly\n');
    await command(process.execPath, ['--import', 'tsx', 'bench/formats.bench.ts'], {
      show: true,
      cwd: join(root, 'core'),
    });
  }
  if (wanted('lesson')) {
    console.log('');
    await command(process.execPath, ['--import', 'tsx', 'bench/lesson.bench.ts'], {
      show: true,
      cwd: join(root, 'core'),
    });
    await buildWeb();
    await benchLesson();
  }
  if (wanted('log')) await benchLog();
  if (only.includes('attacks')) {
    console.log(
      '\nRequests made to keep a server busy: answered or refused within 2 s, saves of others within 250 ms\n',
    );
    await benchAttacks();
  }
  if (only.includes('saves')) {
    const { benchSaves } = await import('./benchSaves.mjs');
    console.log('\nMany who save at once\n');
    await benchSaves();
  }
  if (!wanted('load') && !wanted('drag')) return;
  await buildWeb();
  if (wanted('load')) printFirstLoads();
  if (wanted('drag')) await benchDrag();
});

function printFirstLoads() {
  const { loads, later } = measuredLoads();
  console.log('\nJavaScript of first loads, compressed');
  for (const load of loads) console.log(`  ${judgedLoad(load).line}`);
  if (later !== undefined) {
    console.log(`The typesetter, loaded after it with the first formula: ${later.toFixed(0)} kB`);
  }
}
