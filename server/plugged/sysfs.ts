import { readdir, readFile, realpath } from 'node:fs/promises';
import { join } from 'node:path';

/** Reads attributes of Linux's sysfs below a root that tests replace by a made-up tree. What is not there reads as empty. */
export class Sysfs {
  constructor(private readonly root: string) {}
  read(...path: string[]): Promise<string> {
    return readFile(join(this.root, ...path), 'utf8').then(
      (text) => text.trim(),
      () => '',
    );
  }
  list(...path: string[]): Promise<string[]> {
    return readdir(join(this.root, ...path)).then(
      (names) => names.sort(),
      () => [],
    );
  }
  /** Names along the real path of a link, outermost first: a device below its bridges. */
  chain(...path: string[]): Promise<string[]> {
    return realpath(join(this.root, ...path)).then(
      (real) => real.split('/'),
      () => [],
    );
  }
}
