import type { CopyRequest, RunEvent } from '@kymar/core/measure';
import type { Copied, SourceFile } from './copy';
import { FolderTask } from './foldertask';
import { asTarget, type TargetPlace } from './target';
import { threadReport } from './thread';
import type { Workfolder } from './workfolder';
import type { CopyReport } from './worker';

/** Paths that differ and are named. */
const NAMED = 5;

/** A folder copied file by file onto a target, read back and compared; the copy is removed, its manifest told. */
export class CopyRun extends FolderTask<CopyRequest, Copied> {
  protected readonly total: number;

  constructor(
    target: TargetPlace,
    request: CopyRequest,
    private readonly from: { folder: string; files: readonly SourceFile[] },
    folder: Workfolder,
    workerFile: string,
  ) {
    super(target, request, folder, workerFile, `${from.folder} to ${target.folder}`);
    this.total = Math.max(
      1,
      from.files.reduce((sum, { bytes }) => sum + bytes, 0),
    );
  }

  protected work() {
    const { folder: from, files } = this.from;
    const copy = { from, files, into: this.folder.part('') };
    return threadReport<CopyReport>(this.workerFile, { ...this.order, copy });
  }

  protected result({ differ, ...done }: Copied): RunEvent {
    if (differ.length > 0)
      return {
        type: 'failed',
        aborted: false,
        problem:
          `${differ.length} of ${done.files} files came back other than they were read: ${differ.slice(0, NAMED).join(', ')}` +
          `${differ.length > NAMED ? ' …' : ''}. Drive, cable or memory garbles data: trust nothing on it. No figure is kept.`,
      };
    const samples = this.course('write', { t: done.seconds, bytes: done.bytes });
    return { type: 'copied', target: asTarget(this.target), from: this.from.folder, ...done, samples };
  }
}
