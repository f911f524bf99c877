import { join } from 'node:path';
import process from 'node:process';
import { command } from './command.mjs';
import { ensureNodePackages, root } from './packages.mjs';
import { run } from './say.mjs';

/**
 * Everything at full size, for the night: all tests with all their cases, all sheets and lessons, the types as the
 * compiler of the packages sees them, the core on new random cases, and servers and databases that are killed. About
 * three hours on two cores.
 */
await run(async () => {
  await ensureNodePackages();
  const full = { ...process.env, BOGEN_CASES: '1' };
  const script = (name) => join(root, 'scripts', `${name}.mjs`);
  const steps = [
    { name: 'types', program: 'npm', args: ['run', 'types'] },
    { name: 'all tests at full size', program: process.execPath, args: [script('test')], env: full },
    { name: 'new random cases', program: process.execPath, args: [script('prove'), '40'] },
    { name: 'faults', program: process.execPath, args: [script('testFaults'), '15'] },
  ];
  const failed = [];
  for (const { name, program, args, env = process.env } of steps) {
    const began = Date.now();
    console.log(`\n══ ${name}`);
    const { code } = await command(program, args, { show: true, cwd: root, env });
    const minutes = ((Date.now() - began) / 60_000).toFixed(1);
    console.log(`\n══ ${name}: ${code === 0 ? 'done' : 'FAILED'} in ${minutes} minutes`);
    if (code !== 0) failed.push(name);
  }
  console.log(failed.length === 0 ? '\nEverything holds.' : `\nFailed: ${failed.join(', ')}`);
  if (failed.length > 0) process.exitCode = 1;
});
