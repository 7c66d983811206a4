import type { Estimate, Fact } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import { asRevised, type Endpoint, type Host } from '../catalog/parts';
import { apart, type Build, type Connection, type Device } from '../build/assembly';
import { buildPath, screenPath, type Path, type PathParts, type Requests } from '../build/path';
import type { Layout } from '../build/array';
import { briefAt, type Activity, type Brief, type Job, type Needs, type Place } from '../job';
import type { InputId } from './inputs';

/** Figures that stand in place of what would be collected, by input. */
export type Overrides = Readonly<Partial<Record<InputId, Estimate>>>;

/** A device, the machine it is used on, how it hangs there, and the work it does there. */
export interface Situation {
  machine: Host;
  device: Device;
  connection: Connection;
  work: readonly Activity[];
  /** What the same device does on other machines: that wears and fills it too. */
  elsewhere?: readonly Activity[];
  needs: Needs;
  /** How many years it is to be used; absent: not said. */
  serviceYears?: Fact | undefined;
  overrides: Overrides;
  /** The shop's own ranges in place of what is assumed. */
  own: OwnRanges;
}

/**
 * A situation and the activity asked about: what everything that wants a figure asks with. Whatever tries something else (a slider, another
 * part, a rig's unit, a hypothesis) is a change of it.
 */
export interface Case<A extends Activity = Activity> extends Situation {
  activity: A;
  /**
   * How it is asked for where it is no system's own copy: sizes and depth of requests, and memory at the other end. `counted`: what was measured was
   * counted and timed by the device or by Kymar, nobody typed a size or pressed a button.
   */
  asked?: { requests?: Requests | undefined; toMemory?: boolean; counted?: boolean } | undefined;
}

/** Something tried: nothing of what comes in is changed in place. */
export type Change = <S extends Situation>(situation: S) => S;

/** Another figure for one input. */
export const overriding =
  (id: InputId, figure: Estimate): Change =>
  (situation) => ({ ...situation, overrides: { ...situation.overrides, [id]: figure } });

/** Other parts: what is handed over, and how it hangs. */
export const builtAs =
  (build: Build): Change =>
  (situation) => ({ ...situation, ...apart(build) });

/** Another machine. */
export const onMachine =
  (machine: Host): Change =>
  (situation) => ({ ...situation, machine });

/** Other work, by a change of each activity. */
export const working =
  (change: (activity: Activity) => Activity): Change =>
  (situation) => {
    const work = situation.work.map(change);
    if (!('activity' in situation)) return { ...situation, work };
    const { id } = situation.activity as Activity;
    return { ...situation, work, activity: work.find((a) => a.id === id)! };
  };

/** A job at one of its places; null while nothing is built there. */
export function situationOf(brief: Brief, own: OwnRanges = {}): Situation | null {
  const { host: machine, build, activities: work, elsewhere, needs = {}, serviceYears } = brief;
  return (
    build && {
      machine,
      ...apart(build),
      work,
      ...(elsewhere ? { elsewhere } : {}),
      needs,
      serviceYears,
      overrides: {},
      own,
    }
  );
}

/** A job at one of its places, with the shop's own ranges; null where nothing is built there. */
export function situationAt(job: Job, place: Place, own: OwnRanges = {}): Situation | null {
  const brief = briefAt(job, place);
  return brief && situationOf(brief, own);
}

/** A situation with one of its activities asked about. @throws RangeError for an activity it has not */
export function caseOf(situation: Situation, activity: string): Case {
  const found = situation.work.find((a) => a.id === activity);
  if (!found) throw new RangeError(`"${activity}" is no activity of this job.`);
  return { ...situation, activity: found };
}

/** Device and connection as one. */
export const buildOf = ({ device, connection }: Pick<Situation, 'device' | 'connection'>): Build => ({
  ...device,
  ...connection,
});

/** The drives of a device as one, where they are put together. */
export function layoutOf({ array, together = 1 }: Device): Layout | undefined {
  return array && array.mode !== 'single' ? { ...array, members: together } : undefined;
}

type Placed = Pick<Situation, 'machine' | 'device' | 'connection'> & Partial<Pick<Situation, 'own'>>;

/**
 * The parts of the path between a device and one of its machine's endpoints, or the built-in drive. @throws
 * RangeError for a port or an endpoint the machine has not
 */
function partsOf({ machine, device, connection, own }: Placed, endpoint?: string): PathParts {
  const port = machine.ports.find((p) => p.id === connection.port);
  if (!port) throw new RangeError(`"${connection.port}" is no port of ${machine.name}.`);
  const { drive, bridge } = device;
  const array = layoutOf(device);
  const { cable, hops, seen } = connection;
  const end = endpoint === undefined ? undefined : endpointOf(machine, endpoint);
  return {
    drive: asRevised(drive),
    bridge,
    together: array ? undefined : device.together,
    array,
    cable,
    hops,
    seen,
    port,
    host: machine,
    endpoint: end,
    own,
  };
}

function endpointOf(machine: Host, id: string): Endpoint {
  const found = machine.endpoints?.find((e) => e.id === id);
  if (!found) throw new RangeError(`"${id}" is no endpoint of ${machine.name}.`);
  return found;
}

/** The path that a device's data takes on its machine. @throws RangeError for a port or an endpoint the machine has not */
export const pathOf = (placed: Placed, endpoint?: string): Path => buildPath(partsOf(placed, endpoint));

/** {@link pathOf} in numbers only, for candidates by the hundred thousand. */
export const screenPathOf = (placed: Placed, endpoint?: string): Path =>
  screenPath(partsOf(placed, endpoint));
