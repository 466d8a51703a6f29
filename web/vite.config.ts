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
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    rolldownOptions: {
      output: {
        // What every page leans on is one file, all pages but the first are another: a page load asks for ten files, not a hundred.
        codeSplitting: {
          groups: [
            {
              name: 'base',
              test: /node_modules\/(?!plotly)|core\/src\/|web\/src\/(?:api|worker|state|ui|dishes)\//,
              priority: 2,
            },
            { name: 'pages', test: /web\/src\/(?!app\/|devices\/)[a-z-]+\//, priority: 1 },
          ],
        },
      },
    },
  },
});
