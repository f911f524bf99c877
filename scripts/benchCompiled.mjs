import { join } from 'node:path';
import { command } from './command.mjs';
import { root } from './packages.mjs';

const timesOf = (output) =>
  new Map(
    output
      .split('\n')
      .map((line) => line.split('\t'))
      .filter(([, time]) => Number(time) > 0)
      .map(([name, time]) => [name, Number(time)]),
  );

/**
 * The curve core beside the compiled scientific library on this machine, three times in turn, with the smallest time of
 * each. The library is no part of the project; where Python can't import it, that is said.
 */
export async function benchCompiled() {
  const cwd = join(root, 'core');
  const there = await command('python3', ['-c', 'import scipy.interpolate'], { cwd }).catch(() => ({
    code: 1,
  }));
  if (there.code !== 0) {
    console.log('The compiled library is not here: install the packages python3 and python3-scipy first.');
    return;
  }
  const [own, other] = [new Map(), new Map()];
  for (let turn = 0; turn < 3; turn++) {
    for (const [times, program, args] of [
      [own, process.execPath, ['--import', 'tsx', 'bench/compiled.bench.ts']],
      [other, 'python3', ['bench/compiled.py']],
    ]) {
      const { output } = await command(program, args, { cwd });
      for (const [name, time] of timesOf(output))
        times.set(name, Math.min(time, times.get(name) ?? Infinity));
    }
  }
  console.log('| what | core, ms | compiled library, ms | the library takes |\n|---|---:|---:|---:|');
  for (const [name, time] of own) {
    const there = other.get(name);
    const ratio = there === undefined ? '' : `${(there / time).toPrecision(2)} times as long`;
    console.log(`| ${name} | ${time.toPrecision(3)} | ${there?.toPrecision(3) ?? ''} | ${ratio} |`);
  }
}
