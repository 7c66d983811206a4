import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { parseQuantity } from '@kymar/core/units';
import { createApp } from './app';
import { malformed } from './problem';
import { Runs } from './runs';
import { cacheFolder, RecordFiles } from './state';
import { leftWords, sweep } from './workfolder';
import type { Folder } from './target';

const USAGE = `Usage: npm start -- [--port N] [--bench DIR]... [--source DIR]... [--reserve SIZE]
  --port N        port on 127.0.0.1 (default 4817). Jobs belong to the address: on another port they seem gone
  --bench DIR     a folder real runs may write in; may be given several times (default ~/.cache/kymar/bench)
  --source DIR    a folder that is read or watched and never written to; may be given several times
  --reserve SIZE  space that always stays free there (default 5 % of the volume, at most 1 GB)`;
const DEFAULT_PORT = 4817;

function options() {
  const { values } = parseArgs({
    options: {
      port: { type: 'string' },
      bench: { type: 'string', multiple: true },
      source: { type: 'string', multiple: true },
      reserve: { type: 'string' },
      help: { type: 'boolean' },
    },
  });
  if (values.help) {
    console.log(USAGE);
    process.exit(0);
  }
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
  if (!(Number.isInteger(port) && port >= 0 && port < 65536))
    throw new Error(`--port wants a number from 0 to 65535, not "${values.port}"`);
  const reserve = values.reserve === undefined ? null : parseQuantity(values.reserve, 'bytes');
  if (reserve && !reserve.ok) throw new Error(`--reserve: ${reserve.problem}`);
  const named = (paths: string[] = []): Folder[] =>
    paths.map((path) => ({ path: resolve(path), own: false }));
  const bench = named(values.bench);
  const folders = bench.length > 0 ? bench : [{ path: join(cacheFolder(), 'bench'), own: true }];
  return { port, reserve: reserve?.ok ? reserve.value : null, folders, sources: named(values.source) };
}

/** Removes what earlier runs left, and says what it could not remove. */
function tidy(folders: readonly Folder[]): void {
  const { problem } = new RecordFiles('folders');
  if (problem) console.error(problem);
  const { swept, left } = sweep(folders.map((f) => f.path));
  if (swept > 0)
    console.log(
      `Removed what ${swept === 1 ? 'a run that was' : `${swept} runs that were`} cut off had left.`,
    );
  for (const one of left) console.error(leftWords(one));
}

function main(): void {
  const { port, reserve, folders, sources } = options();
  tidy(folders);
  const runs = new Runs(join(import.meta.dirname, 'worker.js'));
  const token = randomBytes(24).toString('base64url');
  const server = createServer();
  const at = () => (server.address() as AddressInfo).port;
  server.on(
    'request',
    createApp({
      token,
      folders,
      reserve,
      sources,
      roots: { sysfs: process.env.KYMAR_SYSFS ?? '/sys', proc: process.env.KYMAR_PROC ?? '/proc' },
      web: join(import.meta.dirname, '../../web/dist'),
      runs,
      port: at,
    }),
  );
  server.on('clientError', malformed);
  server.once('error', (error: NodeJS.ErrnoException) => {
    const taken =
      `Port ${port} is taken, maybe by a Kymar that is running already: open http://127.0.0.1:${port}/ ` +
      `first. To use another one: npm start -- --port ${port + 1}. Jobs belong to the ` +
      'address, so export them before you move.';
    console.error(error.code === 'EADDRINUSE' ? taken : error.message);
    process.exit(1);
  });
  server.listen(port, '127.0.0.1', () => {
    console.log(`Kymar is at http://127.0.0.1:${at()}/`);
    console.log(`Real runs write in: ${folders.map((f) => f.path).join(', ')}`);
  });

  let closing = false;
  const close = () => {
    if (closing) return;
    closing = true;
    void runs.close().finally(() => process.exit(0));
  };
  // A terminal that was closed takes its output with it: telling it anything must not end the clean-up.
  for (const output of [process.stdout, process.stderr]) output.on('error', () => undefined);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, close);
}

try {
  main();
} catch (error) {
  console.error(`${(error as Error).message}\n${USAGE}`);
  process.exit(2);
}
