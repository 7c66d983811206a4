import { defineConfig } from 'vite';

/** Bundles server, its thread and the command line; packages from npm stay outside, the core goes in. */
export default defineConfig({
  root: import.meta.dirname,
  logLevel: 'warn',
  ssr: { noExternal: [/^@kymar\//, 'jsonc-parser'] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: true,
    rolldownOptions: {
      input: {
        main: new URL('main.ts', import.meta.url).pathname,
        worker: new URL('worker.ts', import.meta.url).pathname,
        kymar: new URL('kymar.ts', import.meta.url).pathname,
      },
    },
  },
});
