import { createRequire } from 'node:module';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { availableParallelism } from 'node:os';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip as gzipCompress } from 'node:zlib';
import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { type Plugin, defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const require = createRequire(import.meta.url);
const [brotli, gzip] = [promisify(brotliCompress), promisify(gzipCompress)];
const OUT = join(import.meta.dirname, '../build/web');
const PACKED = /\.(js|css|html|svg|wasm|ttf|json|webmanifest)$/;

/** Every file that packs well, packed once and for all, for the server to hand out. */
const packed = (): Plugin => ({
  name: 'packed',
  apply: 'build',
  closeBundle: {
    sequential: true,
    order: 'post',
    async handler() {
      const files = readdirSync(OUT, { recursive: true, encoding: 'utf8' }).filter((file) => PACKED.test(file));
      const params = { [constants.BROTLI_PARAM_QUALITY]: 9 };
      // Several at once, each in a thread of its own.
      const one = async (): Promise<void> => {
        for (let file = files.pop(); file !== undefined; file = files.pop()) {
          const bytes = readFileSync(join(OUT, file));
          writeFileSync(join(OUT, `${file}.br`), await brotli(bytes, { params }));
          writeFileSync(join(OUT, `${file}.gz`), await gzip(bytes, { level: 9 }));
        }
      };
      await Promise.all(Array.from({ length: availableParallelism() }, one));
    },
  },
});

const APP =
  /web\/src\/((messages|persist|platform|state|features\/frame)\/|ui\/(bitmap|button|dialog|drop-place|field|file-input|mark|name-dialog|opener|segmented|skip-link|tip|verdict|working)\.)/;

export default defineConfig({
  root: import.meta.dirname,
  publicDir: 'static',
  // For browsers this package asks the page to decode; workers, where texts are read, have none.
  resolve: {
    alias: { 'decode-named-character-reference': require.resolve('decode-named-character-reference') },
  },
  plugins: [
    react(),
    tailwind(),
    // After one visit the app needs neither server nor network: all its files are kept by the browser.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      manifest: {
        name: 'Yosomi',
        short_name: 'Yosomi',
        description: 'Covers for ebooks, and everything made of them.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f7f7f5',
        theme_color: '#17191c',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,wasm,ttf,json,jpg,png,svg}'],
        maximumFileSizeToCacheInBytes: 20 * 1024 * 1024,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/demo\//],
        cleanupOutdatedCaches: true,
        clientsClaim: true,
        inlineWorkboxRuntime: true,
        sourcemap: false,
      },
    }),
    packed(),
  ],
  worker: { format: 'es' },
  optimizeDeps: { exclude: ['@jsquash/jpeg', 'harfbuzzjs'] },
  build: {
    target: 'es2022',
    outDir: OUT,
    emptyOutDir: true,
    // Fonts and codecs stay files: a data: address would be refused by the content policy.
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1200,
    // What every page stands on is one file: a hundred small ones come one after another.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [{ name: 'app', test: APP }],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4173', '/demo': 'http://127.0.0.1:4173' } },
});
