import type { RealResult, RunEvent, SequentialRequest } from '@kymar/core/measure';
import { FolderTask } from './foldertask';
import type { MovedBytes } from './sequential';
import { asTarget } from './target';
import { threadReport } from './thread';
import type { Report } from './worker';

type Done = Pick<Extract<Report, { ok: true }>, 'write' | 'read'>;

/** A file written front to back, and read back. */
export class RealRun extends FolderTask<SequentialRequest, Done> {
  protected readonly total = Math.ceil(this.request.bytes / 4096) * 4096;

  protected async work() {
    const { block, mode } = this.request;
    const report = await threadReport<Report>(this.workerFile, {
      ...this.order,
      bytes: this.total,
      block,
      mode,
    });
    return report.ok ? { ok: true as const, done: report } : report;
  }

  protected result({ write, read }: Done): RunEvent {
    const results = [this.half('write', write), ...(read ? [this.half('read', read)] : [])];
    return { type: 'done', target: asTarget(this.target), results };
  }

  private half(direction: 'read' | 'write', { seconds, through }: MovedBytes): RealResult {
    const samples = this.course(direction, { t: seconds, bytes: this.total });
    return { direction, bytes: this.total, seconds, through, samples };
  }
}
