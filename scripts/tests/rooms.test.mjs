import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { circlesBelow } from '../rooms.mjs';

const made = [];
afterEach(() => made.splice(0).forEach((folder) => rmSync(folder, { recursive: true })));

/** The circles of a folder of files, each with the imports that stand in it. */
function circles(files) {
  const base = mkdtempSync(join(tmpdir(), 'bogen-rooms-'));
  made.push(base);
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(base, name)), { recursive: true });
    writeFileSync(join(base, name), text);
  }
  return circlesBelow(base);
}

describe('circles of imports', () => {
  it('are seen between files, between folders, and between a folder and a file beside it', () => {
    expect(circles({ 'a.ts': "import './b.js';", 'b.tsx': "export * from './a.js';" })).toHaveLength(1);
    expect(
      circles({
        'x/a.ts': "import '../y/b.js';",
        'y/b.ts': 'export {};',
        'y/c.ts': "import '../x/d.js';",
        'x/d.ts': 'export {};',
      }),
    ).toHaveLength(1);
    const [circle] = circles({
      'n/x/a.ts': "import '../b.js';",
      'n/b.ts': "import { d } from './x/d.js';",
      'n/x/d.ts': 'export const d = 1;',
    });
    expect(circle).toEqual({
      parent: 'n',
      steps: expect.arrayContaining(['n/x/a.ts imports n/b.ts', 'n/b.ts imports n/x/d.ts']),
    });
    // A file and a folder of one name are two.
    expect(circles({ 'a.ts': "import './b.js';", 'b.ts': "import './a/c.js';", 'a/c.ts': '' })).toEqual([]);
  });

  it('count types and later imports, and pass over comments', () => {
    expect(
      circles({ 'a.ts': "import type { B } from './b.js';", 'b.ts': "await import('./a.js');" }),
    ).toHaveLength(1);
    expect(circles({ 'a.ts': "// import './b.js';\n", 'b.ts': "import './a.js';" })).toEqual([]);
  });

  it('are none where imports run one way', () => {
    expect(circles({ 'x/a.ts': "import '../b.js';", 'b.ts': "import './c.js';", 'c.ts': '' })).toEqual([]);
  });
});
