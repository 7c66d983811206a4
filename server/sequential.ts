import { randomFillSync } from 'node:crypto';
import {
  closeSync,
  constants,
  fdatasyncSync,
  openSync,
  readSync,
  rmSync,
  statfsSync,
  writeSync,
} from 'node:fs';

const PAGE = 4096;

/** Numbers shared between the thread that moves data and the one that reports: no message is sent while data moves. */
export class Counter {
  /** Bytes moved in the phase that runs. One writer; a number of eight bytes is written at once on every machine Node runs on. */
  private readonly count: Float64Array;
  /** 0: phase (0 none, 1 writing, 2 reading), 1: stop asked for. */
  private readonly flags: Int32Array;
  /** Pages that threads have added. */
  private readonly requests: Int32Array;
  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(24)) {
    this.count = new Float64Array(shared, 0, 1);
    this.flags = new Int32Array(shared, 8, 2);
    this.requests = new Int32Array(shared, 16, 1);
  }
  begin(phase: 'write' | 'read') {
    this.count[0] = 0;
    Atomics.store(this.flags, 0, phase === 'write' ? 1 : 2);
  }
  end() {
    Atomics.store(this.flags, 0, 0);
  }
  /** So many bytes more, of one of several threads: counted apart, since a sum of eight bytes is no single step. */
  add(bytes: number) {
    Atomics.add(this.requests, 0, Math.max(1, Math.round(bytes / PAGE)));
  }
  /** B that threads have added. */
  get added() {
    return (Atomics.load(this.requests, 0) >>> 0) * PAGE;
  }
  /** So many bytes in all. */
  reached(bytes: number) {
    this.count[0] = bytes;
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
    return this.count[0]!;
  }
}

export class Stopped extends Error {}
/** The reserve would be touched. */
export class NoRoom extends Error {
  readonly code = 'RESERVE';
}
/** What came back is not what was written. */
export class NotWhatWasWritten extends Error {
  readonly code = 'STAMP';
}

/**
 * Least bytes of random data kept; each 4 KiB page of each block is stamped, so that no two pages on the drive are alike. Beyond what
 * file systems and drives compress in one go, and small enough to stay in the processor's own cache, as one program's buffer does:
 * 32 MiB, read anew out of memory each time, cost a third of the rate here.
 */
const POOL = 2 ** 20;
/** One page in so many is held against its stamp when it is read back. */
const LOOKED_AT = 16;
/** Room is looked at again after so many bytes. */
const LOOK = 16 * 2 ** 20;

/** Page-aligned memory, as O_DIRECT wants it: that of a WebAssembly.Memory is, that of a Node buffer is not. */
export function aligned(bytes: number): Uint8Array {
  return new Uint8Array(new WebAssembly.Memory({ initial: Math.ceil(bytes / 65536) }).buffer, 0, bytes);
}

/** A pool of incompressible data for {@link writeFile}, at least a request long. */
export function randomPool(block: number): Uint8Array {
  const pool = aligned(Math.max(POOL, block));
  for (let at = 0; at < pool.length; at += 65536) randomFillSync(pool, at, 65536);
  return pool;
}

export interface MovedBytes {
  seconds: number;
  through: 'direct' | 'buffered';
}

/** Opens past the host's memory where the file system allows it. */
export function openPast(file: string, flags: number): { fd: number; through: MovedBytes['through'] } {
  try {
    return { fd: openSync(file, flags | constants.O_DIRECT, 0o600), through: 'direct' };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EINVAL') throw error;
    // Some file systems refuse only after they have made the file.
    if (flags & constants.O_CREAT) rmSync(file, { force: true });
    return { fd: openSync(file, flags, 0o600), through: 'buffered' };
  }
}

/** What marks the pages of one run: a word of its own, and the page's number. */
export const newMark = (): number => randomFillSync(new Uint32Array(1))[0]!;

export interface Guard {
  /** A folder on the volume, and the B that must stay free there. */
  folder: string;
  reserve: number;
}

/** @throws NoRoom when so many bytes more would touch the reserve, whoever else writes there */
export function lookAtRoom({ folder, reserve }: Guard, more: number): void {
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize - more < reserve) throw new NoRoom();
}

/** Stamps each page of a request with its number (modulo 2³²) and the run's mark. */
function stamp(words: Uint32Array, at: number, size: number, done: number, mark: number): void {
  let number = (done / PAGE) >>> 0;
  for (let word = at >>> 2; word < (at + size) >>> 2; word += PAGE / 4) {
    words[word] = number++;
    words[word + 1] = mark;
  }
}

