import { spawnSync } from 'node:child_process';
import { randomFillSync } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build, root } from '../scripts/lib.mjs';

/**
 * Kymar's random reads against a straightforward loop of preads in Python, O_DIRECT both, one request at a time, the same file, block and time, in
 * alternating pairs, the one leading and the other in turn. Usage: npm run bench -- random [PAIRS] [SECONDS] [FOLDER]
 */
const [pairs = 11, seconds = 3] = process.argv.slice(2, 4).map(Number);
const SPAN = 512 * 2 ** 20;
const BLOCK = 4096;
build(['server']);
const folder = mkdtempSync(join(process.argv[4] ?? tmpdir(), 'kymar-random-'));
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
const file = join(folder, 'data.bin');
const piece = randomFillSync(Buffer.allocUnsafe(2 ** 24));
for (let i = 0; i < SPAN / piece.length; i++) writeFileSync(file, piece, { flag: 'a' });
spawnSync('sync');

const LOOP = `
import os, mmap, random, sys, time
path, span, block, seconds = sys.argv[1], int(sys.argv[2]), int(sys.argv[3]), float(sys.argv[4])
fd = os.open(path, os.O_RDONLY | os.O_DIRECT)
buffer = mmap.mmap(-1, block)
count, places = 0, span // block
start = time.perf_counter()
end = start + seconds
now = start
while now < end:
    os.preadv(fd, [buffer], random.randrange(places) * block)
    count += 1
    now = time.perf_counter()
print(count / (now - start))
`;
const theirs = () =>
  Number(spawnSync('python3', ['-c', LOOP, file, SPAN, BLOCK, seconds], { encoding: 'utf8' }).stdout);

async function ours() {
  const worker = new Worker(join(root, 'server/dist/worker.js'), {
    workerData: {
      file,
      shared: new SharedArrayBuffer(24),
      do: 'random',
      what: { span: SPAN, block: BLOCK, reads: 1, seconds, seed: 3 },
    },
  });
  const report = await new Promise((resolve, reject) =>
    worker.once('message', resolve).once('error', reject),
  );
  if (!report.ok) throw new Error(report.message);
  return report.done.reads / report.done.seconds;
}

const ratios = [];
for (let i = 0; i < pairs; i++) {
  const first = i % 2 === 0 ? await ours() : theirs();
  const second = i % 2 === 0 ? theirs() : await ours();
  const [mine, other] = i % 2 === 0 ? [first, second] : [second, first];
  ratios.push(mine / other);
  console.log(
    `pair ${i + 1}: ${mine.toFixed(0)} and ${other.toFixed(0)} reads a second, ${(mine / other).toFixed(3)}`,
  );
}
const median = [...ratios].sort((a, b) => a - b)[pairs >> 1];
console.log(
  `${median >= 0.97 ? 'met' : 'missed'}: random reads of 4 KiB at ${median.toFixed(3)} of a loop of preads, median of ${pairs} pairs (goal 0.97)`,
);
