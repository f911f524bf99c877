import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { command } from './command.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run, Trouble } from './say.mjs';

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
  if (wanted('e2e')) await ensureChromium();
  const reports = mkdtempSync('/tmp/bogen-reports-');
  const failures = [];
  const counts = { passed: 0, failed: 0, skipped: 0 };

  const step = async (name, program, args, options = {}) => {
    const began = Date.now();
    console.log(`\n── ${name}`);
    const { code } = await command(program, args, { show: true, cwd: root, ...options });
    console.log(`   ${code === 0 ? 'done' : 'FAILED'} in ${((Date.now() - began) / 1000).toFixed(0)} s`);
    if (code !== 0) failures.push(name);
    return code;
  };
  const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);

  if (wanted('lint')) {
    await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
    await step('lint', 'npx', ['eslint', '.']);
    await step('imports', 'npx', [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      'core/src',
      'contract/src',
      'server/src',
      'web/src',
      'demo/src',
    ]);
    await step('circles of folders', process.execPath, [join(root, 'scripts', 'rooms.mjs')]);
  }
  if (wanted('types')) {
    await step('types', 'npx', ['tsc', '--noEmit', '-p', 'tsconfig.json']);
    await step('types of web', 'npx', ['tsc', '--noEmit', '-p', 'web/tsconfig.json']);
  }
  for (const part of ['core', 'web', 'server'].filter(wanted)) {
    const report = join(reports, `${part}.json`);
    await step(
      part,
      'npx',
      ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
      { cwd: join(root, part) },
    );
    const result = read(report);
    counts.passed += result?.numPassedTests ?? 0;
    counts.failed += result?.numFailedTests ?? 0;
    counts.skipped += result?.numPendingTests ?? 0;
    if (!result?.numTotalTests) failures.push(`${part} ran no test`);
  }
  if (wanted('e2e')) {
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
    counts.passed += stats?.expected ?? 0;
    counts.failed += (stats?.unexpected ?? 0) + (stats?.flaky ?? 0);
    counts.skipped += stats?.skipped ?? 0;
    if (!stats?.expected) failures.push('no end-to-end test passed');
  }
  rmSync(reports, { recursive: true, force: true });
  if (failures.length > 0) console.log(`\nFailed: ${failures.join(', ')}`);
  console.log(
    `\n${counts.passed} passed, ${counts.failed} failed${counts.skipped > 0 ? `, ${counts.skipped} skipped` : ''}`,
  );
  if (failures.length > 0 || counts.failed > 0) process.exitCode = 1;
  if (only.length === 0 && counts.passed === 0) throw new Trouble('No test ran.');
});
