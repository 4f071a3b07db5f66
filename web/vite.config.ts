import { defineConfig } from 'vite';
import react from '@vitejs/plugin-react';
import tailwindcss from '@tailwindcss/vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: 'target/classes/static',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 2000,
    rollupOptions: { input: ['index.html', 'proof.html', 'entry.html'] },
  },
  worker: { format: 'es' },
  optimizeDeps: { exclude: ['jassub'] },
  server: { proxy: { '/api': 'http://127.0.0.1:8080', '/lettering-fonts': 'http://127.0.0.1:8080' } },
});
