const { spawn } = require('node:child_process');
const { mkdtempSync, rmSync } = require('node:fs');
const { tmpdir } = require('node:os');
const { join } = require('node:path');

/* Of the kind that scripts, Jest and Playwright can all load. */

const root = join(__dirname, '..');
exports.root = root;

/** What servers started here keep over a restart: not what the user's own Kymar keeps. */
const state = mkdtempSync(join(tmpdir(), 'kymar-state-'));
const started = new Set();
process.once('exit', () => {
  for (const child of started) child.kill('SIGKILL');
  rmSync(state, { recursive: true, force: true });
});

/** Starts the built server on a free port with a folder of its own. @returns its address and how to stop it */
exports.startServer = function startServer(args = [], env = {}) {
  const child = spawn(process.execPath, [join(root, 'server/dist/main.js'), '--port', '0', ...args], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, XDG_STATE_HOME: state, XDG_CACHE_HOME: state, ...env },
  });
  started.add(child);
  child.once('exit', () => started.delete(child));
  return new Promise((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (text) => {
      said += text;
      const address = /at (http:\S+)\//.exec(said)?.[1];
      if (address) resolve({ address, child, stop: () => child.kill() });
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
};
