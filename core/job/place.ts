import { middle, type Fact } from '../evidence';
import type { Build } from '../assembly';
import type { Drive, Host, System } from '../catalog/parts';
import type { Activity } from './kinds/activity';
import type { Fitting, FormatPass } from './fitting';
import type { Needs } from './needs';
import type { Run } from './run';
import type { JobConnection, JobDevice, JobMachine, Setup } from './setup';

/** One device on one machine, by their ids. */
export interface Place {
  machine: string;
  device: string;
}

/** The ids that the first machine and the first device of a job get. */
export const FIRST_PLACE: Readonly<Place> = { machine: 'machine-1', device: 'device-1' };

export const samePlace = (a: Place, b: Place): boolean => a.machine === b.machine && a.device === b.device;

/** What one device on one machine is, and what is asked of it: all that a path and a forecast are made of. */
export interface Brief {
  host: Host;
  /** The device and how it hangs on this machine; null while parts or the connection are not chosen. */
  build: Build | null;
  /** What it does on this machine. */
  activities: readonly Activity[];
  /** What it does on others: that wears and fills it too. */
  elsewhere?: readonly Activity[] | undefined;
  /** It is used on other machines too. */
  goesAround?: true | undefined;
  needs?: Needs | undefined;
  serviceYears?: Fact | undefined;
  /** A pass over all of it that goes on, or is over. */
  pass?: FormatPass | undefined;
}

type Placing = Pick<Setup, 'machines' | 'devices'>;

/** Where an activity happens: what it does not say is the job's first. Null while the job has no machine. */
export function placeOf({ machines, devices }: Placing, activity: Activity): Place | null {
  const machine = activity.machine ?? machines[0]?.id;
  if (machine === undefined) return null;
  return { machine, device: activity.device ?? devices[0]?.id ?? FIRST_PLACE.device };
}

/**
 * The places of a job, by device and machine: where a device is connected or has work, and a job's only device wherever it must also work; a device
 * without any is looked at on the first machine, and a job without devices has the place of the first one to come. None while it has no machine.
 */
export function placesOf(setup: Omit<Setup, 'policies'>): Place[] {
  const { machines, devices, connections, activities } = setup;
  const [first] = machines;
  if (!first) return [];
  const used = activities.map((activity) => placeOf(setup, activity)!);
  const ids = devices.length > 0 ? devices.map((d) => d.id) : [FIRST_PLACE.device];
  // Of several devices nobody said which of them a machine without work is for.
  const asked = ids.length === 1 ? machines.filter(({ use }) => use === 'also').map(({ id }) => id) : [];
  return ids.flatMap((device) => {
    const there = machines
      .map((m) => ({ machine: m.id, device }))
      .filter((place) => [...connections, ...used].some((other) => samePlace(other, place)));
    const home = there.length > 0 ? there : [{ machine: first.id, device }];
    const isThere = new Set([...home.map(({ machine }) => machine), ...asked]);
    return machines.filter(({ id }) => isThere.has(id)).map(({ id: machine }) => ({ machine, device }));
  });
}

/** Ports of a place's machine that other devices of the job hang on, by id. */
export const portsTaken = ({ connections }: Pick<Setup, 'connections'>, place: Place): string[] =>
  connections.filter((c) => c.machine === place.machine && c.device !== place.device).map(({ port }) => port);

/** Whether an activity happens at a place. */
export function isAt(setup: Placing, activity: Activity, place: Place): boolean {
  const at = placeOf(setup, activity);
  return at !== null && samePlace(at, place);
}

/** B that one drive alone holds; undefined of several together, of which no share is plain, and where nobody said. */
export const heldByOne = (device: Pick<JobDevice, 'parts'> | undefined): number | undefined =>
  device?.parts && (device.parts.together ?? 1) === 1
    ? (middle(device.parts.drive.capacity) ?? undefined)
    : undefined;

