import { spawnSync } from 'node:child_process';
import { randomFillSync } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build, root } from '../scripts/lib.mjs';

/**
 * Kymar's real sequential run against dd: same folder, size, request size, flags (O_DIRECT, fdatasync at the end of writing) and
 * incompressible data, in alternating pairs, the one leading and the other leading in turn. dd reads its data out of a file in memory
 * before each block it writes; what that takes is timed by itself beside each run and taken off, in time and in processor time, as
 * Kymar's making of its random pool is before its clock starts. Kymar stamps every page it writes and checks every page it reads
 * back within its time. Prints every pair and the median ratios, at 1 MiB and at 128 KiB.
 * Usage: npm run bench -- sequential [PAIRS] [MiB] [FOLDER]
 */
const [pairs = 15, size = 1024] = process.argv.slice(2, 4).map(Number);
const MiB = 2 ** 20;
build(['server']);
const folder = mkdtempSync(join(process.argv[4] ?? tmpdir(), 'kymar-bench-'));
const source = join(
  mkdtempSync(existsSync('/dev/shm') ? '/dev/shm/kymar-' : join(tmpdir(), 'kymar-')),
  'source.bin',
);
const piece = Buffer.allocUnsafe(32 * MiB);
for (let i = 0; i < size / 32; i++) writeFileSync(source, randomFillSync(piece), { flag: 'a' });
process.once('exit', () =>
  [folder, dirname(source)].forEach((path) => rmSync(path, { recursive: true, force: true })),
);

/** Seconds and processor seconds of one dd. */
function dd(args) {
  const { stderr } = spawnSync('bash', ['-c', `export LC_ALL=C TIMEFORMAT='cpu %U %S'; time dd ${args}`], {
    encoding: 'utf8',
  });
  const [, user, system] = /cpu ([\d.]+) ([\d.]+)/.exec(stderr);
  return { seconds: Number(/copied, ([\d.e-]+) s/.exec(stderr)[1]), cpu: Number(user) + Number(system) };
}

function theirs(block) {
  const file = join(folder, 'dd.bin');
  const bare = dd(`if=${source} of=/dev/null bs=${block}`);
  const write = dd(`if=${source} of=${file} bs=${block} oflag=direct conv=fdatasync`);
  const read = dd(`if=${file} of=/dev/null bs=${block} iflag=direct`);
  rmSync(file);
  return {
    write: write.seconds - bare.seconds,
    gross: write.seconds,
    read: read.seconds,
    cpu: write.cpu - bare.cpu + read.cpu,
    source: bare.seconds,
  };
}

/** The same by Kymar's own thread. The processor time of a run of one block is that of starting it and of its random pool. */
async function ours(block) {
  const one = async (bytes) => {
    const file = join(folder, 'kymar.bin');
    const before = process.cpuUsage();
    const worker = new Worker(join(root, 'server/dist/worker.js'), {
      workerData: {
        file,
        do: 'pass',
        what: { bytes, block, back: true },
        shared: new SharedArrayBuffer(24),
        guard: { folder, reserve: 0 },
      },
    });
    const [report] = await Promise.all([
      new Promise((resolve, reject) => worker.once('message', resolve).once('error', reject)),
      new Promise((resolve) => worker.once('exit', resolve)),
    ]);
    const { user, system } = process.cpuUsage(before);
    rmSync(file);
    if (!report.ok) throw new Error(report.message);
    return {
      write: report.done.write.seconds,
      read: report.done.read.seconds,
      cpu: (user + system) / 1e6,
      through: report.done.write.through,
    };
  };
  const start = await one(MiB);
  const run = await one(size * MiB);
  return { ...run, cpu: run.cpu - start.cpu };
}

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
const rate = (seconds) => ((size * MiB) / seconds / 1e6).toFixed(0);

for (const block of [MiB, MiB / 8]) {
  console.log(`${pairs} pairs of ${size} MiB in ${folder}, requests of ${block / 1024} KiB`);
  const ratios = { write: [], gross: [], read: [], cpu: [] };
  const sources = [];
  for (let i = 0; i < pairs; i++) {
    let [a, b] = [];
    if (i % 2) [b, a] = [theirs(block), await ours(block)];
    else [a, b] = [await ours(block), theirs(block)];
    ratios.write.push(b.write / a.write);
    ratios.gross.push(b.gross / a.write);
    ratios.read.push(b.read / a.read);
    ratios.cpu.push(a.cpu / b.cpu);
    sources.push(b.source);
    console.log(
      `${String(i + 1).padStart(3)}  write ${rate(a.write)} / ${rate(b.write)} MB/s  read ` +
        `${rate(a.read)} / ${rate(b.read)} MB/s  processor ${a.cpu.toFixed(2)} / ${b.cpu.toFixed(2)} ` +
        `s  (${a.through})`,
    );
  }
  const m = Object.fromEntries(Object.entries(ratios).map(([key, values]) => [key, median(values)]));
  const spread = (values) => `${Math.min(...values).toFixed(2)} to ${Math.max(...values).toFixed(2)}`;
  console.log(
    `dd's source takes ${median(sources).toFixed(2)} s of each write; not taken off, Kymar ÷ dd would be ${m.gross.toFixed(3)} writing`,
  );
  goal(
    m.write >= 0.97,
    `writing at ${block / 1024} KiB: Kymar ÷ dd ${m.write.toFixed(3)} (pairs ${spread(ratios.write)}), at least 0.97 wanted`,
  );
  goal(
    m.read >= 0.97,
    `reading at ${block / 1024} KiB: Kymar ÷ dd ${m.read.toFixed(3)} (pairs ${spread(ratios.read)}), at least 0.97 wanted`,
  );
  goal(
    m.cpu <= 1,
    `processor time at ${block / 1024} KiB: Kymar ÷ dd ${m.cpu.toFixed(2)} (pairs ${spread(ratios.cpu)}), at most 1 wanted`,
  );
  // Twice what dd reaches would be memory, not the drive.
  goal(
    Math.max(m.write, m.read) < 1.25,
    `no flattery at ${block / 1024} KiB: neither direction far above dd`,
  );
}
