import type { ReadRequest, RunEvent } from '@kymar/core/measure';
import type { SourceFile } from './copy';
import type { FilesRead } from './files';
import { FolderTask, NO_FOLDER } from './foldertask';
import { asTarget, type TargetPlace } from './target';
import { threadReport } from './thread';
import type { FolderReport } from './worker';

/** A folder read once, file by file, past what the host's memory still holds of it. Nothing is written. */
export class ReadRun extends FolderTask<ReadRequest, FilesRead> {
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
    const read = { from: this.target.folder, files: this.files };
    return threadReport<FolderReport>(this.workerFile, { ...this.order, read });
  }

  protected result(done: FilesRead): RunEvent {
    const samples = this.course('read', { t: done.seconds, bytes: done.bytes });
    const pass = { ...done, direction: 'read' as const, bar: null, samples };
    return { type: 'passed', target: asTarget(this.target), passes: [pass] };
  }
}
