import { spawnSync } from 'node:child_process';
import { randomFillSync } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build, root } from '../scripts/lib.mjs';

/**
 * Kymar's real sequential run against dd: same folder, size, request size, flags (O_DIRECT, fdatasync at the end of writing) and
 * incompressible data, in alternating pairs, the one leading and the other leading in turn. Prints every pair and the median ratios.
 * Usage: npm run bench -- sequential [PAIRS] [MiB] [FOLDER]
 */
const [pairs = 21, size = 1024] = process.argv.slice(2, 4).map(Number);
const MiB = 2 ** 20;
build(['server']);
const folder = mkdtempSync(join(process.argv[4] ?? tmpdir(), 'kymar-bench-'));
// dd's data comes out of memory, as Kymar's does.
const source = join(mkdtempSync(existsSync('/dev/shm') ? '/dev/shm/kymar-' : join(tmpdir(), 'kymar-')), 'source.bin');
const piece = Buffer.allocUnsafe(32 * MiB);
for (let i = 0; i < size / 32; i++) writeFileSync(source, randomFillSync(piece), { flag: 'a' });

/** Rates in MB/s and processor seconds of one dd, both directions. */
function dd() {
  const file = join(folder, 'dd.bin');
  const one = (args) => {
    const { stderr } = spawnSync('bash', ['-c', `export LC_ALL=C TIMEFORMAT='cpu %U %S'; time dd ${args}`], { encoding: 'utf8' });
    const seconds = Number(/copied, ([\d.e-]+) s/.exec(stderr)[1]);
    const [, user, system] = /cpu ([\d.]+) ([\d.]+)/.exec(stderr);
    return { rate: (size * MiB) / seconds / 1e6, cpu: Number(user) + Number(system) };
  };
  const write = one(`if=${source} of=${file} bs=1M oflag=direct conv=fdatasync`);
  const read = one(`if=${file} of=/dev/null bs=1M iflag=direct`);
  rmSync(file);
  return { write, read };
}

/** The same by Kymar's own thread. Processor time holds the making of the random data too, which dd is spared. */
async function kymar() {
  const file = join(folder, 'kymar.bin');
  const before = process.cpuUsage();
  const worker = new Worker(join(root, 'server/dist/worker.js'), { workerData: { file, bytes: size * MiB, block: MiB, mode: 'write-read', shared: new SharedArrayBuffer(16) } });
  const report = await new Promise((resolve, reject) => worker.once('message', resolve).once('error', reject));
  const { user, system } = process.cpuUsage(before);
  rmSync(file);
  if (!report.ok) throw new Error(report.message);
  const rate = (moved) => (size * MiB) / moved.seconds / 1e6;
  return { write: { rate: rate(report.write) }, read: { rate: rate(report.read) }, cpu: (user + system) / 1e6, through: report.write.through };
}

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const ratios = { write: [], read: [], cpu: [] };
console.log(`${pairs} pairs of ${size} MiB in ${folder}, requests of 1 MiB`);
for (let i = 0; i < pairs; i++) {
  let [theirs, ours] = [];
  if (i % 2) [theirs, ours] = [dd(), await kymar()];
  else {
    ours = await kymar();
    theirs = dd();
  }
  for (const way of ['write', 'read']) ratios[way].push(ours[way].rate / theirs[way].rate);
  ratios.cpu.push(ours.cpu / (theirs.write.cpu + theirs.read.cpu));
  console.log(`${String(i + 1).padStart(3)}  write ${ours.write.rate.toFixed(0)} / ${theirs.write.rate.toFixed(0)} MB/s  read ${ours.read.rate.toFixed(0)} / ${theirs.read.rate.toFixed(0)} MB/s  (${ours.through})`);
}
rmSync(folder, { recursive: true, force: true });
rmSync(dirname(source), { recursive: true, force: true });
console.log(`Kymar ÷ dd, medians: write ${median(ratios.write).toFixed(3)}, read ${median(ratios.read).toFixed(3)}, processor time ${median(ratios.cpu).toFixed(2)}`);
