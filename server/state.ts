import {
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

/** What one record may weigh, B: a run with its samples is far below. */
const MOST = 8e6;
const NAME = /^[A-Za-z0-9._-]{1,80}$/;

/** Where a user's programs keep what must outlive them [XDG base directory specification]. */
const stateFolder = (): string =>
  join(process.env.XDG_STATE_HOME || join(homedir(), '.local/state'), 'kymar');
/** Where they keep what may be thrown away. */
export const cacheFolder = (): string =>
  join(process.env.XDG_CACHE_HOME || join(homedir(), '.cache'), 'kymar');

/**
 * A folder of Kymar's own: made where it is not there, never through a link, and nobody else's.
 * @throws Error that says what is wrong with it
 */
export function ownFolder(path: string): string {
  mkdirSync(path, { recursive: true, mode: 0o700 });
  const found = lstatSync(path);
  if (!found.isDirectory()) throw new Error(`${path} is a link or a file, not a folder. Remove it.`);
  const me = process.getuid?.();
  if (me !== undefined && found.uid !== me)
    throw new Error(`${path} belongs to another user. Remove it, or name a folder with --bench.`);
  if (me !== undefined && found.mode & 0o022)
    throw new Error(
      `Others may write to ${path}. Take that right away (chmod 700), or name a folder with --bench.`,
    );
  return path;
}

/** What outlives a start could not be written. Without a code of the system's: it is not the bench folder that is full. */
export class NotKept extends Error {}

const REASONS: Record<string, string> = {
  ENOSPC: 'its volume is full',
  EDQUOT: 'its quota is used up',
  EROFS: 'it is read-only',
};

/** Removes a file; one that cannot be removed is found again at the next start. */
function remove(file: string): void {
  try {
    rmSync(file, { force: true });
  } catch {
    // Its folder is gone, or read-only.
  }
}

/** Records of one kind, each a small file of its own: two servers never write the same one. */
export class RecordFiles<T extends object> {
  private readonly folder: string;
  private readonly failed: string | null;

  constructor(
    kind: string,
    private readonly root = stateFolder(),
  ) {
    this.folder = join(root, kind);
    this.failed = this.open();
  }

  /** Why nothing can be kept; null when all is well. */
  get problem(): string | null {
    return this.failed;
  }

  private open(): string | null {
    try {
      ownFolder(this.root);
      ownFolder(this.folder);
      return null;
    } catch (error) {
      return `Nothing can be kept over a restart: ${(error as Error).message}`;
    }
  }

  /**
   * Writes a record whole or not at all; a folder that went meanwhile is made again. Does nothing where nothing could be kept from the start.
   * @throws NotKept when it cannot be written now
   */
  put(id: string, record: T): void {
    if (this.failed || !NAME.test(id)) return;
    const file = join(this.folder, `${id}.json`);
    const fresh = `${file}.${process.pid}.new`;
    try {
      if (!existsSync(this.folder)) this.open();
      writeFileSync(fresh, JSON.stringify(record), { mode: 0o600 });
      renameSync(fresh, file);
    } catch (error) {
      remove(fresh);
      const { code = '', message } = error as NodeJS.ErrnoException;
      throw new NotKept(
        `Kymar’s own folder ${this.folder} cannot be written to: ${REASONS[code] ?? message}`,
      );
    }
  }

  drop(id: string): void {
    if (!this.failed && NAME.test(id)) remove(join(this.folder, `${id}.json`));
  }

  /** All records that can be read, oldest first. */
  all(): { id: string; record: T }[] {
    if (this.failed) return [];
    const files = this.names().filter((name) => name.endsWith('.json'));
    const read = files.flatMap((name) => this.read(name));
    return read.sort((a, b) => a.at - b.at).map(({ id, record }) => ({ id, record }));
  }

  /** What lies in its folder; nothing where that is gone, or something else stands in its place. */
  private names(): string[] {
    try {
      return readdirSync(this.folder);
    } catch {
      return [];
    }
  }

  private read(name: string): { id: string; record: T; at: number }[] {
    const file = join(this.folder, name);
    try {
      const found = lstatSync(file);
      if (!found.isFile() || found.size > MOST) return [];
      const record = JSON.parse(readFileSync(file, 'utf8')) as T;
      return typeof record === 'object' && record !== null
        ? [{ id: name.slice(0, -5), record, at: statSync(file).mtimeMs }]
        : [];
    } catch {
      return [];
    }
  }
}
