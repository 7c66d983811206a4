import { join } from 'node:path';
import { build, install, root, start } from './lib.mjs';

install();
build();
const server = start(process.execPath, [join(root, 'server/dist/main.js'), ...process.argv.slice(2)]);
// A closed terminal as well: the server cleans up before it goes.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
