import { warmAt, settlesAt } from '../heat';
import { run, type Flow, type Store } from '../transfer';

/** Something done again and again. */
export interface Repeated {
  id: string;
  perDay: number;
  /** The flows of one time, with the drive this full (0 to 1). */
  plan(fill: number): Flow[];
}

/** The drive over the days, in B; growth in B a day. */
export interface Kept {
  capacity: number;
  fill: number;
  growth: number;
  /** Share that counts as full: what file system and free space leave; absent: all of it. */
  most?: number;
}

export interface Day {
  day: number;
  fill: number;
  /** s that each activity took, by its place in the list; NaN where it was not its day. */
  seconds: number[];
  /** Share of its cache that the drive had back when each began; 1 for none. */
  ready: number[];
  /** B written to the drive since day 0. */
  written: number;
}

export interface Repeats {
  days: Day[];
  /** Day on which the drive is full; null where it is not within the time asked for. */
  full: number | null;
}

const DAY = 86_400;

/** Does it on this day? Spread evenly: three times a week is every second or third day. */
const timesOn = (perDay: number, day: number): number => Math.floor((day + 1) * perDay + 1e-9) - Math.floor(day * perDay + 1e-9);

/**
 * Lives through the days: everything at its times, evenly over the day, idle between. What an activity leaves of the cache and of its warmth the next one
 * finds, as far as the time between has not mended it; the drive fills as the data grows.
 * @param days how many
 * @param every only each so many-th day is lived through, with the day before it to settle; the data grows all the same
 */
export function repeat(activities: readonly Repeated[], kept: Kept, days: number, every = 1): Repeats {
  const { most = 1 } = kept;
  const found: Day[] = [];
  let written = 0;
  let lack = 0;
  let warm: number | null = null;
  const once = activities.map((a) => a.plan(kept.fill).reduce((sum, f) => sum + (f.to.store.role === 'drive' ? f.bytes : 0), 0));
  for (let day = 0; day < days; day += every) {
    const fill = kept.fill + (kept.growth * day) / kept.capacity;
    if (fill >= most) return { days: found, full: kept.growth > 0 ? Math.max(0, Math.ceil(((most - kept.fill) * kept.capacity) / kept.growth)) : 0 };
    const today: Day = { day, fill, seconds: activities.map(() => NaN), ready: activities.map(() => 1), written };
    const rounds = every > 1 ? 2 : 1;
    for (let round = 0; round < rounds; round++) {
      const last = round === rounds - 1;
      const list = activities.flatMap((a, i) => Array.from({ length: every > 1 ? Math.max(a.perDay > 0 ? 1 : 0, Math.round(a.perDay)) : timesOn(a.perDay, day) }, () => i));
      const gap = list.length > 0 ? DAY / list.length : DAY;
      for (const i of list) {
        const flows = activities[i]!.plan(fill);
        const drive = driveOf(flows);
        const whole = drive?.cacheMost ?? drive?.cache ?? Infinity;
        if (drive && whole < Infinity) drive.cache = Math.max(0, whole - lack);
        if (drive?.heat && warm !== null) drive.heat.start = warm;
        const { seconds, stores } = run(flows);
        if (last) {
          today.seconds[i] = seconds;
          today.ready[i] = drive && whole < Infinity && whole > 0 ? drive.cache / whole : 1;
        }
        const idle = Math.max(0, gap - seconds);
        const state = stores.find((s) => s.store === drive);
        if (!drive || !state) continue;
        if (whole < Infinity) lack = Math.max(0, whole - state.cache - (drive.refill ?? Infinity) * idle);
        if (drive.heat) warm = warmAt(state.warm, settlesAt(drive.heat.air, drive.heat.idle, drive.heat.resistance), drive.heat.resistance * drive.heat.capacity, idle);
      }
    }
    activities.forEach((a, i) => {
      written += once[i]! * (every > 1 ? a.perDay * every : timesOn(a.perDay, day));
      if (Number.isNaN(today.seconds[i]!)) today.seconds[i] = found.at(-1)?.seconds[i] ?? NaN;
    });
    found.push({ ...today, written });
  }
  return { days: found, full: null };
}

function driveOf(flows: readonly Flow[]): Store | null {
  for (const { from, to } of flows) {
    if (to.store.role === 'drive') return to.store;
    if (from.store.role === 'drive') return from.store;
  }
  return null;
}
