import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    name: 'server',
    include: ['test/**/*.test.ts'],
    globalSetup: 'test/cluster.ts',
    testTimeout: 20_000,
    hookTimeout: 60_000,
  },
});
