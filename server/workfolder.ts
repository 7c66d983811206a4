import { randomBytes } from 'node:crypto';
import * as fs from 'node:fs';
import { join } from 'node:path';
import { fateOf, ownerFrom, thisProcess, type Owner } from './owner';
import { NotKept, RecordFiles } from './state';

/*
 * Everything Kymar writes goes into a sub-folder it makes itself, `.kymar-run-<random>`, holding `owner.json`, `data.bin` or the
 * parts of a copy, and nothing else. Both folders are opened once and reached through their descriptors from then on: whatever somebody puts in the place
 * of their names meanwhile, only what Kymar made is written to or removed. The owner file names the process that made it, and the
 * journal of this user names every such folder by device and inode, so that a later start removes what a crash has left: that, and nothing
 * that merely has such a name.
 */
const PREFIX = '.kymar-run-';
const OWNER = 'owner.json';
export const DATA = 'data.bin';
/** Beginning of the names of files that a copy of many makes. */
export const PART = 'part-';
const PARTS = /^part-\d{1,6}$/;
const { O_RDONLY, O_WRONLY, O_CREAT, O_EXCL, O_DIRECTORY, O_NOFOLLOW, O_NONBLOCK } = fs.constants;
/** A folder without an owner is somebody's that is just being made, for so long, in ms. */
const BEING_MADE = 10_000;

/** What could not be removed. */
export interface Left {
  path: string;
  /** B it takes. */
  bytes: number;
  why: string;
}

export const leftWords = ({ path, bytes, why }: Left): string =>
  `${path} (${Math.ceil(bytes / 1e6)} MB) could not be removed: ${why}.`;

interface Entry {
  target: string;
  name: string;
  /** Which folder it is, whatever stands under its name by now. Older journals do not say. */
  dev?: string;
  ino?: string;
}
/** A name as Kymar makes it. */
const NAME = /^\.kymar-run-[0-9a-f]{32}$/;

const code = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? (error as Error).message;
const missing = (error: unknown): boolean => code(error) === 'ENOENT';

/** An opened folder; its entries are reached through the descriptor where the system has such paths. */
class Opened {
  readonly fd: number;
  readonly dev: string;
  readonly ino: string;

  constructor(
    readonly path: string,
    follow: boolean,
  ) {
    this.fd = fs.openSync(path, O_RDONLY | O_DIRECTORY | (follow ? 0 : O_NOFOLLOW));
    const { dev, ino } = fs.fstatSync(this.fd, { bigint: true });
    [this.dev, this.ino] = [String(dev), String(ino)];
  }

  get stat(): fs.Stats {
    return fs.fstatSync(this.fd);
  }

  /** Path of an entry that leads to this very folder. @throws Error when another one stands under its name */
  at(name: string): string {
    if (process.platform === 'linux') return `/proc/self/fd/${this.fd}/${name}`;
    if (!this.is(this.path)) throw new Error('another folder stands in its place');
    return join(this.path, name);
  }

  names(): string[] {
    return fs.readdirSync(this.at('.'));
  }

  /** Whether a path leads to this very folder. */
  is(path: string): boolean {
    try {
      const found = fs.lstatSync(path, { bigint: true });
      return found.isDirectory() && String(found.dev) === this.dev && String(found.ino) === this.ino;
    } catch {
      return false;
    }
  }

  close(): void {
    fs.closeSync(this.fd);
  }
}

/** A work folder: the place of one run. */
export class Workfolder {
  private closed = false;

  private constructor(
    private readonly parent: Opened,
    private readonly inside: Opened,
    private readonly entry: Entry,
    private readonly journal: RecordFiles<Entry>,
  ) {}

  /** Makes a work folder inside a target. @throws the system's error when it cannot */
  static make(target: string, journal = new RecordFiles<Entry>('folders')): Workfolder {
    // What no journal names, nobody would clear after a crash.
    if (journal.problem) throw new NotKept(journal.problem);
    const parent = new Opened(target, true);
    const name = PREFIX + randomBytes(16).toString('hex');
    let inside: Opened;
    try {
      fs.mkdirSync(parent.at(name), { mode: 0o700 });
      inside = new Opened(parent.at(name), false);
    } catch (error) {
      parent.close();
      throw error;
    }
    const entry = { target, name, dev: inside.dev, ino: inside.ino };
    const made = new Workfolder(parent, inside, entry, journal);
    try {
      journal.put(name, entry);
      made.claim();
      return made;
    } catch (error) {
      made.close();
      throw error;
    }
  }

  /** A folder that was made before. @throws the system's error when there is none */
  private static reopen(entry: Entry, journal: RecordFiles<Entry>): Workfolder {
    const parent = new Opened(entry.target, true);
    try {
      return new Workfolder(parent, new Opened(parent.at(entry.name), false), entry, journal);
    } catch (error) {
      parent.close();
      throw error;
    }
  }

  private claim(): void {
    const { uid, mode } = this.inside.stat;
    if (process.getuid && (uid !== process.getuid() || mode & 0o077))
      throw new Error('another folder was put in its place');
    const fd = fs.openSync(this.inside.at(OWNER), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW, 0o600);
    try {
      fs.writeSync(fd, JSON.stringify(thisProcess()));
    } finally {
      fs.closeSync(fd);
    }
  }

  get path(): string {
    return join(this.entry.target, this.entry.name);
  }

  /** The test file, reached through the descriptor: valid in this process for as long as the folder is open. */
  get data(): string {
    return this.inside.at(DATA);
  }

  /** A file of it by name. */
  part(name: string): string {
    return this.inside.at(name);
  }

