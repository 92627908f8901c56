import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import babel from 'vite-plugin-babel';

const api = process.env.API ?? 'http://127.0.0.1:4317';

/** Keeps what a component drew as long as what it rests on stays the same. */
const compiler = (include: RegExp, syntax: ('typescript' | 'jsx')[]) =>
  babel({
    include,
    babelConfig: {
      babelrc: false,
      configFile: false,
      parserOpts: { plugins: syntax },
      plugins: ['babel-plugin-react-compiler'],
    },
  });

export default defineConfig({
  plugins: [
    compiler(/\/web\/src\/.*\.ts$/, ['typescript']),
    compiler(/\/web\/src\/.*\.tsx$/, ['typescript', 'jsx']),
    react(),
  ],
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
