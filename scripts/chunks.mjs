import { join } from 'node:path';
import process from 'node:process';
import { gzipSync } from 'node:zlib';
import { ensureNodePackages, root } from './packages.mjs';
import { run, Trouble } from './say.mjs';
import { firstLoads } from '../web/firstLoads.mjs';

/**
 * What the chunks of a page's first load hold: `npm run chunks` for the reader's first sheet, `npm run chunks -- NAME` for
 * another of `web/firstLoads.mjs`, or for a page by its source file, such as `src/account/AccountPage.tsx`. Each chunk
 * with its compressed size, and its modules with the bytes that are left of them, the largest first.
 */
await run(async () => {
  await ensureNodePackages();
  const wanted = process.argv[2] ?? 'reader';
  const pages = firstLoads[wanted]?.pages ?? [wanted];
  const { build } = await import('vite');
  const web = join(root, 'web');
  const { output } = await build({
    root: web,
    logLevel: 'error',
    build: { write: false, emptyOutDir: false },
  });
  const chunks = new Map(
    output.filter(({ type }) => type === 'chunk').map((chunk) => [chunk.fileName, chunk]),
  );
  const files = new Set();
  const visit = (file) => {
    if (files.has(file) || !chunks.has(file)) return;
    files.add(file);
    chunks.get(file).imports.forEach(visit);
  };
  const entryOf = (end) => [...chunks.values()].find(({ facadeModuleId }) => facadeModuleId?.endsWith(end));
  for (const page of ['index.html', ...pages]) {
    const entry = entryOf(page);
    if (!entry) throw new Trouble(`No chunk begins with ${page}. Name a page by its source file below web/.`);
    visit(entry.fileName);
  }
  const sized = [...files]
    .map((file) => ({ ...chunks.get(file), size: gzipSync(chunks.get(file).code, { level: 9 }).length }))
    .sort((a, b) => b.size - a.size);
  for (const { fileName, size, modules } of sized) {
    console.log(`\n${(size / 1000).toFixed(1)} kB  ${fileName}`);
    const held = Object.entries(modules)
      .map(([id, { renderedLength }]) => ({ id, bytes: renderedLength }))
      .filter(({ bytes }) => bytes > 0)
      .sort((a, b) => b.bytes - a.bytes);
    for (const { id, bytes } of held.slice(0, 25))
      console.log(
        `  ${String(bytes).padStart(7)}  ${id
          .replace('\0', '')
          .replace(`${root}/`, '')
          .replace(/^.*node_modules\//, '')}`,
      );
    if (held.length > 25) console.log(`           and ${held.length - 25} smaller modules`);
  }
  const total = sized.reduce((sum, { size }) => sum + size, 0);
  console.log(`\n${(total / 1000).toFixed(1)} kB in ${sized.length} chunks`);
});
