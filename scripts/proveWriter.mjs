import { join } from 'node:path';
import process from 'node:process';
import { buildWeb } from './build.mjs';
import { command } from './command.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run } from './say.mjs';

/**
 * Makes the lessons of the course with the writer, from empty sheets, by pointer and keys, and compares each with its file:
 * all of them, which takes about half an hour, or those whose numbers are given, as in `npm run prove:writer -- 2 5`.
 */
await run(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  await buildWeb();
  const numbers = process.argv.slice(2);
  const { code } = await command(
    'npx',
    ['playwright', 'test', 'tests/byHand.spec.ts', '--reporter=list', '--retries=0'],
    {
      show: true,
      cwd: join(root, 'e2e'),
      env: { ...process.env, BOGEN_BY_HAND: numbers.length > 0 ? numbers.join(',') : '1,2,3,4,5,6,7,8' },
    },
  );
  if (code !== 0) process.exitCode = 1;
});
