import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The reader as one script and one style sheet with its fonts in it, of which a lesson is made that is a file. */
export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    {
      name: 'worker-inside',
      enforce: 'pre',
      resolveId(source, importer) {
        return source === './startHeavy.js' ? this.resolve('./startHeavyInside.ts', importer) : undefined;
      },
    },
  ],
  publicDir: false,
  build: {
    target: 'es2022',
    outDir: 'dist/lesson',
    reportCompressedSize: false,
    assetsInlineLimit: Infinity,
    cssCodeSplit: false,
    modulePreload: false,
    rolldownOptions: { input: 'lesson.html', output: { codeSplitting: false } },
  },
});
