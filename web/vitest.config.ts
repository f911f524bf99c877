import { defineConfig } from 'vitest/config';

// On a busy machine the first import of a part can take seconds.
export default defineConfig({ test: { name: 'web', include: ['test/**/*.test.ts'], testTimeout: 30_000 } });
