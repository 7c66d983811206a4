import { randomUUID } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import type { KeptRun, RealResult, RunEvent, RunRequest, Target } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import { lockDevices } from './devicelock';
import { fateOf, thisProcess, type Owner } from './owner';
import { Problem } from './problem';
import { Counter, type Moved } from './sequential';
import { Records } from './state';
import type { Place } from './target';
import { leftWords, Workfolder } from './workfolder';
import type { Order, Report } from './worker';

/** Progress is told so often, in ms. */
const TICK = 100;
/** Samples kept of one direction: a longer run is thinned, its shape stays. */
const MOST_SAMPLES = 1200;
/** Ended runs kept for pages that come late. */
const MOST_KEPT = 100;

type Listener = (event: RunEvent) => void;
type Recorded = KeptRun & { owner: Owner };

/** What a page is told of a folder. */
export const asTarget = ({ devices: _, ...target }: Place): Target => target;

/** One real run: a thread that moves data and a clock that reports. */
export class RealRun {
  readonly id = randomUUID();
  readonly at = new Date().toISOString();
  readonly ended: Promise<void>;
  private readonly counter = new Counter();
  private readonly listeners = new Set<Listener>();
  private readonly samples: Record<'read' | 'write', { t: number; bytes: number }[]> = {
    read: [],
    write: [],
  };
  private last: RunEvent | null = null;

  constructor(
    readonly target: Place,
    readonly request: RunRequest,
    private readonly folder: Workfolder,
    workerFile: string,
  ) {
    this.ended = this.run(workerFile);
  }

  /** As a page that comes back finds it. */
  get kept(): KeptRun {
    return { id: this.id, at: this.at, request: this.request, folder: this.target.folder, last: this.last };
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
    const { block, mode } = this.request;
    const guard = { folder: this.target.folder, reserve: this.target.reserve };
    const order: Order = { file: this.folder.data, bytes, block, mode, shared: this.counter.shared, guard };
    const clock = this.reportEvery(TICK, bytes);
    const report = await threadReport(workerFile, order);
    clearInterval(clock);
    const left = this.folder.close();
    const also = left ? { left: leftWords(left) } : {};
    if (!report.ok) {
      const clean = left ? '' : 'the test file is removed';
      const problem = report.stopped ? `Stopped${clean && `; ${clean}`}.` : failure(report, this.target);
      return this.say({ type: 'failed', aborted: report.stopped, problem, ...also });
    }
    const results = [
      this.result('write', bytes, report.write),
      ...(report.read ? [this.result('read', bytes, report.read)] : []),
    ];
    this.say({ type: 'done', target: asTarget(this.target), results, ...also });
  }

  private reportEvery(ms: number, total: number): NodeJS.Timeout {
    let phase: 'read' | 'write' | null = null;
    let began = 0;
    return setInterval(() => {
      const now = this.counter.phase;
      if (now !== phase) [phase, began] = [now, performance.now()];
      if (!phase) return;
      const sample = { t: (performance.now() - began) / 1000, bytes: this.counter.bytes };
      const kept = this.samples[phase];
      kept.push(sample);
      if (kept.length > MOST_SAMPLES) this.samples[phase] = kept.filter((_, i) => i % 2 === 1);
      this.say({ type: 'progress', direction: phase, ...sample, total });
    }, ms);
  }

