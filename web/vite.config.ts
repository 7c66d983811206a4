import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const ROUTER = fileURLToPath(
  new URL('../node_modules/react-router/dist/production/index.mjs', import.meta.url),
);
const SERVER = 'http://127.0.0.1:4817';

/** What every page stands on, of the packages. */
const MATERIAL =
  'styles utils Box Typography IconButton Button ButtonBase CircularProgress CssBaseline SvgIcon Paper transitions zero-styled';
const GROUND = new RegExp(
  `node_modules/(${[
    'react|react-dom|scheduler|react-router|react-error-boundary|zustand|localforage|fast-deep-equal|@noble|@emotion|stylis',
    `@mui/(system|utils|styled-engine|private-theming|material/(${MATERIAL.replaceAll(' ', '|')}))`,
  ].join('|')})/`,
);

export default defineConfig({
  root: import.meta.dirname,
  logLevel: 'warn',
  plugins: [react()],
  // What the package hands out by its name alone is its build for developers, with their warnings.
  resolve: { alias: [{ find: /^react-router$/, replacement: ROUTER }] },
  // The server takes requests only from its own page: the proxy speaks as it, and hands its cookie on.
  server: {
    proxy: {
      '/api': {
        target: SERVER,
        changeOrigin: true,
        headers: { origin: SERVER, 'sec-fetch-site': 'same-origin' },
      },
    },
  },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // Whatever runs what is built for fetches ahead by itself.
    modulePreload: { polyfill: false },
    // A schema nobody asks for is left out: making one has no effect.
    rolldownOptions: {
      treeshake: { manualPureFunctions: ['z'] },
      // What every page stands on comes in one piece, not in twenty.
      output: { codeSplitting: { groups: [{ name: 'ground', test: GROUND }] } },
    },
  },
});
