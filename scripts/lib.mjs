import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { root } from './serve.cjs';

export { root, startServer } from './serve.cjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);

/** Installs packages when none are there or the lock file is newer. Only Node's own modules may be used before this. */
export function install() {
  const mark = join(root, 'node_modules/.package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs) return;
  console.log('Installing packages …');
  // Not `npm ci`: it wants every platform's optional binaries in the lock file, and not every registry offers them all.
  execFileSync('npm', ['install', '--no-audit', '--no-fund', '--ignore-scripts', '--loglevel=error'], {
    cwd: root,
    stdio: 'inherit',
  });
}

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    if (['node_modules', 'dist', '.git', '.build'].includes(entry.name)) return latest;
    const path = join(folder, entry.name);
    return Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }, 0);
}

const OUTPUT = { server: 'server/dist/kymar.js', web: 'web/dist/index.html' };

/** Files of the whole that a build depends on: packages, compiler, and how it is built. */
const ALL = ['package-lock.json', 'package.json', 'tsconfig.base.json', 'scripts/lib.mjs'];

/** Builds server and page where their sources, packages or settings are newer than what was built. */
export function build(parts = ['server', 'web']) {
  for (const part of parts) {
    const made = join(root, OUTPUT[part]);
    const sources = [newest(join(root, part)), newest(join(root, 'core'))];
    const shared = ALL.map((file) => statSync(join(root, file)).mtimeMs);
    if (existsSync(made) && statSync(made).mtimeMs > Math.max(...sources, ...shared)) continue;
    console.log(`Building ${part} …`);
    execFileSync(bin('vite'), ['build', '-c', `${part}/vite.config.ts`], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    if (part === 'web') compress(join(root, 'web/dist/assets'));
  }
}

/** Lays a Brotli copy beside each script and style, which the server sends to whoever takes it. */
function compress(folder) {
  for (const name of readdirSync(folder).filter((n) => /\.(js|css)$/.test(n)))
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(readFileSync(join(folder, name))));
}

/** Runs a program of a package with everything shown. @returns its exit code */
export function run(name, args, env = {}) {
  return (
    spawnSync(bin(name), args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1
  );
}

/** Starts a program in the background. */
export function start(command, args, options = {}) {
  return spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
}

let isFresh = false;
/** Whether Chromium was installed by this process. */
export const installed = () => isFresh;

/** Debian's Chromium; as root it is installed when missing. @returns its path, or null with the command to run said */
export function chromium() {
  const path = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
  if (path) return path;
  const command = 'apt-get update && apt-get install -y --no-install-recommends chromium';
  if (process.getuid?.() === 0) {
    console.log('Installing Chromium from Debian’s packages …');
    spawnSync('sh', ['-c', command], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    isFresh = existsSync('/usr/bin/chromium');
    if (isFresh) return '/usr/bin/chromium';
  }
  console.error(
    `The end-to-end tests need Chromium. Install it, then run the tests again:\n  sudo sh -c '${command}'`,
  );
  return null;
}
