import { eachDraw, exactly, expectedOf, isExact, SAMPLES, SEED, about, type Spread } from '../../stats';
import { formula, type Fact, type Recorder } from '../../evidence';
import { assumed, marketOf } from '../../catalog/assumptions';
import { format, YEAR_DAYS, type Unit } from '../../units';
import { holdsData, type Copy } from './copy';

/** How many copies, on how many kinds of medium, how many of them elsewhere. */
export interface CopiesRule {
  copies: number;
  media: number;
  offSite: number;
}
/** The usual rule [practice]: three copies, two media, one elsewhere. */
const USUAL_RULE: CopiesRule = { copies: 3, media: 2, offSite: 1 };

/** What a plan of copies lacks, in words; empty when it keeps the rule. */
export function lacking(planned: readonly Copy[], rule: CopiesRule = USUAL_RULE): string[] {
  const copies = planned.filter(holdsData);
  const kinds = new Set(copies.map((c) => (c.medium === 'array' ? 'disk' : c.medium)));
  const away = copies.filter((c) => c.offSite).length;
  const found: string[] = [];
  const say = (have: number, want: number, one: string, many: string) => {
    if (have < want)
      found.push(
        `${have === 0 ? 'No' : `Only ${have}`} ${have === 1 || (have === 0 && want === 1) ? one : many}, ${want} ${want === 1 ? 'is' : 'are'} asked for.`,
      );
  };
  say(copies.length, rule.copies, 'copy', 'copies');
  say(kinds.size, rule.media, 'kind of medium', 'kinds of media');
  say(away, rule.offSite, 'copy elsewhere', 'copies elsewhere');
  if (copies.length > 0 && copies.every((c) => c.medium === 'array'))
    found.push(
      'Arrays only: an array is one copy, not a backup; what deletes a file deletes it on all members.',
    );
  return found;
}

/** Longer than anybody asks, years: stands for never, too. */
const NEVER = 1000;

/** Something that is kept on a drive: B of it today, B a day it grows by, or so many B brought so often a day. What is absent is none. */
export interface Keeping {
  name: string;
  now?: Fact;
  growth?: Fact;
  brought?: { bytes: Fact; perDay: Fact };
}

/** What several things kept on one drive depend on, each by its place, and their sums out of drawn numbers. */
export function keeping<T extends Spread>(
  record: Recorder<T>,
  list: readonly Keeping[],
): {
  inputs: Record<string, T>;
  now(x: Record<string, number>): number;
  growth(x: Record<string, number>): number;
} {
  const key = (what: string, i: number) => `kept ${what} ${i}`;
  const inputs: Record<string, T> = {};
  list.forEach(({ name, now, growth, brought }, i) => {
    const of = list.length > 1 ? `, ${name}` : '';
    const put = (
      what: string,
      words: string,
      fact: Fact,
      unit: Unit,
      market: Parameters<typeof marketOf>[1],
    ) => {
      inputs[key(what, i)] = record.fact(`${words}${of}`, fact, unit, marketOf(record, market));
    };
    if (now) put('now', 'kept today', now, 'B', 'work.kept');
    if (growth) put('growth', 'growth a day', growth, 'B/day', 'work.growth');
    if (!brought) return;
    put('bytes', 'brought each time', brought.bytes, 'B', 'work.bytes');
    put('times', 'times a day', brought.perDay, 'per day', 'work.times');
  });
  const sum = (of: (i: number) => number) => list.reduce((all, _, i) => all + of(i), 0);
  return {
    inputs,
    now: (x) => sum((i) => x[key('now', i)] ?? 0),
    growth: (x) =>
      sum((i) => (x[key('growth', i)] ?? 0) + (x[key('bytes', i)] ?? 0) * (x[key('times', i)] ?? 0)),
  };
}

/** Years until a drive or array of so many usable bytes is full of everything kept on it; what does not grow never fills it. */
export function fillsIn<T extends Spread>(record: Recorder<T>, usable: T, list: readonly Keeping[]): T {
  const kept = keeping(record, list);
  const inputs: Record<string, T> = { usable, ...kept.inputs };
  const years = (x: Record<string, number>): number => {
    if (kept.now(x) >= x.usable!) return 0;
    if (kept.growth(x) <= 0) return NEVER;
    return Math.min(NEVER, (x.usable! - kept.now(x)) / kept.growth(x) / YEAR_DAYS);
  };
  const { x: middle } = expectedOf({ inputs });
  const at = years(middle);
  const isCertain = Object.values(inputs).every(isExact);
  const value = isCertain ? exactly(at) : sampled(inputs, years);
  return record.worked('time until full', value, 'years', () => {
    const today = format(kept.now(middle), 'B', 4);
    return {
      how: isCertain ? 'exact' : 'sampled',
      formula:
        list.length > 1
          ? '(usable capacity − all that is kept today) ÷ all growth a day ÷ 365'
          : '(usable capacity − kept today) ÷ growth a day ÷ 365',
      filled: `(${format(usable.expected, 'B', 4)} − ${today}) ÷ ${format(kept.growth(middle), 'B/day', 4)} ÷ 365`,
      ...(at >= NEVER ? { note: 'A thousand years stands for never.' } : {}),
      inputs: Object.values(inputs),
    };
  });
}

function sampled(inputs: Record<string, Spread>, of: (x: Record<string, number>) => number): Spread {
  const samples = new Float64Array(SAMPLES);
  eachDraw({ inputs }, SEED, ({ x }, i) => (samples[i] = of(x)));
  return about(of(expectedOf({ inputs }).x), samples);
}

const shown = formula({
  name: 'usable for data',
  unit: 'B',
  inputs: { capacity: 'capacity', share: 'share left by the file system and what it keeps free' },
  of: (m, x) => m.mul(x.capacity, x.share),
});
/** What a drive or array of such a capacity has for data. */
export const usableOf = <T extends Spread>(record: Recorder<T>, capacity: T): T =>
  record.of(shown, { capacity, share: assumed(record, 'usable') });

const share = formula({
  name: 'fill of the drive',
  unit: '%',
  inputs: { kept: 'kept on it', capacity: 'capacity' },
  of: (m, x) => m.min(m.div(x.kept, x.capacity), m.num(1)),
});
const both = formula({
  name: 'kept on it',
  unit: 'B',
  inputs: { a: 'first', b: 'others' },
  of: (m, x) => m.add(x.a, x.b),
});

/** How full of it a device is today, 0 to 1. */
export function fillBy<T extends Spread>(record: Recorder<T>, held: readonly Keeping[], capacity: T): T {
  const each = held.flatMap(({ name, now }) =>
    now ? [record.fact(`kept today, ${name}`, now, 'B', marketOf(record, 'work.kept'))] : [],
  );
  if (each.length === 0)
    return record.given('fill of the drive', 0, '%', { kind: 'entered', note: 'nothing else is kept on it' });
  const kept = each.reduce((a, b) => record.of(both, { a, b }));
  return record.of(share, { kept, capacity });
}
