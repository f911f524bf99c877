import { defineConfig } from '@playwright/test';
import { browserArguments } from '../scripts/browserArguments.mjs';
import { findChromium } from '../scripts/packages.mjs';

/**
 * Each worker has a browser, a server and a database of its own; every test begins with people of its own, so that any
 * worker can take any test.
 */
export default defineConfig({
  testDir: 'tests',
  outputDir: 'test-results',
  globalSetup: './globalSetup.ts',
  fullyParallel: true,
  workers: Number(process.env['BOGEN_E2E_WORKERS'] ?? 3),
  // Only so that a test that hangs ends; how long one takes says nothing on a busy machine.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  // What passes only the second time is a fault to be found, here or in the application: the end of a run names it.
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
      executablePath: findChromium()!,
      args: [
        ...(browserArguments as readonly string[]),
        // A name as a classroom's network gives one: pages from it are not in a secure context.
        '--host-resolver-rules=MAP classroom.example 127.0.0.1',
      ],
    },
  },
});
