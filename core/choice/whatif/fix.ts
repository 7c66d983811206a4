import { middle } from '../../evidence';
import { linkById, practicalOf, type Direction } from '../../catalog/links';
import { nameOf, type Shop } from '../../catalog/parts';
import type { Build } from '../../assembly';
import type { Situation } from '../../forecast';
import { isExternal } from '../../models';
import { costToday, usualCurrency } from '../prices/pricing';
import { partsOf } from '../search/candidate';
import { keepsLocked, optionsAt, tryPart, type PartOption } from './options';

/** What a fix costs by its kind; money is a dated observation of another day, the order is not. */
export type Cost = 'nothing' | 'a cable' | 'a hub' | 'an enclosure or card' | 'a drive';
const ORDER: readonly Cost[] = ['nothing', 'a cable', 'a hub', 'an enclosure or card', 'a drive'];

export interface Fix {
  cost: Cost;
  /** What to do, in words. */
  words: string;
  /** What the parts that are new cost together, where every price of them is known. */
  price: { amount: number; currency: string } | null;
  build: Build;
  /** Expected B/s after it; null where something else still blocks. */
  flow: number | null;
  gain: number | null;
}

/** What the parts of a build that another has not cost together; null where a price is not known, or none is new. */
function priceOf(was: Build, is: Build, { prices }: Shop): Fix['price'] {
  const had = new Set<string>(partsOf(was).map(({ key }) => key));
  const parts = partsOf(is).filter(({ key }) => !had.has(key));
  const currency = usualCurrency(prices);
  const amount =
    currency === null || parts.length === 0
      ? null
      : costToday(
          parts.map(({ key, count }) => ({ of: key, count })),
          prices,
          currency,
        );
  return amount === null || amount === 0 ? null : { amount, currency: currency! };
}

/** A gain below this share is not worth a hand's turn. */
const WORTH = 0.05;

/** Dearest thing that is new in a build. */
function costOf(was: Build, is: Build, shop: Shop): Cost {
  if (is.drive.id !== was.drive.id) return 'a drive';
  if (is.bridge && is.bridge.id !== was.bridge?.id) return 'an enclosure or card';
  const hubs = new Set((was.hops ?? []).map((hop) => hop.hub.id));
  if ((is.hops ?? []).some((hop) => !hubs.has(hop.hub.id))) return 'a hub';
  const leads = new Set([was.cable?.id, ...(was.hops ?? []).map((hop) => hop.cable.id)]);
  if (
    [is.cable, ...(is.hops ?? []).map((hop) => hop.cable)].some(
      (cable) => cable && !leads.has(cable.id) && shop.cables.some((c) => c.id === cable.id),
    )
  )
    return 'a cable';
  return 'nothing';
}

function wordsFor(situation: Situation, { build }: PartOption): string {
  const { host, build: was } = situation;
  const said: string[] = [];
  if (build.drive.id !== was.drive.id) said.push(`take ${nameOf(build.drive)}`);
  if (build.bridge?.id !== was.bridge?.id)
    said.push(build.bridge ? `put it in ${nameOf(build.bridge)}` : 'put it straight into the host');
  const hubs = (b: Build) =>
    (b.hops ?? []).map(
      (hop) => `${nameOf(hop.hub)}, ${hop.hub.ports.find((p) => p.id === hop.port)?.position ?? hop.port}`,
    );
  if (hubs(build).join() !== hubs(was).join())
    said.push(
      hubs(build).length < hubs(was).length ? 'leave the hub out' : `go through ${hubs(build).join(' and ')}`,
    );
  if (build.port !== was.port)
    said.push(`plug it into: ${host.ports.find((p) => p.id === build.port)!.position}`);
  if (build.cable?.id !== was.cable?.id)
    said.push(build.cable ? `use ${build.cable.name}` : 'leave the cable out');
  const words = said.join(', ');
  return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
}

/** As many parts of a kind are tried; of a larger library those with the highest figures. */
const MOST = 120;

/** The library as far as a fix can be found in it. */
export function tried(shop: Shop, direction: Direction): Shop {
  const first = <T>(list: readonly T[], worth: (part: T) => number): T[] =>
    list.length <= MOST ? [...list] : [...list].sort((a, b) => worth(b) - worth(a)).slice(0, MOST);
  const fastest = (modes: readonly string[]) =>
    Math.max(...modes.map((mode) => practicalOf(linkById(mode), direction).expected));
  return {
    ...shop,
    drives: first(shop.drives, (d) => middle(d[direction]) ?? 0),
    bridges: first(shop.bridges, (b) => fastest(b.outer)),
    cables: first(shop.cables, (c) => fastest(c.modes)),
    hubs: shop.hubs.slice(0, MOST),
  };
}

/**
 * Changes that unblock the path or make it at least 5 % faster, the cheapest kind first and the best of each kind only: a dearer one stands only
 * where it gives more. The first is the cheapest fix.
 */
export function fixes(situation: Situation, library: Shop, direction: Direction): Fix[] {
  const shop = tried(library, direction);
  const now = tryPart(situation, direction);
  const segments = [
    'port',
    'cable',
    ...(situation.build.hops ?? []).map((_, i) => `hub-${i}` as const),
    'bridge',
    'drive',
  ] as const;
  // What expands a host stays in its bay.
  const stays = situation.needs.role === 'expansion' && situation.build.bridge === null;
  // What is carried from one machine to the next goes into none of them.
  const goesAround = (situation.goesAround || situation.needs.portable) && isExternal(situation.build);
  const inPlace = ({ build }: PartOption) =>
    (!stays || (build.port === situation.build.port && build.bridge === null)) &&
    (!goesAround || isExternal(build));
  const helps = (c: PartOption) =>
    !c.taken &&
    inPlace(c) &&
    keepsLocked(situation.build, c.build) &&
    c.blocks.every((id) => now.blocks.includes(id)) &&
    (c.blocks.length < now.blocks.length ||
      (now.flow !== null && c.flow !== null && c.flow > now.flow * (1 + WORTH)));
  const better = (a: PartOption | null, b: PartOption): PartOption =>
    !a ||
    b.blocks.length < a.blocks.length ||
    (b.blocks.length === a.blocks.length && (b.flow ?? 0) > (a.flow ?? 0) * 1.001)
      ? b
      : a;
  const best = new Map<Cost, PartOption>();
  for (const option of segments
    .flatMap((segment) => optionsAt(situation, shop, segment, direction))
    .filter(helps)) {
    const cost = costOf(situation.build, option.build, shop);
    best.set(cost, better(best.get(cost) ?? null, option));
  }
  const found: Fix[] = [];
  let [flow, blocks] = [now.flow ?? 0, now.blocks.length];
  for (const cost of ORDER) {
    const option = best.get(cost);
    if (!option) continue;
    if (
      option.blocks.length > blocks ||
      (option.blocks.length === blocks && (option.flow ?? 0) <= flow * (1 + WORTH))
    )
      continue;
    [flow, blocks] = [option.flow ?? 0, option.blocks.length];
    found.push({
      cost,
      words: wordsFor(situation, option),
      price: priceOf(situation.build, option.build, library),
      build: option.build,
      flow: option.flow,
      gain: option.gain,
    });
  }
  return found;
}
