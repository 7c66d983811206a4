import { parentPort, workerData } from 'node:worker_threads';
import { Counter, randomPool, readFile, Stopped, writeFile, type Moved } from './sequential';

/** What the thread is told and what it says at the end. */
export interface Order {
  file: string;
  bytes: number;
  block: number;
  mode: 'write' | 'write-read';
  shared: SharedArrayBuffer;
}
export type Report = { ok: true; write: Moved; read: Moved | null } | { ok: false; stopped: boolean; code: string; message: string };

function work({ file, bytes, block, mode, shared }: Order): Report {
  const counter = new Counter(shared);
  try {
    const write = writeFile(file, bytes, block, randomPool(), counter);
    return { ok: true, write, read: mode === 'write-read' ? readFile(file, bytes, block, counter) : null };
  } catch (error) {
    return { ok: false, stopped: error instanceof Stopped, code: (error as NodeJS.ErrnoException).code ?? '', message: (error as Error).message };
  }
}

parentPort?.postMessage(work(workerData as Order));
