import { given, type Estimate } from '../evidence';
import type { FormatPass } from '../job';
import { formatEnd } from '../models';

/** When a pass over a whole disk ends, as it tells of itself. */
export interface PassEnd {
  /** s from its start. */
  total: Estimate;
  /** What a straight line through its last checkpoint says, s; null once it is over. */
  straight: number | null;
}

const secondsTo = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 1000;

/**
 * The end of a pass by what was seen of it: that it is over, or how far its display had come.
 * @returns null while nothing was seen of it; the problem where its checkpoints cannot be
 */
export function endOfPass({ started, checkpoints, ended }: FormatPass): PassEnd | { problem: string } | null {
  if (ended !== undefined) {
    const source = { kind: 'measured', note: 'when it was said to be done' } as const;
    return {
      total: given('time of the full format', secondsTo(started, ended), 's', source),
      straight: null,
    };
  }
  if (checkpoints.length === 0) return null;
  try {
    const seen = checkpoints.map(({ at, ...rest }) => ({ ...rest, elapsed: secondsTo(started, at) }));
    const { total, straight } = formatEnd(seen);
    return { total, straight };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** The total of a pass's end; null where there is none. */
export function totalOf(pass: FormatPass | undefined): Estimate | null {
  const end = pass ? endOfPass(pass) : null;
  return end && 'total' in end ? end.total : null;
}
