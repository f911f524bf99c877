import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    name: 'core',
    include: ['test/**/*.test.ts'],
    setupFiles: ['test/setup.ts'],
    testTimeout: 60_000,
    // Nothing of the core keeps a state that one file could leave to another, and all of it is imported once.
    isolate: false,
  },
});
