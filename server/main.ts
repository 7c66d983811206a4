import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { parseQuantity } from '@kymar/core/units';
import { createApp } from './app';
import { Runs } from './runs';
import { sweep } from './workfolder';
import type { Folder } from './target';

const USAGE = `Usage: npm start -- [--port N] [--bench DIR]... [--reserve SIZE]
  --port N        port on 127.0.0.1 (default 4817; the next free one when it is taken)
  --bench DIR     a folder real runs may write in; may be given several times
  --reserve SIZE  space that always stays free there (default 5 % of the volume, at most 1 GB)`;
const DEFAULT_PORT = 4817;

function options() {
  const { values } = parseArgs({ options: { port: { type: 'string' }, bench: { type: 'string', multiple: true }, reserve: { type: 'string' }, help: { type: 'boolean' } } });
  if (values.help) {
    console.log(USAGE);
    process.exit(0);
  }
  const port = values.port === undefined ? null : Number(values.port);
  if (port !== null && !(Number.isInteger(port) && port >= 0 && port < 65536)) throw new Error(`--port wants a number from 0 to 65535, not "${values.port}"`);
  const reserve = values.reserve === undefined ? null : parseQuantity(values.reserve, 'bytes');
  if (reserve && !reserve.ok) throw new Error(`--reserve: ${reserve.problem}`);
  const named: Folder[] = (values.bench ?? []).map((path) => ({ path: resolve(path), own: false }));
  return { port, reserve: reserve?.ok ? reserve.value : null, folders: named.length > 0 ? named : [{ path: join(tmpdir(), `kymar-bench-${userInfo().username}`), own: true }] };
}

async function main(): Promise<void> {
  const { port, reserve, folders } = options();
  for (const { path } of folders) {
    const swept = await sweep(path);
    if (swept > 0) console.log(`Removed what ${swept === 1 ? 'a run that was' : `${swept} runs that were`} cut off had left in ${path}.`);
  }
  const runs = new Runs(join(import.meta.dirname, 'worker.js'));
  const token = randomBytes(24).toString('base64url');
  const app = createApp({ token, folders, reserve, sysfs: process.env.KYMAR_SYSFS ?? '/sys', web: join(import.meta.dirname, '../../web/dist'), runs, port: () => (server.address() as AddressInfo).port });
  const server = createServer(app);
  const listen = (at: number, tries: number): void => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE' && tries > 0) return listen(at + 1, tries - 1);
      console.error(error.code === 'EADDRINUSE' ? `Port ${at} is taken. Choose another with --port.` : error.message);
      process.exit(1);
    });
    server.listen(at, '127.0.0.1', () => {
      server.removeAllListeners('error');
      console.log(`Kymar is at http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
      console.log(`Real runs write in: ${folders.map((f) => f.path).join(', ')}`);
    });
  };
  listen(port ?? DEFAULT_PORT, port === null ? 20 : 0);

  let closing = false;
  const close = () => {
    if (closing) return;
    closing = true;
    void runs.close().finally(() => process.exit(0));
  };
  process.on('SIGINT', close);
  process.on('SIGTERM', close);
}

main().catch((error: Error) => {
  console.error(`${error.message}\n${USAGE}`);
  process.exit(2);
});
