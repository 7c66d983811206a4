import type { Named, PracticeStep } from '@kymar/core/practice';
import { setSetting, useSettings, type Played, type PracticeRecord } from '../state/settings';

const NONE: PracticeRecord = { going: null, record: [] };
/** As many rounds are kept of the record. */
const MOST = 500;

const now = (): PracticeRecord => useSettings.getState().practice ?? NONE;
const put = (practice: Partial<PracticeRecord>): void => setSetting('practice', { ...now(), ...practice });

/** The round that goes on and the record: both stay over a reload. */
export const usePractice = (): PracticeRecord => useSettings((s) => s.practice) ?? NONE;

/** Seeds come one after another: the next is one nobody has played at this level. */
export function beginRound(level: number): void {
  const played = now().record.filter((r) => r.level === level);
  const seed = played.reduce((most, r) => Math.max(most, r.seed), 0) + 1;
  put({ going: { level, seed, steps: [] } });
}

export const leave = (): void => put({ going: null });

export function step(next: PracticeStep): void {
  const { going } = now();
  if (going && !going.named) put({ going: { ...going, steps: [...going.steps, next] } });
}

/** The cause was named: the round is over and stands in the record. */
export function name(named: Named, came: Omit<Played, 'at'>): void {
  const { going, record } = now();
  if (!going || going.named) return;
  put({
    going: { ...going, named },
    record: [...record, { at: new Date().toISOString(), ...came }].slice(-MOST),
  });
}
