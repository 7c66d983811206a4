import type { Kind, Price } from '../../catalog/parts';

/** A part of the library by kind and id. */
export type PartKey = `${Exclude<Kind, 'prices' | 'hosts'>}/${string}`;

/** What one of a part costs, by the observation that says so. */
export interface UnitPrice {
  /** For one. */
  each: number;
  currency: string;
  by: Price;
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

/** What each part costs in a currency by its newest observation. Other currencies stay apart: nothing is converted. */
export function pricing(prices: readonly Price[], currency: string): ReadonlyMap<string, UnitPrice> {
  const newest = [...historyOf(prices, currency)].map(([of, [by]]): [string, UnitPrice] => [
    of,
    { each: unitOf(by!), currency, by: by! },
  ]);
  return new Map(newest);
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

/** What parts cost together by the newest prices in a currency; null where one has none. */
export function costToday(
  parts: readonly { of: string; count?: number | undefined }[],
  prices: readonly Price[],
  currency: string,
): number | null {
  const each = pricing(prices, currency);
  return parts.reduce<number | null>((sum, { of, count = 1 }) => {
    const one = each.get(of)?.each;
    return sum === null || one === undefined ? null : sum + one * count;
  }, 0);
}
