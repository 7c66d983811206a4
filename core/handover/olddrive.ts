import { OLD_FATES, type Job, type JobDevice, fittingOf } from '../job';
import { calendarDay } from '../units';
import { listBlock, section, textBlock, type HandoverDocument } from './block';

/** What cannot be read back once that is done. */
const GONE: readonly string[] = ['wiped', 'destroyed'] satisfies (keyof typeof OLD_FATES)[];

/** What becomes of the drive that a device took over from, and the moment it was done, ISO, null until then; null where nobody said. */
function fateOf(job: Job, { id, needs }: JobDevice) {
  const { then } = needs?.old ?? {};
  if (!then) return null;
  // What was done before somebody thought otherwise is not this.
  const mark = fittingOf(job, id)?.steps.find((step) => step.id === `old-${then}` && !step.skipped);
  return { then, done: mark?.at ?? null };
}

/** What was done with the old drive, or is to be, in a line; null where nobody said. */
export function oldDriveLine(job: Job, device: JobDevice): string | null {
  const fate = fateOf(job, device);
  if (!fate) return null;
  const { name } = device.needs?.old ?? {};
  const { then, done } = fate;
  return `The old drive${name ? `, ${name}` : ''}: ${done ? '' : 'to be '}${OLD_FATES[then]}.`;
}

/**
 * A receipt for the drive that a device took over from: which one, what was done with it, what is still on it.
 * @param on the day, ISO
 * @returns null where nobody said what becomes of it
 */
export function oldDriveReceipt(job: Job, device: JobDevice, on: string): HandoverDocument | null {
  const fate = fateOf(job, device);
  if (!fate) return null;
  const { name, serial, state } = device.needs?.old ?? {};
  const { then, done } = fate;
  const what = done
    ? `${OLD_FATES[then].charAt(0).toUpperCase()}${OLD_FATES[then].slice(1)}, on ${calendarDay(done)}.`
    : `To be ${OLD_FATES[then]}; not yet done.`;
  const data =
    done && GONE.includes(then)
      ? 'What was on it cannot be read back.'
      : `The customer’s data is still on it${then === 'kept' ? '; the shop wipes it only when the customer says so' : ''}.`;
  return {
    title: 'Receipt: the old drive',
    line: [job.customer, job.title, calendarDay(on)].filter(Boolean).join(' · '),
    sections: [
      section('The drive', [
        listBlock([
          `Model: ${name || '______________'}`,
          `Serial number: ${serial || '______________'}`,
          state === 'failing' ? 'It was failing: some of what was on it may not have been read.' : null,
        ]),
      ]),
      section('What was done with it', [
        textBlock(what, data),
        listBlock(['For the shop: ______________________', 'Received: ______________________']),
      ]),
    ],
  };
}
