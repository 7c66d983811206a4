import type { ThreadPlace } from '../../order';
import { newMark, randomPool, readFile, writeFile, type Counter, type MovedBytes } from '../../sequential';

/** A file written front to back, and read back where that is wanted. */
export interface Pass {
  bytes: number;
  block: number;
  back: boolean;
}
export interface Passed {
  write: MovedBytes;
  read: MovedBytes | null;
}

export function passWork(
  { bytes, block, back }: Pass,
  { file, guard }: ThreadPlace,
  counter: Counter,
): Passed {
  const mark = newMark();
  const write = writeFile(file, bytes, block, randomPool(block), counter, mark, guard);
  return { write, read: back ? readFile(file, bytes, block, counter, mark) : null };
}
