import { mkdtemp, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { percentile, randomWork } from './work';
import { Counter, Stopped } from '../../sequential';

let folder = '';
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kymar-random-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const SPAN = 4 * 2 ** 20;
async function order(reads: number, seconds = 0.3) {
  const file = join(folder, 'data.bin');
  await writeFile(file, Buffer.alloc(SPAN, 7));
  const shared = new Counter().shared;
  return { file, shared, span: SPAN, block: 4096, reads, seconds, seed: 1 };
}

describe('small requests anywhere in a file', () => {
  test.each([1, 0.7, 0])(
    'reads, writes or both (%s), each counted with how long it took; the file keeps its size',
    async (reads) => {
      const asked = await order(reads);
      const done = randomWork(asked, asked, new Counter(asked.shared));
      expect(done.reads + done.writes).toBeGreaterThan(10);
      if (reads === 1) expect(done.writes).toBe(0);
      else if (reads === 0) expect(done.reads).toBe(0);
      else expect(done.reads / (done.reads + done.writes)).toBeGreaterThan(0.4);
      expect(done.latencies.reduce((a, b) => a + b, 0)).toBe(done.reads + done.writes);
      expect(new Counter(asked.shared).added).toBe((done.reads + done.writes) * 4096);
      expect((await stat(asked.file)).size).toBe(SPAN);
      // One at a time: what they took together is no more than the time there was.
      expect(percentile(done.latencies, 0.5) * 0.5 * (done.reads + done.writes)).toBeLessThan(
        done.seconds * 1.05,
      );
    },
  );

  test('asked to stop it does', async () => {
    const asked = await order(1, 60);
    new Counter(asked.shared).stop();
    expect(() => randomWork(asked, asked, new Counter(asked.shared))).toThrow(Stopped);
  });
});

describe('percentiles', () => {
  test('of a histogram, within the width of a bin', () => {
    const bins = new Uint32Array(540);
    // 900 at 0.1 ms, 90 at 1 ms, 10 at 10 ms.
    for (const [seconds, count] of [
      [1e-4, 900],
      [1e-3, 90],
      [1e-2, 10],
    ] as const)
      bins[Math.round(Math.log10(seconds / 1e-7) * 60)]! += count;
    for (const [share, seconds] of [
      [0.5, 1e-4],
      [0.9, 1e-4],
      [0.95, 1e-3],
      [0.99, 1e-3],
      [1, 1e-2],
    ] as const)
      expect(percentile(bins, share) / seconds).toBeCloseTo(1, 0.9);
    expect(percentile(new Uint32Array(540), 0.5)).toBe(0);
  });
});