/** Device and connection as one; null while one of them is missing. */
export function buildAt(
  device: Pick<JobDevice, 'parts'> | undefined,
  connection: JobConnection | undefined,
): Build | null {
  if (!device?.parts || !connection) return null;
  const { device: _, machine: _on, ...how } = connection;
  return { ...device.parts, ...how };
}

/**
 * What is asked of a device on a machine. On several machines it must work with the systems of all of them.
 * @param on all machines that the device is used on
 */
export function needsAt(
  device: Pick<JobDevice, 'needs'> | undefined,
  machine: Pick<JobMachine, 'ambient'>,
  policies: Needs['policies'],
  on: readonly Pick<JobMachine, 'host'>[],
): Needs {
  const { needs = {} } = device ?? {};
  const families = on.flatMap(({ host }) => host.systems?.slice(0, 1) ?? []).map((s: System) => s.family);
  const systems = [...new Set([...(needs.systems ?? []), ...(on.length > 1 ? families : [])])];
  return {
    ...needs,
    ...(systems.length > 0 ? { systems } : {}),
    ...(machine.ambient === undefined ? {} : { ambient: machine.ambient }),
    ...(policies ? { policies } : {}),
  };
}

/**
 * Needs with what the drive's counter showed on day zero among its readings: read once, it counts wherever counters do. A drive that counts no bytes and
 * says what share of its wear is used has written that share of its rating.
 */
function withBaseline(needs: Needs, fitting: Fitting | undefined, drive: Drive | undefined): Needs {
  const { at, written: counted, wear } = fitting?.baseline ?? {};
  const rated = drive?.media === 'flash' ? middle(drive.tbw) : null;
  const written = counted ?? (wear === undefined || rated === null ? null : wear * rated);
  const on = at?.slice(0, 10);
  if (on === undefined || written == null || needs.counters?.some((c) => c.on === on)) return needs;
  const counters = [...(needs.counters ?? []), { on, written }].sort((a, b) => (a.on < b.on ? -1 : 1));
  return { ...needs, counters };
}

/** How far a device is set up; undefined where nobody began. */
export const fittingOf = (
  { fittings }: { fittings?: readonly Fitting[] | undefined },
  device: string,
): Fitting | undefined => fittings?.find((f) => f.device === device);

/** A job as it is at one of its places; null where it has no such machine. */
export function briefAt(
  setup: Setup & { serviceYears?: Fact | undefined; fittings?: readonly Fitting[] | undefined },
  place: Place,
): Brief | null {
  const { machines, devices, connections, activities, policies, serviceYears } = setup;
  const fitting = fittingOf(setup, place.device);
  const pass = fitting?.format;
  const machine = machines.find((m) => m.id === place.machine);
  if (!machine) return null;
  const device = devices.find((d) => d.id === place.device);
  const connection = connections.find((c) => samePlace(c, place));
  const mine = (a: Activity) => placeOf(setup, a)?.device === place.device;
  const here = (a: Activity) => isAt(setup, a, place);
  const on = placesOf(setup)
    .filter((p) => p.device === place.device)
    .map((p) => machines.find((m) => m.id === p.machine)!);
  const elsewhere = activities.filter((a) => mine(a) && !here(a));
  return {
    host: machine.host,
    build: buildAt(device, connection),
    activities: activities.filter(here),
    ...(elsewhere.length > 0 ? { elsewhere } : {}),
    ...(on.length > 1 ? { goesAround: true as const } : {}),
    needs: withBaseline(needsAt(device, machine, policies, on), fitting, device?.parts?.drive),
    ...(serviceYears ? { serviceYears } : {}),
    ...(pass ? { pass } : {}),
  };
}

/** Where a run was made, as far as it is described: at a place of the job, or on another machine with another build. */
export const madeAt = (setup: Setup, { path }: Pick<Run, 'path'>): Pick<Brief, 'host' | 'build'> | null =>
  path && 'machine' in path ? briefAt(setup, path) : path;
