import { join } from 'node:path';
import process from 'node:process';
import { command } from './command.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run } from './say.mjs';

/**
 * Makes the lessons of the course with the writer, from empty sheets, by pointer and keys, and compares each with its file;
 * and looks at every sheet of the course as a reader sees it. All of them, which takes about half an hour, or those lessons
 * whose numbers are given, as in `npm run prove:writer -- 2 5`.
 */
await run(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  const numbers = process.argv.slice(2);
  const env = {
    ...process.env,
    BOGEN_CASES: '1',
    ...(numbers.length > 0 && { BOGEN_BY_HAND: numbers.join(',') }),
  };
  const { code } = await command(
    'npx',
    ['playwright', 'test', '--grep', 'every sheet of|is made with the writer', '--reporter=list'],
    { show: true, cwd: join(root, 'e2e'), env },
  );
  if (code !== 0) process.exitCode = 1;
});
