import { isEnd, type KeptRun, type RunEvent, type RunRequest } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import { lockDevices } from './devicelock';
import { fateOf, thisProcess, type Owner } from './owner';
import { Problem } from './problem';
import { RecordFiles } from './state';
import type { TargetPlace } from './target';
import type { Task } from './task';
import { WaitingTask } from './waiting';

/** Ended runs kept for pages that come late. */
const MOST_KEPT = 100;
/** Watches and queued runs at a time: each holds open files or a timer. */
const MOST_WATCHES = 16;
const MOST_WAITING = 100;
/** A result that could not be kept over a restart is tried again, first and at last after so many ms. */
const RETRY = { first: 1000, last: 60_000 };

/** @property browser whose it is; absent in records of an older Kymar: whoever asks */
type Recorded = KeptRun & { owner: Owner; browser?: string };

/** Where a run works, looked at afresh, and what makes it. */
export interface RunGround {
  place: TargetPlace;
  /** B it writes. */
  bytes: number;
  begin(workerFile: string): Task;
}

const hasEnded = ({ last }: Pick<KeptRun, 'last'>): boolean => last !== null && isEnd(last);

/** Looks again whether a device is free, so often and so many ms apart: who just left it may still be closing the door. */
const TRIES = 20;
const APART = 100;

/**
 * All real runs of this server: one at a time on each device, and each kept until a page of the browser that asked for it has taken its result. Two
 * browsers may hold jobs of the same id, e.g. the demo's.
 */
export class Runs {
  private readonly runs = new Map<string, { task: Task; browser: string }>();
  /** What is at work, or waits, on which devices; in the order it came. */
  private readonly line = new Map<Task, { devices: readonly string[]; over: Promise<void> }>();
  private readonly owner = thisProcess();

  constructor(
    private readonly workerFile: string,
    private readonly records = new RecordFiles<Recorded>('runs'),
  ) {}

  /**
   * Starts a run, or lets it wait for its turn where it is asked to.
   * @param look looks at where it works: before it starts, and again when its turn has come
   * @param browser whose it is
   * @throws Problem when it cannot be taken
   */
  async start(request: RunRequest, look: () => Promise<RunGround>, browser = ''): Promise<Task> {
    const ground = await look();
    const { devices, folder } = ground.place;
    const before = this.at(devices);
    if (!('queue' in request) || !request.queue || before.length === 0)
      return this.begun(await this.open(ground), devices, browser);
    if (this.count((task) => task instanceof WaitingTask && task.isWaiting) >= MOST_WAITING)
      throw new Problem(429, 'The queue is full', `${MOST_WAITING} runs wait already. Take some out first.`);
    const ahead = () => before.filter((task) => this.line.has(task)).length;
    const over = Promise.all(before.map((task) => this.line.get(task)!.over)).then(() => undefined);
    const waiting = new WaitingTask(request, folder, over, ahead, async () => {
      const { task, free } = await this.open(await look(), TRIES);
      void task.ended.finally(free);
      return task;
    });
    return this.begun({ task: waiting, free: () => undefined }, devices, browser);
  }

  /** What of this server is at work or waits on some of these devices. */
  private at(devices: readonly string[]): Task[] {
    return [...this.line].filter(([, l]) => l.devices.some((d) => devices.includes(d))).map(([task]) => task);
  }

  /** Takes the devices and makes the run. @throws Problem when it cannot be taken */
  private async open(
    { place, bytes, begin }: RunGround,
    tries = 1,
  ): Promise<{ task: Task; free: () => void }> {
    if (place.problem) throw new Problem(422, 'The folder cannot be used', place.problem);
    if (bytes > place.room) {
      const room = `${format(bytes, 'B')} asked for, ${format(place.room, 'B')} free beside the reserve of ${format(place.reserve, 'B')}`;
      throw new Problem(422, 'Not enough room', `${room}. Choose a smaller size.`);
    }
    let free = await lockDevices(place.devices);
    for (let i = 1; i < tries && !free; i++) {
      await new Promise((resolve) => setTimeout(resolve, APART));
      free = await lockDevices(place.devices);
    }
    if (!free)
      throw new Problem(
        409,
        'A run is going on',
        `One run at a time on the device under ${place.folder}, from whichever Kymar. Wait for it or stop it.`,
      );
    try {
      return { task: begin(this.workerFile), free };
    } catch (error) {
      free();
      throw new Problem(422, 'The folder cannot be used', (error as Error).message);
    }
  }

