import { DIRECTIONS } from '../../catalog/links';
import { findings, type Finding } from '../../fit';
import { settingOf, type Situation } from '../../forecast';
import { nameOf, type Price } from '../../catalog/parts';
import { calendarDay, moneyWords } from '../../units';
import { ageOf, STALE, type UnitPrice } from '../prices/pricing';
import { against, baselines } from './baseline';
import { partsOf, type Candidate } from './candidate';
import { judgedAt } from './demands';
import { sizesOf, wasted } from './money';
import { levelsBeside, levelSentence } from './levels';
import { situationsOf } from './placed';
import { buildKey } from './search';
import type { FinishedSearch } from './searched';
import { pricesFor } from './wanted';
import { againstWords, buildWords, demandWords, plugWords, priceWords, wastedWords } from './words';

/** A part to be ordered. */
export interface OrderLine {
  name: string;
  count: number;
  /** Money for one; null: no price is known. */
  each: number | null;
  /** It is there already. */
  owned: boolean;
  /** The observation its price is from. */
  price: Pick<Price, 'seller' | 'on' | 'delivery' | 'returnDays'> | null;
}

/** A build looked at closely. */
export interface Closely {
  id: string;
  /** Its place among the points. */
  index: number;
  words: string;
  /** Where it is plugged in, at each place it works. */
  where: readonly string[];
  /** What each part costs, by the observation that says so: where, when, for how long it can go back. */
  prices: readonly string[];
  /** Prices it goes by that are no longer to go by. */
  stale: readonly string[];
  money: string;
  kit: readonly string[];
  probabilities: readonly (number | null)[];
  /** What each activity comes to beside today's time; null where nobody said that. */
  today: readonly (string | null)[];
  wasted: readonly string[];
  /** What it costs more and saves against what is named. */
  against: readonly string[];
  /** What is asked of it beside its targets: the names of what it keeps, a sentence for what it misses and for what nobody knows. */
  demands: { kept: string | null; missed: readonly string[]; open: readonly string[] };
  cautions: readonly { title: string; reason: string }[];
  /** Every part it is made of. */
  order: readonly OrderLine[];
  sizes: readonly { name: string; perTB: number; own: boolean }[];
  /** The same drives in the same enclosure at other levels, what survives most first; itself is told too where there are any. */
  levels: readonly { id: string; words: string }[];
  candidate: Candidate;
}

/** What each part costs in the currency that counts; none while no price is known. */
export const unitPrices = ({ wanted, shop }: FinishedSearch): ReadonlyMap<string, UnitPrice> =>
  pricesFor(wanted, shop);

/** What each part of a build costs, by the observation that says so. */
function priceLines(of: FinishedSearch, { build, elsewhere }: Candidate): string[] {
  const prices = unitPrices(of);
  return partsOf(build, elsewhere).flatMap(({ key, count }) => {
    if (of.wanted.owned.includes(key)) return [];
    const known = prices.get(key);
    return known ? [priceWords(known, count)] : [];
  });
}

/** Every part of a build, as it is ordered. */
function orderOf(of: FinishedSearch, { build, elsewhere }: Candidate): OrderLine[] {
  const prices = unitPrices(of);
  const { drive, bridge, cable, hops = [], accessories = [] } = build;
  const names = new Map<string, string>([
    [`drives/${drive.id}`, nameOf(drive)],
    ...(bridge ? [[`bridges/${bridge.id}`, nameOf(bridge)] as const] : []),
    ...[cable, ...elsewhere.map((c) => c.cable), ...hops.map((hop) => hop.cable)].flatMap((c) =>
      c ? [[`cables/${c.id}`, c.name] as const] : [],
    ),
    ...hops.map(({ hub }) => [`hubs/${hub.id}`, nameOf(hub)] as const),
    ...accessories.map((small) => [`accessories/${small.id}`, nameOf(small)] as const),
  ]);
  return partsOf(build, elsewhere).map(({ key, count }): OrderLine => {
    const owned = of.wanted.owned.includes(key);
    const known = owned ? undefined : prices.get(key);
    return { name: names.get(key) ?? key, count, each: known?.each ?? null, owned, price: known?.by ?? null };
  });
}

/** A build against each baseline but itself. */
function againstLines(
  { found, wanted, shop, built }: FinishedSearch,
  one: Candidate,
  hourly: number,
): string[] {
  return baselines(found.candidates, wanted, shop, built && buildKey(built))
    .filter(({ candidate }) => candidate.id !== one.id)
    .map((base) => againstWords(base, against(one, base, hourly, wanted), wanted.currency, hourly));
}

/** Prices a build's cost goes by that are older than prices keep. */
function staleWords(of: FinishedSearch, { build, elsewhere }: Candidate, today: string): string[] {
  const prices = unitPrices(of);
  return partsOf(build, elsewhere).flatMap(({ key }) => {
    const price = prices.get(key)?.by;
    return price && !of.wanted.owned.includes(key) && ageOf(price, today) > STALE
      ? [`${price.name}: ${calendarDay(new Date(`${price.on}T12:00`))}`]
      : [];
  });
}

/** What is to be minded wherever it works, each rule once. */
export function cautionsOf(situations: readonly Situation[]): Finding[] {
  const said = situations
    .flatMap((situation) => DIRECTIONS.flatMap((d) => findings(settingOf(situation, d))))
    .filter((f) => f.severity === 'caution' || f.severity === 'blocks');
  return [...new Map(said.map((f) => [f.id, f])).values()];
}

/** What one costs, and all of them where several are bought. */
function piecesWords(cost: number | null, { currency, pieces = 1 }: FinishedSearch['wanted']): string {
  const each = moneyWords(cost, currency);
  return cost === null || pieces === 1
    ? each
    : `${each} each, ${moneyWords(cost * pieces, currency)} for ${pieces}`;
}

/** A build looked at closely. @param today the day, ISO: prices grow old; @param hourly what an hour is worth; 0: not said */
export function closelyOf(of: FinishedSearch, one: Candidate, hourly: number, today: string): Closely {
  const { wanted, shop, found, finalists } = of;
  const { build } = one;
  const [open] = wanted.places;
  const prices = unitPrices(of);
  const others = levelsBeside(one, found.candidates);
  const sizes = sizesOf(build.drive, shop.drives, (d) => prices.get(`drives/${d.id}`)?.each ?? null);
  return {
    id: one.id,
    index: of.index.get(one.id)!,
    words: buildWords(build),
    where: plugWords(one, wanted),
    prices: priceLines(of, one),
    stale: staleWords(of, one, today),
    order: orderOf(of, one),
    money: piecesWords(one.cost, wanted),
    kit: (build.accessories ?? []).map((a) => `${a.maker} ${a.model}`),
    probabilities: finalists.probabilities(one),
    today: finalists.besideToday(one),
    against: againstLines(of, one, hourly),
    wasted: wasted(one, found.candidates).map((w) => wastedWords(w, wanted, open!.needs?.movesLater)),
    demands: demandWords(judgedAt(one, wanted.places)),
    cautions: cautionsOf(situationsOf(of, one)).map(({ title, reason }) => ({ title, reason })),
    sizes: sizes.map(({ drive, perTB }) => ({ name: drive.model, perTB, own: drive.id === build.drive.id })),
    levels: (others.length > 0 ? [one, ...others] : []).map((level) => ({
      id: level.id,
      words: levelSentence(of, level),
    })),
    candidate: one,
  };
}
