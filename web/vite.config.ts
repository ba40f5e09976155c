import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const shop = 'http://127.0.0.1:5080';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  // To the shop it is its own page that asks: it refuses what another site's asks for.
  server: { proxy: { '/api': { target: shop, changeOrigin: true, headers: { Origin: shop } } } },
  build: { target: 'es2022', sourcemap: false, assetsInlineLimit: 0 },
});
