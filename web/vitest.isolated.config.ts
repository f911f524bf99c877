import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { name: 'web-isolated', include: ['test/**/*.isolated.test.ts'], testTimeout: 30_000 },
});
