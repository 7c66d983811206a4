import { closeSync, constants, openSync, readSync, writeSync } from 'node:fs';
import type { ThreadPlace } from '../../order';
import { aligned, Stopped, type Counter } from '../../sequential';

/** What one thread of a random run does: one request at a time, anywhere within the file. */
export interface RandomOrder {
  /** B of the file, of one request. */
  span: number;
  block: number;
  /** Share of reads, 0 to 1. */
  reads: number;
  seconds: number;
  /** Makes another order of places of each thread. */
  seed: number;
}

/** Bins of a histogram of latencies: so many to a factor of ten, from 0.1 µs on. */
const PER_DECADE = 60;
const DECADES = 9;
const FROM = 1e-7;

export interface RandomDone {
  reads: number;
  writes: number;
  seconds: number;
  through: 'direct' | 'buffered';
  /** How often each latency came. */
  latencies: Uint32Array;
}

const binOf = (seconds: number): number =>
  Math.min(PER_DECADE * DECADES - 1, Math.max(0, Math.floor(Math.log10(seconds / FROM) * PER_DECADE)));

/** s below which so many of all requests came back: the upper edge of their bin, 4 % above at most. */
export function percentile(latencies: Uint32Array, share: number): number {
  const all = latencies.reduce((sum, n) => sum + n, 0);
  let passed = 0;
  for (let i = 0; i < latencies.length; i++) {
    passed += latencies[i]!;
    if (passed >= share * all && passed > 0) return FROM * 10 ** ((i + 1) / PER_DECADE);
  }
  return 0;
}

/** Places within a file, each as likely: xorshift of 32 bits, no two threads in step. */
function* places(seed: number, count: number): Generator<number> {
  let x = (seed * 2654435761) >>> 0 || 1;
  for (;;) {
    x ^= x << 13;
    x >>>= 0;
    x ^= x >>> 17;
    x ^= x << 5;
    x >>>= 0;
    yield x % count;
  }
}

function openAnywhere(file: string, isRead: boolean): { fd: number; through: RandomDone['through'] } {
  const flags = (isRead ? constants.O_RDONLY : constants.O_RDWR) | constants.O_NOFOLLOW;
  try {
    return { fd: openSync(file, flags | constants.O_DIRECT), through: 'direct' };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EINVAL') throw error;
    return { fd: openSync(file, flags | constants.O_DSYNC), through: 'buffered' };
  }
}

/** Asks for one block after another, anywhere in the file, until its time is over. @throws Stopped when asked to stop */
export function randomWork(
  order: RandomOrder,
  { file }: Pick<ThreadPlace, 'file'>,
  counter: Counter,
): RandomDone {
  const { span, block, reads: share, seconds, seed } = order;
  const buffer = aligned(block);
  for (let i = 0; i < buffer.length; i += 4) buffer[i] = (i * 31 + seed) & 255;
  const { fd, through } = openAnywhere(file, share === 1);
  const done: RandomDone = {
    reads: 0,
    writes: 0,
    seconds: 0,
    through,
    latencies: new Uint32Array(PER_DECADE * DECADES),
  };
  const at = places(seed + 1, Math.max(1, Math.floor(span / block)));
  const coin = places(seed + 7919, 1000);
  try {
    const start = performance.now();
    const end = start + seconds * 1000;
    for (let now = start; now < end;) {
      if (counter.stopped) throw new Stopped();
      const offset = (at.next().value as number) * block;
      const isRead = share === 1 || (share > 0 && (coin.next().value as number) < share * 1000);
      const moved = isRead ? readSync(fd, buffer, 0, block, offset) : writeSync(fd, buffer, 0, block, offset);
      if (moved !== block) throw new Error(`only ${moved} of ${block} bytes moved`);
      const after = performance.now();
      done.latencies[binOf((after - now) / 1000)]!++;
      if (isRead) done.reads++;
      else done.writes++;
      counter.add(block);
      now = after;
    }
    done.seconds = (performance.now() - start) / 1000;
    return done;
  } finally {
    closeSync(fd);
  }
}
