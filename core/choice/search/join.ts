import { expectedRate } from '../../catalog/links';
import {
  formFactor,
  type Bridge,
  type Cable,
  type Drive,
  type Hop,
  type Hub,
  type Port,
  type System,
} from '../../catalog/parts';
import { type Device, bestShared, cannot, leastMembers, levelsBySystem } from '../../assembly';

/** How drives stand in an enclosure. */
export type Bays = Pick<Device, 'together' | 'array'>;

/** A device's end and a port that meet, with what joins them. */
export interface JoinWay {
  port: Port;
  cable: Cable | null;
  /** A hub between. */
  hops?: readonly Hop[];
}

/** Puts what differs in nothing but its name together: the first of each, by what tells them apart. */
export function apartBy<T>(list: readonly T[], tell: (one: T) => string): T[] {
  const seen = new Set<string>();
  return list.filter((one) => {
    const key = tell(one);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

const isM2 = (form: string | null): boolean => form?.startsWith('M.2') ?? false;

/** Whether a drive goes into an enclosure or card: plug, shape and a common interface. A smaller disk goes into a larger bay. */
export function fitsInto(drive: Drive, bridge: Bridge): boolean {
  if (drive.sealed || bridge.socket !== drive.plug) return false;
  const form = formFactor(drive.form);
  const takes =
    form === null ||
    bridge.forms === undefined ||
    bridge.forms.includes(form) ||
    (form === '2.5-inch' && bridge.forms.includes('3.5-inch'));
  return takes && bestShared(drive.modes, bridge.inner) !== null;
}

/** Whether a drive goes straight into a port, as far as its shape tells. */
export function fitsStraight(drive: Drive, port: Port): boolean {
  const form = formFactor(drive.form);
  if (isM2(form) !== (port.connector === 'M.2')) return false;
  // A board's SATA port wants a lead; a bay says what it takes.
  if (port.connector === 'SATA' && port.forms === undefined) return false;
  return form === null || port.forms === undefined || port.forms.includes(form) || form === '2.5-inch';
}

/** Arrays that are offered. */
const MODES = ['stripe', 'mirror', 'parity', 'double parity', 'stripe of mirrors'] as const;
type Redundancy = (typeof MODES)[number];
/**
 * Ways the members of an enclosure are put together: one drive; each array it makes itself; and what a system makes of drives that it shows one by one
 * where it does not do so itself. Each of the fewest members and of all bays.
 * @param families the systems that must work with it
 */
export function baysOf(bridge: Bridge | null, families: readonly System['family'][] = []): Bays[] {
  const { bays = 1, arrays = [] } = bridge ?? {};
  const counts = (mode: Redundancy) =>
    (mode === 'mirror' ? [2] : [...new Set([leastMembers(mode), bays])]).filter(
      (members) => members <= bays && cannot({ mode, members }) === null,
    );
  const made = (mode: Redundancy, by: 'firmware' | 'system'): Bays[] =>
    counts(mode).map((together) => ({ together, array: { mode, by } }));
  if (bays < 2) return [{}];
  const bySystem = levelsBySystem(families);
  return [
    {},
    ...MODES.filter((mode) => arrays.includes(mode)).flatMap((mode) => made(mode, 'firmware')),
    ...(arrays.includes('single') ? MODES.filter((mode) => bySystem.includes(mode)) : [])
      .filter((mode) => !arrays.includes(mode))
      .flatMap((mode) => made(mode, 'system')),
  ];
}

/**
 * The ways a device's end meets the ports of a machine: without a cable where the plug goes straight in, else with the cheapest cable of each
 * mode that end, cable and port can run. Plugs that cannot meet are never tried.
 * @param isStraight whether the device may sit in a port without a cable
 */
export function waysTo(
  end: { plug: string; modes: readonly string[] },
  ports: readonly Port[],
  cables: readonly Cable[],
  isStraight: (port: Port) => boolean,
  priceOf: (cable: Cable) => number,
): JoinWay[] {
  return ports.flatMap((port): JoinWay[] => {
    const straight = end.plug === port.connector && isStraight(port) ? [{ port, cable: null }] : [];
    const byMode = new Map<string, Cable>();
    for (const cable of cables) {
      const [a, b] = cable.ends;
      const joins = (a === end.plug && b === port.connector) || (b === end.plug && a === port.connector);
      const mode = joins ? bestShared(end.modes, cable.modes, port.modes) : null;
      if (!mode) continue;
      const had = byMode.get(mode.id);
      if (!had || priceOf(cable) < priceOf(had)) byMode.set(mode.id, cable);
    }
    const leads = [...byMode]
      .map(([id, cable]) => ({ cable, rate: expectedRate(bestShared([id])!) }))
      .sort((x, y) => y.rate - x.rate);
    return [...straight, ...leads.map(({ cable }) => ({ port, cable }))];
  });
}

/**
 * The ways over one hub: its own end at each port it meets, by the fastest cable, and the device's end at each of its ports that differs.
 * @param isStraight whether the device may sit in a port of the hub without a cable
 */
export function waysOver(
  hub: Hub,
  end: { plug: string; modes: readonly string[] },
  ports: readonly Port[],
  cables: readonly Cable[],
  isStraight: (port: Port) => boolean,
  priceOf: (cable: Cable) => number,
): JoinWay[] {
  const alike = ({ connector, modes, power }: Hub['ports'][number]) =>
    JSON.stringify([connector, modes, power]);
  const below = waysTo(end, apartBy(hub.ports, alike), cables, isStraight, priceOf);
  if (below.length === 0) return [];
  return ports.flatMap((port): JoinWay[] => {
    const [above] = waysTo({ plug: hub.plug, modes: hub.up }, [port], cables, () => false, priceOf);
    const { cable: up } = above ?? { cable: null };
    if (!up) return [];
    return below.map(({ port: own, cable }) => ({ port, cable, hops: [{ hub, port: own.id, cable: up }] }));
  });
}
