import type { RandomRequest, RunEvent, SteadyRequest } from '@kymar/core/measure';
import { FolderTask } from '../../foldertask';
import { percentile, type RandomDone, type RandomOrder } from './work';
import { asTarget } from '../../target';
import type { Failed, Report } from '../../order';
import type { Pass, Passed } from '../sequential/work';
import { writing } from '../way';

/** Latencies of several threads, or rounds, together. */
export function latencyOf(done: readonly RandomDone[]) {
  const latencies = done.reduce(
    (sum, { latencies: own }) => sum.map((n, i) => n + own[i]!),
    new Uint32Array(done[0]!.latencies.length),
  );
  return {
    median: percentile(latencies, 0.5),
    p95: percentile(latencies, 0.95),
    p99: percentile(latencies, 0.99),
    most: percentile(latencies, 1),
  };
}

/** What small requests anywhere in a file have in common: one thread lays the file out, then as many as are to be under way ask for blocks of it. */
export abstract class ScatteredTask<R extends RandomRequest | SteadyRequest, Done> extends FolderTask<
  R,
  Done
> {
  protected readonly total = Math.ceil(this.request.bytes / 131072) * 131072;
  private began: number | null = null;
  /** s that blocks are asked for, all in all. */
  protected abstract readonly lasts: number;

  protected lay(): Promise<Report<Passed>> {
    return this.thread<Pass, Passed>('pass', { bytes: this.total, block: 2 ** 20, back: false });
  }

  /** Asks for blocks for a time. @param round makes other places of each */
  protected async ask(round = 0): Promise<Report<RandomDone[]>> {
    const { block, depth, reads, seconds } = this.request;
    const threads = Array.from({ length: depth }, (_, thread) =>
      this.thread<RandomOrder, RandomDone>('random', {
        span: this.total,
        block,
        reads,
        seconds,
        seed: thread + round * depth,
      }),
    );
    const reports = await Promise.all(threads);
    const failed = reports.find((r): r is Failed => !r.ok);
    return failed ?? { ok: true, done: reports.flatMap((r) => (r.ok ? [r.done] : [])) };
  }

  /** While blocks are asked for: as far as its time is spent, since how much that will be nobody knows. */
  protected override unphased(): RunEvent | null {
    const { added } = this.counter;
    if (added === 0) return null;
    this.began ??= performance.now();
    const t = (performance.now() - this.began) / 1000;
    const total = Math.max(added, (added / Math.max(t, 0.1)) * this.lasts);
    return {
      type: 'progress',
      direction: this.request.reads >= 0.5 ? 'read' : 'write',
      t,
      bytes: added,
      total,
    };
  }
}

/** Small requests anywhere in a file for a time. */
class RandomRun extends ScatteredTask<RandomRequest, RandomDone[]> {
  protected readonly lasts = this.request.seconds;

  protected async work() {
    const laid = await this.lay();
    return laid.ok ? this.ask() : laid;
  }

  protected result(done: RandomDone[]): RunEvent {
    const sum = (of: (one: RandomDone) => number) => done.reduce((total, one) => total + of(one), 0);
    return {
      type: 'scattered',
      target: asTarget(this.target),
      through: done[0]!.through,
      reads: sum((d) => d.reads),
      writes: sum((d) => d.writes),
      seconds: Math.max(...done.map((d) => d.seconds)),
      latency: latencyOf(done),
    };
  }
}

export const RANDOM_GROUND = writing(RandomRun, ({ bytes }) => bytes);
