import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compiler, workerIn } from './compiler/plugin.ts';

const api = process.env.API ?? 'http://127.0.0.1:4317';

export default defineConfig({
  plugins: [compiler(workerIn(import.meta.dirname)), react()],
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 1000,
    rolldownOptions: {
      output: {
        // What the first screen needs comes in few files: a browser asks a server for six at a time.
        codeSplitting: {
          groups: [
            { name: 'packages', test: /node_modules/, tags: ['$initial'], priority: 1 },
            { name: 'first', tags: ['$initial'] },
          ],
        },
      },
    },
  },
  server: { port: 5317, proxy: { '/api': { target: api, changeOrigin: true } } },
});
