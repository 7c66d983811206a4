import { Worker } from 'node:worker_threads';
import type { RunEvent } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import type { TargetPlace } from './target';
import type { Failed, Order, Report } from './order';

/** The thread's report, whatever becomes of the thread. */
export function threadReport<D>(file: string, order: Order): Promise<Report<D>> {
  return new Promise((resolve) => {
    const broken = (message: string) => resolve({ ok: false, stopped: false, code: '', message });
    const worker = new Worker(file, { workerData: order });
    worker.once('message', resolve);
    worker.once('error', (error: Error) => broken(error.message));
    worker.once('exit', () => broken('the thread ended without a report'));
  });
}

/** Why a thread failed, in words. */
function failure(
  { code, message }: { code: string; message: string },
  { folder, reserve }: TargetPlace,
): string {
  switch (code) {
    case 'ENOSPC':
    case 'EDQUOT':
      return `${folder} ran full. Free some space or choose a smaller size.`;
    case 'RESERVE':
      return (
        `Stopped before the ${format(reserve, 'B')} that stay free in ${folder} would be ` +
        'touched: something else writes there too. Free some space or choose a smaller size.'
      );
    case 'STAMP':
      return (
        `What was read back in ${folder} is not what was written (${message}): the test ` +
        'file was changed meanwhile, or the drive returns other data. No figure is kept.'
      );
    case 'EIO':
    case 'ENODEV':
    case 'ENXIO':
      return `The drive under ${folder} failed or was unplugged (${code}). Check cable and port.`;
    default:
      return `The run broke off: ${message.replace(/\/proc\/self\/fd\/\d+\//g, '')}.`;
  }
}

/** How a thread that did not come through is told of. */
export function failedEvent(report: Failed, place: TargetPlace, left: string | undefined): RunEvent {
  const clean = left ? '' : 'the test file is removed';
  const problem = report.stopped ? `Stopped${clean && `; ${clean}`}.` : failure(report, place);
  return { type: 'failed', aborted: report.stopped, problem, ...(left ? { left } : {}) };
}
