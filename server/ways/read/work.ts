import { join } from 'node:path';
import type { ThreadPlace } from '../../order';
import type { Counter } from '../../sequential';
import type { SourceFile } from '../copy/work';
import { readAll, type FilesRead } from '../files/work';

/** All files of a folder read once. @throws Stopped when asked to stop; the system's error when the folder is gone */
export const readFolder = (from: string, files: readonly SourceFile[], counter: Counter): FilesRead =>
  readAll(
    files.map(({ path }) => join(from, path)),
    counter,
  );

export const readWork = (
  { from, files }: { from: string; files: readonly SourceFile[] },
  _: ThreadPlace,
  counter: Counter,
): FilesRead => readFolder(from, files, counter);
