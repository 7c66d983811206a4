import type { RunEvent, RunRequest } from '@kymar/core/measure';
import { Counter } from './sequential';
import type { TargetPlace } from './target';
import { Task } from './task';
import { failedEvent, threadReport } from './thread';
import { warmthOf } from './warmth';
import { leftWords, type Workfolder } from './workfolder';
import type { Report } from './order';

/** Progress is told so often, in ms. */
const TICK = 100;
/** Samples kept of one direction: a longer run is thinned, its shape stays. */
const MOST_SAMPLES = 1200;

type Sample = { t: number; bytes: number };

/** The folder of its own that a run works in. */
export type Room = Pick<Workfolder, 'data' | 'part' | 'close'>;
/** Of what only reads. */
export const NO_FOLDER: Room = { data: '', part: (name) => name, close: () => null };

/** Something that works in a folder of its own by threads: they count into shared memory, a clock here tells how far they are. */
export abstract class FolderTask<R extends RunRequest, Done> extends Task<R> {
  readonly ended: Promise<void>;
  protected readonly counter = new Counter();
  protected readonly samples: Record<'read' | 'write', Sample[]> = { read: [], write: [] };

  constructor(
    protected readonly target: TargetPlace,
    request: R,
    protected readonly folder: Room,
    protected readonly workerFile: string,
    where = target.folder,
  ) {
    super(request, where);
    // Not before what a kind of its own keeps is there too.
    this.ended = Promise.resolve().then(() => this.run());
  }

  /** B of all, where progress is a share of something. */
  protected abstract readonly total: number;
  /** What the threads are told, done to its end. */
  protected abstract work(): Promise<Report<Done>>;
  /** What it came to, in the server's words; a problem where it is no figure. */
  protected abstract result(done: Done): RunEvent;

  /** Stops after the block in flight. */
  protected stop(): void {
    this.counter.stop();
  }

  /** What comes of a thread that does something, by its name in `worker.ts`. */
  protected thread<What, Came>(work: string, what: What): Promise<Report<Came>> {
    const { folder, reserve } = this.target;
    const where = { file: this.folder.data, shared: this.counter.shared, guard: { folder, reserve } };
    return threadReport(this.workerFile, { ...where, do: work, what });
  }

  private async run(): Promise<void> {
    const clock = this.reportEvery(TICK);
    const warmth = warmthOf(this.target.devices);
    const report = await this.work();
    clearInterval(clock);
    const warm = await warmth.end();
    const left = this.folder.close();
    const words = left ? leftWords(left) : undefined;
    if (!report.ok) return this.say(failedEvent(report, this.target, words));
    this.say({
      ...this.result(report.done),
      ...(words ? { left: words } : {}),
      ...(warm ? { warmth: warm } : {}),
    });
  }

  private reportEvery(ms: number): NodeJS.Timeout {
    let phase: 'read' | 'write' | null = null;
    let began = 0;
    return setInterval(() => {
      const now = this.counter.phase;
      if (now !== phase) [phase, began] = [now, performance.now()];
      const event = phase ? this.sampled(phase, (performance.now() - began) / 1000) : this.unphased();
      if (event) this.say(event);
    }, ms);
  }

  private sampled(phase: 'read' | 'write', t: number): RunEvent {
    const sample = { t, bytes: this.counter.bytes };
    const kept = this.samples[phase];
    kept.push(sample);
    if (kept.length > MOST_SAMPLES) this.samples[phase] = kept.filter((_, i) => i % 2 === 1);
    return { type: 'progress', direction: phase, ...sample, total: this.total };
  }

  /** What is told while threads work without saying which way; nothing, unless a kind has something. */
  protected unphased(): RunEvent | null {
    return null;
  }

  /** Samples of a direction from nothing to its end. */
  protected course(direction: 'read' | 'write', end: Sample): Sample[] {
    return [{ t: 0, bytes: 0 }, ...this.samples[direction].filter((s) => s.t < end.t), end];
  }
}
