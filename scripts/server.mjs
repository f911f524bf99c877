import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { webFolder } from './build.mjs';
import { root } from './packages.mjs';
import { Trouble } from './say.mjs';

/**
 * How a server process is run: with room for what many requests at once need for a moment, so that less of it is looked
 * through again and again.
 */
export const serverFlags = ['--max-semi-space-size=64'];

/** The server's program: its sources, translated while they are loaded, or what `buildServer` made of them. */
const programs = {
  source: ['--import', 'tsx', join(root, 'server', 'src', 'main.ts')],
  built: ['--enable-source-maps', join(root, 'server', 'dist', 'main', 'main.js')],
};

/**
 * Starts one server process and waits until it listens.
 * @param program `source` or `built`, which starts in a fraction of the time
 * @returns the process; `exited` settles when it has ended
 */
export function startServer({ url, port, demo = false, program = 'source', env = {} }) {
  const child = spawn(process.execPath, [...serverFlags, ...programs[program]], {
    cwd: root,
    // Its own group: Ctrl-C reaches the starting script alone, which then stops things in order.
    detached: true,
    stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: String(port),
      BOGEN_WEB: webFolder,
      BOGEN_DEMO: demo ? 'yes' : 'no',
      ...env,
    },
  });
  let complaint = '';
  child.stderr.on('data', (data) => {
    complaint += data;
    if (complaint.length > 10_000) complaint = complaint.slice(-5000);
  });
  const exited = new Promise((resolve) => child.on('exit', resolve));
  return new Promise((resolve, reject) => {
    child.on('message', () => {
      child.stderr.pipe(process.stderr);
      resolve({
        exited,
        async stop() {
          child.kill('SIGTERM');
          await exited;
        },
        /** Ends it at once, as a crash would. */
        async kill() {
          child.kill('SIGKILL');
          await exited;
        },
      });
    });
    exited.then(() => reject(new Trouble(complaint.trim() || 'The server ended before it listened.')));
  });
}
