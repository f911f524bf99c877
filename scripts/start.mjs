import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { setInterval } from 'node:timers';
import { portIsFree, dataFolder, startCluster } from './cluster.mjs';
import { backupToday } from './dump.mjs';
import { lockFolder } from './folderLock.mjs';
import { ensureNodePackages, ensurePostgres } from './packages.mjs';
import { run, Trouble } from './say.mjs';

await run(async () => {
  const wrong = process.argv.slice(2).find((argument) => argument !== '--empty');
  if (wrong)
    throw new Trouble(`npm start knows no ${wrong}. With -- --empty it begins without the demo course.`);
  const isEmpty = process.argv.includes('--empty');
  const port = Number(process.env.BOGEN_PORT ?? 4870);
  const databasePort = Number(process.env.BOGEN_DB_PORT ?? 54870);
  for (const [name, value] of [
    ['BOGEN_PORT', port],
    ['BOGEN_DB_PORT', databasePort],
  ]) {
    if (!Number.isInteger(value) || value < 1 || value > 65535)
      throw new Trouble(`${name} must be a port from 1 to 65535.`);
  }
  if (!(await portIsFree(port))) {
    throw new Trouble(
      `Port ${port} is in use; perhaps Bogen runs already. Stop what uses it, or set BOGEN_PORT to another.`,
    );
  }
  await ensureNodePackages();
  const bin = await ensurePostgres();
  // These need what was just installed.
  const { buildWeb } = await import('./build.mjs');
  const { startServer } = await import('./server.mjs');
  await buildWeb();
  const folder = dataFolder();
  const letGo = lockFolder(folder);
  process.on('exit', letGo);
  const cluster = await startCluster(bin, folder, databasePort);
  let server;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    console.log('\nStopping …');
    await server?.stop();
    await cluster.stop();
    console.log('Stopped. Everything is kept.');
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  process.on('SIGHUP', stop);
  try {
    server = await startServer({ url: cluster.url, port, demo: !isEmpty });
  } catch (error) {
    await cluster.stop();
    throw error;
  }
  const backups = join(folder, 'backups');
  mkdirSync(backups, { recursive: true, mode: 0o700 });
  const keep = () =>
    backupToday(cluster.bin, cluster.url, backups).catch((error) =>
      console.error(`Today's backup was not made. ${error.message}`),
    );
  // By the hour, so that a machine that slept makes up for it.
  setInterval(keep, 3_600_000).unref();
  const entry = await (await fetch(`http://127.0.0.1:${port}/api/entry`)).json();
  console.log(`
Bogen is at           http://localhost:${port}${entry.demo ? await demoLines(entry.demo) : ''}
Data is kept in       ${folder}
with the backups of the last seven days in backups/
${isEmpty && entry.demo ? '\nThis folder has the demo course from before. To begin without it, set BOGEN_DATA to a new folder.\n' : ''}
Ctrl-C stops it.`);
  await keep();
  await server.exited;
  if (!stopping) {
    await cluster.stop();
    throw new Trouble('The server ended by itself. What was saved is kept; start it again.');
  }
});

/** The demo's sign-in and class code; the code is read from its data by a child, since that is TypeScript. */
async function demoLines({ email, password }) {
  const { command } = await import('./command.mjs');
  const { root } = await import('./packages.mjs');
  const script = `import('@bogen/demo').then(({ demoClass }) => console.log(demoClass.code))`;
  const { output } = await command(
    process.execPath,
    ['--import', 'tsx', '--input-type=module', '-e', script],
    { cwd: `${root}/server` },
  );
  const code = output.trim().split('\n').at(-1);
  return `\nInstructor signs in   ${email}   password   ${password}\nClass code            ${code}`;
}
