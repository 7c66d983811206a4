import type { CopyRequest, RunEvent } from '@kymar/core/measure';
import type { Copied, Copying, SourceFile } from './work';
import { FolderTask } from '../../foldertask';
import { asTarget, type TargetPlace } from '../../target';
import { Workfolder } from '../../workfolder';
import { sourceOf, targetOf, type ServerWay } from '../way';

/** Paths that differ and are named. */
const NAMED = 5;

/** A folder copied file by file onto a target, read back and compared; the copy is removed, its manifest told. */
class CopyRun extends FolderTask<CopyRequest, Copied> {
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
    return this.thread<Copying, Copied>('copy', { from, files, into: this.folder.part('') });
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

export const COPY_GROUND: ServerWay<CopyRequest> = {
  async ground(request, folders) {
    const place = await targetOf(request, folders);
    const { place: source, files } = await sourceOf(request, folders);
    const from = { folder: source.folder, files };
    const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
    const folder = () => Workfolder.make(place.folder);
    return { place, bytes, begin: (worker) => new CopyRun(place, request, from, folder(), worker) };
  },
};
