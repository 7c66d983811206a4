import { eachDraw, expectedOf, isExact, SAMPLES, SEED, spread, summary } from '../../stats';
import * as z from 'zod';
import { formula, fromFact, given, worked, type Estimate, type Fact } from '../../evidence';
import { format } from '../../units';

/** A copy of the data in the plan. An array is one copy, however many drives it has. */
export const Copy = z.object({
  name: z.string().trim().min(1).max(120),
  medium: z.enum(['flash', 'disk', 'array', 'tape', 'optical', 'network', 'cloud']),
  offSite: z.boolean(),
});
export type Copy = z.infer<typeof Copy>;

/** How many copies, on how many kinds of medium, how many of them elsewhere. */
export interface CopiesRule {
  copies: number;
  media: number;
  offSite: number;
}
/** The usual rule [practice]: three copies, two media, one elsewhere. */
export const USUAL_RULE: CopiesRule = { copies: 3, media: 2, offSite: 1 };

/** What a plan of copies lacks, in words; empty when it keeps the rule. */
export function lacking(copies: readonly Copy[], rule: CopiesRule = USUAL_RULE): string[] {
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

/** What a customer keeps, and by how much it grows a day, where nobody knows [memory]. */
const KEPT = { range: spread(100e9, 500e9, 2000e9), note: 'what people keep' };
const GROWTH = { range: spread(0.1e9, 1e9, 10e9), note: 'what people add a day' };

/** Longer than anybody asks, years: stands for never, too. */
const NEVER = 1000;

/** Something that is kept on a drive and grows, B and B a day. */
export interface Keeping {
  name: string;
  now: Fact;
  growth: Fact;
}

/** What several things kept on one drive depend on, each by its place, and their sums out of drawn numbers. */
export function keeping(list: readonly Keeping[]): {
  inputs: Record<string, Estimate>;
  now(x: Record<string, number>): number;
  growth(x: Record<string, number>): number;
} {
  const key = (what: string, i: number) => (i === 0 ? what : `${what} ${i}`);
  const inputs: Record<string, Estimate> = {};
  list.forEach(({ name, now, growth }, i) => {
    const of = list.length > 1 ? `, ${name}` : '';
    inputs[key('now', i)] = fromFact(`kept today${of}`, now, 'B', KEPT)!;
    inputs[key('growth', i)] = fromFact(`growth a day${of}`, growth, 'B/day', GROWTH)!;
  });
  const sum = (what: string) => (x: Record<string, number>) =>
    list.reduce((all, _, i) => all + x[key(what, i)]!, 0);
  return { inputs, now: sum('now'), growth: sum('growth') };
}

/** Years until a drive or array of so many usable bytes is full of everything kept on it; what does not grow never fills it. */
export function fillsIn(usable: Estimate, list: readonly Keeping[]): Estimate {
  const kept = keeping(list);
  const inputs: Record<string, Estimate> = { usable, ...kept.inputs };
  const years = (x: Record<string, number>) =>
    kept.now(x) >= x.usable!
      ? 0
      : kept.growth(x) <= 0
        ? NEVER
        : Math.min(NEVER, (x.usable! - kept.now(x)) / kept.growth(x) / 365);
  const samples = new Float64Array(SAMPLES);
  eachDraw({ inputs }, SEED, (x, i) => (samples[i] = years(x)));
  const exact = Object.values(inputs).every(isExact);
  const middle = expectedOf({ inputs });
  const at = years(middle);
  const many = list.length > 1;
  return worked('time until full', exact ? { low: at, expected: at, high: at } : summary(samples), 'years', {
    how: exact ? 'exact' : 'sampled',
    formula: many
      ? '(usable capacity − all that is kept today) ÷ all growth a day ÷ 365'
      : '(usable capacity − kept today) ÷ growth a day ÷ 365',
    filled: `(${format(usable.expected, 'B', 4)} − ${format(kept.now(middle), 'B', 4)}) ÷ ${format(kept.growth(middle), 'B/day', 4)} ÷ 365`,
    ...(at >= NEVER ? { note: 'A thousand years stands for never.' } : {}),
    inputs: Object.values(inputs),
  });
}

const shown = formula({
  name: 'usable for data',
  unit: 'B',
  inputs: { capacity: 'capacity', share: 'share left by the file system and what it keeps free' },
  of: (m, x) => m.mul(x.capacity, x.share),
});
/** Share of a capacity that file system and free space for the drive's own work leave [practice]. */
export const USABLE = spread(0.85, 0.92, 0.97);
export const usableOf = (capacity: Estimate): Estimate =>
  shown.explain({
    capacity,
    share: given('share left by the file system and the space kept free', USABLE, 'ratio', {
      kind: 'practice',
    }),
  });
