import { blocksOf } from '../../fit';
import { directionOf } from '../../job';
import { expectedRate, linkById, type Direction } from '../../catalog/links';
import { formFactor, nameOf } from '../../catalog/parts';
import type { Bridge, Cable, Drive, Hop, Host, Hub, Shop } from '../../catalog/parts';
import { type Build, type Device, type Lockable, bestShared, type SegmentId } from '../../assembly';
import { builtAs, firstOf, onMachine, settingOf, situationOf, working } from '../../forecast';
import type { Change, Situation } from '../../forecast';
import type { Brief } from '../../job';

/** Something else that could stand at a place. */
export interface PartOption {
  key: string;
  name: string;
  /** What changes beside it, e.g. the cable that fits. */
  beside: string | null;
  build: Build;
  /** What it comes to: other parts, another other end for the activities, or another system in use. */
  situation: Situation;
  taken: boolean;
  /** Expected B/s; null where nothing flows or something else blocks. */
  flow: number | null;
  /** Flow against today's in B/s; null where either does not flow. */
  gain: number | null;
  /** Ids of the rules that block it. */
  blocks: string[];
}

interface Tried {
  build: Build;
  flow: number | null;
  blocks: string[];
}

/** A situation as the rules and its path's flow find it. */
export function tryPart(situation: Situation, direction: Direction): Tried {
  const setting = settingOf(situation, direction);
  const blocks = blocksOf(setting);
  const flow = blocks.length > 0 ? null : setting.path.flow![direction].expected;
  return { build: situation.build, flow, blocks };
}

const fewer = (a: Tried, b: Tried): Tried =>
  b.blocks.length < a.blocks.length ||
  (b.blocks.length === a.blocks.length && (b.flow ?? 0) > (a.flow ?? 0) * 1.001)
    ? b
    : a;

/** Where the device's cable ends towards the host. */
function farEnd(
  { hops, port }: Build,
  host: Host,
): { connector: string; modes: readonly string[] } | undefined {
  const hop = hops?.[0];
  return hop ? hop.hub.ports.find((p) => p.id === hop.port) : host.ports.find((p) => p.id === port);
}

const fastest = (modes: readonly string[]): number =>
  Math.max(0, ...modes.map((mode) => expectedRate(linkById(mode))));

/** Cables that join the device and the host, the one that negotiates most first, or none where it goes straight in. Plugs that cannot meet are never tried. */
function leadsFor(build: Build, host: Host, shop: Shop): (Cable | null)[] {
  const { bridge, drive } = build;
  const from = bridge?.plug ?? drive.plug;
  const end = farEnd(build, host);
  const fitting = shop.cables.filter(
    ({ ends: [a, b] }) => (a === from && b === end?.connector) || (b === from && a === end?.connector),
  );
  const straight = from === end?.connector && (bridge === null || bridge.kind === 'adapter') ? [null] : [];
  if (fitting.length < 2 || !end) return [...straight, ...fitting];
  const device = bridge ? bridge.outer : drive.modes;
  const rateOf = (cable: Cable) => {
    const mode = bestShared(device, cable.modes, end.modes);
    return mode ? expectedRate(mode) : 0;
  };
  const ranked = fitting.map((cable) => ({ cable, rate: rateOf(cable) })).sort((a, b) => b.rate - a.rate);
  const best = ranked.slice(0, 2);
  return [...straight, ...best.map((r) => r.cable)];
}

/**
 * The build with as little else changed as it takes to work: first nothing, then the cable, then without the enclosure, then in another one with
 * its cable, the fastest that works. Where nothing works, what is blocked by least.
 * What is locked stays.
 * @param chosen the segment that was asked for and stays
 */
function fitted(
  situation: Situation,
  shop: Shop,
  direction: Direction,
  chosen: SegmentId | null = null,
): Tried {
  const asked = tryPart(situation, direction);
  if (asked.blocks.length === 0 || chosen === 'cable') return asked;
  const { build } = situation;
  const isHeld = (segment: Lockable) => build.locked?.includes(segment) === true;
  const leads = (b: Build) =>
    (isHeld('cable') ? [b.cable] : leadsFor(b, situation.host, shop)).map((cable) =>
      tryPart(builtAs({ ...b, cable })(situation), direction),
    );
  let best = leads(build).reduce(fewer, asked);
  if (chosen === 'bridge' || isHeld('bridge') || chosen?.startsWith('hub-')) return best;
  if (best.blocks.length > 0 && build.bridge)
    best = leads({ ...build, bridge: null })
      .filter((found) => found.blocks.length === 0)
      .reduce(fewer, best);
  for (const bridge of boxesFor(build, shop)) {
    if (best.blocks.length === 0) break;
    best = leads({ ...build, bridge }).reduce(fewer, best);
  }
  return best;
}

