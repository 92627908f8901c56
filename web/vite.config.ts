import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const api = process.env.API ?? 'http://127.0.0.1:4317';

export default defineConfig({
  // The compiler keeps what a component drew as long as what it rests on stays the same.
  plugins: [react(), babel({ presets: [reactCompilerPreset()] })],
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 700 },
  server: { port: 5317, proxy: { '/api': { target: api, changeOrigin: true } } },
});
