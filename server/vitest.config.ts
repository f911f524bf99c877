import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    name: 'server',
    include: ['test/**/*.test.ts'],
    globalSetup: 'test/cluster.ts',
    testTimeout: 20_000,
    hookTimeout: 60_000,
    // Each file has a database and an application of its own; the modules are imported once.
    isolate: false,
  },
});
