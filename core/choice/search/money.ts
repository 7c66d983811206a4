import { YEAR_DAYS } from '../../units';
import { middle } from '../../evidence';
import type { Drive } from '../../catalog/parts';
import type { Candidate } from './candidate';
import { mayBeAdvised } from './demands';
import { cheapestFirst } from './order';

/** Figures that differ by less are the same to whoever waits. */
const SAME = 0.02;

/** Money that changes nothing here. */
export interface Wasted {
  /** The part whose price has no effect. */
  part: 'drive' | 'bridge' | 'cable';
  saves: number;
  /** What does the same for less. */
  instead: Candidate;
}

const isAsGood = (one: Candidate, than: Candidate): boolean =>
  one.misses.length <= than.misses.length &&
  (one.usable ?? 0) >= (than.usable ?? 0) * (1 - SAME) &&
  one.waits <= than.waits * (1 + SAME) &&
  one.figures.every((figure, i) => {
    const other = than.figures[i]!;
    return figure === null || other === null || Math.abs(figure - other) <= Math.abs(other) * SAME;
  });

/** What else has to be the same where one part is looked at alone. */
const apartFrom: Record<Wasted['part'], (one: Candidate) => unknown[]> = {
  drive: ({ build }) => [
    build.bridge?.id,
    build.cable?.id,
    build.port,
    build.together,
    build.array?.mode,
    build.array?.by,
  ],
  bridge: ({ build }) => [build.drive.id, build.together, build.array?.mode, build.array?.by],
  cable: ({ build }) => [
    build.drive.id,
    build.bridge?.id,
    build.port,
    build.together,
    build.array?.mode,
    build.array?.by,
  ],
};

/** Of each part of a candidate: what its price exceeds the cheapest that does the same here; the most first, none where nothing is gained. */
export function wasted(one: Candidate, candidates: readonly Candidate[]): Wasted[] {
  if (one.cost === null) return [];
  const { cost } = one;
  return (['drive', 'bridge', 'cable'] as const)
    .flatMap((part): Wasted[] => {
      const rest = JSON.stringify(apartFrom[part](one));
      const [instead] = candidates
        .filter((other) => other.cost !== null && other.cost < cost)
        .filter(mayBeAdvised)
        .filter((other) => isAsGood(other, one) && JSON.stringify(apartFrom[part](other)) === rest)
        .sort(cheapestFirst);
      return instead ? [{ part, saves: Math.round((cost - instead.cost!) * 100) / 100, instead }] : [];
    })
    .sort((a, b) => b.saves - a.saves);
}

/** A size of a family of drives, with what a TB of it costs. */
export interface Size {
  drive: Drive;
  /** B. */
  capacity: number;
  each: number;
  /** Money for 10¹² B. */
  perTB: number;
}

/** A model without its capacity: what a family goes by. */
export const familyOf = ({ maker, model }: Pick<Drive, 'maker' | 'model'>): string =>
  `${maker} ${model
    .replace(/[\d.,]+\s*[GT]B\b/i, '')
    .replace(/\s+/g, ' ')
    .trim()}`;

/** The sizes of a drive's family that have a price, the smallest first. */
export function sizesOf(
  drive: Drive,
  drives: readonly Drive[],
  eachOf: (drive: Drive) => number | null,
): Size[] {
  const family = familyOf(drive);
  return drives
    .filter((other) => familyOf(other) === family && other.form === drive.form)
    .flatMap((other): Size[] => {
      const [capacity, each] = [middle(other.capacity), eachOf(other)];
      return capacity === null || each === null
        ? []
        : [{ drive: other, capacity, each, perTB: each / (capacity / 1e12) }];
    })
    .sort((a, b) => a.capacity - b.capacity);
}

/** Years until the extra money is back: hours saved a year × what an hour is worth. Null where no time is saved. */
export function payBack(extra: number, secondsADay: number, hourly: number): number | null {
  const saved = (secondsADay * YEAR_DAYS * hourly) / 3600;
  return saved > 0 ? Math.max(0, extra) / saved : null;
}

/** What a build costs over its service life. */
export interface LifeCost {
  purchase: number;
  /** How often the drives are bought anew before the end, by their rating; none where nothing wears or nothing is rated. */
  replacements: number;
  /** Money for those. */
  replaced: number;
  /** Hours waited in all. */
  hours: number;
  /** Money for those; 0 where nobody said what an hour is worth. */
  waited: number;
  total: number;
}

/**
 * Purchase, the drives bought anew as often as the work writes their rating within the service life, and the hours waited.
 * @param drives what its drives alone cost
 * @param hourly what an hour is worth
 */
export function lifeCost(
  { cost, years, waits }: Pick<Candidate, 'cost' | 'years' | 'waits'>,
  drives: number,
  serviceYears: number,
  hourly: number,
): LifeCost | null {
  if (cost === null) return null;
  const replacements = years === null || years <= 0 ? 0 : Math.max(0, Math.ceil(serviceYears / years) - 1);
  const hours = (waits * YEAR_DAYS * serviceYears) / 3600;
  const [replaced, waited] = [replacements * drives, hours * hourly];
  return { purchase: cost, replacements, replaced, hours, waited, total: cost + replaced + waited };
}
