import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Where `npm run dev` put the server; a build asks its own address. */
const api = process.env['HAND_LADLE_API'];
const DAY_SECONDS = 86_400;

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    vue(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script-defer',
      includeAssets: ['icon.svg'],
      manifest: {
        name: 'Hand Ladle',
        short_name: 'Hand Ladle',
        description: 'Cook, weigh in, time, measure and write down a batch at the stove',
        start_url: '/cook',
        display: 'standalone',
        background_color: '#e7ebe9',
        theme_color: '#1d3f91',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        // Pictures are no part of the stove, and large.
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        globIgnores: ['**/plotly*'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          {
            // What the stove leans on. Batches and entries are kept by the stove itself.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              /^\/api\/(?:larder|kitchens|components|signers)$/.test(url.pathname),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'hand-ladle-book',
              networkTimeoutSeconds: 8,
              expiration: { maxEntries: 12, maxAgeSeconds: 30 * DAY_SECONDS },
              cacheableResponse: { statuses: [200] },
            },
          },
        ],
      },
    }),
  ],
  worker: { format: 'es' },
  // The server takes requests under its own name only, and writes from its own pages only.
  ...(api
    ? { server: { proxy: { '/api': { target: api, changeOrigin: true, headers: { origin: api } } } } }
    : {}),
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022' },
});
