import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const server = process.env.MAPSEL_SERVER ?? 'http://localhost:7300';

export default defineConfig({
  plugins: [react()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { chunkSizeWarningLimit: 900 },
  server: {
    host: '127.0.0.1',
    proxy: {
      '/api': {
        target: server,
        changeOrigin: true,
        // The server takes changes from its own pages only; in development those are ours.
        headers: { origin: server },
      },
    },
  },
});
