import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { randomFillSync } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, startServer } from '../scripts/lib.mjs';

/**
 * Work by other programs, watched by Kymar's server on this machine's own disk: dd past the host's memory, and a copy of 3,000 files with a sync, each
 * started outside and untouched. Held against what the programs themselves say. Then the processor time of an idle and a busy minute of watching.
 * Usage: npm run bench -- watch [REPEATS] [FOLDER]
 */
const repeats = Number(process.argv[2] ?? 5);
const FILES = 3000;
build(['server']);
const folder = mkdtempSync(join(process.argv[3] ?? tmpdir(), 'kymar-watch-'));
const server = await startServer(['--bench', folder]);
const stop = async () => {
  server.stop();
  rmSync(folder, { recursive: true, force: true });
};
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const session = await fetch(`${server.address}/api/session`);
const cookie = session.headers.get('set-cookie').split(';')[0];
const ask = async (method, path, body) => {
  const response = await fetch(`${server.address}/api${path}`, {
    method,
    headers: { cookie, 'Content-Type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(JSON.stringify(await response.json()));
  return response.json();
};

const [device] = (await ask('GET', '/watchable')).filter(({ folders }) => folders.length > 0);
if (!device) {
  console.log('missed: no device with counters lies under the folder');
  await stop();
  process.exit(1);
}
console.log(`bench: watch, ${device.name} by ${device.how}, ${repeats} of each`);

/** Waits for the end of a watch. */
async function endOf(id) {
  for (;;) {
    const { last } = (await ask('GET', '/runs')).find((run) => run.id === id);
    if (last?.type === 'watched' || last?.type === 'failed') return last;
    await pause(100);
  }
}

/** One piece of work watched: what the watch says, and what the program took. */
async function watched(name, args) {
  spawnSync('sync');
  await pause(1500);
  const { id } = await ask('POST', '/runs', { kind: 'watch', device: device.id, still: 2 });
  await pause(1000);
  const before = Number(readFileSync(`/sys/block/${device.id}/stat`, 'utf8').trim().split(/\s+/)[6]);
  const began = performance.now();
  await new Promise((resolve, reject) => spawn(name, args).on('exit', resolve).on('error', reject));
  const took = (performance.now() - began) / 1000;
  const counted =
    (Number(readFileSync(`/sys/block/${device.id}/stat`, 'utf8').trim().split(/\s+/)[6]) - before) * 512;
  return { ...(await endOf(id)), took, counted };
}

const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];
const worst = { bytes: [], seconds: [] };
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);

const source = join(folder, 'source');
mkdirSync(source);
// The sizes of a survey's sound files: spread over a factor of four.
let total = 0;
for (let i = 0; i < FILES; i++) {
  const bytes = Math.round(150e3 * 4 ** ((i * 0.618) % 1));
  writeFileSync(join(source, `${i}.wav`), randomFillSync(Buffer.allocUnsafe(bytes)));
}
spawnSync('sync');
// A file takes whole blocks of its file system: that is what a drive is given.
for (let i = 0; i < FILES; i++) total += statSync(join(source, `${i}.wav`)).blocks * 512;
for (let i = 0; i < repeats; i++) {
  const bytes = 2 ** 30;
  const file = join(folder, 'dd.bin');
  const dd = await watched('dd', [
    `if=/dev/urandom`,
    `of=${file}`,
    'bs=1M',
    'count=1024',
    'iflag=fullblock',
    'oflag=direct',
    'conv=fdatasync',
  ]);
  rmSync(file);
  const copyTo = join(folder, 'copy');
  const copy = await watched('bash', ['-c', `cp -r ${source} ${copyTo} && sync`]);
  rmSync(copyTo, { recursive: true });
  for (const [what, run, truth] of [
    ['dd', dd, bytes],
    [`copy of ${FILES} files`, copy, total],
  ]) {
    const [off, late] = [run.written / truth - 1, run.seconds - run.took];
    worst.bytes.push(Math.abs(off));
    worst.seconds.push(Math.abs(late));
    console.log(
      `${what}: ${(run.written / 1e6).toFixed(1)} MB of ${(truth / 1e6).toFixed(1)} (${(100 * off).toFixed(2)} %; ` +
        `the device counted ${(run.counted / 1e6).toFixed(1)}), ` +
        `${run.seconds.toFixed(2)} s of ${run.took.toFixed(2)} (${late.toFixed(2)} s)`,
    );
  }
}
goal(
  Math.max(...worst.bytes) < 0.01,
  `bytes off by ${(100 * median(worst.bytes)).toFixed(2)} % in the middle, ${(100 * Math.max(...worst.bytes)).toFixed(2)} % at most (goal 1 %)`,
);
goal(
  Math.max(...worst.seconds) < 0.2,
  `times off by ${median(worst.seconds).toFixed(2)} s in the middle, ${Math.max(...worst.seconds).toFixed(2)} s at most (goal 0.2 s)`,
);

/** Processor seconds the server has used. */
const cpu = () => {
  const fields = readFileSync(`/proc/${server.child.pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
};
const { id } = await ask('POST', '/runs', { kind: 'watch', device: device.id, still: 100 });
await pause(2000);
const before = cpu();
await pause(30_000);
const share = (cpu() - before) / 30;
await ask('POST', `/runs/${id}/stop`);
goal(share <= 0.01, `watching takes ${(100 * share).toFixed(2)} % of a processor (goal 1 %)`);
await stop();
process.exit(0);
