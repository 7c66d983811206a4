import { closeSync, openSync, readSync } from 'node:fs';
import { lstat, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import {
  parsePending,
  parseStat,
  Watcher,
  WATCH,
  type DeviceCounters,
  type WatchedPiece,
  type CounterReading,
  type Watchable,
  type WatchRequest,
} from '@kymar/core/measure';
import { Sysfs } from '../../plugged/sysfs';
import type { TargetPlace } from '../../target';
import { Task } from '../../task';

/** Where the system keeps its counters; tests give a made-up tree. */
export interface CounterRoots {
  sysfs: string;
  proc: string;
}

/** ms between two readings of counters. */
const TICK = 100;
/** A folder is walked so many times as long as a walk takes apart, and no oftener than counters are read. */
const REST = 30;
/** Files of a folder that are counted; more would take longer than they tell. */
const MOST_FILES = 200_000;
/** One sigma of a thumb that says "it is open", s [practice]. */
const THUMB = 0.1;

/** What can be watched here: the machine's own devices by their counters; without those, the folders the server was started with by their growth. */
export async function watchable(roots: CounterRoots, folders: readonly TargetPlace[]): Promise<Watchable[]> {
  const sysfs = new Sysfs(roots.sysfs);
  const names = (await sysfs.list('block')).filter((name) => !/^(loop|ram|zram|dm-|md)\d/.test(name));
  const devices = await Promise.all(
    names.map(async (name): Promise<Watchable[]> => {
      const at = ['block', name];
      const [stat, sectors, number, vendor, model, plain, page] = await Promise.all([
        sysfs.read(...at, 'stat'),
        sysfs.read(...at, 'size'),
        sysfs.read(...at, 'dev'),
        sysfs.read(...at, 'device', 'vendor'),
        sysfs.read(...at, 'device', 'model'),
        sysfs.read(...at, 'device', 'serial'),
        sysfs.read(...at, 'device', 'vpd_pg80'),
      ]);
      // Where there is no plain file, a page of four bytes and then the number [standard SPC, page 80h; from memory].
      const serial = (plain || page.slice(4)).replace(/[^\x20-\x7e]/g, '').trim();
      if (stat === '' || Number(sectors) === 0) return [];
      // Of virtual disks the vendor is a number: no name.
      const words = [/^0x/.test(vendor) ? '' : vendor, model].filter(Boolean).join(' ');
      return [
        {
          id: name,
          how: 'counters',
          name: words ? `${words} (${name})` : name,
          size: Number(sectors) * 512 || null,
          ...(serial ? { serial } : {}),
          folders: folders.filter((f) => f.devices.includes(number)).map((f) => f.folder),
        },
      ];
    }),
  );
  const found = devices.flat();
  if (found.length > 0) return found;
  return folders
    .filter((f) => f.problem === null || f.room > 0)
    .map((f) => ({ id: f.id, how: 'growth', name: f.folder, size: null, folders: [f.folder] }));
}

/** What is read of a thing that is watched. */
type Read = () => DeviceCounters | Promise<DeviceCounters>;

/** A small file of the system's that is read again and again: opened once, in one piece of memory. */
class Gauge {
  private readonly fd: number;
  private readonly piece = Buffer.alloc(8192);

  constructor(file: string) {
    this.fd = openSync(file, 'r');
  }
  text(): string {
    return this.piece.toString('latin1', 0, readSync(this.fd, this.piece, 0, this.piece.length, 0));
  }
  close(): void {
    closeSync(this.fd);
  }
}

/** A gauge, or nothing where the system has none. */
function gaugeOf(file: string): Gauge | null {
  try {
    return new Gauge(file);
  } catch {
    return null;
  }
}

/** B and files of a folder: what grows there was written. */
const growthOf =
  (folder: string): Read =>
  async () => {
    let [written, writes] = [0, 0];
    const left = [folder];
    for (let at = left.pop(); at !== undefined && writes < MOST_FILES; at = left.pop()) {
      const here = at;
      const entries = await readdir(here, { withFileTypes: true }).catch(() => []);
      left.push(...entries.filter((e) => e.isDirectory()).map((e) => join(here, e.name)));
      const files = entries.filter((e) => e.isFile());
      writes += files.length;
      const sizes = await Promise.all(
        files.map((e) =>
          lstat(join(here, e.name)).then(
            ({ size }) => size,
            () => 0,
          ),
        ),
      );
      written += sizes.reduce((sum, size) => sum + size, 0);
    }
    return { read: 0, written, reads: 0, writes, busy: null };
  };

const withoutBegin = ({ began: _, ...piece }: WatchedPiece) => piece;

/** A device or folder whose next piece of work is waited for and timed, whatever program does it. */
export class WatchTask extends Task<WatchRequest> {
  readonly ended: Promise<void>;
  private readonly watcher: Watcher;
  private readonly read: Read;
  private readonly memory: Gauge | null;
  private readonly gauges: Gauge[];
  private isStopped = false;
  private finished: number | null = null;
  /** s between readings, the longest so far. */
  private apart = TICK / 1000;

  constructor(
    request: WatchRequest,
    private readonly device: Watchable,
    roots: CounterRoots,
  ) {
    super(request, device.name);
    this.watcher = new Watcher({ ...WATCH, still: request.still });
    const stat = device.how === 'counters' ? gaugeOf(join(roots.sysfs, 'block', device.id, 'stat')) : null;
    this.memory = gaugeOf(join(roots.proc, 'meminfo'));
    this.gauges = [stat, this.memory].filter((g) => g !== null);
    this.read = stat ? () => parseStat(stat.text()) : growthOf(device.name);
    this.ended = this.run();
  }

  protected stop(): void {
    this.isStopped = true;
  }

  override finish(): boolean {
    this.finished ??= performance.now() / 1000;
    return true;
  }

  private async reading(): Promise<CounterReading> {
    const counters = await this.read();
    return {
      ...counters,
      t: performance.now() / 1000,
      pending: this.memory ? parsePending(this.memory.text()) : null,
    };
  }

  private async run(): Promise<void> {
    try {
      for (;;) {
        const began = performance.now();
        const state = this.watcher.feed(await this.reading());
        if (this.isStopped) return this.say({ type: 'failed', aborted: true, problem: 'Stopped watching.' });
        const { t = 0, read = 0, written = 0, pending = null } = this.watcher.progress ?? {};
        if (state === 'over' || (this.finished !== null && this.watcher.progress)) return this.tell();
        if (this.finished !== null)
          return this.say({
            type: 'failed',
            aborted: false,
            problem:
              `Nothing was read from or written to ${this.device.name} while it was watched. Is the work on another device, ` +
              'or did memory answer? Start it anew after a restart, or watch the other device.',
          });
        this.say({ type: 'watching', state, t, read, written, pending });
        const took = performance.now() - began;
        const rest = this.device.how === 'counters' ? TICK - took : Math.max(TICK - took, took * REST);
        await new Promise((resolve) => setTimeout(resolve, Math.max(5, rest)));
        if (this.watcher.progress) this.apart = Math.max(this.apart, (performance.now() - began) / 1000);
      }
    } catch (error) {
      this.say({
        type: 'failed',
        aborted: false,
        problem: `${this.device.name} cannot be watched any longer (${(error as Error).message}). Was it unplugged?`,
      });
    } finally {
      this.gauges.forEach((gauge) => gauge.close());
    }
  }

  private tell(): void {
    const result = this.watcher.result(this.finished ?? undefined)!;
    const { began, whole, ...watched } = result;
    // A reading says that something came since the one before: on average half of that is made up for.
    const reading = Math.min(this.apart, 1) / Math.sqrt(12);
    this.say({
      type: 'watched',
      device: this.device,
      at: new Date(performance.timeOrigin + began * 1000).toISOString(),
      error: this.finished === null ? reading : Math.hypot(reading, THUMB),
      ...watched,
      whole: whole && withoutBegin(whole),
    });
  }
}
