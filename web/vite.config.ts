import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwind()],
  worker: { format: 'es' },
  optimizeDeps: { exclude: ['@jsquash/jpeg', 'harfbuzzjs'] },
  build: {
    target: 'es2022',
    outDir: '../build/web',
    emptyOutDir: true,
    // Fonts and codecs stay files: a data: address would be refused by the content policy.
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1200,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4173', '/demo': 'http://127.0.0.1:4173' } },
});
