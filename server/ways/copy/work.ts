import { createHash } from 'node:crypto';
import {
  closeSync,
  constants,
  fdatasyncSync,
  fstatSync,
  lstatSync,
  openSync,
  readdirSync,
  readSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { aligned, lookAtRoom, openPast, Stopped, type Counter, type Guard } from '../../sequential';
import type { ThreadPlace } from '../../order';
import { PART } from '../../workfolder';

/** A file of the folder that is copied. */
export interface SourceFile {
  /** From the folder on, with slashes. */
  path: string;
  bytes: number;
}

/** Files that are copied at most: their manifest must stay readable. */
const MOST_FILES = 50_000;
const BLOCK = 2 ** 20;

/** All files of a folder, in the order of their names; links are not followed. @throws Error for a folder with too many */
export function filesIn(folder: string): SourceFile[] {
  const found: SourceFile[] = [];
  const go = (inside: string) => {
    for (const entry of readdirSync(join(folder, inside), { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const path = inside === '' ? entry.name : `${inside}/${entry.name}`;
      if (entry.isDirectory()) go(path);
      else if (entry.isFile()) found.push({ path, bytes: lstatSync(join(folder, path)).size });
      if (found.length > MOST_FILES)
        throw new Error(`more than ${MOST_FILES.toLocaleString('en-US')} files: choose a folder with fewer`);
    }
  };
  go('');
  return found;
}

export interface Copied {
  bytes: number;
  files: number;
  /** s until all was handed over, until all was written, and that reading back took. */
  bar: number;
  seconds: number;
  verifying: number;
  /** `hash  path` of each file as it was read from the source. */
  manifest: string[];
  /** Paths of which something else came back than was read. */
  differ: string[];
}

/** Reads a file front to back. @returns B of it */
export function through(
  fd: number,
  buffer: Uint8Array,
  counter: Counter,
  piece: (piece: Uint8Array) => void,
): number {
  let done = 0;
  for (;;) {
    if (counter.stopped) throw new Stopped();
    const got = readSync(fd, buffer, 0, buffer.length, done);
    if (got === 0) return done;
    piece(buffer.subarray(0, got));
    done += got;
  }
}

/** Waits until the drive has all of these files. @throws Stopped when asked to stop */
export function flushAll(files: readonly string[], counter: Counter): void {
  for (const file of files) {
    if (counter.stopped) throw new Stopped();
    const fd = openSync(file, constants.O_RDONLY | constants.O_NOFOLLOW);
    try {
      fdatasyncSync(fd);
    } finally {
      closeSync(fd);
    }
  }
}

/**
 * Copies files one after another, as a system's own copy does, hashing what is read on the way; waits until all is written; then reads all back past the
 * host's memory where the file system allows it, and compares.
 * @param into where the parts go, as `part-0`, `part-1` …
 * @throws Stopped when asked to stop; NoRoom when the reserve is reached; the system's error when the disk is full or gone
 */
export function copyVerified(
  from: string,
  files: readonly SourceFile[],
  into: (name: string) => string,
  counter: Counter,
  guard: Guard,
): Copied {
  const buffer = aligned(BLOCK);
  const hashes: string[] = [];
  const now = () => Number(process.hrtime.bigint()) / 1e9;
  let bytes = 0;
  const nameOf = (i: number) => into(`${PART}${i}`);
  try {
    counter.begin('write');
    const start = now();
    files.forEach(({ path, bytes: size }, i) => {
      lookAtRoom(guard, size);
      const source = openSync(join(from, path), constants.O_RDONLY | constants.O_NOFOLLOW);
      const copy = openSync(
        nameOf(i),
        constants.O_WRONLY | constants.O_CREAT | constants.O_EXCL | constants.O_NOFOLLOW,
        0o600,
      );
      const hash = createHash('sha256');
      try {
        through(source, buffer, counter, (piece) => {
          hash.update(piece);
          for (let at = 0; at < piece.length;) at += writeSync(copy, piece, at, piece.length - at);
          bytes += piece.length;
          counter.reached(bytes);
        });
      } finally {
        closeSync(source);
        closeSync(copy);
      }
      hashes.push(hash.digest('hex'));
    });
    const bar = now() - start;
    flushAll(
      files.map((_, i) => nameOf(i)),
      counter,
    );
    const seconds = now() - start;
    counter.end();
    counter.begin('read');
    const differ: string[] = [];
    let back = 0;
    files.forEach(({ path }, i) => {
      const { fd } = openPast(nameOf(i), constants.O_RDONLY | constants.O_NOFOLLOW);
      const hash = createHash('sha256');
      try {
        const size = fstatSync(fd).size;
        const got = through(fd, buffer, counter, (piece) => {
          hash.update(piece);
          counter.reached((back += piece.length));
        });
        if (got !== size || hash.digest('hex') !== hashes[i]) differ.push(path);
      } finally {
        closeSync(fd);
      }
    });
    return {
      bytes,
      files: files.length,
      bar,
      seconds,
      verifying: now() - start - seconds,
      manifest: files.map(({ path }, i) => `${hashes[i]}  ${path}`),
      differ,
    };
  } finally {
    counter.end();
  }
}

/** A folder's files, and where their copies go: `into` and a name. */
export interface Copying {
  from: string;
  files: readonly SourceFile[];
  into: string;
}

export const copyWork = ({ from, files, into }: Copying, { guard }: ThreadPlace, counter: Counter): Copied =>
  copyVerified(from, files, (name) => into + name, counter, guard);
