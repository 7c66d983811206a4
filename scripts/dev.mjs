import { join } from 'node:path';
import { build, install, root, start } from './lib.mjs';

/** The page with hot reload on Vite's port; the server beside it, rebuilt and restarted when core or server change. */
install();
build();
const bin = (name) => join(root, 'node_modules/.bin', name);
const children = [
  start(bin('vite'), ['build', '-c', 'server/vite.config.ts', '--watch']),
  start(process.execPath, [
    '--watch',
    join(root, 'server/dist/main.js'),
    '--port',
    '4817',
    ...process.argv.slice(2),
  ]),
  start(bin('vite'), ['-c', 'web/vite.config.ts', '--host', '127.0.0.1', '--port', '5173', '--strictPort']),
];
const stop = () => children.forEach((child) => child.kill());
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