  /** Removes the folder with what Kymar put there, and nothing else. @returns what is left, or null */
  close(): Left | null {
    if (this.closed) return null;
    this.closed = true;
    const left = this.empty() ?? this.remove();
    if (!left) this.journal.drop(this.entry.name);
    this.inside.close();
    this.parent.close();
    return left;
  }

  /** Leaves it as it is: somebody else's run, or something strange. */
  private leave(): void {
    this.closed = true;
    this.inside.close();
    this.parent.close();
  }

  private left(bytes: number, error: unknown): Left {
    return {
      path: this.path,
      bytes,
      why: error instanceof Error ? error.message.replace(/\/proc\/self\/fd\/\d+\//g, '') : String(error),
    };
  }

  private empty(): Left | null {
    let bytes = 0;
    try {
      const parts = this.inside.names().filter((name) => PARTS.test(name));
      for (const name of [...parts, DATA, OWNER]) {
        const found = fs.lstatSync(this.inside.at(name), { throwIfNoEntry: false });
        if (!found) continue;
        bytes = found.size;
        // A link put in the place of a file is removed itself, never what it points to; a folder, pipe or device is nobody's run.
        if (!found.isFile() && !found.isSymbolicLink()) return this.left(0, `${name} in it is no file`);
        fs.unlinkSync(this.inside.at(name));
      }
      const [strange] = this.inside.names();
      return strange === undefined ? null : this.left(0, `${strange} in it is not Kymar’s`);
    } catch (error) {
      return this.left(bytes, error);
    }
  }

  private remove(): Left | null {
    try {
      const place = this.place();
      if (place) fs.rmdirSync(place);
      return null;
    } catch (error) {
      return missing(error) ? null : this.left(0, error);
    }
  }

  /** Where the folder is now: under its own name, or where somebody moved it; null when it is gone. */
  private place(): string | null {
    if (this.inside.is(this.parent.at(this.entry.name))) return this.parent.at(this.entry.name);
    if (this.inside.stat.nlink === 0) return null;
    const moved = process.platform === 'linux' ? fs.readlinkSync(`/proc/self/fd/${this.inside.fd}`) : '';
    if (moved && this.inside.is(moved)) return moved;
    throw new Error('it was moved away');
  }

  /** Removes what a crashed run left, where it is the very folder that the journal names. @returns whether it did, and what it could not */
  static sweep(entry: Entry, journal: RecordFiles<Entry>): { swept: boolean; left: Left | null } {
    let folder: Workfolder;
    try {
      folder = Workfolder.reopen(entry, journal);
    } catch (error) {
      if (missing(error) && fs.existsSync(entry.target)) journal.drop(entry.name);
      return { swept: false, left: null };
    }
    const { dev, ino } = folder.inside;
    const fate = folder.fate();
    const isNamed = dev === entry.dev && ino === entry.ino;
    const why =
      fate === 'elsewhere'
        ? 'it belongs to a run of another machine or container, which may still be going on'
        : fate === 'dead' && !isNamed
          ? 'Kymar’s journal does not name this very folder. Remove it yourself if it is nobody’s'
          : null;
    if (fate !== 'dead' || why !== null) {
      const left = why === null ? null : folder.left(folder.bytes, why);
      folder.leave();
      return { swept: false, left };
    }
    const left = folder.close();
    return { swept: left === null, left };
  }

  /** B of its test file. */
  private get bytes(): number {
    return fs.lstatSync(this.inside.at(DATA), { throwIfNoEntry: false })?.size ?? 0;
  }

  private fate(): ReturnType<typeof fateOf> | 'strange' {
    const { uid, mtimeMs } = this.inside.stat;
    if (process.getuid && uid !== process.getuid()) return 'strange';
    const owner = this.owner();
    if (owner) return fateOf(owner);
    return owner === undefined && Date.now() - mtimeMs > BEING_MADE ? 'dead' : 'strange';
  }

  /** The owner as written; undefined where none is, null where something else stands there. Never waits for a pipe. */
  private owner(): Owner | null | undefined {
    let fd: number;
    try {
      fd = fs.openSync(this.inside.at(OWNER), O_RDONLY | O_NOFOLLOW | O_NONBLOCK);
    } catch (error) {
      return missing(error) ? undefined : null;
    }
    try {
      const found = fs.fstatSync(fd);
      return found.isFile() && found.size <= 4096 ? ownerFrom(fs.readFileSync(fd, 'utf8')) : null;
    } catch {
      return null;
    } finally {
      fs.closeSync(fd);
    }
  }
}

/** Tries whether a work folder can be made here. @throws the system's error when it cannot */
export function probe(target: string): void {
  const left = Workfolder.make(target).close();
  if (left) throw new Error(leftWords(left));
}

/** Removes what the journal names and crashed runs left; what else lies in these targets under such a name is told, and left. */
export function sweep(
  targets: readonly string[],
  journal = new RecordFiles<Entry>('folders'),
): { swept: number; left: Left[] } {
  const entries = new Map<string, Entry>();
  for (const { record } of journal.all())
    if (typeof record.target === 'string' && typeof record.name === 'string' && NAME.test(record.name))
      entries.set(join(record.target, record.name), record);
  for (const target of targets)
    for (const name of namesIn(target)) {
      const path = join(target, name);
      if (NAME.test(name) && !entries.has(path)) entries.set(path, { target, name });
    }
  const found = [...entries.values()].map((entry) => Workfolder.sweep(entry, journal));
  return { swept: found.filter((f) => f.swept).length, left: found.flatMap((f) => f.left ?? []) };
}

function namesIn(target: string): string[] {
  try {
    return fs.readdirSync(target);
  } catch {
    return [];
  }
}