  private result(direction: 'read' | 'write', bytes: number, { seconds, through }: Moved): RealResult {
    const between = this.samples[direction].filter((s) => s.t < seconds);
    return {
      direction,
      bytes,
      seconds,
      through,
      samples: [{ t: 0, bytes: 0 }, ...between, { t: seconds, bytes }],
    };
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

function failure({ code, message }: { code: string; message: string }, { folder, reserve }: Place): string {
  switch (code) {
    case 'ENOSPC':
    case 'EDQUOT':
      return `${folder} ran full. Free some space or choose a smaller size.`;
    case 'RESERVE':
      return (
        `Stopped before the ${format(reserve, 'B')} that stay free in ${folder} would be ` +
        'touched: something else writes there too. Free some space or choose a smaller size.'
      );
    case 'STAMP':
      return (
        `What was read back in ${folder} is not what was written (${message}): the test ` +
        'file was changed meanwhile, or the drive returns other data. No figure is kept.'
      );
    case 'EIO':
    case 'ENODEV':
    case 'ENXIO':
      return `The drive under ${folder} failed or was unplugged (${code}). Check cable and port.`;
    default:
      return `The run broke off: ${message.replace(/\/proc\/self\/fd\/\d+\//g, '')}.`;
  }
}

/** All real runs of this server: one at a time on each device, and each kept until a page has taken its result. */
export class Runs {
  private readonly runs = new Map<string, RealRun>();
  private readonly owner = thisProcess();

  constructor(
    private readonly workerFile: string,
    private readonly records = new Records<Recorded>('runs'),
  ) {}

  /** Starts a run. @throws Problem when the target cannot take it */
  async start(target: Place, request: RunRequest): Promise<RealRun> {
    if (target.problem) throw new Problem(422, 'The folder cannot be used', target.problem);
    if (request.bytes > target.room) {
      const room = `${format(request.bytes, 'B')} asked for, ${format(target.room, 'B')} free beside the reserve of ${format(target.reserve, 'B')}`;
      throw new Problem(422, 'Not enough room', `${room}. Choose a smaller size.`);
    }
    const free = await lockDevices(target.devices);
    if (!free)
      throw new Problem(
        409,
        'A run is going on',
        `One run at a time on the device under ${target.folder}, from whichever Kymar. Wait for it or stop it.`,
      );
    try {
      const run = new RealRun(target, request, Workfolder.make(target.folder), this.workerFile);
      this.runs.set(run.id, run);
      this.keep(run);
      void run.ended.finally(() => {
        free();
        this.keep(run);
      });
      return run;
    } catch (error) {
      free();
      throw new Problem(422, 'The folder cannot be used', (error as Error).message);
    }
  }

  private keep(run: RealRun): void {
    this.records.put(run.id, { ...run.kept, owner: this.owner });
    const ended = this.records.all().filter(({ record }) => record.last && record.last.type !== 'progress');
    for (const { id } of ended.slice(0, -MOST_KEPT)) this.records.drop(id);
  }

  /** What goes on and what no page has taken yet; a run whose server is gone was cut off. */
  list(): KeptRun[] {
    const here = [...this.runs.values()].map((run) => run.kept);
    const before = this.records.all().flatMap(({ id, record }): KeptRun[] => {
      if (this.runs.has(id) || !record.owner || fateOf(record.owner, this.owner) !== 'dead') return [];
      const { owner: _, ...kept } = record;
      const ended = kept.last !== null && kept.last.type !== 'progress';
      const cut: RunEvent = {
        type: 'failed',
        aborted: false,
        problem: 'The server was stopped while this run was going on. Nothing was measured.',
      };
      return [ended ? kept : { ...kept, last: cut }];
    });
    return [...before, ...here];
  }

  /** @throws Problem for an unknown id */
  find(id: string): RealRun {
    const run = this.runs.get(id);
    if (!run) throw new Problem(404, 'No such run', 'It was taken already, or the server was started anew.');
    return run;
  }

  /** A page has taken what a run told: it need not be kept any longer. Of a run that goes on nothing is forgotten. */
  take(id: string): void {
    const last = this.runs.get(id)?.kept.last;
    if (this.runs.has(id) && (!last || last.type === 'progress'))
      throw new Problem(409, 'The run is going on', 'Stop it first.');
    this.runs.delete(id);
    this.records.drop(id);
  }

  /** Stops everything and waits until it is cleaned up. */
  async close(): Promise<void> {
    const all = [...this.runs.values()];
    all.forEach((run) => run.abort());
    await Promise.all(all.map((run) => run.ended));
  }
}
