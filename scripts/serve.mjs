import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { webFolder } from './build.mjs';
import { root } from './packages.mjs';
import { run, Trouble } from './say.mjs';
import { serverFlags } from './server.mjs';

/** Runs one server process as it was built, on a database that is there, for a service manager: see docs/running.md. */
await run(async () => {
  const main = join(root, 'server', 'dist', 'main', 'main.js');
  if (!existsSync(main) || !existsSync(join(webFolder, 'index.html')))
    throw new Trouble('Nothing is built yet. Run npm run build first.');
  const child = spawn(process.execPath, [...serverFlags, '--enable-source-maps', main], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NODE_ENV: 'production', BOGEN_WEB: webFolder, BOGEN_DEMO: 'no' },
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill('SIGTERM'));
  process.exitCode = await new Promise((resolve) => child.on('exit', (code) => resolve(code ?? 1)));
});
