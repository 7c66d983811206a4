import type { ProbeRequest, RunEvent } from '@kymar/core/measure';
import { FolderTask } from '../../foldertask';
import { asTarget } from '../../target';
import { writing } from '../way';
import type { ProbeDone, Probing } from './work';

/** B of a bin: a small share of the budget, in whole MiB. */
const binOf = (bytes: number): number => {
  const MiB = 2 ** 20;
  return Math.min(256, Math.max(16, Math.round(bytes / 2400 / MiB))) * MiB;
};

/** A drive written to until its cache and what it sustains are known: a thread that asks the probe what to do next. */
class ProbeRun extends FolderTask<ProbeRequest, ProbeDone> {
  protected readonly total = this.request.bytes;

  protected work() {
    const { bytes, seconds } = this.request;
    const budget = { bytes, seconds, warmth: null };
    return this.thread<Probing, ProbeDone>('probe', { budget, bin: binOf(bytes) });
  }

  protected result({ found: { written, seconds, ended, ...found }, through }: ProbeDone): RunEvent {
    const samples = [{ t: 0, bytes: 0 }, ...this.samples.write];
    return {
      type: 'probed',
      target: asTarget(this.target),
      through,
      found,
      written,
      seconds,
      ended,
      samples,
    };
  }
}

export const PROBE_GROUND = writing(ProbeRun, ({ bytes }) => bytes);
