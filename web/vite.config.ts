import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig, type Plugin } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The mode in which finished pages are built. */
const VISITORS = 'visitors';

/** Finished pages have a document of their own; the server sends it likewise. */
const visitors: Plugin = {
  name: 'visitors',
  configureServer({ middlewares }) {
    middlewares.use((request, _, next) => {
      if (/^\/(open|draft|release)(\/|$)/.test(request.url ?? '')) request.url = '/visit.html';
      next();
    });
  },
};

const server = process.env.MAPSEL_SERVER ?? 'http://localhost:7300';

export default defineConfig(({ mode }) => ({
  plugins: [react(), visitors],
  resolve: { alias: { '@': at('./src') } },
  build: {
    chunkSizeWarningLimit: 900,
    // Each program is built by itself, so that neither carries what only the other one needs.
    rollupOptions: { input: at(mode === VISITORS ? './visit.html' : './index.html') },
    // Whoever builds begins with an empty folder, for both.
    emptyOutDir: false,
  },
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
}));
