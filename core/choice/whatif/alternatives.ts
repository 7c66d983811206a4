import { type Build } from '../../build/assembly';
import { blocksOf } from '../../fit';
import { directionOf } from '../../job';
import { linkById, practicalOf, type Direction } from '../../catalog/links';
import { formFactor, nameOf, type Bridge, type Cable, type Drive, type Host, type Shop } from '../../catalog/parts';
import { negotiate, type JointId } from '../../build/path';
import { settingOf, type Plan } from './setting';

/** Something else that could stand at a joint. */
export interface Choice {
  key: string;
  name: string;
  /** What changes beside it, e.g. the cable that fits. */
  beside: string | null;
  build: Build;
  /** What the job becomes: another build, another other end for its activities, or another system in use. */
  plan: Plan;
  taken: boolean;
  /** Expected B/s; null where nothing flows or something else blocks. */
  flow: number | null;
  /** Flow against today's in B/s; null where either does not flow. */
  gain: number | null;
  /** Ids of the rules that block it. */
  blocks: string[];
}

interface Judged {
  build: Build;
  flow: number | null;
  blocks: string[];
}

export function judge(plan: Plan, build: Build, direction: Direction): Judged {
  const setting = settingOf({ ...plan, build }, direction);
  const blocks = blocksOf(setting);
  return { build, flow: blocks.length > 0 ? null : setting.path.flow![direction].expected, blocks };
}

const fewer = (a: Judged, b: Judged): Judged =>
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

const worth = (modes: readonly string[]) =>
  Math.max(0, ...modes.map((mode) => practicalOf(linkById(mode), 'read').expected));

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
  const device = { name: 'device', modes: bridge ? bridge.outer : drive.modes };
  const ranked = fitting.map((cable) => ({
    cable,
    mode: negotiate([device, { name: 'cable', modes: cable.modes }, { name: 'end', modes: end.modes }]).mode,
  }));
  const best = ranked
    .sort((a, b) => (b.mode ? worth([b.mode.id]) : 0) - (a.mode ? worth([a.mode.id]) : 0))
    .slice(0, 2);
  return [...straight, ...best.map((r) => r.cable)];
}

/**
 * The build with as little else changed as it takes to work: first nothing, then the cable, then without the enclosure, then in another one with
 * its cable, the fastest that works. Where nothing works, what is blocked by least.
 * @param chosen the joint that was asked for and stays
 */
export function fitted(
  plan: Plan,
  build: Build,
  shop: Shop,
  direction: Direction,
  chosen: JointId | null = null,
): Judged {
  const asked = judge(plan, build, direction);
  if (asked.blocks.length === 0 || chosen === 'cable') return asked;
  const leads = (b: Build) =>
    leadsFor(b, plan.host, shop).map((cable) => judge(plan, { ...b, cable }, direction));
  let best = leads(build).reduce(fewer, asked);
  if (chosen === 'bridge' || chosen?.startsWith('hub-')) return best;
  if (best.blocks.length > 0 && build.bridge)
    best = leads({ ...build, bridge: null })
      .filter((j) => j.blocks.length === 0)
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
        negotiate([
          { name: 'drive', modes: drive.modes },
          { name: 'box', modes: bridge.inner },
        ]).mode !== null,
    )
    .sort((a, b) => worth(b.outer) - worth(a.outer));
}

/** A build that works on the host, whichever drive of the shop comes first. */
export function firstBuild(plan: Omit<Plan, 'build'>, shop: Shop): Build {
  const builds = plan.host.ports.flatMap((port) =>
    shop.drives.map((drive) => ({ drive, bridge: null, cable: null, port: port.id })),
  );
  for (const build of builds) {
    const found = fitted({ ...plan, build }, build, shop, 'write');
    if (found.blocks.length === 0) return found.build;
  }
  return {
    drive: shop.drives[0]!,
    bridge: shop.bridges[0] ?? null,
    cable: shop.cables[0] ?? null,
    port: plan.host.ports[0]!.id,
  };
}

/** What changed beside the joint itself, in words. */
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

/** What else could stand at a joint, from the shop and the host, with the gain beside each. */
export function alternatives(plan: Plan, shop: Shop, joint: JointId, direction: Direction): Choice[] {
  const now = judge(plan, plan.build, direction);
  const aside =
    joint === 'host' ? otherEnds(plan, direction) : joint === 'system' ? otherSystems(plan) : null;
  const found =
    aside ??
    options(plan, shop, joint).map(({ build, ...option }) => ({ ...option, plan: { ...plan, build } }));
  return found.map(({ key, name, plan: other, taken }) => {
    const got = taken
      ? now
      : aside
        ? judge(other, other.build, direction)
        : fitted(plan, other.build, shop, direction, joint);
    return {
      key,
      name,
      taken,
      ...got,
      plan: { ...other, build: got.build },
      beside: taken ? null : beside(other.build, got.build),
      gain: got.flow === null || now.flow === null ? null : got.flow - now.flow,
    };
  });
}

