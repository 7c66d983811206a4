import type { Bridge, Cable, Drive, Shop } from '../../catalog/parts';
import { middle } from '../../evidence';
import type { Build, Connection } from '../../assembly';
import { arrivalOf, type PartKey, type UnitPrice } from '../prices/pricing';
import { partsOf, type Candidate, type Fallen, type ReasonId } from './candidate';
import { demandsMissed, judgedAt } from './demands';
import { apartBy, baysOf, fitsInto, fitsStraight, waysOver, waysTo, type Bays, type JoinWay } from './join';
import { stopOf, yearsOf } from './placed';
import { connectionOf, PlaceScorer, usableBytes, type ScoredBuild } from './scoring';
import { neededBy, systemsOf, type Wanted, pricesFor } from './wanted';

/** How far a search is. */
export interface Progress {
  /** Builds looked at, and how many drives of how many. */
  looked: number;
  drives: number;
  of: number;
}

/** What a search found. */
export interface Found {
  /** All that works, whatever targets it misses. */
  candidates: Candidate[];
  fallen: Fallen[];
  /** Builds that plug together and were looked at. */
  looked: number;
  /** Combinations of drive, enclosure or none, cable or none, and port that the parts would make without the join. */
  combinations: number;
  /** Drives that were not reached any more: the dearest ones of a very large library. */
  left: number;
}

/** As many builds are looked at; the dearest drives are left out where a library makes more. */
const MOST_BUILDS = 1_000_000;
/** What a hub with a supply of its own may settle. */
const BY_HUB: readonly ReasonId[] = ['rule power-running', 'rule sealed-supply'];
/** A part of a search: every so-manieth drive, so that each worker has cheap and dear ones. */
export interface SearchShare {
  at: number;
  of: number;
}
const WHOLE: SearchShare = { at: 0, of: 1 };
/** Builds between two looks at the clock or at whether it is still wanted. */
const PIECE = 40;
/** Places among the drives by price that are looked at first, so that something that meets the targets is soon found. */
const AHEAD = [1 / 2, 3 / 4, 1 / 4, 7 / 8, 5 / 8, 3 / 8];

/** What is searched in, with what each part costs. */
class Market {
  private readonly prices: ReadonlyMap<string, UnitPrice>;
  private readonly owned: ReadonlySet<string>;

  constructor(
    shop: Shop,
    readonly wanted: Wanted,
  ) {
    this.prices = pricesFor(wanted, shop);
    this.owned = new Set(wanted.owned);
  }

  /** Money for one; 0 for what is there; null where nobody has seen a price. */
  each(key: PartKey): number | null {
    return this.owned.has(key) ? 0 : (this.prices.get(key)?.each ?? null);
  }

  /** For an order: what has no price comes last. */
  rank(key: PartKey): number {
    return this.each(key) ?? Infinity;
  }

  /** Parts of a kind, the cheapest first. */
  inOrder<K extends 'drives' | 'bridges' | 'hubs'>(shop: Shop, kind: K): Shop[K][number][] {
    const parts: Shop[K][number][] = [...shop[kind]];
    const rank = new Map(parts.map(({ id }) => [id, this.rank(`${kind}/${id}`)]));
    return parts.sort((a, b) => compare(rank.get(a.id)!, rank.get(b.id)!) || a.id.localeCompare(b.id));
  }

  /** The day the last of its parts is here, by what was noted of delivery; null: of some part nothing was. What is there is here. */
  arrivalOf(build: Build, elsewhere: readonly Connection[]): string | null {
    return partsOf(build, elsewhere)
      .filter(({ key }) => !this.owned.has(key))
      .map(({ key }) => this.prices.get(key))
      .reduce<string | null>((latest, price) => {
        const day = price ? arrivalOf(price.by) : null;
        return latest === null || day === null ? null : day > latest ? day : latest;
      }, '');
  }

  costOf(build: Build, elsewhere: readonly Connection[]): Pick<Candidate, 'cost' | 'unpriced'> {
    const parts = partsOf(build, elsewhere).map((part) => ({ ...part, each: this.each(part.key) }));
    const unpriced = parts.filter(({ each }) => each === null).map(({ key }) => key);
    const cost = parts.reduce((sum, { each, count }) => sum + (each ?? 0) * count, 0);
    return { cost: unpriced.length > 0 ? null : Math.round(cost * 100) / 100, unpriced };
  }
}

/** What tells one port from another: not where it is, nor what else hangs on the same link. */
export const portTraits = ({ id: _, position: _p, ...rest }: JoinWay['port']): string => JSON.stringify(rest);

/** The id of a build among candidates. */
export const buildKey = ({ drive, bridge, cable, port, together = 1, array, hops = [] }: Build): string =>
  [
    ...[drive.id, bridge?.id ?? '-', cable?.id ?? '-', port, together, array?.mode ?? '-', array?.by ?? '-'],
    ...hops.flatMap((hop) => [hop.hub.id, hop.port]),
  ].join(' ');

