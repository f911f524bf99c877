import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { command } from './command.mjs';
import { ensureChromium, ensureNodePackages, ensurePoppler, ensurePostgres, root } from './packages.mjs';
import { run, Trouble } from './say.mjs';

/** The failed tests of a file of Vitest's report, or the file itself when it could not be run. */
function failedIn(part, { name, message, status, assertionResults }) {
  const tests = assertionResults.filter((test) => test.status === 'failed');
  const short = (text) => text.split('\n').slice(0, 12).join('\n  ');
  if (tests.length === 0) return status === 'failed' ? [`${part} ${name}\n  ${short(message)}`] : [];
  return tests.map(
    ({ fullName, failureMessages }) => `${part} ${fullName}\n  ${short(failureMessages.join('\n'))}`,
  );
}

/**
 * Everything that must hold: format, lint with the import rule, types, unit tests of core, web and
 * server, and the end-to-end tests. Prints one closing line and leaves nothing running. Arguments name
 * the parts to run: lint, types, core, web, server, e2e.
 */
await run(async () => {
  const only = process.argv.slice(2);
  const wanted = (part) => only.length === 0 || only.includes(part);
  await ensureNodePackages();
  await ensurePostgres();
  if (wanted('e2e') || wanted('server')) {
    await ensureChromium();
    await ensurePoppler();
  }
  const reports = mkdtempSync('/tmp/bogen-reports-');
  const failures = [];
  /** Each test that failed, with the beginning of what it says: told again at the end, where it is read. */
  const failed = [];
  const counts = { passed: 0, failed: 0, skipped: 0 };

  const done = (name, began, code) => {
    console.log(
      `   ${name}: ${code === 0 ? 'done' : 'FAILED'} in ${((Date.now() - began) / 1000).toFixed(0)} s`,
    );
    if (code !== 0) failures.push(name);
  };
  const step = async (name, program, args, options = {}) => {
    const began = Date.now();
    console.log(`\n── ${name}`);
    const { code } = await command(program, args, { show: true, cwd: root, ...options });
    done(name, began, code);
  };
  /** Steps that do not disturb each other, two at a time: each prints what it has to say when it ends. */
  const sideBySide = async (steps) => {
    const waiting = [...steps];
    const lane = async () => {
      for (let next = waiting.shift(); next; next = waiting.shift()) {
        const [name, program, args, options = {}] = next;
        const began = Date.now();
        const { code, output } = await command(program, args, { cwd: root, ...options });
        console.log(`\n── ${name}\n${output.trimEnd()}`);
        done(name, began, code);
      }
    };
    await Promise.all([lane(), lane()]);
  };
  const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);

  const parts = ['core', 'server', 'web'].filter(wanted);
  const reportOf = (part) => join(reports, `${part}.json`);
  const imports = ['core/src', 'contract/src', 'server/src', 'web/src', 'demo/src'];
  // The longest first, so that none is left over at the end.
  await sideBySide([
    ...(wanted('lint')
      ? [
          ['lint', 'npx', ['eslint', '.']],
          ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
          ['imports', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', ...imports]],
          ['circles of folders', process.execPath, [join(root, 'scripts', 'rooms.mjs')]],
        ]
      : []),
    ...(wanted('types')
      ? [
          ['types', 'npx', ['tsc', '--noEmit', '-p', 'tsconfig.json']],
          ['types of web', 'npx', ['tsc', '--noEmit', '-p', 'web/tsconfig.json']],
        ]
      : []),
  ]);
  await sideBySide(
    parts.map((part) => [
      part,
      'npx',
      ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${reportOf(part)}`],
      { cwd: join(root, part) },
    ]),
  );
  for (const part of parts) {
    const result = read(reportOf(part));
    counts.passed += result?.numPassedTests ?? 0;
    counts.failed += result?.numFailedTests ?? 0;
    counts.skipped += result?.numPendingTests ?? 0;
    if (!result?.numTotalTests) failures.push(`${part} ran no test`);
    for (const file of result?.testResults ?? []) failed.push(...failedIn(part, file));
  }
  if (wanted('e2e') || wanted('server')) {
    const { buildWeb } = await import('./build.mjs');
    await buildWeb();
    const { firstLoad, firstLoadLimit } = await import('./firstLoad.mjs');
    const { total } = firstLoad();
    console.log(`\n── the reader's first load: ${total.toFixed(0)} kB of ${firstLoadLimit} kB`);
    if (total > firstLoadLimit) failures.push('the reader’s first load is too large');
    const report = join(reports, 'e2e.json');
    await step('end to end', 'npx', ['playwright', 'test'], {
      cwd: join(root, 'e2e'),
      env: { ...process.env, BOGEN_E2E_REPORT: report },
    });
    const stats = read(report)?.stats;
    counts.passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
    counts.failed += stats?.unexpected ?? 0;
    // The list above names them as flaky.
    if (stats?.flaky > 0) console.log(`\n${stats.flaky} end-to-end tests passed only the second time.`);
    counts.skipped += stats?.skipped ?? 0;
    if (!stats?.expected) failures.push('no end-to-end test passed');
  }
  rmSync(reports, { recursive: true, force: true });
  for (const test of failed) console.log(`\n✗ ${test}`);
  if (failures.length > 0) console.log(`\nFailed: ${failures.join(', ')}`);
  console.log(
    `\n${counts.passed} passed, ${counts.failed} failed${counts.skipped > 0 ? `, ${counts.skipped} skipped` : ''}`,
  );
  if (failures.length > 0 || counts.failed > 0) process.exitCode = 1;
  if (only.length === 0 && counts.passed === 0) throw new Trouble('No test ran.');
});
