import type { RealResult, RunEvent, SequentialRequest } from '@kymar/core/measure';
import { FolderTask } from '../../foldertask';
import type { MovedBytes } from '../../sequential';
import { asTarget } from '../../target';
import { writing } from '../way';
import type { Pass, Passed } from './work';

/** A file written front to back, and read back. */
class RealRun extends FolderTask<SequentialRequest, Passed> {
  protected readonly total = Math.ceil(this.request.bytes / 4096) * 4096;

  protected work() {
    const { block, mode } = this.request;
    return this.thread<Pass, Passed>('pass', { bytes: this.total, block, back: mode === 'write-read' });
  }

  protected result({ write, read }: Passed): RunEvent {
    const results = [this.half('write', write), ...(read ? [this.half('read', read)] : [])];
    return { type: 'done', target: asTarget(this.target), results };
  }

  private half(direction: 'read' | 'write', { seconds, through }: MovedBytes): RealResult {
    const samples = this.course(direction, { t: seconds, bytes: this.total });
    return { direction, bytes: this.total, seconds, through, samples };
  }
}

export const SEQUENTIAL_GROUND = writing(RealRun, ({ bytes }) => bytes);