/** The job's own build, then it with each of these drives, as little else changed as it takes to work for one of its activities. */
export function withDrives(
  plan: Plan,
  shop: Shop,
  drives: readonly Drive[],
  activityId: string,
): { name: string; build: Build }[] {
  const { build } = plan;
  const activity = plan.activities.find((a) => a.id === activityId);
  const direction = activity ? directionOf(activity) : 'write';
  return [
    { name: nameOf(build.drive), build },
    ...drives.map((drive) => ({
      name: nameOf(drive),
      build:
        drive.id === build.drive.id
          ? build
          : fitted(plan, changed(build, { drive }), shop, direction, 'drive').build,
    })),
  ];
}

interface Aside {
  key: string;
  name: string;
  plan: Plan;
  taken: boolean;
}

/** The built-in drive and the host's other endpoints as the other end of all activities in this direction. */
function otherEnds(plan: Plan, direction: Direction): Aside[] {
  const own = plan.activities.find((a) => directionOf(a) === direction);
  const to = (endpoint: string | undefined) =>
    plan.activities.map((activity) => {
      if (directionOf(activity) !== direction) return activity;
      const { endpoint: _, ...rest } = activity;
      return endpoint === undefined ? rest : { ...rest, endpoint };
    });
  const ends = [{ id: undefined, name: plan.host.storage.name }, ...(own ? (plan.host.endpoints ?? []) : [])];
  return ends.map(({ id, name }) => ({
    key: id ?? 'built-in',
    name,
    plan: { ...plan, activities: to(id) },
    taken: own?.endpoint === id,
  }));
}

/** The host's systems, the one in use first in its list. */
function otherSystems(plan: Plan): Aside[] {
  const { systems = [] } = plan.host;
  return systems.map((system, i) => ({
    key: `system-${i}`,
    name: [system.family === 'own' ? 'its own system' : system.family, system.version]
      .filter(Boolean)
      .join(' '),
    plan: { ...plan, host: { ...plan.host, systems: [system, ...systems.filter((s) => s !== system)] } },
    taken: i === 0,
  }));
}

interface Option {
  key: string;
  name: string;
  build: Build;
  taken: boolean;
}

/** Today's part first where the shop does not hold it. */
function withOwn<T extends { id: string }>(list: readonly T[], own: T | null): readonly T[] {
  return own && !list.some((part) => part.id === own.id) ? [own, ...list] : list;
}

function options({ host, build }: Plan, shop: Shop, joint: JointId): Option[] {
  const option = <T extends Drive | Bridge | Cable>(part: T, own: T | null, to: Partial<Build>): Option => ({
    key: part.id,
    name: 'length' in part ? `${nameOf(part)}, ${part.length} m` : nameOf(part),
    build: changed(build, to),
    taken: part.id === own?.id,
  });
  if (joint === 'drive')
    return withOwn(shop.drives, build.drive).map((drive) =>
      option(drive, build.drive, drive.sealed ? { drive, bridge: null } : { drive }),
    );
  if (joint === 'bridge')
    return [
      ...withOwn(shop.bridges, build.bridge).map((bridge) => option(bridge, build.bridge, { bridge })),
      {
        key: 'none',
        name: 'None: straight into the host',
        build: changed(build, { bridge: null }),
        taken: build.bridge === null,
      },
    ];
  if (joint === 'cable')
    return [
      ...withOwn(shop.cables, build.cable).map((cable) => option(cable, build.cable, { cable })),
      { key: 'none', name: 'No cable', build: changed(build, { cable: null }), taken: build.cable === null },
    ];
  if (joint === 'port')
    return host.ports.map((port) => ({
      key: port.id,
      name: `${port.position}, ${port.connector}`,
      build: changed(build, { port: port.id }),
      taken: port.id === build.port,
    }));
  if (joint.startsWith('hub-')) return hubOptions(build, shop, Number(joint.slice(4)));
  return [];
}

function hubOptions(build: Build, shop: Shop, i: number): Option[] {
  const hops = build.hops ?? [];
  const own = hops[i];
  if (!own) return [];
  const put = (hop: typeof own | null) =>
    changed(build, { hops: [...hops.slice(0, i), ...(hop ? [hop] : []), ...hops.slice(i + 1)] });
  const found = withOwn(shop.hubs, own.hub).flatMap((hub) => {
    const cable =
      hub.id === own.hub.id
        ? own.cable
        : (shop.cables.find(
            (c) => c.ends.includes(hub.plug) && own.cable.ends.some((end) => c.ends.includes(end)),
          ) ?? own.cable);
    return hub.ports.map((port) => ({
      key: `${hub.id}/${port.id}`,
      name: `${nameOf(hub)}, ${port.position}`,
      build: put({ hub, port: port.id, cable }),
      taken: hub.id === own.hub.id && port.id === own.port,
    }));
  });
  return [{ key: 'none', name: 'No hub here', build: put(null), taken: false }, ...found];
}
