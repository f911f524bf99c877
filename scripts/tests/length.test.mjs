import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { root } from '../packages.mjs';

/** Lines above which a file is two concepts, or says why it is one. */
const most = 350;

/** Source files; a file of tests is a list of them, as long as there are tests of its concept. */
const sources = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
  cwd: root,
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => /^(?:core|contract|server|web|demo)\/src\/.*\.tsx?$|^scripts\/.*\.mjs$/.test(file));

it('has no long source file that does not say why it is one', () => {
  expect(sources.length).toBeGreaterThan(900);
  const long = sources.filter((file) => {
    const text = readFileSync(join(root, file), 'utf8');
    return text.split('\n').length - 1 > most && !text.includes('One file, though long:');
  });
  expect(long).toEqual([]);
});
