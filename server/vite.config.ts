import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const source = (path: string): string => fileURLToPath(new URL(`./src/${path}`, import.meta.url));

/**
 * The server as `npm run serve` runs it: our own code in a few files, and packages from where they are installed. It is
 * built once as the process (`--mode main`) and once as its threads (`--mode worker`), which share no file: a thread that
 * imported a file of the process could start another server.
 */
export default defineConfig(({ mode }) => ({
  build: {
    ssr: true,
    outDir: `dist/${mode}`,
    emptyOutDir: true,
    target: 'node20',
    minify: false,
    rolldownOptions: { input: source(mode === 'worker' ? 'pool/worker.ts' : 'main.ts') },
  },
  ssr: { noExternal: [/^@bogen\//] },
}));
