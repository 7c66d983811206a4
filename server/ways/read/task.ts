import type { ReadRequest, RunEvent } from '@kymar/core/measure';
import type { SourceFile } from '../copy/work';
import type { FilesRead } from '../files/work';
import { FolderTask, NO_FOLDER } from '../../foldertask';
import { asTarget, type TargetPlace } from '../../target';
import { sourceOf, type ServerWay } from '../way';

/** A folder read once, file by file, past what the host's memory still holds of it. Nothing is written. */
class ReadRun extends FolderTask<ReadRequest, FilesRead> {
  protected readonly total: number;

  constructor(
    source: TargetPlace,
    request: ReadRequest,
    private readonly files: readonly SourceFile[],
    workerFile: string,
  ) {
    super(source, request, NO_FOLDER, workerFile);
    this.total = Math.max(
      1,
      files.reduce((sum, { bytes }) => sum + bytes, 0),
    );
  }

  protected work() {
    return this.thread<object, FilesRead>('read', { from: this.target.folder, files: this.files });
  }

  protected result(done: FilesRead): RunEvent {
    const samples = this.course('read', { t: done.seconds, bytes: done.bytes });
    const pass = { ...done, direction: 'read' as const, bar: null, samples };
    return { type: 'passed', target: asTarget(this.target), passes: [pass] };
  }
}

export const READ_GROUND: ServerWay<ReadRequest> = {
  async ground(request, folders) {
    const { place, files } = await sourceOf(request, folders);
    return { place, bytes: 0, begin: (worker) => new ReadRun(place, request, files, worker) };
  },
};
