import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../packages.mjs';
import { areas, forWholeRuns, specsFor } from '../test/areas.mjs';

const foldersOf = (path) =>
  readdirSync(join(root, path), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => `${path}/${name}`);
const specs = readdirSync(join(root, 'e2e/tests')).map((name) => name.replace('.spec.ts', ''));

describe('the areas of the end-to-end tests', () => {
  it('name folders and files that are there', () => {
    expect(Object.keys(areas).filter((folder) => !existsSync(join(root, folder)))).toEqual([]);
    expect(
      Object.values(areas)
        .flat()
        .filter((spec) => !specs.includes(spec)),
    ).toEqual([]);
  });

  it('know every folder of core, server and web, and leave out no file', () => {
    const known = ['core/src', 'server/src', 'web/src'].flatMap(foldersOf);
    expect(known.filter((folder) => !(folder in areas))).toEqual([]);
    const driven = new Set([...Object.values(areas).flat(), ...forWholeRuns]);
    expect(specs.filter((spec) => !driven.has(spec))).toEqual([]);
  });

  it('give the files for a change, by the deepest folder, and all for what everything needs', () => {
    expect(specsFor(['web/src/bench/BenchPage.tsx', 'server/src/bench/router.ts'])).toEqual(['bench']);
    expect(specsFor(['web/src/writer/starts/starts.ts'])).toEqual(['starts']);
    expect(specsFor(['web/src/editing/keys/keys.ts', 'e2e/tests/shelf.spec.ts'])).toEqual([
      'figure',
      'shelf',
    ]);
    expect(specsFor(['docs/manual.md', 'core/test/told.test.ts'])).toEqual([]);
    expect(specsFor(['web/src/bench/BenchPage.tsx', 'package-lock.json'])).toBeUndefined();
    expect(specsFor([])).toEqual([]);
  });
});
