import { defineConfig } from '@playwright/test';
// @ts-expect-error the set-up scripts are plain JavaScript, so that they run before anything is installed
import { browserArguments } from '../scripts/browserArguments.mjs';

/** One browser, one database cluster for each worker; every test begins with fresh people and contexts. */
export default defineConfig({
  testDir: 'tests',
  outputDir: 'test-results',
  fullyParallel: false,
  workers: 2,
  // Only so that a test that hangs ends; how long one takes says nothing on a busy machine.
  timeout: 150_000,
  expect: { timeout: 10_000 },
  // On a machine that others share a gesture may be overtaken; what passes only the second time is told by its name.
  retries: process.env['CI'] ? 1 : 0,
  reporter: [
    ['list'],
    ['json', { outputFile: process.env['BOGEN_E2E_REPORT'] ?? 'test-results/report.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // A trace takes a picture of the page's structure at every step, and a quarter of the time; it is asked for with
    // BOGEN_TRACE=1 when a test fails.
    trace: process.env['BOGEN_TRACE'] ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        ...(browserArguments as readonly string[]),
        // A name as a classroom's network gives one: pages from it are not in a secure context.
        '--host-resolver-rules=MAP classroom.example 127.0.0.1',
      ],
    },
  },
});
