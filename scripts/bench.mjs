import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { install, root } from './lib.mjs';

/** Runs one program of bench/ by its name: `npm run bench -- sequential`. */
install();
const [name = '', ...args] = process.argv.slice(2);
const names = readdirSync(join(root, 'bench'))
  .filter((f) => f.endsWith('.mjs'))
  .map((f) => f.replace('.mjs', ''))
  .filter((name) => name !== 'rooms');
if (!names.includes(name)) {
  console.error(`Usage: npm run bench -- <${names.join('|')}>`);
  process.exit(2);
}
process.argv = [process.argv[0], join(root, 'bench', `${name}.mjs`), ...args];
await import(join(root, 'bench', `${name}.mjs`));
