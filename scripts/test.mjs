import { mkdtempSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import process from 'node:process';
import { ensureChromium, ensureNodePackages, ensurePoppler, ensurePostgres } from './packages.mjs';
import { run, Trouble } from './say.mjs';
import { specsFor } from './test/areas.mjs';
import { changedSince } from './test/changed.mjs';
import { runJobs } from './test/jobs.mjs';
import { testsOfPlaywright, testsOfVitest } from './test/reports.mjs';
import { buildJobs, endToEndJob, firstLoadJob, lintJobs, unitJob } from './test/steps.mjs';
import { failuresOf, secondTimesOf, timesOf } from './test/summary.mjs';

const unitParts = ['scripts', 'core', 'server', 'web'];
const parts = ['lint', ...unitParts, 'e2e'];

/**
 * Everything that must hold: format, lint and types, the rules of imports, the unit tests, the first load, and the
 * end-to-end tests. Prints where the time went and one closing line, and leaves nothing running. Arguments name the parts
 * to run: lint, scripts, core, server, web, e2e. With `--changed`, or `--changed=REVISION`, it is what a change touches:
 * what is not committed, or what came since a revision.
 */
await run(async () => {
  const words = process.argv.slice(2);
  const since = sinceOf(words.find((word) => word.startsWith('--changed')));
  const only = words.filter((word) => !word.startsWith('--changed'));
  const unknown = only.find((part) => !parts.includes(part));
  if (unknown) throw new Trouble(`There is no part “${unknown}”. The parts are ${parts.join(', ')}.`);
  const began = performance.now();
  await ensureNodePackages();
  const specs = since === undefined ? undefined : specsFor(await changedSince(since));
  const wanted = (part) =>
    (only.length === 0 || only.includes(part)) && !(part === 'e2e' && specs?.length === 0);
  if (wanted('server') || wanted('e2e')) {
    await ensurePostgres();
    await ensureChromium();
    await ensurePoppler();
  }
  const installed = { name: 'installing', ok: true, seconds: (performance.now() - began) / 1000 };
  if (!process.env.CI) {
    // New random cases are looked at besides those that are always the same; a failure can be repeated with this.
    process.env.BOGEN_NEW_SEED ??= String(Math.floor(Math.random() * 2 ** 31));
    console.log(`New random cases begin with BOGEN_NEW_SEED=${process.env.BOGEN_NEW_SEED}.`);
  }
  const reports = mkdtempSync('/tmp/bogen-reports-');
  const [unitReport, e2eReport] = [join(reports, 'unit.json'), join(reports, 'e2e.json')];
  const units = unitParts.filter(wanted);
  const jobs = [
    ...(wanted('e2e') ? buildJobs : []),
    ...(units.length > 0 ? [unitJob(units, unitReport, since)] : []),
    ...(wanted('lint') ? lintJobs : []),
    ...(wanted('e2e') ? [firstLoadJob, endToEndJob(e2eReport, specs)] : []),
  ];
  const results = await runJobs(jobs, availableParallelism(), ({ name, ok, seconds, output }) => {
    console.log(`\n── ${name}: ${ok ? 'done' : 'FAILED'} in ${seconds.toFixed(0)} s`);
    if (output.trim()) console.log(output.trimEnd());
  });
  const tests = [...testsOfVitest(unitReport), ...testsOfPlaywright(e2eReport)];
  rmSync(reports, { recursive: true, force: true });
  const count = (status) => tests.filter((test) => test.status === status).length;
  // A part of which nothing ran has not passed; of a change it may be that it touches no test of a part.
  const without = [...units, ...(wanted('e2e') ? ['e2e'] : [])].filter(
    (part) => since === undefined && !tests.some((test) => test.part === part && test.status === 'passed'),
  );
  const failed = [
    ...results.filter(({ ok }) => !ok).map(({ name }) => name),
    ...without.map((part) => `${part}, of which no test passed`),
  ];
  const failures = failuresOf(tests);
  if (failures) console.log(failures);
  console.log(timesOf([installed, ...results], tests));
  const secondTimes = secondTimesOf(tests);
  if (secondTimes) console.log(secondTimes);
  if (failed.length > 0) console.log(`\nFailed: ${failed.join('; ')}`);
  const skipped = count('skipped');
  console.log(
    `\n${count('passed')} passed, ${count('failed')} failed${skipped > 0 ? `, ${skipped} skipped` : ''} in ${((performance.now() - began) / 60_000).toFixed(1)} minutes`,
  );
  if (failed.length > 0 || count('failed') > 0) process.exitCode = 1;
});

/** The revision that `--changed` is about, or nothing. */
function sinceOf(word) {
  if (word === undefined) return undefined;
  const [, revision] = word.split('=');
  return revision || 'HEAD';
}
