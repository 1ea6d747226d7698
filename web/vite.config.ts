import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  plugins: [react()],
  // The core's sources, so that a change in it shows at once in development.
  resolve: { alias: { '@hum-lever/core': here('../core/src/index.ts') } },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4620' } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    manifest: true,
    // Fonts inside of style sheets would be there before they are wanted, and are not allowed in.
    assetsInlineLimit: (file) => (/\.woff2?$/.test(file) ? false : undefined),
  },
});
