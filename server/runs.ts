import { isEnd, type KeptRun, type RunEvent, type RunRequest } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import { lockDevices } from './devicelock';
import { fateOf, thisProcess, type Owner } from './owner';
import { Problem } from './problem';
import { Records } from './state';
import type { Place } from './target';
import type { Task } from './task';
import { Waiting } from './waiting';

/** Ended runs kept for pages that come late. */
const MOST_KEPT = 100;

type Recorded = KeptRun & { owner: Owner };

/** Where a run works, looked at afresh, and what makes it. */
export interface Ground {
  place: Place;
  /** B it writes. */
  bytes: number;
  begin(workerFile: string): Task;
}

/** Looks again whether a device is free, so often and so many ms apart: who just left it may still be closing the door. */
const TRIES = 20;
const APART = 100;

/** All real runs of this server: one at a time on each device, and each kept until a page has taken its result. */
export class Runs {
  private readonly runs = new Map<string, Task>();
  /** What is at work, or waits, on which devices; in the order it came. */
  private readonly line = new Map<Task, { devices: readonly string[]; over: Promise<void> }>();
  private readonly owner = thisProcess();

  constructor(
    private readonly workerFile: string,
    private readonly records = new Records<Recorded>('runs'),
  ) {}

  /**
   * Starts a run, or lets it wait for its turn where it is asked to.
   * @param look looks at where it works: before it starts, and again when its turn has come
   * @throws Problem when it cannot be taken
   */
  async start(request: RunRequest, look: () => Promise<Ground>): Promise<Task> {
    const ground = await look();
    const { devices, folder } = ground.place;
    const before = this.at(devices);
    if (!('queue' in request) || !request.queue || before.length === 0)
      return this.begun(await this.open(ground), devices);
    const ahead = () => before.filter((task) => this.line.has(task)).length;
    const over = Promise.all(before.map((task) => this.line.get(task)!.over)).then(() => undefined);
    const waiting = new Waiting(request, folder, over, ahead, async () => {
      const { task, free } = await this.open(await look(), TRIES);
      void task.ended.finally(free);
      return task;
    });
    return this.begun({ task: waiting, free: () => undefined }, devices);
  }

  /** What of this server is at work or waits on some of these devices. */
  private at(devices: readonly string[]): Task[] {
    return [...this.line].filter(([, l]) => l.devices.some((d) => devices.includes(d))).map(([task]) => task);
  }

  /** Takes the devices and makes the run. @throws Problem when it cannot be taken */
  private async open({ place, bytes, begin }: Ground, tries = 1): Promise<{ task: Task; free: () => void }> {
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

  private begun({ task, free }: { task: Task; free: () => void }, devices: readonly string[]): Task {
    const over = task.ended.finally(() => {
      free();
      this.line.delete(task);
    });
    this.line.set(task, { devices, over });
    return this.add(task);
  }

  /** Keeps what has begun until a page has taken its result. */
  add<T extends Task>(run: T): T {
    this.runs.set(run.id, run);
    this.keep(run);
    void run.ended.finally(() => this.keep(run));
    return run;
  }

  private keep(run: Task): void {
    this.records.put(run.id, { ...run.kept, owner: this.owner });
    const ended = this.records.all().filter(({ record }) => record.last && isEnd(record.last));
    for (const { id } of ended.slice(0, -MOST_KEPT)) this.records.drop(id);
  }

  /** What goes on and what no page has taken yet; a run whose server is gone was cut off. */
  list(): KeptRun[] {
    const here = [...this.runs.values()].map((run) => run.kept);
    const before = this.records.all().flatMap(({ id, record }): KeptRun[] => {
      if (this.runs.has(id) || !record.owner || fateOf(record.owner, this.owner) !== 'dead') return [];
      const { owner: _, ...kept } = record;
      const ended = kept.last !== null && isEnd(kept.last);
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
  find(id: string): Task {
    const run = this.runs.get(id);
    if (!run) throw new Problem(404, 'No such run', 'It was taken already, or the server was started anew.');
    return run;
  }

  /** A page has taken what a run told: it need not be kept any longer. Of a run that goes on nothing is forgotten. */
  take(id: string): void {
    const last = this.runs.get(id)?.kept.last;
    if (this.runs.has(id) && (!last || !isEnd(last)))
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
