import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

/** Where `npm run dev` put the server; a build asks its own address. */
const api = process.env['HAND_LADLE_API'];

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue()],
  worker: { format: 'es' },
  // The server takes requests under its own name only, and writes from its own pages only.
  ...(api
    ? { server: { proxy: { '/api': { target: api, changeOrigin: true, headers: { origin: api } } } } }
    : {}),
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022' },
});
