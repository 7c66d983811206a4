import { SAMPLES, type Spread } from '../../stats';
import { formula, type Estimate, type Formula, type Recorder } from '../../evidence';
import { marketOf } from '../../catalog/assumptions';
import type { Path } from '../../assembly';
import { format } from '../../units';
import { heldBeside, isOnce, type Activity } from '../../job';
import type { Case, Situation } from '../case';
import { collectTransfer, type About } from '../collect';
import type { Inputs, Transfer } from '../inputs';
import type { Answered } from './kind';

/** A situation with what is on its device beside what an activity brings. */
export const heldAt = (situation: Situation, activity?: Activity): Situation & About => ({
  ...situation,
  held:
    activity &&
    (heldBeside(activity, [...situation.activities, ...(situation.elsewhere ?? [])]) ?? undefined),
});

/** A transfer as a case asks for it. */
export function asAsked(transfer: Transfer, { requestShape = {} }: Case): Transfer {
  const { requests, toMemory } = requestShape;
  return { ...transfer, ...(requests ? { requests } : {}), ...(toMemory ? { otherEnd: 'memory' } : {}) };
}

/** What a transfer of a case depends on. @throws RangeError when the path is blocked */
export const inputsFor = <T extends Spread>(
  record: Recorder<T>,
  of: Case,
  path: Path,
  transfer: Transfer,
  besides: readonly Transfer[] = [],
): Inputs<T> => collectTransfer(record, path, asAsked(transfer, of), heldAt(of, of.activity), besides);

/** Share of a formula's draws that stay within an activity's target; null without one. */
export function withinTarget<K extends string>(
  { target }: Activity,
  formula: Pick<Formula<K>, 'samples'>,
  inputs: Record<K, Spread>,
): number | null {
  if (target === null) return null;
  return formula.samples(inputs).filter((figure) => figure <= target).length / SAMPLES;
}

const dailyBytes = formula({
  name: 'bytes a day',
  unit: 'B/day',
  inputs: { bytes: 'bytes', times: 'times a day' },
  of: (m, x) => m.mul(x.bytes, x.times),
});

/** So many bytes at each of an activity's times; null for what happens once: that is no rate. */
export function bytesADay<T extends Spread>(
  record: Recorder<T>,
  { name, perDay }: Activity,
  direction: 'read' | 'write',
  bytes: T,
): T | null {
  if (isOnce({ perDay })) return null;
  const times = record.fact('times a day', perDay, 'per day', marketOf(record, 'work.times'));
  return record.of(dailyBytes, { bytes, times }, { name: perDayName(name, direction) });
}
export const perDayName = (name: string, direction: 'read' | 'write'): string =>
  `${direction === 'write' ? 'writes' : 'reads'} a day: ${name}`;

/** Two figures side by side: whose is better, by how much, and whether their ranges overlap. */
export function farApart(
  one: Answered,
  two: Answered,
  better: 'less' | 'more',
  words: { same(figure: Estimate): string; differ(name: string, by: string): string },
): string {
  const [x, y] = [one.answer.figure, two.answer.figure];
  if (format(x.expected, x.unit, 3) === format(y.expected, y.unit, 3)) return words.same(x);
  const isFirst = better === 'less' ? x.expected < y.expected : x.expected > y.expected;
  const overlap = x.low <= y.high && y.low <= x.high ? ' Their ranges overlap.' : '';
  const by = format(Math.abs(x.expected - y.expected), x.unit, 2);
  return `${words.differ((isFirst ? one : two).name, by)}${overlap}`;
}
