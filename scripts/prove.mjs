import { join } from 'node:path';
import process from 'node:process';
import { command } from './command.mjs';
import { ensureNodePackages, root } from './packages.mjs';
import { run, Trouble } from './say.mjs';

/**
 * The properties of the core on many more random cases than `npm test` looks at: round after round with a new seed, which
 * is printed, until the time is used up. `npm run prove -- 20` takes 20 minutes instead of an hour, and further words name
 * the test files to take. A round that fails is repeated by the line that it prints.
 */
await run(async () => {
  await ensureNodePackages();
  const [first, ...names] = process.argv.slice(2);
  const minutes = first === undefined ? 60 : Number(first);
  if (!(minutes > 0))
    throw new Trouble(`“${first}” is no number of minutes; say for example: npm run prove -- 20`);
  const until = Date.now() + minutes * 60_000;
  // All the cases that the tests name, and more each time, so that the first rounds have soon looked at every property.
  let cases = 1;
  let rounds = 0;
  const failed = [];
  while (Date.now() < until) {
    const seed = Math.floor(Math.random() * 2 ** 31);
    const files = names.length > 0 ? names : ['test'];
    const again = `cd core && BOGEN_SEED=${seed} BOGEN_CASES=${cases} npx vitest run ${files.join(' ')}`;
    console.log(`\n── round ${rounds + 1}: seed ${seed}, ${cases} times the cases of each property`);
    const { code, output } = await command(
      'npx',
      ['vitest', 'run', '--reporter=dot', '--testTimeout=1800000', ...files],
      {
        cwd: join(root, 'core'),
        env: { ...process.env, NO_COLOR: '1', BOGEN_SEED: String(seed), BOGEN_CASES: String(cases) },
      },
    );
    rounds++;
    cases = Math.min(32, 2 * cases);
    if (code === 0) continue;
    failed.push(again);
    console.log(`${output.trimEnd()}\n\nAgain: ${again}`);
  }
  console.log(`\n${rounds} rounds, ${failed.length} failed`);
  for (const line of failed) console.log(line);
  if (failed.length > 0) process.exitCode = 1;
});
