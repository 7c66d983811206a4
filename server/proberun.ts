import type { ProbeRequest, RunEvent } from '@kymar/core/measure';
import { FolderTask } from './foldertask';
import { asTarget } from './target';
import { threadReport } from './thread';
import type { ProbeReport } from './worker';

/** B of a bin: a small share of the budget, in whole MiB. */
const binOf = (bytes: number): number => {
  const MiB = 2 ** 20;
  return Math.min(256, Math.max(16, Math.round(bytes / 2400 / MiB))) * MiB;
};

type Done = Pick<Extract<ProbeReport, { ok: true }>, 'found' | 'through'>;

/** A drive written to until its cache and what it sustains are known: a thread that asks the probe what to do next. */
export class ProbeRun extends FolderTask<ProbeRequest, Done> {
  protected readonly total = this.request.bytes;

  protected async work() {
    const { bytes, seconds } = this.request;
    const budget = { bytes, seconds, warmth: null };
    const report = await threadReport<ProbeReport>(this.workerFile, {
      ...this.order,
      budget,
      bin: binOf(bytes),
    });
    return report.ok ? { ok: true as const, done: report } : report;
  }

  protected result({ found: { written, seconds, ended, ...found }, through }: Done): RunEvent {
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
