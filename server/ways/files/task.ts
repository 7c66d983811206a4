import { sizesOfFiles, type FilesRequest, type RunEvent } from '@kymar/core/measure';
import type { FilesDone, FilesRead, WritingFiles } from './work';
import { FolderTask } from '../../foldertask';
import { asTarget } from '../../target';
import { writing } from '../way';

/** Many files of scattered sizes, written one after another and read back. */
class FilesRun extends FolderTask<FilesRequest, FilesDone> {
  private readonly sizes = sizesOfFiles(this.request);
  protected readonly total = this.sizes.reduce((sum, size) => sum + size, 0);

  protected work() {
    const { back } = this.request;
    return this.thread<WritingFiles, FilesDone>('files', {
      sizes: this.sizes,
      into: this.folder.part(''),
      back,
    });
  }

  protected result({ bar, write, read }: FilesDone): RunEvent {
    const pass = (direction: 'read' | 'write', done: FilesRead, handed: number | null) => ({
      ...done,
      direction,
      bar: handed,
      samples: this.course(direction, { t: done.seconds, bytes: done.bytes }),
    });
    const passes = [pass('write', write, bar), ...(read ? [pass('read', read, null)] : [])];
    return { type: 'passed', target: asTarget(this.target), passes };
  }
}

export const FILES_GROUND = writing(FilesRun, (request) =>
  sizesOfFiles(request).reduce((sum, size) => sum + size, 0),
);
