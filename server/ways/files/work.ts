import { closeSync, constants, openSync, writeSync } from 'node:fs';
import { flushAll, through } from '../copy/work';
import {
  aligned,
  lookAtRoom,
  newMark,
  NotWhatWasWritten,
  openPast,
  randomPool,
  Stopped,
  type Counter,
  type Guard,
  type MovedBytes,
} from '../../sequential';
import type { ThreadPlace } from '../../order';
import { PART } from '../../workfolder';

/** B of one request. */
const BLOCK = 2 ** 20;
/** B that mark a file: its number and the run's mark. */
const STAMP = 8;

/** Files read one after another. */
export interface FilesRead extends MovedBytes {
  bytes: number;
  files: number;
}
/** Files written one after another, and read back. */
export interface FilesDone {
  /** s until all was handed over. */
  bar: number;
  write: FilesRead;
  read: FilesRead | null;
}

const now = () => Number(process.hrtime.bigint()) / 1e9;

/**
 * Reads files one after another, past the host's memory where the file system allows it.
 * @param look at the first piece of each
 */
export function readAll(
  files: readonly string[],
  counter: Counter,
  look?: (i: number, first: Uint8Array) => void,
) {
  const buffer = aligned(BLOCK);
  let bytes = 0;
  let past: MovedBytes['through'] = 'direct';
  counter.begin('read');
  const start = now();
  files.forEach((file, i) => {
    const { fd, through: how } = openPast(file, constants.O_RDONLY | constants.O_NOFOLLOW);
    if (how === 'buffered') past = how;
    try {
      let isFirst = true;
      through(fd, buffer, counter, (piece) => {
        if (isFirst) look?.(i, piece);
        isFirst = false;
        counter.reached((bytes += piece.length));
      });
    } finally {
      closeSync(fd);
    }
  });
  const seconds = now() - start;
  counter.end();
  return { bytes, files: files.length, seconds, through: past };
}

/**
 * Writes many files one after another, as a program that saves them does, with data that does not compress; waits until all is written; reads them back.
 * @param sizes of each in B
 * @param into where the parts go, as `part-0`, `part-1` …
 * @throws Stopped when asked to stop; NoRoom at the reserve; NotWhatWasWritten when a file is another one; the system's error when the disk is full
 */
export function writeFiles(
  sizes: readonly number[],
  into: (name: string) => string,
  back: boolean,
  counter: Counter,
  guard: Guard,
): FilesDone {
  const pool = randomPool(BLOCK);
  const words = new DataView(pool.buffer);
  const mark = newMark();
  const names = sizes.map((_, i) => into(`${PART}${i}`));
  let bytes = 0;
  try {
    counter.begin('write');
    const start = now();
    sizes.forEach((size, i) => {
      if (counter.stopped) throw new Stopped();
      if (i % 64 === 0 || size > BLOCK) lookAtRoom(guard, size);
      const flags = constants.O_WRONLY | constants.O_CREAT | constants.O_EXCL | constants.O_NOFOLLOW;
      const fd = openSync(names[i]!, flags, 0o600);
      try {
        words.setUint32(0, i, true);
        words.setUint32(4, mark, true);
        for (let at = 0; at < size;) {
          if (counter.stopped) throw new Stopped();
          at += writeSync(fd, pool, 0, Math.min(BLOCK, size - at));
        }
      } finally {
        closeSync(fd);
      }
      counter.reached((bytes += size));
    });
    const bar = now() - start;
    flushAll(names, counter);
    const write = { bytes, files: sizes.length, seconds: now() - start, through: 'direct' as const };
    counter.end();
    const isOwn = (i: number, piece: Uint8Array) => {
      if (piece.length < STAMP) return;
      const seen = new DataView(piece.buffer, piece.byteOffset, STAMP);
      if (seen.getUint32(0, true) !== i || seen.getUint32(4, true) !== mark)
        throw new NotWhatWasWritten(`in file ${i + 1}`);
    };
    return { bar, write, read: back ? readAll(names, counter, isOwn) : null };
  } finally {
    counter.end();
  }
}

/** Sizes of the files in B, where they go (`into` and a name), and whether they are read back. */
export interface WritingFiles {
  sizes: readonly number[];
  into: string;
  back: boolean;
}

export const filesWork = (
  { sizes, into, back }: WritingFiles,
  { guard }: ThreadPlace,
  counter: Counter,
): FilesDone => writeFiles(sizes, (name) => into + name, back, counter, guard);
