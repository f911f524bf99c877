import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { chunksByFirstLoad } from './chunksByFirstLoad.js';

export default defineConfig({
  plugins: [react(), tailwindcss(), chunksByFirstLoad()],
  build: { target: 'es2022', reportCompressedSize: false, manifest: true, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:4870' } },
});