/** Boxes and cards that take the drive's plug, shape and interface, the fastest link first. */
function boxesFor({ drive }: Build, shop: Shop): Bridge[] {
  const form = formFactor(drive.form);
  return shop.bridges
    .filter(
      (bridge) =>
        bridge.socket === drive.plug &&
        (form === null || (bridge.forms?.includes(form) ?? true)) &&
        bestShared(drive.modes, bridge.inner) !== null,
    )
    .sort((a, b) => fastest(b.outer) - fastest(a.outer));
}

/** A build that works on a machine, whichever drive of the shop comes first. */
export function firstBuild(brief: Omit<Brief, 'build'>, shop: Shop): Build {
  const { host } = brief;
  for (const port of host.ports)
    for (const drive of shop.drives) {
      const build: Build = { drive, bridge: null, cable: null, port: port.id };
      const found = fitted(situationOf({ ...brief, build })!, shop, 'write');
      if (found.blocks.length === 0) return found.build;
    }
  return {
    drive: shop.drives[0]!,
    bridge: shop.bridges[0] ?? null,
    cable: shop.cables[0] ?? null,
    port: host.ports[0]!.id,
  };
}

/** The same device on a machine: the port and the cable that carry most, of those on which the least blocks. */
export function connected(brief: Omit<Brief, 'build'>, device: Device, shop: Shop): Build {
  const tries = brief.host.ports.flatMap((port) => {
    const bare: Build = { ...device, cable: null, port: port.id };
    return [null, ...leadsFor(bare, brief.host, shop)].map((cable) =>
      tryPart(situationOf({ ...brief, build: { ...bare, cable } })!, 'write'),
    );
  });
  const better = (a: Tried, b: Tried): Tried =>
    b.blocks.length < a.blocks.length ||
    (b.blocks.length === a.blocks.length && (b.flow ?? 0) > (a.flow ?? 0))
      ? b
      : a;
  return tries.reduce(better).build;
}

/** What changed beside the segment itself, in words. */
function beside(asked: Build, got: Build): string | null {
  const words = [
    asked.bridge !== got.bridge ? (got.bridge ? `in ${nameOf(got.bridge)}` : 'without an enclosure') : '',
    asked.cable !== got.cable ? (got.cable ? `with ${got.cable.name}` : 'without a cable') : '',
  ].filter(Boolean);
  return words.length > 0 ? words.join(', ') : null;
}

/** A changed build: what the system was seen to negotiate held for the old one. */
function changed(build: Build, part: Partial<Build>): Build {
  const { seen: _, ...rest } = build;
  return { ...rest, ...part };
}

/** What else could stand at a place, from the shop and the host, with the gain beside each. */
export function optionsAt(
  situation: Situation,
  shop: Shop,
  segment: SegmentId,
  direction: Direction,
): PartOption[] {
  const now = tryPart(situation, direction);
  const aside = segment === 'host' || segment === 'system';
  const found =
    segment === 'host'
      ? otherEnds(situation, direction)
      : segment === 'system'
        ? otherSystems(situation)
        : parts(situation, shop, segment);
  return found.map(({ key, name, change, taken }) => {
    const asked = change(situation);
    const tried = (): Tried => (aside ? tryPart(asked, direction) : fitted(asked, shop, direction, segment));
    const got = taken ? now : tried();
    return {
      key,
      name,
      taken,
      ...got,
      situation: builtAs(got.build)(asked),
      beside: taken ? null : beside(asked.build, got.build),
      gain: got.flow === null || now.flow === null ? null : got.flow - now.flow,
    };
  });
}

/** What carries most of what works on another port of the machine; null where nothing does, or the port is held fast. @param taken ports in use, by id */
function onAnotherPort(
  situation: Situation,
  shop: Shop,
  direction: Direction,
  taken: readonly string[],
): Tried | null {
  const { build, host } = situation;
  if (build.locked?.includes('port')) return null;
  const { hops: _, ...bare } = build;
  const found = host.ports
    .filter(({ id }) => id !== build.port && !taken.includes(id))
    .map(({ id }) => fitted(builtAs({ ...bare, port: id })(situation), shop, direction, 'drive'))
    .filter(({ blocks }) => blocks.length === 0);
  return found.length === 0 ? null : found.reduce(fewer);
}

/**
 * The situation's own build, then it with each of these drives, as little else changed as it takes to work for one of its activities: where a drive does
 * not go on its port, on a free one.
 * @param taken ports that other devices hang on, by id
 */
export function withDrives(
  situation: Situation,
  shop: Shop,
  drives: readonly Drive[],
  activityId: string,
  taken: readonly string[],
): { name: string; build: Build }[] {
  const { build, host } = situation;
  const activity = situation.activities.find((a) => a.id === activityId);
  const direction = activity ? directionOf(activity) : 'write';
  const withDrive = (drive: Drive): Build => {
    if (drive.id === build.drive.id) return build;
    const asked = builtAs(changed(build, { drive }))(situation);
    const here = fitted(asked, shop, direction, 'drive');
    return ((here.blocks.length > 0 && onAnotherPort(asked, shop, direction, taken)) || here).build;
  };
  const named = (drive: Drive, got: Build) =>
    got.port === build.port
      ? nameOf(drive)
      : `${nameOf(drive)} on ${host.ports.find(({ id }) => id === got.port)!.position}`;
  return [
    { name: nameOf(build.drive), build },
    ...drives.map((drive) => {
      const got = withDrive(drive);
      return { name: named(drive, got), build: got };
    }),
  ];
}

