import { YEAR_DAYS } from '../../units';
import type { Shop } from '../../catalog/parts';
import { pricing } from '../prices/pricing';
import type { Candidate } from './candidate';
import { apartWords, gainsOn } from './gain';
import { payBack } from './money';
import { cheapestFirst } from './order';
import type { Wanted } from './wanted';

/** What others are held against. */
export type BaselineId = 'built' | 'there' | 'maker' | 'cheapest';

/** A build that others are held against. */
export interface Baseline {
  id: BaselineId;
  candidate: Candidate;
}

/** Drives whose newest price is their own maker's, or that of the machine's maker: upgrades as the maker sells them. */
function soldByMaker({ prices }: Shop, currency: string, { rates }: Wanted): ReadonlySet<string> {
  const newest = [...pricing(prices, currency, rates)];
  return new Set(newest.flatMap(([of, { by }]) => (by.sells === 'maker' ? [of] : [])));
}

/**
 * What builds are held against, as far as there is any: what is built now, the cheapest with a drive that is there already, the cheapest with a
 * drive that its maker sells, the cheapest that works.
 * @param built of what is built now, its id among the candidates
 */
export function baselines(
  candidates: readonly Candidate[],
  wanted: Wanted,
  shop: Shop,
  built: string | null,
): Baseline[] {
  const sorted = [...candidates].sort(cheapestFirst);
  const makers = wanted.currency === null ? new Set<string>() : soldByMaker(shop, wanted.currency, wanted);
  const key = ({ build }: Candidate) => `drives/${build.drive.id}` as const;
  const found: [BaselineId, Candidate | undefined][] = [
    ['built', sorted.find((c) => c.id === built)],
    ['there', sorted.find((c) => wanted.owned.includes(key(c)))],
    ['maker', sorted.find((c) => makers.has(key(c)))],
    ['cheapest', sorted.find((c) => c.cost !== null)],
  ];
  const seen = new Set<string>();
  return found.flatMap(([id, candidate]) => {
    if (!candidate || seen.has(candidate.id)) return [];
    seen.add(candidate.id);
    return [{ id, candidate }];
  });
}

/** A build against a baseline. */
export interface BaselineDifference {
  /** Extra money; less than none: it is cheaper. Null where a price is not known. */
  extra: number | null;
  /** h a year that are no longer waited. */
  hours: number;
  /** The activity that gains most of each time, and s that it gains; null where none takes less time. */
  gains: { activity: string; seconds: number } | null;
  /** What is felt of it on each machine, in words; null where there is one alone. */
  apart: string | null;
  /** Years until the extra money is back; null where no time is saved or nobody said what an hour is worth. */
  years: number | null;
}

/** Of activities that take a time: the one that is shortened most, each time. */
function gainsOf(one: Candidate, base: Candidate, wanted: Wanted): BaselineDifference['gains'] {
  const found = gainsOn(one, base, wanted).filter(({ seconds }) => seconds > 0);
  return found.sort((a, b) => b.seconds - a.seconds)[0] ?? null;
}

/** What a build costs more than a baseline, and saves. @param hourly what an hour is worth; 0: not said */
export function against(
  one: Candidate,
  { candidate: base }: Baseline,
  hourly: number,
  wanted: Wanted,
): BaselineDifference {
  const extra =
    one.cost === null || base.cost === null ? null : Math.round((one.cost - base.cost) * 100) / 100;
  const saved = base.waits - one.waits;
  return {
    extra,
    hours: (saved * YEAR_DAYS) / 3600,
    gains: gainsOf(one, base, wanted),
    apart: wanted.places.length > 1 ? apartWords(one, base, wanted) : null,
    years: extra === null || hourly <= 0 ? null : payBack(extra, saved, hourly),
  };
}
