import { parentPort, workerData } from 'node:worker_threads';
import { Probe, type ProbeBudget, type ProbeResult } from '@kymar/core/measure';
import { copyVerified, type Copied, type SourceFile } from './copy';
import { readFolder, writeFiles, type FilesDone, type FilesRead } from './files';
import { randomly, type RandomDone, type RandomOrder } from './random';
import {
  Counter,
  FrontWriter,
  newMark,
  randomPool,
  readFile,
  Stopped,
  writeFile,
  type Guard,
  type MovedBytes,
} from './sequential';

interface Where {
  file: string;
  shared: SharedArrayBuffer;
  guard?: Guard;
}
/** What the thread is told and what it says at the end. */
export type Order = Where &
  (
    | { bytes: number; block: number; mode: 'write' | 'write-read' }
    | { budget: ProbeBudget; bin: number }
    | { random: Omit<RandomOrder, keyof Where> }
    | { copy: { from: string; files: readonly SourceFile[]; into: string } }
    | { written: { sizes: readonly number[]; into: string; back: boolean } }
    | { read: { from: string; files: readonly SourceFile[] } }
  );
/** What kept a thread from its end. */
export interface Failed {
  ok: false;
  stopped: boolean;
  code: string;
  message: string;
}
export type Report = { ok: true; write: MovedBytes; read: MovedBytes | null } | Failed;
export type ProbeReport = { ok: true; found: ProbeResult; through: MovedBytes['through'] } | Failed;

/** B of one request of a probe. */
const BLOCK = 2 ** 20;
/** ms of rest between two looks at whether it is still wanted. */
const NAP = 100;

function pass(
  { file, bytes, block, mode, guard }: Extract<Order, { mode: string }>,
  counter: Counter,
): Report {
  const mark = newMark();
  const write = writeFile(file, bytes, block, randomPool(block), counter, mark, guard);
  return {
    ok: true,
    write,
    read: mode === 'write-read' ? readFile(file, bytes, block, counter, mark) : null,
  };
}

/** Rests without giving the thread's turn away for longer than a nap. */
function rest(seconds: number, counter: Counter): void {
  const cell = new Int32Array(new SharedArrayBuffer(4));
  for (let left = seconds * 1000; left > 0; left -= NAP) {
    if (counter.stopped) throw new Stopped();
    Atomics.wait(cell, 0, 0, Math.min(NAP, left));
  }
}

function probe({ file, budget, bin, guard }: Extract<Order, { bin: number }>, counter: Counter): ProbeReport {
  const writer = new FrontWriter(file, BLOCK, randomPool(BLOCK), newMark(), guard);
  const going = new Probe(budget, bin);
  try {
    counter.begin('write');
    for (let step = going.next(); step.do !== 'end'; step = going.next()) {
      if (step.do === 'rest') {
        rest(step.seconds, counter);
        going.took(0, step.seconds);
        continue;
      }
      const start = process.hrtime.bigint();
      writer.write(step.bytes, counter);
      // Through memory a bin is only there once it is flushed.
      if (writer.through === 'buffered') writer.flush();
      going.took(step.bytes, Number(process.hrtime.bigint() - start) / 1e9);
    }
    return { ok: true, found: going.result(), through: writer.through };
  } finally {
    counter.end();
    writer.close();
  }
}

export type CopyReport = { ok: true; done: Copied } | Failed;
export type RandomReport = { ok: true; done: RandomDone } | Failed;
export type FilesReport = { ok: true; done: FilesDone } | Failed;
export type FolderReport = { ok: true; done: FilesRead } | Failed;

type Any = Report | ProbeReport | RandomReport | CopyReport | FilesReport | FolderReport;

function work(order: Order): Any {
  const counter = new Counter(order.shared);
  try {
    if ('copy' in order) {
      const { from, files, into } = order.copy;
      return { ok: true, done: copyVerified(from, files, (name) => into + name, counter, order.guard!) };
    }
    if ('written' in order) {
      const { sizes, into, back } = order.written;
      return { ok: true, done: writeFiles(sizes, (name) => into + name, back, counter, order.guard!) };
    }
    if ('read' in order) return { ok: true, done: readFolder(order.read.from, order.read.files, counter) };
    if ('random' in order) return { ok: true, done: randomly({ ...order, ...order.random }) };
    return 'mode' in order ? pass(order, counter) : probe(order, counter);
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