/**
 * Writes a new file front to back, in pieces of any size, each page stamped with its number.
 * @param guard whose reserve is kept while writing; absent: none
 */
export class FrontWriter {
  private readonly fd: number;
  private readonly words: Uint32Array;
  private done = 0;
  private looked = -LOOK;
  readonly through: MovedBytes['through'];

  constructor(
    file: string,
    private readonly block: number,
    private readonly pool: Uint8Array,
    private readonly mark = newMark(),
    private readonly guard?: Guard,
  ) {
    this.words = new Uint32Array(pool.buffer, 0, pool.length / 4);
    const { fd, through } = openPast(
      file,
      constants.O_WRONLY | constants.O_CREAT | constants.O_EXCL | constants.O_NOFOLLOW,
    );
    [this.fd, this.through] = [fd, through];
  }

  /**
   * Writes so many B more, one block at a time.
   * @param bytes a multiple of 4 KiB
   * @throws Stopped when asked to stop; NoRoom when the reserve is reached; the system's error when the disk is full or gone
   */
  write(bytes: number, counter: Counter): void {
    const { pool, words, guard, block, fd, mark } = this;
    const end = this.done + bytes;
    let done = this.done;
    while (done < end) {
      if (counter.stopped) throw new Stopped();
      if (guard && done - this.looked >= LOOK) {
        lookAtRoom(guard, Math.min(LOOK, end - done));
        this.looked = done;
      }
      const at = done % pool.length;
      const size = Math.min(block, end - done, pool.length - at);
      stamp(words, at, size, done, mark);
      const wrote = writeSync(fd, pool, at, size);
      // The kernel may take less than asked near a full disk; what is left must stay aligned, so the block is tried again.
      if (wrote !== size && wrote % PAGE !== 0)
        throw Object.assign(new Error('the drive took less than a page'), { code: 'ENOSPC' });
      done += wrote;
      counter.reached(done);
    }
    this.done = done;
  }

  /** Waits until the drive has it all. */
  flush(): void {
    fdatasyncSync(this.fd);
  }
  close(): void {
    closeSync(this.fd);
  }
}

/**
 * Writes a new file front to back, and waits until the drive has it all.
 * @param bytes a multiple of 4 KiB
 */
export function writeFile(
  file: string,
  bytes: number,
  block: number,
  pool: Uint8Array,
  counter: Counter,
  mark = newMark(),
  guard?: Guard,
): MovedBytes {
  const writer = new FrontWriter(file, block, pool, mark, guard);
  try {
    counter.begin('write');
    const start = process.hrtime.bigint();
    writer.write(bytes, counter);
    writer.flush();
    return { seconds: Number(process.hrtime.bigint() - start) / 1e9, through: writer.through };
  } finally {
    counter.end();
    writer.close();
  }
}

/**
 * Reads a file front to back, one block at a time.
 * @param mark the pages must bear; absent: they are not looked at
 * @throws NotWhatWasWritten when a page is another one than was written there
 */
export function readFile(
  file: string,
  bytes: number,
  block: number,
  counter: Counter,
  mark?: number,
): MovedBytes {
  const buffer = aligned(block);
  const words = new Uint32Array(buffer.buffer, 0, block / 4);
  const { fd, through } = openPast(file, constants.O_RDONLY | constants.O_NOFOLLOW);
  try {
    counter.begin('read');
    const start = process.hrtime.bigint();
    let requests = 0;
    for (let done = 0; done < bytes;) {
      if (counter.stopped) throw new Stopped();
      const got = readSync(fd, buffer, 0, block, done);
      if (got === 0) throw new Error(`the file ended after ${done} of ${bytes} bytes`);
      // Of each request every sixteenth page, a different one each time: to touch them all would cost a drive its next request.
      if (mark !== undefined && done % PAGE === 0)
        for (let page = (requests++ % LOOKED_AT) * PAGE; page + 8 <= got; page += LOOKED_AT * PAGE)
          if (words[page >>> 2] !== ((done + page) / PAGE) >>> 0 || words[(page >>> 2) + 1] !== mark)
            throw new NotWhatWasWritten(`at byte ${done + page}`);
      done += got;
      counter.reached(done);
    }
    return { seconds: Number(process.hrtime.bigint() - start) / 1e9, through };
  } finally {
    counter.end();
    closeSync(fd);
  }
}
