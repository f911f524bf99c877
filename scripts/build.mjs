import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { command } from './command.mjs';
import { root } from './packages.mjs';
import { Trouble } from './say.mjs';

export const webFolder = join(root, 'web', 'dist');

const [gzipped, brotlied] = [promisify(gzip), promisify(brotliCompress)];

/** Writes what can be made smaller beside itself, so that it need not be done anew for each who asks. */
async function compress(folder) {
  const names = readdirSync(folder).filter((name) => /\.(js|css|svg|json|wasm)$/.test(name));
  await Promise.all(
    names.map(async (name) => {
      const bytes = readFileSync(join(folder, name));
      if (bytes.length < 1000) return;
      const quality = {
        [constants.BROTLI_PARAM_QUALITY]: 10,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      };
      writeFileSync(join(folder, `${name}.gz`), await gzipped(bytes, { level: 9 }));
      writeFileSync(join(folder, `${name}.br`), await brotlied(bytes, { params: quality }));
    }),
  );
}

/** Builds the server as `npm run serve` runs it. */
export async function buildServer() {
  console.log('Building the server …');
  for (const mode of ['main', 'worker']) {
    const args = ['vite', 'build', '--logLevel', 'warn', '--mode', mode];
    const { code, output } = await command('npx', args, { cwd: join(root, 'server') });
    if (code !== 0) throw new Trouble(`The server could not be built:\n${output}`);
  }
}

/**
 * Builds the page of which a lesson is made that is one file: the reader as one script and one style sheet, within the
 * page. The server puts the lesson into it.
 */
async function buildLessonPage() {
  const args = ['vite', 'build', '--logLevel', 'error', '--config', 'vite.lesson.config.ts'];
  const { code, output } = await command('npx', args, { cwd: join(root, 'web') });
  if (code !== 0) throw new Trouble(`The page for lessons as files could not be built:\n${output}`);
  const folder = join(webFolder, 'lesson');
  const names = readdirSync(join(folder, 'assets'));
  const read = (ending) => {
    const found = names.filter((name) => name.endsWith(ending));
    if (found.length !== 1)
      throw new Trouble(`The page for lessons as files has ${found.length} files of ${ending}, not one.`);
    return readFileSync(join(folder, 'assets', found[0]), 'utf8');
  };
  const [script, style] = [read('.js'), read('.css')];
  rmSync(folder, { recursive: true });
  // What ends a script in a page must not stand within one.
  const page = { script: script.trim().replaceAll('</script', '<\\/script'), style: style.trim() };
  writeFileSync(join(webFolder, 'lessonPage.json'), JSON.stringify(page));
}

/** Builds the web application, where its sources changed since the last build. */
export async function buildWeb() {
  const hash = createHash('sha256');
  const read = (path) => hash.update(path).update(readFileSync(path));
  for (const folder of ['core/src', 'contract/src', 'web/src']) {
    for (const entry of readdirSync(join(root, folder), { recursive: true, withFileTypes: true })) {
      if (entry.isFile()) read(join(entry.parentPath ?? entry.path, entry.name));
    }
  }
  for (const file of [
    'package-lock.json',
    'web/index.html',
    'web/vite.config.ts',
    'web/vite.lesson.config.ts',
  ])
    read(join(root, file));
  const stamp = join(webFolder, '.built-from');
  const digest = hash.digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  console.log('Building the web application …');
  const { code, output } = await command('npx', ['vite', 'build', '--logLevel', 'warn'], {
    cwd: join(root, 'web'),
  });
  if (code !== 0) throw new Trouble(`The web application could not be built:\n${output}`);
  await buildLessonPage();
  await compress(join(webFolder, 'assets'));
  writeFileSync(stamp, digest);
}
