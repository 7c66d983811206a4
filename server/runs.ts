import { isEnd, type CopyRequest, type KeptRun, type RunEvent, type RunRequest } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import { CopyRun } from './copyrun';
import type { SourceFile } from './copy';
import { lockDevices } from './devicelock';
import { fateOf, thisProcess, type Owner } from './owner';
import { Problem } from './problem';
import { ProbeRun } from './proberun';
import { RandomRun } from './randomrun';
import { RealRun } from './realrun';
import { Records } from './state';
import type { Place } from './target';
import type { Task } from './task';
import { Workfolder } from './workfolder';

/** Ended runs kept for pages that come late. */
const MOST_KEPT = 100;

/** What works in a folder. */
type FolderRequest = Exclude<RunRequest, { kind: 'watch' | 'copy' }>;
type Recorded = KeptRun & { owner: Owner };

/** All real runs of this server: one at a time on each device, and each kept until a page has taken its result. */
export class Runs {
  private readonly runs = new Map<string, Task>();
  private readonly owner = thisProcess();

  constructor(
    private readonly workerFile: string,
    private readonly records = new Records<Recorded>('runs'),
  ) {}

  /** Starts a run in a folder. @throws Problem when it cannot take it */
  start(target: Place, request: FolderRequest): Promise<Task> {
    return this.startOf(target, request.bytes, (folder) => this.taskOf(target, request, folder));
  }

  /** Starts a copy of a folder's files onto a target. @throws Problem when it cannot take it */
  copy(
    target: Place,
    request: CopyRequest,
    from: { folder: string; files: readonly SourceFile[] },
  ): Promise<Task> {
    const bytes = from.files.reduce((sum, file) => sum + file.bytes, 0);
    return this.startOf(
      target,
      bytes,
      (folder) => new CopyRun(target, request, from, folder, this.workerFile),
    );
  }

  private async startOf(target: Place, bytes: number, make: (folder: Workfolder) => Task): Promise<Task> {
    if (target.problem) throw new Problem(422, 'The folder cannot be used', target.problem);
    if (bytes > target.room) {
      const room = `${format(bytes, 'B')} asked for, ${format(target.room, 'B')} free beside the reserve of ${format(target.reserve, 'B')}`;
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
      return this.add(make(Workfolder.make(target.folder)), free);
    } catch (error) {
      free();
      throw new Problem(422, 'The folder cannot be used', (error as Error).message);
    }
  }

  private taskOf(target: Place, request: FolderRequest, folder: Workfolder): Task {
    switch (request.kind) {
      case 'sequential':
        return new RealRun(target, request, folder, this.workerFile);
      case 'random':
        return new RandomRun(target, request, folder, this.workerFile);
      case 'probe':
        return new ProbeRun(target, request, folder, this.workerFile);
    }
  }

  /** Keeps what has begun until a page has taken its result. */
  add<T extends Task>(run: T, free: () => void = () => undefined): T {
    this.runs.set(run.id, run);
    this.keep(run);
    void run.ended.finally(() => {
      free();
      this.keep(run);
    });
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
