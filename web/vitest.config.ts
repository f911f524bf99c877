import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    name: 'web',
    include: ['test/**/*.test.ts'],
    exclude: ['test/**/*.isolated.test.ts'],
    setupFiles: ['test/setup.ts'],
    // On a busy machine the first import of a part can take seconds.
    testTimeout: 30_000,
    // The modules are imported once; tests that replace some of them are in files of their own, `*.isolated.test.ts`.
    isolate: false,
  },
});
