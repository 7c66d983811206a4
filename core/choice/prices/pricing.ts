import type { PartKind, Price } from '../../catalog/parts';

/** A part of the library by kind and id. */
export type PartKey = `${Exclude<PartKind, 'prices' | 'hosts'>}/${string}`;

/** What one of a part costs, by the observation that says so. */
export interface UnitPrice {
  /** For one. */
  each: number;
  currency: string;
  by: Price;
  /** The rate it was converted by, where it was seen in another currency. */
  rate?: ExchangeRate;
}

/** What one costs where a price is for several. */
export const unitOf = ({ amount, per = 1 }: Price): number => amount / per;

const newer = (a: Price, b: Price): number =>
  b.on.localeCompare(a.on) || unitOf(a) - unitOf(b) || a.id.localeCompare(b.id);

/** Each part's observations in one currency, the newest first; of one day the cheapest first. */
export function historyOf(prices: readonly Price[], currency: string): Map<string, Price[]> {
  const found = new Map<string, Price[]>();
  for (const price of prices) {
    if (price.currency !== currency) continue;
    const list = found.get(price.of);
    if (list) list.push(price);
    else found.set(price.of, [price]);
  }
  for (const list of found.values()) list.sort(newer);
  return found;
}

/** What one of a currency was worth in another on a day, as somebody noted it. */
export interface ExchangeRate {
  from: string;
  to: string;
  /** So many of `to` for one of `from`. */
  rate: number;
  /** The day, ISO. */
  on: string;
}

/**
 * What each part costs in a currency by its newest observation. Other currencies stay apart, except where a dated rate is given: then a part that nobody
 * has seen a price of in this currency goes by its newest in the other, by the newest rate; a rate serves both ways.
 */
export function pricing(
  prices: readonly Price[],
  currency: string,
  rates: readonly ExchangeRate[] = [],
): ReadonlyMap<string, UnitPrice> {
  const found = new Map<string, UnitPrice>();
  for (const [of, [by]] of historyOf(prices, currency))
    found.set(of, { each: unitOf(by!), currency, by: by! });
  const converted = new Map<string, UnitPrice>();
  const latest = [...rates].sort((a, b) => b.on.localeCompare(a.on));
  const done = new Set([currency]);
  for (const rate of latest) {
    const other = rate.to === currency ? rate.from : rate.from === currency ? rate.to : currency;
    if (done.has(other)) continue;
    done.add(other);
    const factor = rate.to === currency ? rate.rate : 1 / rate.rate;
    for (const [of, [by]] of historyOf(prices, other)) {
      const had = converted.get(of);
      if (found.has(of) || (had && newer(had.by, by!) <= 0)) continue;
      converted.set(of, { each: unitOf(by!) * factor, currency, by: by!, rate });
    }
  }
  return new Map([...found, ...converted]);
}

/** The currency most observations are in; null without any. */
export function usualCurrency(prices: readonly Price[]): string | null {
  const counts = new Map<string, number>();
  for (const { currency } of prices) counts.set(currency, (counts.get(currency) ?? 0) + 1);
  const [first] = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  return first?.[0] ?? null;
}

const DAY = 86_400_000;
/** Days after which a price is no longer one to go by [common practice: prices move weekly]. */
export const STALE = 45;

/** How many days old an observation is on a day. */
export const ageOf = (price: Price, today: string): number =>
  Math.round((Date.parse(today) - Date.parse(price.on)) / DAY);

/** The day on which a part is here that is ordered when its price was seen; null where nobody noted how long it takes. */
export function arrivalOf({ on, delivery, sells }: Price): string | null {
  const days = sells === 'own shelf' ? 0 : delivery;
  return days === undefined ? null : new Date(Date.parse(on) + days * DAY).toISOString().slice(0, 10);
}

/** What parts cost together by the newest prices in a currency; null where one has none. */
export function costToday(
  parts: readonly { of: string; count?: number | undefined }[],
  prices: readonly Price[],
  currency: string,
  rates: readonly ExchangeRate[] = [],
): number | null {
  const each = pricing(prices, currency, rates);
  return parts.reduce<number | null>((sum, { of, count = 1 }) => {
    const one = each.get(of)?.each;
    return sum === null || one === undefined ? null : sum + one * count;
  }, 0);
}
