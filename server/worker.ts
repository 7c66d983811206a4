import { parentPort, workerData } from 'node:worker_threads';
import type { Order, Report, ThreadPlace } from './order';
import { Counter, Stopped } from './sequential';
import { copyWork } from './ways/copy/work';
import { filesWork } from './ways/files/work';
import { probeWork } from './ways/probe/work';
import { randomWork } from './ways/random/work';
import { readWork } from './ways/read/work';
import { passWork } from './ways/sequential/work';

/** What threads can do: what they are told, where, and what they count into. */
const WORKS: Record<string, (what: never, where: ThreadPlace, counter: Counter) => unknown> = {
  pass: passWork,
  random: randomWork,
  probe: probeWork,
  copy: copyWork,
  files: filesWork,
  read: readWork,
};

function work({ do: name, what, ...where }: Order): Report<unknown> {
  try {
    return { ok: true, done: WORKS[name]!(what as never, where, new Counter(where.shared)) };
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
