import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../packages.mjs';

/** What one has to write to add one more of a kind, as the table in `docs/architecture.md` says it. */
const rows = readFileSync(join(root, 'docs', 'architecture.md'), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && line.includes('`'))
  .map((line) => line.split('|').slice(1, -1));
const codes = (cell) => [...cell.matchAll(/`([^`]+)`/g)].map(([, code]) => code);

/** The kinds of which each member is a file in one folder, with the list that names all. */
const registries = rows.flatMap(([kind, written, line, texts]) => {
  const folder = codes(written).find((code) => code.endsWith('/NAME.ts'));
  const list = codes(line).find((code) => code.endsWith('.ts'));
  if (!folder || !list) return [];
  return [
    {
      kind: kind.trim(),
      folder: dirname(folder),
      list: join(dirname(dirname(folder)), list),
      texts: codes(texts).filter((code) => code.startsWith('web/src/text/')),
      others: codes(line).filter((code) => code.endsWith('.ts') && code !== list),
    },
  ];
});
const read = (file) => readFileSync(join(root, file), 'utf8');
/** The members that a list names: what it imports as a value from a file beside it. */
const membersOf = (list) =>
  [...read(list).matchAll(/^import \{([^}]*)\} from '\.\/([\w/]+)\.js';/gm)].flatMap(([, names, file]) =>
    names
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name && !name.startsWith('type '))
      .map((name) => ({ name, file: `${file}.ts` })),
  );

describe('the table of what to write to add one more', () => {
  it('names at least the registries that there are', () => {
    expect(registries.length).toBeGreaterThanOrEqual(12);
  });

  describe.each(registries)('$kind', ({ folder, list, texts, others }) => {
    it('has its members in the folder, and its list where it says', () => {
      expect(existsSync(join(root, list)), list).toBe(true);
      const members = membersOf(list);
      expect(members.length).toBeGreaterThan(1);
      const there = new Set(readdirSync(join(root, folder), { recursive: true }));
      for (const { file } of members) expect(there.has(file), file).toBe(true);
      for (const other of others) expect(existsSync(join(root, dirname(folder), other)), other).toBe(true);
    });

    it('has a text for each member where it says', () => {
      if (texts.length === 0) return;
      const all = texts.map(read).join('\n');
      const missing = membersOf(list)
        .filter(({ file }) => !['define.ts', 'later.ts'].includes(basename(file)))
        .filter(({ name }) => !new RegExp(`\\b${name}\\b`).test(all));
      expect(missing).toEqual([]);
    });
  });
});
