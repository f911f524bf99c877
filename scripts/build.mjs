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

/** How hard files are compressed: as small as they get for people, and soon done for tests, which load them from the same machine. */
const levels = { small: { gzip: 9, brotli: 10 }, quick: { gzip: 1, brotli: 1 } };

/** Writes a compressed copy beside each file, so that the server does not compress it for every request. */
async function compress(folder, level) {
  const names = readdirSync(folder).filter((name) => /\.(js|css|svg|json|wasm)$/.test(name));
  await Promise.all(
    names.map(async (name) => {
      const bytes = readFileSync(join(folder, name));
      if (bytes.length < 1000) return;
      const quality = {
        [constants.BROTLI_PARAM_QUALITY]: levels[level].brotli,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      };
      writeFileSync(join(folder, `${name}.gz`), await gzipped(bytes, { level: levels[level].gzip }));
      writeFileSync(join(folder, `${name}.br`), await brotlied(bytes, { params: quality }));
    }),
  );
}

/** A digest of the files below some folders and of some files, by which a build knows whether it is still current. */
function digestOf(folders, files) {
  const hash = createHash('sha256');
  const read = (path) => hash.update(path).update(readFileSync(path));
  for (const folder of folders) {
    for (const entry of readdirSync(join(root, folder), { recursive: true, withFileTypes: true })) {
      if (entry.isFile()) read(join(entry.parentPath ?? entry.path, entry.name));
    }
  }
  for (const file of files) read(join(root, file));
  return hash.digest('hex');
}

const isCurrent = (stamp, digest) => existsSync(stamp) && readFileSync(stamp, 'utf8') === digest;

/** Builds the server as `npm run serve` runs it, if its sources have changed since the last build. */
export async function buildServer() {
  const digest = digestOf(
    ['core/src', 'contract/src', 'server/src', 'demo/src', 'demo/lessons'],
    ['package-lock.json', 'server/vite.config.ts'],
  );
  const stamp = join(root, 'server', 'dist', '.built-from');
  if (isCurrent(stamp, digest)) return;
  console.log('Building the server …');
  for (const mode of ['main', 'worker']) {
    const args = ['vite', 'build', '--logLevel', 'warn', '--mode', mode];
    const { code, output } = await command('npx', args, { cwd: join(root, 'server') });
    if (code !== 0) throw new Trouble(`The server could not be built:\n${output}`);
  }
  writeFileSync(stamp, digest);
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

/**
 * Builds the web application, if its sources have changed since the last build.
 * @param compression how hard its files are compressed: `small`, or `quick` for tests
 */
export async function buildWeb(compression = 'small') {
  const digest = digestOf(
    ['core/src', 'contract/src', 'web/src'],
    [
      'package-lock.json',
      'web/index.html',
      'web/vite.config.ts',
      'web/chunksByFirstLoad.ts',
      'web/firstLoads.mjs',
      'web/vite.lesson.config.ts',
    ],
  );
  const stamp = join(webFolder, '.built-from');
  if (!isCurrent(stamp, digest)) {
    console.log('Building the web application …');
    const { code, output } = await command('npx', ['vite', 'build', '--logLevel', 'warn'], {
      cwd: join(root, 'web'),
    });
    if (code !== 0) throw new Trouble(`The web application could not be built:\n${output}`);
    await buildLessonPage();
    writeFileSync(stamp, digest);
  }
  const compressed = join(webFolder, '.compressed');
  if (isCurrent(compressed, 'small') || isCurrent(compressed, compression)) return;
  await compress(join(webFolder, 'assets'), compression);
  writeFileSync(compressed, compression);
}
