import { middle } from '../../evidence';
import type { Job } from '../../job';
import { format, moneyWords, numeral, yearsBetween } from '../../units';
import { pricing } from '../prices/pricing';
import type { FinishedSearch } from './searched';

/** A used unit that is on offer, as far as it is known. */
export interface UsedUnit {
  /** Money for the same drive new; null: no price is known. */
  fresh: number | null;
  /** What is asked for it; null: not said. */
  asked: number | null;
  /** Share of its rating that is left, 0 to 1; null: not known, or nothing is rated. */
  left: number | null;
  /** Years until the rest of its rating is written by this work; null: not known. */
  years: number | null;
  /** Years it is to serve; null: not said. */
  service: number | null;
  /** Share of its warranty that is left, 0 to 1. */
  warranty: number;
  /** Why it must not be bought, in a sentence; null where nothing says so. */
  stop: string | null;
}

/** What to do about it. */
export interface UsedAdvice {
  say: 'buy' | 'buy at' | 'do not buy' | 'cannot say';
  /** What it is worth at most, in whole units of money; null where it is worth nothing, or nobody knows. */
  fair: number | null;
}

/** Of the price of a new one: what a unit is worth for having been used, with all of its warranty and without any [common practice, no source]. */
const WORTH = { warranted: 0.85, bare: 0.55 };
/** What is taken to be left where nobody knows: worth buying only with room for the worst [memory]. */
const UNKNOWN = 0.5;

/** Whether a used unit is worth its money: what is left of it, as a share of a new one's price. */
export function usedAdvice({ fresh, asked, left, years, service, warranty, stop }: UsedUnit): UsedAdvice {
  if (stop !== null || (years !== null && service !== null && years < service))
    return { say: 'do not buy', fair: null };
  if (fresh === null) return { say: 'cannot say', fair: null };
  const used = WORTH.bare + (WORTH.warranted - WORTH.bare) * Math.min(1, Math.max(0, warranty));
  const fair = Math.floor(fresh * used * (left ?? UNKNOWN));
  if (fair <= 0) return { say: 'do not buy', fair: null };
  return { say: asked !== null && asked <= fair ? 'buy' : 'buy at', fair };
}

/** The same in a sentence, with the reason. */
export function usedAdviceWords(unit: UsedUnit, currency: string | null): string {
  const { say, fair } = usedAdvice(unit);
  const { fresh, left, years, service, warranty, stop } = unit;
  if (stop !== null) return `Do not buy: ${stop}`;
  if (say === 'do not buy')
    return years !== null && service !== null && years < service
      ? `Do not buy: what is left of its rating is written after ${numeral(years, 1)} years of this work, and it is to serve ${numeral(service, 1)}.`
      : 'Do not buy: nothing is left of its rating.';
  if (say === 'cannot say') return 'What it is worth nobody can say: no price of a new one is known.';
  const rest =
    left === null ? 'what was written on it is not known' : `${format(left, '%', 2)} of its rating is left`;
  const warranted =
    warranty > 0 ? `${format(warranty, '%', 2)} of its warranty is left` : 'no warranty is left';
  const money = (amount: number) => moneyWords(amount, currency);
  return `${say === 'buy' ? 'Buy: worth' : 'Buy at'} ${money(fair!)} at most. New it costs ${money(fresh!)}; ${rest}, ${warranted}.`;
}

/**
 * What is known of a used unit of a drive, for the work that is searched for.
 * @param noted as the job has it
 * @param on the day, ISO
 */
export function usedUnitOf(
  { wanted, shop, found }: Pick<FinishedSearch, 'wanted' | 'shop' | 'found'>,
  { drive: id, asked, warrantyUntil }: NonNullable<Job['used']>[number],
  on: string,
): UsedUnit {
  const drive = shop.drives.find((one) => one.id === id);
  const prices = wanted.currency === null ? null : pricing(shop.prices, wanted.currency, wanted.rates);
  const used = wanted.used?.find((one) => one.drive === id);
  const told = used?.told.at(-1);
  const rated = drive?.media === 'flash' ? middle(drive.tbw) : null;
  const gone = told?.wear ?? (told?.written == null || rated === null ? null : told.written / rated);
  const sheet = drive ? middle(drive.warrantyYears) : null;
  const years = warrantyUntil === undefined ? 0 : yearsBetween(on, warrantyUntil);
  return {
    fresh: prices?.get(`drives/${id}`)?.each ?? null,
    asked: asked && asked.currency === wanted.currency ? asked.amount : null,
    left: gone === null ? null : Math.min(1, Math.max(0, 1 - gone)),
    years: found.candidates.find(({ build }) => build.drive.id === id)?.years ?? null,
    service: middle(wanted.places[0]!.serviceYears),
    warranty: sheet ? Math.min(1, Math.max(0, years / sheet)) : 0,
    stop: used?.stop ?? null,
  };
}
