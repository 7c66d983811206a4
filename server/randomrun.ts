import type { RandomRequest, RunEvent } from '@kymar/core/measure';
import { FolderTask } from './foldertask';
import { percentile, type RandomDone } from './random';
import { asTarget } from './target';
import { threadReport } from './thread';
import type { Failed, RandomReport, Report } from './worker';

/** Small requests anywhere in a file: one thread lays it out, then as many as are to be under way ask for blocks of it. */
export class RandomRun extends FolderTask<RandomRequest, RandomDone[]> {
  protected readonly total = Math.ceil(this.request.bytes / 131072) * 131072;
  private began: number | null = null;

  protected async work() {
    const { block, depth, reads, seconds } = this.request;
    const laid = await threadReport<Report>(this.workerFile, {
      ...this.order,
      bytes: this.total,
      block: 2 ** 20,
      mode: 'write',
    });
    if (!laid.ok) return laid;
    const threads = Array.from({ length: depth }, (_, seed) =>
      threadReport<RandomReport>(this.workerFile, {
        ...this.order,
        random: { span: this.total, block, reads, seconds, seed },
      }),
    );
    const reports = await Promise.all(threads);
    const failed = reports.find((r): r is Failed => !r.ok);
    return failed ?? { ok: true as const, done: reports.flatMap((r) => (r.ok ? [r.done] : [])) };
  }

  protected result(done: RandomDone[]): RunEvent {
    const latencies = done.reduce(
      (sum, { latencies: own }) => sum.map((n, i) => n + own[i]!),
      new Uint32Array(done[0]!.latencies.length),
    );
    const sum = (of: (one: RandomDone) => number) => done.reduce((total, one) => total + of(one), 0);
    return {
      type: 'scattered',
      target: asTarget(this.target),
      through: done[0]!.through,
      reads: sum((d) => d.reads),
      writes: sum((d) => d.writes),
      seconds: Math.max(...done.map((d) => d.seconds)),
      latency: {
        median: percentile(latencies, 0.5),
        p95: percentile(latencies, 0.95),
        p99: percentile(latencies, 0.99),
        most: percentile(latencies, 1),
      },
    };
  }

  /** While blocks are asked for: as far as its time is spent, since how much that will be nobody knows. */
  protected override unphased(): RunEvent | null {
    const { added } = this.counter;
    if (added === 0) return null;
    this.began ??= performance.now();
    const t = (performance.now() - this.began) / 1000;
    const total = Math.max(added, (added / Math.max(t, 0.1)) * this.request.seconds);
    return {
      type: 'progress',
      direction: this.request.reads >= 0.5 ? 'read' : 'write',
      t,
      bytes: added,
      total,
    };
  }
}
