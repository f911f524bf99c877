import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { command } from './command.mjs';
import { root } from './packages.mjs';
import { Trouble } from './say.mjs';

export const webFolder = join(root, 'web', 'dist');

/** Builds the web application, where its sources changed since the last build. */
export async function buildWeb() {
  const hash = createHash('sha256');
  const read = (path) => hash.update(path).update(readFileSync(path));
  for (const folder of ['core/src', 'contract/src', 'web/src']) {
    for (const entry of readdirSync(join(root, folder), { recursive: true, withFileTypes: true })) {
      if (entry.isFile()) read(join(entry.parentPath ?? entry.path, entry.name));
    }
  }
  for (const file of ['package-lock.json', 'web/index.html', 'web/vite.config.ts']) read(join(root, file));
  const stamp = join(webFolder, '.built-from');
  const digest = hash.digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  console.log('Building the web application …');
  const { code, output } = await command('npx', ['vite', 'build', '--logLevel', 'warn'], {
    cwd: join(root, 'web'),
  });
  if (code !== 0) throw new Trouble(`The web application could not be built:\n${output}`);
  writeFileSync(stamp, digest);
}