/** A device to be connected. */
interface Held {
  drive: Drive;
  bridge: Bridge | null;
  bays: Bays;
}
const buildWith = ({ drive, bridge, bays }: Held, { cable, port, hops }: JoinWay): Build => ({
  drive,
  bridge,
  ...bays,
  cable,
  port: port.id,
  ...(hops ? { hops: [...hops] } : {}),
});

/**
 * Everything that could be bought for the work, in numbers: drives, bare or ready-made, straight or in every enclosure or card that takes them,
 * on every port that differs, with the cheapest cable of each mode. The cheapest drives first. Gives back how far it is after each piece, so that it can
 * be stopped; its result at the end.
 * @param into candidates as they are found, for whoever looks on meanwhile
 * @param share the drives that are this worker's, where several search
 */
export function* search(
  wanted: Wanted,
  shop: Shop,
  into: Candidate[] = [],
  share: SearchShare = WHOLE,
): Generator<Progress, Found> {
  const market = new Market(shop, wanted);
  const accessories = shop.accessories;
  const smallPrice = (part: { id: string }) => market.rank(`accessories/${part.id}`);
  const places = wanted.places.map(
    (open) => new PlaceScorer(open, wanted.shopRanges, accessories, smallPrice),
  );
  const [first, ...others] = wanted.places;
  const ports = wanted.places.map(({ host, taken = [] }) =>
    apartBy(
      host.ports.filter((port) => !taken.includes(port.id)),
      portTraits,
    ),
  );
  const drives = market.inOrder(shop, 'drives').filter((_, i) => i % share.of === share.at);
  const place = new Map(drives.map(({ id }, i) => [id, i]));
  const bridges = market.inOrder(shop, 'bridges');
  const bySocket = new Map<string, Bridge[]>();
  for (const bridge of bridges) bySocket.set(bridge.socket, [...(bySocket.get(bridge.socket) ?? []), bridge]);
  const cablePrice = (cable: Cable) => market.rank(`cables/${cable.id}`);

  // An enclosure meets a machine in the same ways whatever drive is in it; a card passes on what the drive can do.
  const ways = new Map<string, JoinWay[]>();
  const waysOf = ({ drive, bridge }: Held, at: number): JoinWay[] => {
    const key = `${at} ${bridge && !bridge.passThrough ? bridge.id : `${bridge?.id} ${drive.plug} ${drive.form} ${drive.modes.join()}`}`;
    const had = ways.get(key);
    if (had) return had;
    const end = bridge ? { plug: bridge.plug, modes: bridge.outer } : drive;
    const isStraight = (port: JoinWay['port']) =>
      bridge ? bridge.kind === 'adapter' : fitsStraight(drive, port);
    const found = waysTo(end, ports[at]!, shop.cables, isStraight, cablePrice);
    ways.set(key, found);
    return found;
  };

  /** The ways over a hub at the first place: where no port joins, or a port supplies too little. */
  const hubs = market.inOrder(shop, 'hubs');
  const overHubs = ({ drive, bridge }: Held): JoinWay[] => {
    const end = bridge ? { plug: bridge.plug, modes: bridge.outer } : drive;
    const isStraight = () => bridge?.kind === 'adapter';
    return hubs.flatMap((hub) => waysOver(hub, end, ports[0]!, shop.cables, isStraight, cablePrice));
  };

  const fallen: Fallen[] = [];
  let looked = 0;
  const drop = (held: Held, reason: ReasonId, way?: JoinWay): ReasonId => {
    fallen.push({ ...held, ...(way ?? {}), reason });
    return reason;
  };

  /** The best way to connect a device at a further place: meets most, costs least, is quickest. */
  const atOthers = new Map<string, (ScoredBuild & { connection: Connection })[] | null>();
  const elsewhere = (held: Held) => {
    const key = [
      held.drive.id,
      held.bridge?.id,
      held.bays.together,
      held.bays.array?.mode,
      held.bays.array?.by,
    ].join(' ');
    const had = atOthers.get(key);
    if (had !== undefined) return had;
    const best = others.map((_, i) => {
      const tried = waysOf(held, i + 1).flatMap((way) => {
        const got = places[i + 1]!.try(buildWith(held, way));
        looked++;
        return 'rule' in got ? [] : [{ ...got, connection: connectionOf(got.build) }];
      });
      const cost = (m: ScoredBuild) => (m.build.cable ? market.rank(`cables/${m.build.cable.id}`) : 0);
      const missed = ({ build, workload, hottest, misses }: ScoredBuild) =>
        misses.length +
        demandsMissed([{ build, open: others[i]!, years: null, workload, hottest, arrives: null }]).length;
      return tried.sort((a, b) => missed(a) - missed(b) || compare(cost(a), cost(b)) || a.waits - b.waits)[0];
    });
    const all = best.every((b) => b !== undefined) ? best : null;
    atOthers.set(key, all);
    return all;
  };

  const systems = systemsOf(wanted);
  const needed = neededBy(wanted);
  const isExpansion = first!.needs?.role === 'expansion';
  /** Keeps what works; the reason why it does not, else. */
  const keep = (held: Held, way: JoinWay): ReasonId | null => {
    looked++;
    if (stopOf(wanted, held.drive) !== null) return drop(held, 'worn or failing', way);
    if ((held.bays.together ?? 1) > 1 && wanted.asked?.some(({ drive }) => drive === held.drive.id))
      return drop(held, 'there once', way);
    const usable = usableBytes(buildWith(held, way));
    if (usable !== null && usable < needed) return drop(held, 'full too soon', way);
    if (isExpansion && (held.bridge !== null || way.cable !== null)) return drop(held, 'not inside', way);
    const got = places[0]!.try(buildWith(held, way));
    if ('rule' in got) return drop(held, `rule ${got.rule}`, way);
    const further = elsewhere(held);
    if (further === null) return drop(held, 'not at every place', way);
    into.push(made(got, further, market));
    return null;
  };

  const priced = drives.filter(({ id }) => market.each(`drives/${id}`) !== null);
  const ahead = AHEAD.flatMap((at) => priced[Math.floor(at * priced.length)] ?? []);
  let done = 0;
  let since = 0;
  for (const drive of new Set([...ahead, ...drives])) {
    const boxes = (bySocket.get(drive.plug) ?? []).filter((bridge) => fitsInto(drive, bridge));
    let taken = false;
    for (const bridge of [null, ...boxes])
      for (const bays of baysOf(bridge, systems)) {
        const held = { drive, bridge, bays };
        const found = waysOf(held, 0);
        if (found.length === 0 && bridge !== null && bays.together === undefined)
          drop(held, 'nothing joins it');
        let wantsHub = found.length === 0;
        const tried = function* (): Generator<JoinWay> {
          for (const way of found) yield way;
          if (wantsHub) yield* overHubs(held);
        };
        for (const way of tried()) {
          const reason = keep(held, way);
          if (reason !== null && BY_HUB.includes(reason)) wantsHub = true;
          taken = true;
          if (looked - since >= PIECE) {
            since = looked;
            yield { looked, drives: done, of: drives.length };
          }
        }
      }
    if (!taken && boxes.length === 0) drop({ drive, bridge: null, bays: {} }, 'nothing takes it');
    done++;
    if (looked >= MOST_BUILDS / share.of) break;
  }
  const combinations =
    drives.length * (bridges.length + 1) * (shop.cables.length + 1) * first!.host.ports.length;
  const inOrder = (a: Drive, b: Drive) => place.get(a.id)! - place.get(b.id)!;
  into.sort((a, b) => inOrder(a.build.drive, b.build.drive));
  fallen.sort((a, b) => inOrder(a.drive, b.drive));
  return { candidates: into, fallen, looked, combinations, left: drives.length - done };
}

