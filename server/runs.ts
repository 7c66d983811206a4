import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { RealResult, RunEvent, RunRequest, Target } from '@kymar/core/bench';
import { format } from '@kymar/core/units';
import { Problem } from './problem';
import { Counter, type Moved } from './sequential';
import { closeWorkfolder, DATA, openWorkfolder } from './workfolder';
import type { Order, Report } from './worker';

/** Progress is told so often, in ms. */
const TICK = 100;
/** Samples kept of one direction: a longer run is thinned, its shape stays. */
const MOST_SAMPLES = 1200;
/** Ended runs kept for pages that come late. */
const MOST_ENDED = 20;

type Listener = (event: RunEvent) => void;

/** One real run: a thread that moves data and a clock that reports. */
export class RealRun {
  readonly id = randomUUID();
  readonly ended: Promise<void>;
  private readonly counter = new Counter();
  private readonly listeners = new Set<Listener>();
  private readonly samples: Record<'read' | 'write', { t: number; bytes: number }[]> = { read: [], write: [] };
  private last: RunEvent | null = null;

  constructor(
    readonly target: Target,
    private readonly request: RunRequest,
    private readonly folder: string,
    workerFile: string,
  ) {
    this.ended = this.run(workerFile);
  }

  /** Follows the run: what was last said first, so that a page that reloads sees where it is. */
  follow(listener: Listener): () => void {
    if (this.last) listener(this.last);
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Asks it to stop; it does after the block in flight. */
  abort(): void {
    this.counter.stop();
  }

  private say(event: RunEvent): void {
    this.last = event;
    this.listeners.forEach((listener) => listener(event));
  }

  private async run(workerFile: string): Promise<void> {
    const bytes = Math.ceil(this.request.bytes / 4096) * 4096;
    const order: Order = { file: join(this.folder, DATA), bytes, block: this.request.block, mode: this.request.mode, shared: this.counter.shared };
    let phase: 'read' | 'write' | null = null;
    let began = 0;
    const clock = setInterval(() => {
      const now = this.counter.phase;
      if (now !== phase) [phase, began] = [now, performance.now()];
      if (!phase) return;
      const sample = { t: (performance.now() - began) / 1000, bytes: this.counter.bytes };
      const kept = this.samples[phase];
      kept.push(sample);
      if (kept.length > MOST_SAMPLES) this.samples[phase] = kept.filter((_, i) => i % 2 === 1);
      this.say({ type: 'progress', direction: phase, ...sample, total: bytes });
    }, TICK);
    const report = await threadReport(workerFile, order);
    clearInterval(clock);
    const left = await closeWorkfolder(this.folder).then(
      () => '',
      (error: Error) => ` The work folder ${this.folder} could not be removed: ${error.message}.`,
    );
    if (!report.ok) return this.say({ type: 'failed', aborted: report.stopped, problem: `${report.stopped ? 'Stopped; the test file is removed.' : failure(report, this.target)}${left}` });
    this.say({ type: 'done', target: this.target, results: [this.result('write', bytes, report.write), ...(report.read ? [this.result('read', bytes, report.read)] : [])] });
  }

  private result(direction: 'read' | 'write', bytes: number, { seconds, through }: Moved): RealResult {
    return { direction, bytes, seconds, through, samples: [{ t: 0, bytes: 0 }, ...this.samples[direction].filter((s) => s.t < seconds), { t: seconds, bytes }] };
  }
}

/** The thread's report, whatever becomes of the thread. */
function threadReport(file: string, order: Order): Promise<Report> {
  return new Promise((resolve) => {
    const broken = (message: string) => resolve({ ok: false, stopped: false, code: '', message });
    const worker = new Worker(file, { workerData: order });
    worker.once('message', resolve);
    worker.once('error', (error: Error) => broken(error.message));
    worker.once('exit', () => broken('the thread ended without a report'));
  });
}

function failure({ code, message }: { code: string; message: string }, target: Target): string {
  if (code === 'ENOSPC' || code === 'EDQUOT') return `${target.folder} ran full. The test file is removed; free some space or choose a smaller size.`;
  if (code === 'EIO' || code === 'ENODEV' || code === 'ENXIO') return `The drive under ${target.folder} failed or was unplugged (${code}). Check cable and port.`;
  return `The run broke off: ${message}.`;
}

/** All real runs of this server: one at a time on each target. */
export class Runs {
  private readonly runs = new Map<string, RealRun>();
  private readonly busy = new Set<string>();

  constructor(private readonly workerFile: string) {}

  /** Starts a run. @throws Problem when the target cannot take it */
  async start(target: Target, request: RunRequest): Promise<RealRun> {
    if (target.problem) throw new Problem(422, 'The folder cannot be used', target.problem);
    if (request.bytes > target.room) throw new Problem(422, 'Not enough room', `${format(request.bytes, 'B')} asked for, ${format(target.room, 'B')} free beside the reserve of ${format(target.reserve, 'B')}. Choose a smaller size.`);
    if (this.busy.has(target.id)) throw new Problem(409, 'A run is going on', `One run at a time in ${target.folder}. Wait for it or stop it.`);
    this.busy.add(target.id);
    try {
      const run = new RealRun(target, request, await openWorkfolder(target.folder), this.workerFile);
      this.runs.set(run.id, run);
      void run.ended.finally(() => this.busy.delete(target.id));
      for (const id of [...this.runs.keys()].slice(0, -MOST_ENDED)) this.runs.delete(id);
      return run;
    } catch (error) {
      this.busy.delete(target.id);
      throw error instanceof Problem ? error : new Problem(422, 'The folder cannot be used', (error as Error).message);
    }
  }

  /** @throws Problem for an unknown id */
  find(id: string): RealRun {
    const run = this.runs.get(id);
    if (!run) throw new Problem(404, 'No such run', 'It ended long ago, or the server was started anew.');
    return run;
  }

  /** Stops everything and waits until it is cleaned up. */
  async close(): Promise<void> {
    const all = [...this.runs.values()];
    all.forEach((run) => run.abort());
    await Promise.all(all.map((run) => run.ended));
  }
}
