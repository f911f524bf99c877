import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { webFolder } from './build.mjs';

/** What a reader's first screen may cost, in kB of JavaScript compressed. */
export const firstLoadLimit = 250;

/**
 * The JavaScript of the reader's first screen, of the application as it was built: the entry, the page, and
 * all that they import at once; and what the first formula loads after it.
 */
export function firstLoad() {
  const manifest = JSON.parse(readFileSync(join(webFolder, '.vite', 'manifest.json'), 'utf8'));
  const files = new Set();
  const visit = (key) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    (chunk.imports ?? []).forEach(visit);
  };
  visit('index.html');
  visit('src/reader/ReaderPage.tsx');
  const size = (file) => gzipSync(readFileSync(join(webFolder, file)), { level: 9 }).length / 1000;
  const sum = (list) => list.reduce((total, file) => total + size(file), 0);
  const formula = Object.keys(manifest).find((key) => key.endsWith('sheet/katex.ts'));
  const extra = formula
    ? new Set([manifest[formula].file, ...(manifest[formula].imports ?? []).map((key) => manifest[key].file)])
    : undefined;
  return {
    total: sum([...files]),
    files: files.size,
    later: extra && sum([...extra].filter((file) => !files.has(file))),
  };
}
