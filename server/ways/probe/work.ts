import { Probe, type ProbeBudget, type ProbeResult } from '@kymar/core/measure';
import type { ThreadPlace } from '../../order';
import { FrontWriter, newMark, randomPool, Stopped, type Counter, type MovedBytes } from '../../sequential';

/** B and s it may spend, and B of a bin. */
export interface Probing {
  budget: ProbeBudget;
  bin: number;
}
export interface ProbeDone {
  found: ProbeResult;
  through: MovedBytes['through'];
}

/** B of one request of a probe. */
const BLOCK = 2 ** 20;
/** ms of rest between two looks at whether it is still wanted. */
const NAP = 100;

/** Rests without giving the thread's turn away for longer than a nap. */
function rest(seconds: number, counter: Counter): void {
  const cell = new Int32Array(new SharedArrayBuffer(4));
  for (let left = seconds * 1000; left > 0; left -= NAP) {
    if (counter.stopped) throw new Stopped();
    Atomics.wait(cell, 0, 0, Math.min(NAP, left));
  }
}

/** Asks the probe what to do next until it is over. */
export function probeWork(
  { budget, bin }: Probing,
  { file, guard }: ThreadPlace,
  counter: Counter,
): ProbeDone {
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
    return { found: going.result(), through: writer.through };
  } finally {
    counter.end();
    writer.close();
  }
}
