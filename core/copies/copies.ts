import * as z from 'zod';
import { formula, fromFact, given, spread, type Estimate, type Fact } from '../evidence';

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
    if (have < want) found.push(`${have === 0 ? 'No' : `Only ${have}`} ${have === 1 || (have === 0 && want === 1) ? one : many}, ${want} ${want === 1 ? 'is' : 'are'} asked for.`);
  };
  say(copies.length, rule.copies, 'copy', 'copies');
  say(kinds.size, rule.media, 'kind of medium', 'kinds of media');
  say(away, rule.offSite, 'copy elsewhere', 'copies elsewhere');
  if (copies.length > 0 && copies.every((c) => c.medium === 'array')) found.push('Arrays only: an array is one copy, not a backup; what deletes a file deletes it on all members.');
  return found;
}

/** Days until what grows fills what is there. */
const daysUntilFull = formula({
  name: 'time until full',
  unit: 'years',
  inputs: { usable: 'usable capacity', now: 'kept today', growth: 'growth a day' },
  of: (m, x) => m.div(m.div(m.max(m.sub(x.usable, x.now), m.num(0)), x.growth), m.num(365)),
});

/** What a customer keeps, and by how much it grows a day, where nobody knows [memory]. */
const KEPT = { range: spread(100e9, 500e9, 2000e9), note: 'what people keep' };
const GROWTH = { range: spread(0.1e9, 1e9, 10e9), note: 'what people add a day' };

/** Years until a drive or array of so many usable bytes is full. */
export function fillsIn(usable: Estimate, now: Fact, growth: Fact): Estimate {
  return daysUntilFull.explain({ usable, now: fromFact('kept today', now, 'B', KEPT)!, growth: fromFact('growth a day', growth, 'B/day', GROWTH)! });
}

const shown = formula({ name: 'usable for data', unit: 'B', inputs: { capacity: 'capacity', share: 'share left by the file system and what it keeps free' }, of: (m, x) => m.mul(x.capacity, x.share) });
/** Share of a capacity that file system and free space for the drive's own work leave [practice]. */
export const USABLE = spread(0.85, 0.92, 0.97);
export const usableOf = (capacity: Estimate): Estimate => shown.explain({ capacity, share: given('share left by the file system and the space kept free', USABLE, 'ratio', { kind: 'practice' }) });
