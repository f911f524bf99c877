import { existsSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { root } from '../packages.mjs';

/**
 * A test that was run: the part it belongs to (core, web, server, e2e), its file from the root of the checkout, its name,
 * how long it took, and how it ended (`passed`, `failed` or `skipped`) and whether it
 * passed only the second time; where it failed, the beginning of what it says.
 * @typedef {{
 *   part: string, file: string, name: string, seconds: number, status: string, message?: string
 * }} TestResult
 */

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);
const beginning = (text) => (text ?? '').split('\n').slice(0, 12).join('\n  ');

/** @returns {TestResult[]} the tests in a report of Vitest; a file that could not be run counts as one failed test */
export function testsOfVitest(report) {
  return (read(report)?.testResults ?? []).flatMap(({ name: path, message, status, assertionResults }) => {
    const file = relative(root, path);
    const part = file.split('/')[0];
    if (status === 'failed' && !assertionResults.some((test) => test.status === 'failed'))
      return [
        { part, file, name: 'the file itself', seconds: 0, status: 'failed', message: beginning(message) },
      ];
    return assertionResults.map((test) => ({
      part,
      file,
      name: test.fullName,
      seconds: (test.duration ?? 0) / 1000,
      status: ['passed', 'failed'].includes(test.status) ? test.status : 'skipped',
      message: beginning(test.failureMessages?.join('\n')),
    }));
  });
}

/** @returns {TestResult[]} the tests in a report of Playwright */
export function testsOfPlaywright(report) {
  const statuses = { expected: 'passed', flaky: 'passed', unexpected: 'failed', skipped: 'skipped' };
  const below = (suite, file) => [
    ...(suite.specs ?? []).flatMap(({ title, tests }) =>
      tests.map(({ status, results }) => ({
        part: 'e2e',
        file,
        name: title,
        seconds: results.reduce((sum, { duration }) => sum + duration, 0) / 1000,
        status: statuses[status],
        ...(status === 'flaky' && { isSecondTime: true }),
        message: beginning(results.find(({ error }) => error)?.error.message),
      })),
    ),
    ...(suite.suites ?? []).flatMap((one) => below(one, file)),
  ];
  const { suites = [], errors = [] } = read(report) ?? {};
  return [
    ...suites.flatMap((suite) => below(suite, `e2e/tests/${suite.file}`)),
    ...errors.map(({ message }) => ({
      part: 'e2e',
      file: 'e2e',
      name: 'the run itself',
      seconds: 0,
      status: 'failed',
      message: beginning(message),
    })),
  ];
}
