import { middle } from '../evidence';
import { type Build, portOf, type Blocker, type Path, type PathParts } from '../assembly';
import { drawAt, isExternal, usualDraw } from '../models';
import { DEFAULT_POLICIES, roomFor, type Activity, type Brief, type Needs, type Policies } from '../job';
import { linkById, type Direction } from '../catalog/links';
import {
  formFactor,
  heightOf,
  isM2,
  type Accessory,
  type FormFactorId,
  type Host,
  type System,
} from '../catalog/parts';
import type { OwnRanges } from '../catalog/assumptions';

/** What the rules are held against: a path in one direction, and what the job asks of it. */
export interface Setting extends Partial<Pick<Brief, 'activities' | 'elsewhere' | 'needs' | 'serviceYears'>> {
  path: Path;
  direction: Direction;
  /** The shop's own ranges in place of what is assumed. */
  shopRanges?: OwnRanges | undefined;
  build?: Pick<Build, 'accessories'>;
}

/** A setting with what rules ask for again and again. Lengths in mm, sizes in B, power in W; null where not known. */
export interface Facts extends Pick<Setting, 'path' | 'direction'>, PathParts {
  needs: Needs;
  /** All that the device does, on whichever machine. */
  activities: readonly Activity[];
  accessories: readonly Accessory[];
  shopRanges: OwnRanges;
  /** B that the device must have room for at the end of its service life. */
  roomNeeded: number;
  policies: Policies;
  form: FormFactorId | null;
  m2: boolean;
  nvme: boolean;
  disk: boolean;
  /** Outside the host's case, on a cable or as a sealed drive. */
  external: boolean;
  /** Height with whatever lies on it. */
  height: number | null;
  hasHeatsink: boolean;
  capacity: number | null;
  system: System | null;
  /** What drive and bridge draw together, running at the path's flow and starting. */
  draw: { run: number; start: number; sure: boolean };
  /** What feeds them: a supply of its own, or the port they hang on. */
  feed: { watts: number; own: boolean; name: string; sure: boolean };
  /** Why nothing flows: plugs that do not meet, and links without a common mode. */
  plugs: readonly Blocker[];
  noMode: readonly Blocker[];
  /** Expected flow in B/s; null when nothing flows. */
  flow: number | null;
  has(kind: Accessory['kind']): boolean;
}

/** What a bridge chip draws beside the drive [memory], W; faster ones more. */
const BRIDGE_DRAW = 0.8;

/**
 * W of a port where its host does not say [USB and Thunderbolt specifications, from memory]; slots inside feed what is made for them [M.2: about 9 W,
 * from memory].
 */
function usualFeed(modes: readonly string[], connector: string): number {
  const inside: Record<string, number> = { 'M.2': 9, 'PCIe slot': 25, SATA: 12 };
  if (connector in inside) return inside[connector]!;
  const links = modes.map(linkById);
  if (links.some((l) => l.family === 'usb4' || l.family === 'thunderbolt')) return 15;
  if (connector === 'USB-C') return 7.5;
  return links.every((l) => l.id === 'usb-2') ? 2.5 : 4.5;
}

export function factsOf({
  path,
  direction,
  needs = {},
  activities = [],
  elsewhere = [],
  build = {},
  shopRanges = {},
  serviceYears,
}: Setting): Facts {
  const { accessories = [] } = build;
  const work = [...activities, ...elsewhere];
  const { parts } = path;
  const { drive, bridge, cable, port, host, hops, endpoint, seen, array, requests } = parts;
  const together = array?.members ?? parts.together ?? 1;
  const form = formFactor(drive.form);
  const flow = path.flow?.[direction].expected ?? null;
  const has = (kind: Accessory['kind']) => accessories.some((a) => a.kind === kind);
  // Every fact is named, not spread: a search asks this a hundred thousand times.
  return {
    drive,
    bridge,
    cable,
    port,
    host,
    hops,
    endpoint,
    seen,
    array,
    requests,
    together,
    path,
    direction,
    needs,
    activities: work,
    accessories,
    roomNeeded: roomFor(work, serviceYears, shopRanges),
    shopRanges,
    policies: needs.policies ? { ...DEFAULT_POLICIES, ...needs.policies } : DEFAULT_POLICIES,
    form,
    m2: isM2(form),
    nvme: drive.modes.some((m) => m.startsWith('pcie')),
    disk: drive.media === 'disk',
    external: isExternal({ drive, bridge }),
    height: heightWith(drive, accessories),
    hasHeatsink: drive.heatsinkHeight !== undefined || has('heatsink'),
    capacity: middle(drive.capacity),
    system: host.systems?.[0] ?? null,
    draw: drawOf(path, direction, together, shopRanges),
    feed: feedOf(parts),
    plugs: path.blocked.filter((block) => block.id !== 'no mode'),
    noMode: path.blocked.filter((block) => block.id === 'no mode'),
    flow,
    has,
  };
}

/** mm of a drive with what lies on it; null: not known. */
function heightWith(drive: PathParts['drive'], accessories: readonly Accessory[]): number | null {
  const bare = drive.heatsinkHeight ?? heightOf(drive);
  if (bare === null) return null;
  const onTop = accessories.filter(({ kind }) => kind === 'heatsink' || kind === 'pad');
  return onTop.reduce((sum, a) => sum + (a.height ?? 0), bare);
}

/** The systems that must work with a device on a host: the one in use there, and those that are named beside. */
export const familiesOf = (host: Pick<Host, 'systems'>, needs: Needs = {}): System['family'][] => [
  ...new Set([...(host.systems?.slice(0, 1) ?? []).map(({ family }) => family), ...(needs.systems ?? [])]),
];

/** What drive and bridge draw, W; `sure` where the drive's maker says it. */
function drawOf(path: Path, direction: Direction, together: number, shopRanges: OwnRanges): Facts['draw'] {
  const { drive, bridge } = path.parts;
  const flow = path.flow?.[direction].expected ?? null;
  const media = path.constraints.find((c) => c.id === 'media')!.rate[direction].expected;
  const share = media > 0 ? (flow ?? media) / media : 1;
  const extra = bridge && !bridge.passThrough ? (bridge.power ?? BRIDGE_DRAW) : 0;
  const start =
    drive.power?.start ??
    Math.max(
      usualDraw(drive, shopRanges).start,
      drawAt(drive, 'write', 1, shopRanges) * (drive.media === 'disk' ? 1.8 : 1),
    );
  return {
    run: together * drawAt(drive, direction, share, shopRanges) + extra,
    start: together * start + extra,
    sure: drive.power?.write !== undefined || drive.power?.start !== undefined,
  };
}

/** What feeds a device: a supply of its own, or the port it hangs on. */
function feedOf({ bridge, port, hops = [] }: PathParts): Facts['feed'] {
  const supply = bridge?.supply;
  if (supply) return { watts: supply.watts, own: true, name: bridge.model, sure: true };
  const [hop] = hops;
  const { power, modes, connector } = hop ? portOf(hop) : port;
  return {
    watts: power ?? usualFeed(modes, connector),
    own: false,
    name: hop ? hop.hub.model : port.position,
    sure: power !== undefined,
  };
}
