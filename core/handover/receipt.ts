import { OLD_FATES, type Job, type JobDevice, fittingOf } from '../job';
import { calendarDay } from '../units';
import { listBlock, section, textBlock, type HandoverDocument } from './block';

/** The step that says what was done with the old drive. */
const STEP = /^old-/;

/** What the customer's data is after that. */
const DATA: Record<keyof typeof OLD_FATES, string> = {
  kept: 'The customer’s data is still on it. The shop keeps it unplugged, and wipes it only when the customer says so.',
  wiped: 'What was on it cannot be read back.',
  returned: 'The customer’s data is still on it.',
  destroyed: 'What was on it cannot be read back.',
};

/**
 * A receipt for the drive that a device took over from: which one, what was done with it, what is still on it.
 * @param on the day, ISO
 * @returns null where nobody said what becomes of it
 */
export function oldDriveReceipt(job: Job, device: JobDevice, on: string): HandoverDocument | null {
  const { then, name, serial, state } = device.needs?.old ?? {};
  if (!then) return null;
  const mark = fittingOf(job, device.id)?.steps.find(({ id, skipped }) => STEP.test(id) && !skipped);
  const done = mark
    ? `${OLD_FATES[then]}, on ${calendarDay(mark.at)}`
    : `is to be ${OLD_FATES[then]}; not yet done`;
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
        textBlock(`${done.charAt(0).toUpperCase()}${done.slice(1)}.`, DATA[then]),
        listBlock(['For the shop: ______________________', 'Received: ______________________']),
      ]),
    ],
  };
}
