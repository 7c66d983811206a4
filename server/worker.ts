import { parentPort, workerData } from 'node:worker_threads';
import {
  Counter,
  newMark,
  randomPool,
  readFile,
  Stopped,
  writeFile,
  type Guard,
  type Moved,
} from './sequential';

/** What the thread is told and what it says at the end. */
export interface Order {
  file: string;
  bytes: number;
  block: number;
  mode: 'write' | 'write-read';
  shared: SharedArrayBuffer;
  guard?: Guard;
}
export type Report =
  | { ok: true; write: Moved; read: Moved | null }
  | { ok: false; stopped: boolean; code: string; message: string };

function work({ file, bytes, block, mode, shared, guard }: Order): Report {
  const counter = new Counter(shared);
  const mark = newMark();
  try {
    const write = writeFile(file, bytes, block, randomPool(block), counter, mark, guard);
    return {
      ok: true,
      write,
      read: mode === 'write-read' ? readFile(file, bytes, block, counter, mark) : null,
    };
  } catch (error) {
    return {
      ok: false,
      stopped: error instanceof Stopped,
      code: (error as NodeJS.ErrnoException).code ?? '',
      message: (error as Error).message,
    };
  }
}

parentPort?.postMessage(work(workerData as Order));
