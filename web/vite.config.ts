import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    // Components are compiled so that only what a tap changes is drawn again.
    react({ compiler: true }),
    tailwindcss(),
    VitePWA({
      // A page that is open keeps the version that it began with; the next start takes the new one.
      registerType: 'prompt',
      // It is asked for once the first screen stands: what it fetches must not be waited for.
      injectRegister: null,
      includeAssets: ['mark.svg'],
      manifest: {
        name: 'Pincer',
        short_name: 'Pincer',
        description: 'From a lit lamp to a decision, for people who mend their own vehicles.',
        theme_color: '#12262b',
        background_color: '#e6eae7',
        display: 'standalone',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,json}'],
        // The first visit is served offline at once; a later version waits until no page of this one is open.
        clientsClaim: true,
        skipWaiting: false,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
    compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 1000, exclude: /\.(?:br|gz|woff2)$/ }),
  ],
  worker: { format: 'es' },
  server: { port: 5173, proxy: { '/api': 'http://localhost:4173' } },
  build: {
    target: 'es2022',
    sourcemap: false,
    // What the first screen needs comes in one file: on a weak signal each request costs more than its bytes.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'start', tags: ['$initial'] }] } } },
  },
});
