import type { Estimate } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import { asRevised, type Endpoint, type Host } from '../catalog/parts';
import {
  type Build,
  buildPath,
  screenPath,
  type Path,
  type PathParts,
  type Requests,
  type Layout,
} from '../assembly';
import { briefAt, type Activity, type Brief, type Job, type Needs, type Place } from '../job';
import type { InputId } from './inputs';

/** Figures that stand in place of what would be collected, by input. */
export type Overrides = Readonly<Partial<Record<InputId, Estimate>>>;

/** A brief once something is built there: with the shop's own ranges, and with what is tried in place of what would be collected. */
export interface Situation extends Brief {
  build: Build;
  needs: Needs;
  overrides: Overrides;
  /** The shop's own ranges in place of what is assumed. */
  shopRanges: OwnRanges;
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
  requestShape?: { requests?: Requests | undefined; toMemory?: boolean; counted?: boolean } | undefined;
  /** Asked of it is how hot the drive gets, not how long it takes. */
  asksHottest?: boolean;
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
  (situation) => ({ ...situation, build });

/** Another machine. */
export const onMachine =
  (host: Host): Change =>
  (situation) => ({ ...situation, host });

/** Other work, by a change of each activity. */
export const working =
  (change: (activity: Activity) => Activity): Change =>
  (situation) => {
    const activities = situation.activities.map(change);
    if (!('activity' in situation)) return { ...situation, activities };
    const { id } = situation.activity as Activity;
    return { ...situation, activities, activity: activities.find((a) => a.id === id)! };
  };

/** A job at one of its places; null while nothing is built there. */
export function situationOf(brief: Brief, shopRanges: OwnRanges = {}): Situation | null {
  const { build, needs = {} } = brief;
  return build && { ...brief, build, needs, overrides: {}, shopRanges };
}

/** A job at one of its places, with the shop's own ranges; null where nothing is built there. */
export function situationAt(job: Job, place: Place, shopRanges: OwnRanges = {}): Situation | null {
  const brief = briefAt(job, place);
  return brief && situationOf(brief, shopRanges);
}

/** A situation with one of its activities asked about. @throws RangeError for an activity it has not */
export function caseOf(situation: Situation, activity: string): Case {
  const found = situation.activities.find((a) => a.id === activity);
  if (!found) throw new RangeError(`"${activity}" is no activity of this job.`);
  return { ...situation, activity: found };
}

/** The drives of a build as one, where they are put together. */
export function layoutOf({ array, together = 1 }: Pick<Build, 'array' | 'together'>): Layout | undefined {
  return array && array.mode !== 'single' ? { ...array, members: together } : undefined;
}

/** Where data flows: a build on its host. */
type Standing = Pick<Situation, 'host' | 'build'> & Partial<Pick<Situation, 'shopRanges'>>;

/**
 * The parts of the path between a device and one of its machine's endpoints, or the built-in drive. @throws
 * RangeError for a port or an endpoint the machine has not
 */
function partsOf({ host, build, shopRanges }: Standing, endpoint?: string, endsAtHost = false): PathParts {
  const port = host.ports.find((p) => p.id === build.port);
  if (!port) throw new RangeError(`"${build.port}" is no port of ${host.name}.`);
  const { drive, bridge, cable, hops, seen } = build;
  const array = layoutOf(build);
  const end = endpoint === undefined ? undefined : endpointOf(host, endpoint);
  return {
    drive: asRevised(drive),
    bridge,
    together: array ? undefined : build.together,
    array,
    cable,
    hops,
    seen,
    port,
    host,
    endpoint: end,
    endsAtHost,
    shopRanges,
  };
}

function endpointOf(machine: Host, id: string): Endpoint {
  const found = machine.endpoints?.find((e) => e.id === id);
  if (!found) throw new RangeError(`"${id}" is no endpoint of ${machine.name}.`);
  return found;
}

/**
 * The path that a device's data takes on its machine.
 * @param endsAtHost nothing is copied: there is no other end
 * @throws RangeError for a port or an endpoint the machine has not
 */
export const pathOf = (at: Standing, endpoint?: string, endsAtHost?: boolean): Path =>
  buildPath(partsOf(at, endpoint, endsAtHost));

/** {@link pathOf} in numbers only, for candidates by the hundred thousand. */
export const screenPathOf = (at: Standing, endpoint?: string): Path => screenPath(partsOf(at, endpoint));
