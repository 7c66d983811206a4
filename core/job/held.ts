import { middle, type Fact } from '../evidence';
import { assumedRange, type OwnRanges } from '../catalog/assumptions';
import type { Keeping } from '../models';
import { YEAR_DAYS } from '../units';
import type { Activity, Move } from './kinds/activity';
import { isKept, isMove } from './kinds/known';

/** Whether it happens once, and not again. */
export const isOnce = ({ perDay }: Pick<Activity, 'perDay'>): boolean => perDay.value === 0;

/** Copies onto the device from elsewhere: what they bring stays there. */
const brings = (activity: Activity): activity is Move =>
  isMove(activity) && activity.direction === 'write' && !activity.itself;

/** Whether it adds to what it brought before; null: nobody said. What happens once adds nothing to itself. */
const adds = (move: Move): boolean | null => (isOnce(move) ? false : (move.adds ?? null));

/** Whether the work says what is kept on the device. */
export const saysKept = (work: readonly Activity[]): boolean => work.some(isKept);

/** Whether what it brought last stands on the device until it comes again: where something is said to be kept there, that says it. */
export const stands = (activity: Activity, work: readonly Activity[]): boolean =>
  brings(activity) && adds(activity) !== true && !saysKept(work);

/**
 * What a device holds by its work: what is said to be kept there, each copy that adds, and where nothing is said to be kept, what each other copy
 * brought last.
 */
export function heldBy(work: readonly Activity[]): Keeping[] {
  const kept = work.filter(isKept);
  const moves = work.filter(brings);
  const adding = moves.filter((m) => adds(m) === true);
  const standing = moves.filter((m) => stands(m, work));
  return [
    ...kept.map(({ name, now, growth }) => ({ name, now, growth })),
    ...adding.map(({ name, bytes, perDay }) => ({ name, brought: { bytes, perDay } })),
    ...standing.map(({ name, bytes }) => ({ name, now: bytes })),
  ];
}

/** {@link heldBy}, if each copy of which nobody said it adds to what was there; null where all is said. */
export function heldIfAdding(work: readonly Activity[]): Keeping[] | null {
  const isOpen = (a: Activity) => stands(a, work) && adds(a as Move) === null;
  return work.some(isOpen) ? heldBy(work.map((a) => (isOpen(a) ? { ...a, adds: true } : a))) : null;
}

/**
 * What else is on the device when an activity begins, by the work; null where the brief does not say: neither that something is kept there nor
 * what becomes of what the activity brings.
 */
export function heldBeside(activity: Activity, work: readonly Activity[]): Keeping[] | null {
  const isSaid = saysKept(work) || (brings(activity) && adds(activity) !== null);
  return isSaid ? heldBy(work.filter((a) => a.id !== activity.id)) : null;
}

/**
 * B that a device must have room for at the end of its service life (of a year where nobody said), by the work at its middle: what is kept and grows,
 * copies that add, what stands. 0 where nobody said.
 */
export function roomFor(
  work: readonly Activity[],
  serviceYears: Fact | undefined,
  shopRanges: OwnRanges = {},
): number {
  const days = (middle(serviceYears) ?? 1) * YEAR_DAYS;
  const known = (fact: Fact | undefined) => middle(fact) ?? 0;
  const sum = heldBy(work).reduce(
    (total, { now, growth, brought }) =>
      total + known(now) + (known(growth) + known(brought?.bytes) * known(brought?.perDay)) * days,
    0,
  );
  return sum / assumedRange('usable', shopRanges).expected;
}