/** One thing to try. */
interface Candidate {
  key: string;
  name: string;
  change: Change;
  taken: boolean;
}

/** The built-in drive and the host's other endpoints as the other end of all activities in this direction. */
function otherEnds({ host, activities }: Situation, direction: Direction): Candidate[] {
  const own = firstOf(activities, direction);
  const to = (endpoint: string | undefined): Change =>
    working((activity) => {
      if (directionOf(activity) !== direction) return activity;
      const { endpoint: _, ...rest } = activity;
      return endpoint === undefined ? rest : { ...rest, endpoint };
    });
  const ends = [{ id: undefined, name: host.storage.name }, ...(own ? (host.endpoints ?? []) : [])];
  return ends.map(({ id, name }) => ({
    key: id ?? 'built-in',
    name,
    change: to(id),
    taken: own?.endpoint === id,
  }));
}

/** The host's systems, the one in use first in its list. */
function otherSystems({ host }: Situation): Candidate[] {
  const { systems = [] } = host;
  return systems.map((system, i) => {
    const family = system.family === 'own' ? 'its own system' : system.family;
    const first = [system, ...systems.filter((s) => s !== system)];
    return {
      key: `system-${i}`,
      name: [family, system.version].filter(Boolean).join(' '),
      change: onMachine({ ...host, systems: first }),
      taken: i === 0,
    };
  });
}

/** Whether a build has the parts that another holds fast. */
export const keepsLocked = (was: Build, is: Build): boolean =>
  (was.locked ?? []).every((segment) =>
    segment === 'port' ? is.port === was.port : is[segment]?.id === was[segment]?.id,
  );

/** Today's part first where the shop does not hold it. */
function withOwn<T extends { id: string }>(list: readonly T[], own: T | null): readonly T[] {
  return own && !list.some((part) => part.id === own.id) ? [own, ...list] : list;
}

function parts(situation: Situation, shop: Shop, segment: SegmentId): Candidate[] {
  const { build } = situation;
  const to = (part: Partial<Build>): Change => builtAs(changed(build, part));
  const one = <T extends Drive | Bridge | Cable>(part: T, own: T | null, put: Partial<Build>): Candidate => ({
    key: part.id,
    name: 'length' in part ? `${nameOf(part)}, ${part.length} m` : nameOf(part),
    change: to(put),
    taken: part.id === own?.id,
  });
  const none = (name: string, put: Partial<Build>, taken: boolean): Candidate => ({
    key: 'none',
    name,
    change: to(put),
    taken,
  });
  if (segment === 'drive')
    return withOwn(shop.drives, build.drive).map((drive) =>
      one(drive, build.drive, drive.sealed ? { drive, bridge: null } : { drive }),
    );
  if (segment === 'bridge')
    return [
      ...withOwn(shop.bridges, build.bridge).map((bridge) => one(bridge, build.bridge, { bridge })),
      none('None: straight into the host', { bridge: null }, build.bridge === null),
    ];
  if (segment === 'cable')
    return [
      ...withOwn(shop.cables, build.cable).map((cable) => one(cable, build.cable, { cable })),
      none('No cable', { cable: null }, build.cable === null),
    ];
  if (segment === 'port')
    return situation.host.ports.map((port) => ({
      key: port.id,
      name: `${port.position}, ${port.connector}`,
      change: to({ port: port.id }),
      taken: port.id === build.port,
    }));
  return segment.startsWith('hub-') ? hubs(build, shop, Number(segment.slice(4))) : [];
}

/** Other hubs and other ports of them, in the place of one. */
function hubs(build: Build, shop: Shop, i: number): Candidate[] {
  const hops = build.hops ?? [];
  const own = hops[i];
  if (!own) return [];
  const put = (hop: Hop | null): Change =>
    builtAs(changed(build, { hops: [...hops.slice(0, i), ...(hop ? [hop] : []), ...hops.slice(i + 1)] }));
  const leadOf = (hub: Hub): Cable => {
    if (hub.id === own.hub.id) return own.cable;
    const joins = (c: Cable) =>
      c.ends.includes(hub.plug) && own.cable.ends.some((end) => c.ends.includes(end));
    return shop.cables.find(joins) ?? own.cable;
  };
  const found = withOwn(shop.hubs, own.hub).flatMap((hub) =>
    hub.ports.map((port) => ({
      key: `${hub.id}/${port.id}`,
      name: `${nameOf(hub)}, ${port.position}`,
      change: put({ hub, port: port.id, cable: leadOf(hub) }),
      taken: hub.id === own.hub.id && port.id === own.port,
    })),
  );
  return [{ key: 'none', name: 'No hub here', change: put(null), taken: false }, ...found];
}
