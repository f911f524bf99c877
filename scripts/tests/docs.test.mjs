import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../packages.mjs';

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
  cwd: root,
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => file && existsSync(join(root, file)));
const documents = files.filter((file) => file === 'README.md' || /^docs\/.*\.md$/.test(file));
const read = (file) => readFileSync(join(root, file), 'utf8');

/** Every word of the code and of the project's own settings. */
const words = new Set(
  files
    .filter((file) =>
      /\.(tsx?|mjs|cjs|css|json|sql|html|service|conf|example)$|Containerfile$|^\.\w+$/.test(file),
    )
    // Migrations tell how the database was, too.
    .filter((file) => file !== 'package-lock.json' && !file.startsWith('server/src/db/migrations/'))
    .flatMap((file) => read(file).match(/[A-Za-z_$][\w$-]*/g) ?? []),
);

/** What a document puts in code marks outside of its blocks of code. */
const marked = (text) =>
  [...text.replace(/^```[\s\S]*?^```/gm, '').matchAll(/`([^`\n]+)`/g)].map(([, code]) => code);

const segments = new Set(files.flatMap((file) => file.split('/').slice(0, -1)));
/** A path of the project: it begins with one of its folders, or ends as its files do. */
const isPath = (code) =>
  /^[\w.-]+(\/[\w.-]+)*\/?$/.test(code) &&
  ((code.includes('/') && segments.has(code.split('/')[0])) || /\w\.(tsx?|mjs|md|json)$/.test(code));
/** Whether there is such a file or folder, named from the root or from any folder; NAME stands for that of a new member. */
function isThere(path) {
  const end = path.replace(/\/(NAME\.ts)?$/, '');
  return files.some((file) => `/${file}`.endsWith(`/${end}`) || `/${file}`.includes(`/${end}/`));
}

const isName = (code) =>
  /^[a-z]+[A-Z]\w*(\(\))?$|^[A-Z][a-z]+[A-Z]\w*$|^[a-z]+_[a-z_]+$|^BOGEN_[A-Z_]+$/.test(code);

describe('what the documents put in code marks', () => {
  it.each(documents)('%s names paths that are there', (document) => {
    expect(marked(read(document)).filter((code) => isPath(code) && !isThere(code))).toEqual([]);
  });

  it.each(documents)('%s names what the code knows', (document) => {
    const missing = marked(read(document)).filter(
      (code) => isName(code) && !words.has(code.replace('()', '')),
    );
    expect(missing).toEqual([]);
  });

  it.each(documents)('%s links to what is there', (document) => {
    const links = [...read(document).matchAll(/\]\(([^)#\s]+)(?:#[^)]*)?\)/g)].map(([, link]) => link);
    const missing = links.filter(
      (link) => !/^\w+:/.test(link) && !existsSync(join(root, dirname(document), link)),
    );
    expect(missing).toEqual([]);
  });
});