  private begun(
    { task, free }: { task: Task; free: () => void },
    devices: readonly string[],
    browser: string,
  ): Task {
    const over = task.ended.finally(() => {
      free();
      this.line.delete(task);
    });
    this.line.set(task, { devices, over });
    return this.add(task, browser);
  }

  /** Starts a watch. @throws Problem when there are too many already */
  watch(begin: () => Task, browser: string): Task {
    if (this.count((task) => task.request.kind === 'watch') >= MOST_WATCHES)
      throw new Problem(
        429,
        'Too many watches',
        `${MOST_WATCHES} devices and folders are watched already. Stop one of them first.`,
      );
    return this.add(begin(), browser);
  }

  /** How many that have not ended are of some sort. */
  private count(of: (task: Task) => boolean): number {
    return [...this.runs.values()].filter(({ task }) => !hasEnded(task.kept) && of(task)).length;
  }

  /** Keeps what has begun until a page has taken its result. */
  private add(task: Task, browser: string): Task {
    this.runs.set(task.id, { task, browser });
    this.keep(task);
    void task.ended.finally(() => this.keep(task));
    return task;
  }

  /** Writes down how a run stands. Where that fails, its result stays here and is tried again until a page has it. */
  private keep(task: Task, wait = RETRY.first): void {
    const held = this.runs.get(task.id);
    if (!held) return;
    try {
      this.records.put(task.id, { ...task.kept, owner: this.owner, browser: held.browser });
      const ended = this.records.all().filter(({ record }) => hasEnded(record));
      for (const { id } of ended.slice(0, -MOST_KEPT)) this.records.drop(id);
    } catch (error) {
      if (wait === RETRY.first)
        console.error(
          `${(error as Error).message}. What is measured is lost if Kymar ends before a page has it.`,
        );
      setTimeout(() => this.keep(task, Math.min(RETRY.last, wait * 2)), wait).unref();
    }
  }

  /** What of a browser's goes on and what none of its pages has taken yet; a run whose server is gone was cut off. */
  list(browser = ''): KeptRun[] {
    const here = [...this.runs.values()]
      .filter((run) => run.browser === browser)
      .map(({ task }) => task.kept);
    const before = this.records.all().flatMap(({ id, record }): KeptRun[] => {
      if (this.runs.has(id) || !record.owner || fateOf(record.owner, this.owner) !== 'dead') return [];
      const { owner: _, browser: whose = browser, ...kept } = record;
      if (whose !== browser) return [];
      const ended = hasEnded(kept);
      const cut: RunEvent = {
        type: 'failed',
        aborted: false,
        problem: 'The server was stopped while this run was going on. Nothing was measured.',
      };
      return [ended ? kept : { ...kept, last: cut }];
    });
    return [...before, ...here];
  }

  /** @throws Problem for an id that is unknown, or another browser's */
  find(id: string, browser = ''): Task {
    const run = this.runs.get(id);
    if (run?.browser !== browser)
      throw new Problem(404, 'No such run', 'It was taken already, or the server was started anew.');
    return run.task;
  }

  /** A page has taken what a run told: it need not be kept any longer. Of a run that goes on, or is another browser's, nothing is forgotten. */
  take(id: string, browser = ''): void {
    const run = this.runs.get(id);
    if (run && run.browser !== browser) return;
    if (run && !hasEnded(run.task.kept)) throw new Problem(409, 'The run is going on', 'Stop it first.');
    if (!run && !this.list(browser).some((kept) => kept.id === id)) return;
    this.runs.delete(id);
    this.records.drop(id);
  }

  /** Stops everything and waits until it is cleaned up. */
  async close(): Promise<void> {
    const all = [...this.runs.values()].map(({ task }) => task);
    all.forEach((run) => run.abort());
    await Promise.all(all.map((run) => run.ended));
  }
}
