import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { name: 'core', include: ['test/**/*.test.ts'], setupFiles: ['test/setup.ts'], testTimeout: 60_000 },
});
