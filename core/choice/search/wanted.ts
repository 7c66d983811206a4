import type { OwnRanges } from '../../catalog/assumptions';
import {
  briefAt,
  isAt,
  placesOf,
  portsTaken,
  roomFor,
  type Activity,
  type Brief,
  type Job,
  type Place,
} from '../../job';
import { nameOf, type Shop, type System } from '../../catalog/parts';
import { familiesOf } from '../../fit';
import { yearsBetween } from '../../units';
import { pricing, usualCurrency, type ExchangeRate, type PartKey, type UnitPrice } from '../prices/pricing';
import { usedDrives, type UsedDrive } from './used';

/** A place without what is searched for. */
export interface OpenPlace extends Omit<Brief, 'build'> {
  /** Ports that other devices of the job hang on, by id. */
  taken?: readonly string[];
}

/** What a build is searched for. */
export interface Wanted {
  /** Where the device works, the first one foremost; it is one device, connected anew at each. */
  places: readonly OpenPlace[];
  /** What the customer or the shelf has: costs nothing. */
  owned: readonly PartKey[];
  /** Money counts in this currency; null: nobody has seen a price. */
  currency: string | null;
  /** What other currencies are worth in it, by the day; without one they stay apart. */
  rates?: readonly ExchangeRate[] | undefined;
  /** For one, in that currency; null: not said. */
  budget: number | null;
  /** So many alike are bought; absent: one. */
  pieces?: number | undefined;
  /** How probable each target must be to be met, 0 to 1. */
  probability: number;
  shopRanges: OwnRanges;
  /**
   * Used drives on offer: what is asked for each in that currency (null: it is asked in another one), the day it was seen, and the years its warranty
   * lasts from then.
   */
  asked?: readonly { drive: string; amount: number | null; on: string; warranty: number }[] | undefined;
  /** Drives of the library that were used before, with what was told of them. */
  used?: readonly UsedDrive[] | undefined;
}

/** Activities of all places in the order of a candidate's figures. */
export const activitiesOf = (wanted: Wanted): readonly Activity[] =>
  wanted.places.flatMap((p) => p.activities);

/** How probable a target must be to be met where nobody says otherwise. */
export const SURE = 0.9;

/**
 * The places a device is searched for: where it has work, then where it must also work. None while it has no work at all.
 * @param device its id; absent: the job's first
 */
export function searchedPlaces(job: Job, device?: string): Place[] {
  const all = placesOf(job);
  const own = all.filter((place) => place.device === (device ?? all[0]?.device));
  const works = (place: Place) => job.activities.some((activity) => isAt(job, activity, place));
  const also = ({ machine }: Place) => job.machines.some(({ id, use }) => id === machine && use === 'also');
  const working = own.filter(works);
  return working.length === 0 ? [] : [...working, ...own.filter((place) => !works(place) && also(place))];
}

/** What one device of a job is searched for; null while the job has no machine, or the device no work. */
export function wantedOf(
  job: Job,
  device: string | undefined,
  more: Pick<Wanted, 'owned' | 'currency' | 'shopRanges' | 'rates'> & {
    probability?: number | undefined;
    /** All its ports are free: other devices are chosen together with it. */
    portsFree?: boolean;
  },
): Wanted | null {
  const searchedAt = searchedPlaces(job, device);
  const [first] = searchedAt;
  if (!first) return null;
  const places = searchedAt.map((place): OpenPlace => {
    const { build: _, needs, ...rest } = briefAt(job, place)!;
    // What one drive counted is nothing of another that is searched for.
    const { counters: _counters, inUseSince: _since, ...asked } = needs ?? {};
    const open = { ...rest, needs: asked };
    return { ...open, taken: more.portsFree ? [] : portsTaken(job, place) };
  });
  const { budget } = job;
  const { build, needs = {} } = briefAt(job, first)!;
  return {
    places,
    owned: more.owned,
    currency: more.currency,
    rates: more.rates,
    budget: budget && budget.currency === more.currency ? budget.amount / (budget.pieces ?? 1) : null,
    ...(budget?.pieces ? { pieces: budget.pieces } : {}),
    probability: more.probability ?? SURE,
    shopRanges: more.shopRanges,
    used: usedDrives(job, build && { drive: build.drive, needs }),
  };
}

/** How a shop searches, beside its library. */
export type SearchTerms = Omit<Parameters<typeof wantedOf>[2], 'owned' | 'currency'>;

/**
 * {@link wantedOf} as a shop with a library searches: what the job says is there costs nothing, prices count in its
 * budget's currency, else in the one that most are in.
 */
export const wantedFrom = (
  job: Job,
  device: string | undefined,
  shop: Shop,
  how: SearchTerms,
): Wanted | null => {
  const currency = job.budget?.currency ?? usualCurrency(shop.prices);
  const asked = (job.used ?? []).flatMap(({ drive, at, asked: money, warrantyUntil: until }) => {
    const on = at.slice(0, 10);
    const warranty = until === undefined ? 0 : Math.max(0, yearsBetween(on, until));
    const amount = money?.currency === currency ? money.amount : null;
    return money ? [{ drive, amount, on, warranty }] : [];
  });
  const isAsked = (key: string) => asked.some(({ drive }) => key === `drives/${drive}`);
  const owned = ((job.owned ?? []) as PartKey[]).filter((key) => !isAsked(key));
  const wanted = wantedOf(job, device, { ...how, owned, currency });
  return wanted && asked.length > 0 ? { ...wanted, asked } : wanted;
};

/** What each part costs in the currency that counts, a used unit what is asked for it; none while no price is known. */
export function pricesFor(
  { currency, rates, asked = [] }: Pick<Wanted, 'currency' | 'rates' | 'asked'>,
  shop: Pick<Shop, 'prices' | 'drives'>,
): ReadonlyMap<string, UnitPrice> {
  if (currency === null) return new Map<string, UnitPrice>();
  const fresh = pricing(shop.prices, currency, rates);
  if (asked.length === 0) return fresh;
  const prices = new Map(fresh);
  for (const { drive: id, amount, on } of asked) {
    const drive = shop.drives.find((one) => one.id === id);
    const of = `drives/${id}`;
    // What nobody has converted is no price of a new one either.
    if (amount === null) prices.delete(of);
    if (!drive || amount === null) continue;
    const by = {
      id: `asked ${id}`,
      name: nameOf(drive),
      of,
      on,
      amount,
      currency,
      sells: 'used',
      delivery: 0,
    } as const;
    prices.set(of, { each: amount, currency, by });
  }
  return prices;
}

/** The systems that must work with the device: those it is used on, and those that are named beside. */
export const systemsOf = ({ places }: Pick<Wanted, 'places'>): System['family'][] => [
  ...new Set(places.flatMap(({ host, needs }) => familiesOf(host, needs))),
];

/** B that the device must have room for, by the work of all its places. */
export function neededBy({ places, shopRanges }: Pick<Wanted, 'places' | 'shopRanges'>): number {
  const work = places.flatMap((p) => [...p.activities, ...(p.elsewhere ?? [])]);
  return roomFor([...new Map(work.map((a) => [a.id, a])).values()], places[0]?.serviceYears, shopRanges);
}
