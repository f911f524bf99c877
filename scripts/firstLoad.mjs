import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { firstLoads } from '../web/firstLoads.mjs';
import { webFolder } from './build.mjs';

/**
 * The JavaScript of each watched page's first load, of the application as it was built: the entry, the page, and all that
 * they import at once, in kB compressed; and for the reader what the first formula loads after it.
 */
export function measuredLoads() {
  const manifest = JSON.parse(readFileSync(join(webFolder, '.vite', 'manifest.json'), 'utf8'));
  const filesOf = (keys) => {
    const files = new Set();
    const visit = (key) => {
      const chunk = manifest[key];
      if (!chunk) throw new Error(`The build has no ${key}, which web/firstLoads.mjs names.`);
      if (files.has(chunk.file)) return;
      files.add(chunk.file);
      (chunk.imports ?? []).forEach(visit);
    };
    keys.forEach(visit);
    return files;
  };
  const size = (file) => gzipSync(readFileSync(join(webFolder, file)), { level: 9 }).length / 1000;
  const sum = (list) => list.reduce((total, file) => total + size(file), 0);
  const loads = Object.entries(firstLoads).map(([name, { pages, limit }]) => {
    const files = filesOf(['index.html', ...pages]);
    return { name, limit, total: sum([...files]), files };
  });
  const { files: readers } = loads.find(({ name }) => name === 'reader');
  const formula = Object.keys(manifest).find((key) => key.endsWith('sheet/katex.ts'));
  const later = formula && sum([...filesOf([formula])].filter((file) => !readers.has(file)));
  return { loads: loads.map((load) => ({ ...load, files: load.files.size })), later };
}

/** One load in words, and whether it is as small as it has to be. */
export function judgedLoad({ name, total, files, limit }) {
  return {
    ok: limit === undefined || total <= limit,
    line: `${name}: ${total.toFixed(1)} kB in ${files} files${limit === undefined ? '' : ` (at most ${limit})`}`,
  };
}
