import { randomFillSync } from 'node:crypto';
import { closeSync, constants, fdatasyncSync, openSync, readSync, rmSync, writeSync } from 'node:fs';

/** Numbers shared between the thread that moves data and the one that reports: no message is sent while data moves. */
export class Counter {
  /** Bytes moved in the phase that runs. */
  private readonly count: BigInt64Array;
  /** 0: phase (0 none, 1 writing, 2 reading), 1: stop asked for. */
  private readonly flags: Int32Array;
  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(16)) {
    this.count = new BigInt64Array(shared, 0, 1);
    this.flags = new Int32Array(shared, 8, 2);
  }
  begin(phase: 'write' | 'read') {
    Atomics.store(this.count, 0, 0n);
    Atomics.store(this.flags, 0, phase === 'write' ? 1 : 2);
  }
  end() {
    Atomics.store(this.flags, 0, 0);
  }
  add(bytes: number) {
    Atomics.add(this.count, 0, BigInt(bytes));
  }
  stop() {
    Atomics.store(this.flags, 1, 1);
  }
  get stopped() {
    return Atomics.load(this.flags, 1) === 1;
  }
  get phase(): 'write' | 'read' | null {
    return ([null, 'write', 'read'] as const)[Atomics.load(this.flags, 0)] ?? null;
  }
  get bytes() {
    return Number(Atomics.load(this.count, 0));
  }
}

export class Stopped extends Error {}

/** Bytes of random data kept; each 4 KiB page of each block is stamped, so that no two pages on the drive are alike. */
const POOL = 32 * 2 ** 20;
const PAGE = 4096;

/** Page-aligned memory, as O_DIRECT wants it: that of a WebAssembly.Memory is, that of a Node buffer is not. */
function aligned(bytes: number): Uint8Array {
  return new Uint8Array(new WebAssembly.Memory({ initial: Math.ceil(bytes / 65536) }).buffer, 0, bytes);
}

/** A pool of incompressible data for {@link writeFile}. */
export function randomPool(): Uint8Array {
  const pool = aligned(POOL);
  for (let at = 0; at < POOL; at += 65536) randomFillSync(pool, at, 65536);
  return pool;
}

export interface Moved {
  seconds: number;
  through: 'direct' | 'buffered';
}

/** Opens past the host's memory where the file system allows it. */
function openPast(file: string, flags: number): { fd: number; through: Moved['through'] } {
  try {
    return { fd: openSync(file, flags | constants.O_DIRECT, 0o600), through: 'direct' };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EINVAL') throw error;
    // Some file systems refuse only after they have made the file.
    if (flags & constants.O_CREAT) rmSync(file, { force: true });
    return { fd: openSync(file, flags, 0o600), through: 'buffered' };
  }
}

/**
 * Writes a new file front to back, one block at a time, and waits until the drive has it all.
 * @param bytes a multiple of 4 KiB
 * @throws Stopped when asked to stop; the system's error when the disk is full or gone
 */
export function writeFile(file: string, bytes: number, block: number, pool: Uint8Array, counter: Counter): Moved {
  const stamps = new BigUint64Array(pool.buffer, 0, POOL / 8);
  const { fd, through } = openPast(file, constants.O_WRONLY | constants.O_CREAT | constants.O_EXCL | constants.O_NOFOLLOW);
  try {
    counter.begin('write');
    const start = process.hrtime.bigint();
    for (let done = 0; done < bytes; ) {
      if (counter.stopped) throw new Stopped();
      const at = done % POOL;
      const size = Math.min(block, bytes - done, POOL - at);
      for (let page = 0; page < size; page += PAGE) stamps[(at + page) / 8] = BigInt(done + page);
      const wrote = writeSync(fd, pool, at, size);
      // The kernel may take less than asked near a full disk; what is left must stay aligned, so the block is tried again.
      if (wrote !== size && wrote % PAGE !== 0) throw Object.assign(new Error('the drive took less than a page'), { code: 'ENOSPC' });
      done += wrote;
      counter.add(wrote);
    }
    fdatasyncSync(fd);
    return { seconds: Number(process.hrtime.bigint() - start) / 1e9, through };
  } finally {
    counter.end();
    closeSync(fd);
  }
}

/** Reads a file front to back, one block at a time. */
export function readFile(file: string, bytes: number, block: number, counter: Counter): Moved {
  const buffer = aligned(block);
  const { fd, through } = openPast(file, constants.O_RDONLY | constants.O_NOFOLLOW);
  try {
    counter.begin('read');
    const start = process.hrtime.bigint();
    for (let done = 0; done < bytes; ) {
      if (counter.stopped) throw new Stopped();
      const got = readSync(fd, buffer, 0, block, done);
      if (got === 0) throw new Error(`the file ended after ${done} of ${bytes} bytes`);
      done += got;
      counter.add(got);
    }
    return { seconds: Number(process.hrtime.bigint() - start) / 1e9, through };
  } finally {
    counter.end();
    closeSync(fd);
  }
}