const compare = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1);

function made(
  got: ScoredBuild,
  further: readonly (ScoredBuild & { connection: Connection })[],
  market: Market,
): Candidate {
  const { build } = got;
  const all = [got, ...further];
  const connections = further.map((f) => f.connection);
  const { drive } = build;
  const years = yearsOf(market.wanted, drive, got.writes);
  const arrives = market.arrivalOf(build, connections);
  const mostOf = (list: readonly number[]) => (list.length > 0 ? Math.max(...list) : null);
  const hottest = mostOf(all.flatMap((m) => m.hottest ?? []));
  const workload = mostOf(all.flatMap((m) => m.workload ?? []));
  return {
    id: buildKey(build),
    build,
    elsewhere: connections,
    ...market.costOf(build, connections),
    figures: all.flatMap((m) => m.figures),
    misses: [
      ...all.flatMap((m) => m.misses),
      ...demandsMissed(
        judgedAt({ build, elsewhere: connections, years, workload, hottest, arrives }, market.wanted.places),
      ),
    ],
    waits: all.reduce((sum, m) => sum + m.waits, 0),
    steady: Math.min(...all.map((m) => m.steady)),
    flow: got.flow,
    years,
    workload,
    hottest,
    arrives,
    warranty:
      market.wanted.asked?.find((one) => one.drive === build.drive.id)?.warranty ??
      middle(drive.warrantyYears),
    usable: usableBytes(build),
  };
}

/** What several workers found, as one search would have found it. */
export function joinShares(parts: readonly Found[], wanted: Wanted, shop: Shop): Found {
  const place = new Map(new Market(shop, wanted).inOrder(shop, 'drives').map(({ id }, i) => [id, i]));
  const sum = (of: (part: Found) => number) => parts.reduce((total, part) => total + of(part), 0);
  return {
    candidates: parts
      .flatMap((part) => part.candidates)
      .sort((a, b) => place.get(a.build.drive.id)! - place.get(b.build.drive.id)!),
    fallen: parts
      .flatMap((part) => part.fallen)
      .sort((a, b) => place.get(a.drive.id)! - place.get(b.drive.id)!),
    looked: sum((part) => part.looked),
    combinations: sum((part) => part.combinations),
    left: sum((part) => part.left),
  };
}

/** A search to its end, for whoever can wait. */
export function searchAll(wanted: Wanted, shop: Shop): Found {
  const going = search(wanted, shop);
  for (;;) {
    const step = going.next();
    if (step.done) return step.value;
  }
}
