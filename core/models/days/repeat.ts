import { warmAt, settlesAt } from '../thermal/warm';
import { run } from '../transfer/engine';
import type { Flow, Store } from '../transfer/store';

/** Something done again and again. */
export interface Repeated {
  id: string;
  /** 0: once, on the first day. */
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
/** Temperatures nearer to each other than this count as the same, K. */
const ALIKE = 0.01;

/** Does it on this day? Spread evenly: three times a week is every second or third day. */
const timesOn = (perDay: number, day: number): number =>
  perDay === 0 ? Number(day === 0) : Math.floor((day + 1) * perDay + 1e-9) - Math.floor(day * perDay + 1e-9);

/**
 * Lives through the days: everything at its times, evenly over the day, idle between. What an activity leaves of the cache and of its warmth the next one
 * finds, as far as the time between has not mended it; the drive fills as the data grows.
 * @param days how many
 * @param every only each so many-th day is lived through, with the day before it to settle; the data grows all the same
 */
export function repeat(activities: readonly Repeated[], kept: Kept, days: number, every = 1): Repeats {
  const { most = 1 } = kept;
  const found: Day[] = [];
  const left: Left = { lack: 0, warm: null };
  let written = 0;
  const once = activities.map((a) =>
    a.plan(kept.fill).reduce((sum, f) => sum + (f.to.store.role === 'drive' ? f.bytes : 0), 0),
  );
  for (let day = 0; day < days; day += every) {
    const fill = kept.fill + (kept.growth * day) / kept.capacity;
    if (fill >= most)
      return {
        days: found,
        full:
          kept.growth > 0 ? Math.max(0, Math.ceil(((most - kept.fill) * kept.capacity) / kept.growth)) : 0,
      };
    const often = activities.map((a) =>
      every > 1 && a.perDay > 0 ? Math.max(1, Math.round(a.perDay)) : timesOn(a.perDay, day),
    );
    const gap =
      DAY /
      Math.max(
        1,
        often.reduce((sum, n) => sum + n, 0),
      );
    let lived: Times[] = [];
    for (let round = 0; round < (every > 1 ? 2 : 1); round++) {
      let spent = 0;
      lived = activities.map((a, i) => {
        const times = again(a, often[i]!, fill, gap, DAY - spent, left);
        spent += times.spent;
        return times;
      });
    }
    activities.forEach((a, i) => {
      const done = often[i]! > 0 ? lived[i]!.done / often[i]! : 0;
      written += once[i]! * done * (every > 1 && a.perDay > 0 ? a.perDay * every : timesOn(a.perDay, day));
    });
    const seconds = lived.map((times, i) =>
      times.done > 0 ? times.seconds : (found.at(-1)?.seconds[i] ?? NaN),
    );
    found.push({ day, fill, seconds, ready: lived.map((times) => times.ready), written });
  }
  return { days: found, full: null };
}

/** What one time leaves to the next: B of cache not back yet, °C. */
interface Left {
  lack: number;
  warm: number | null;
}

/** A day's times of one activity: how many were done, how long the last took, the share of cache it found, and s for all. */
interface Times {
  done: number;
  seconds: number;
  ready: number;
  spent: number;
}

/** Makes an activity again and again, idle between; a day holds only so much, and what does not fit any more is not done. */
function again(
  activity: Repeated,
  often: number,
  fill: number,
  gap: number,
  room: number,
  left: Left,
): Times {
  const times: Times = { done: 0, seconds: NaN, ready: 1, spent: 0 };
  let before: Left | null = null;
  while (times.done < often && times.spent < room) {
    // What finds all as the time before did goes as that did: the rest of the day's times with it.
    if (
      before &&
      Math.abs(before.lack - left.lack) < 1 &&
      Math.abs((before.warm ?? 0) - (left.warm ?? 0)) < ALIKE
    ) {
      const more = Math.min(often - times.done, Math.ceil((room - times.spent) / times.seconds));
      times.done += more;
      times.spent += more * times.seconds;
      break;
    }
    before = { ...left };
    const flows = activity.plan(fill);
    const drive = driveOf(flows);
    const whole = drive?.cacheMost ?? drive?.cache ?? Infinity;
    if (drive && whole < Infinity) drive.cache = Math.max(0, whole - left.lack);
    if (drive?.heat && left.warm !== null) drive.heat.start = left.warm;
    times.ready = drive && whole < Infinity && whole > 0 ? drive.cache / whole : 1;
    const { seconds, stores } = run(flows);
    times.seconds = seconds;
    times.spent += seconds;
    times.done++;
    const idle = Math.max(0, gap - seconds);
    const state = stores.find((s) => s.store === drive);
    if (!drive || !state) continue;
    if (whole < Infinity) left.lack = Math.max(0, whole - state.cache - (drive.refill ?? Infinity) * idle);
    if (drive.heat)
      left.warm = warmAt(
        state.warm,
        settlesAt(drive.heat.ambient, drive.heat.idle, drive.heat.resistance),
        drive.heat.resistance * drive.heat.capacity,
        idle,
      );
  }
  return times;
}

function driveOf(flows: readonly Flow[]): Store | null {
  for (const { from, to } of flows) {
    if (to.store.role === 'drive') return to.store;
    if (from.store.role === 'drive') return from.store;
  }
  return null;
}
