import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** The unit tests in one run, so that they share the processor instead of competing for it. */
export default defineConfig({
  test: {
    projects: ['scripts', 'core', 'server', 'web', 'web/vitest.isolated.config.ts'],
    maxWorkers: availableParallelism(),
  },
});
