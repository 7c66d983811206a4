import { isLoad, type Activity } from '../job';
import { felt } from '../models';
import type { Spread } from '../stats';
import { format } from '../units';

const FELT = { yes: 'felt', no: 'not felt', unclear: 'at the edge of what is felt' };

/** What a time comes to beside what the activity takes today, in a sentence; null where nobody said what that is. */
export function besideToday(activity: Activity, time: Spread | null): string | null {
  const { today } = activity;
  if (today == null || !time || !Number.isFinite(time.high)) return null;
  const by = today - time.expected;
  const now = `than today’s ${format(today, 's')}`;
  const seen = felt(
    { low: today - time.high, expected: by, high: today - time.low },
    Math.max(today, time.expected),
  );
  // Of what is waited for without looking nobody asks whether it is felt.
  const how = isLoad(activity) ? `, ${FELT[seen]}` : '';
  if (Math.abs(by) < 0.01 * today) return `As long as today: ${format(today, 's')}${how}.`;
  return `${format(Math.abs(by), 's')} ${by > 0 ? 'sooner' : 'later'} ${now}${how}.`;
}
