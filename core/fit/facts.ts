import { middle } from '../evidence';
import { drawAt, isExternal, usualDraw } from '../models/thermal';
import { DEFAULT_POLICIES, type Activity, type Needs, type Policies } from '../job';
import { linkById, type Direction } from '../catalog/links';
import { formFactor, heightOf, isM2, type Accessory, type FormFactor, type System } from '../catalog/parts';
import type { OwnRanges } from '../catalog/assumptions';
import { portOf, type Block, type Path, type PathParts } from '../build/path';

/** What the rules are held against: a path, and what the job asks of it. */
export interface Setting {
  path: Path;
  direction: Direction;
  needs?: Needs | undefined;
  activities?: readonly Activity[] | undefined;
  accessories?: readonly Accessory[] | undefined;
  /** The shop's own ranges in place of what is assumed. */
  own?: OwnRanges | undefined;
}

/** A setting with what rules ask for again and again. Lengths in mm, sizes in B, power in W; null where not known. */
export interface Facts extends Required<Omit<Setting, 'activities' | 'accessories' | 'own'>>, PathParts {
  activities: readonly Activity[];
  accessories: readonly Accessory[];
  own: OwnRanges;
  policies: Policies;
  form: FormFactor | null;
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
  plugs: readonly Block[];
  noMode: readonly Block[];
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
  accessories = [],
  own = {},
}: Setting): Facts {
  const { parts } = path;
  const { drive, bridge, port, host, hops = [] } = parts;
  const together = parts.array?.members ?? parts.together ?? 1;
  const form = formFactor(drive.form);
  const of = (kind: Accessory['kind']) => accessories.filter((a) => a.kind === kind);
  const added = [...of('heatsink'), ...of('pad')].reduce((sum, a) => sum + (a.height ?? 0), 0);
  const height = heightOf(drive);
  const flow = path.flow?.[direction].expected ?? null;
  const media = path.constraints.find((c) => c.id === 'media')!.rate[direction].expected;
  const hop = hops[0];
  const near = hop
    ? {
        name: hop.hub.model,
        watts: portOf(hop).power,
        modes: portOf(hop).modes,
        connector: portOf(hop).connector,
      }
    : { name: port.position, watts: port.power, modes: port.modes, connector: port.connector };
  const supply = bridge?.supply;
  const known = drive.power?.write !== undefined || drive.power?.start !== undefined;
  const extra = bridge && !bridge.passThrough ? (bridge.power ?? BRIDGE_DRAW) : 0;
  const start =
    drive.power?.start ??
    Math.max(
      usualDraw(drive, own).start,
      drawAt(drive, 'write', 1, own) * (drive.media === 'disk' ? 1.8 : 1),
    );
  return {
    ...parts,
    together,
    path,
    direction,
    needs,
    activities,
    accessories,
    own,
    policies: { ...DEFAULT_POLICIES, ...needs.policies },
    form,
    m2: isM2(form),
    nvme: drive.modes.some((m) => m.startsWith('pcie')),
    disk: drive.media === 'disk',
    external: isExternal({ drive, bridge }),
    height:
      drive.heatsinkHeight === undefined
        ? height === null
          ? null
          : height + added
        : drive.heatsinkHeight + added,
    hasHeatsink: drive.heatsinkHeight !== undefined || of('heatsink').length > 0,
    capacity: middle(drive.capacity),
    system: host.systems?.[0] ?? null,
    draw: {
      run: together * drawAt(drive, direction, media > 0 ? (flow ?? media) / media : 1, own) + extra,
      start: together * start + extra,
      sure: known,
    },
    feed: supply
      ? { watts: supply.watts, own: true, name: bridge.model, sure: true }
      : {
          watts: near.watts ?? usualFeed(near.modes, near.connector),
          own: false,
          name: near.name,
          sure: near.watts !== undefined,
        },
    plugs: path.blocked.filter((block) => block.id !== 'no mode'),
    noMode: path.blocked.filter((block) => block.id === 'no mode'),
    flow,
    has: (kind) => of(kind).length > 0,
  };
}
