import { given, type Estimate } from '../evidence';
import type { FormatPass } from '../job';
import { formatEnd } from '../models';
import { parseQuantity } from '../units';

/** When a pass over a whole disk ends, as it tells of itself. */
interface PassEnd {
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
export function passTotal(pass: FormatPass | undefined): Estimate | null {
  const end = pass ? endOfPass(pass) : null;
  return end && 'total' in end ? end.total : null;
}

/** Half of the last digit of a share in per cent, as a share: `31` 0.005, `31.4` 0.0005. */
const grainOf = (shown: string): number => 0.005 / 10 ** (/[.,](\d+)$/.exec(shown)?.[1]!.length ?? 0);

/** A checkpoint as it is typed: `31 %`, `31 % after 6 h 40 min`, `62 % at 9:20`, `turned to 62 % at 9:20`; or why it is none. */
export function readCheckpoint(
  typed: string,
  started: string,
  now: Date,
): { ok: true; checkpoint: FormatPass['checkpoints'][number] } | { ok: false; problem: string } {
  const refused = (problem: string) => ({ ok: false as const, problem });
  const [, turned, shown, how, when] =
    /^\s*(turned to\s+)?([\d.,]+)\s*%?\s*(?:(after|at)\s+(.+?))?\s*$/i.exec(typed) ?? [];
  const share = shown === undefined ? NaN : Number(shown.replace(',', '.')) / 100;
  if (!(share > 0 && share <= 1))
    return refused('Type what it shows: 31 %, 31 % after 6 h 40 min, or turned to 62 % at 9:20.');
  const begin = Date.parse(started);
  let at = now.getTime();
  if (how?.toLowerCase() === 'after') {
    const taken = parseQuantity(when!, 'time');
    if (!taken.ok) return refused(taken.problem);
    at = begin + taken.value * 1000;
  } else if (how) {
    const [, hour, minute] = /^(\d{1,2})[:.](\d{2})$/.exec(when!) ?? [];
    if (hour === undefined || Number(hour) > 23 || Number(minute) > 59)
      return refused(`“${when}” is no time of day such as 9:20.`);
    const day = new Date(begin);
    day.setHours(Number(hour), Number(minute), 0, 0);
    // A time of day before it began is that of the next day.
    if (day.getTime() <= begin) day.setDate(day.getDate() + 1);
    at = day.getTime();
  }
  if (at <= begin) return refused('That is before it began.');
  if (at > now.getTime() + 60_000) return refused('That is still to come.');
  const grain = grainOf(shown!);
  return {
    ok: true,
    checkpoint: {
      at: new Date(at).toISOString(),
      share,
      ...(grain < 0.005 ? { grain } : {}),
      ...(turned ? { turned: true as const } : {}),
    },
  };
}
