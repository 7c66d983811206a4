import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const SERVER = 'http://127.0.0.1:4817';

export default defineConfig({
  root: import.meta.dirname,
  logLevel: 'warn',
  plugins: [
    react(),
    {
      // In development the page comes from Vite: the token of the running server is taken from the page it serves.
      name: 'kymar-token',
      apply: 'serve',
      async transformIndexHtml(html) {
        const page = await fetch(SERVER).then((r) => r.text(), () => '');
        return html.replace('__KYMAR_TOKEN__', /name="kymar-token" content="([^"]+)"/.exec(page)?.[1] ?? '');
      },
    },
  ],
  // The server takes requests only from its own page: the proxy speaks as it.
  server: { proxy: { '/api': { target: SERVER, changeOrigin: true, headers: { origin: SERVER } } } },
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
});
