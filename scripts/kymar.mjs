import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build, install, root } from './lib.mjs';

// Standard output belongs to the command's JSON alone.
console.log = console.error;
install();
build(['server']);
process.exit(
  spawnSync(process.execPath, [join(root, 'server/dist/kymar.js'), ...process.argv.slice(2)], {
    stdio: 'inherit',
    cwd: process.env.INIT_CWD,
  }).status ?? 1,
);
