import type { Host } from '../catalog/parts';
import type { Activity } from './kinds/activity';
import type { Job } from './job';
import { FIRST_PLACE, placeOf, samePlace, type Place } from './place';
import { keepingRuns } from './rebuild';
import type { JobDevice, JobMachine } from './setup';

/** The first id of its kind that the list has not. */
function freeId(kind: keyof Place, list: readonly { id: string }[]): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? FIRST_PLACE[kind] : `${kind}-${n}`;
    if (!list.some((item) => item.id === id)) return id;
  }
}

/** The job with another machine: the first is the customer's. */
export function addMachine(job: Job, host: Host, use?: JobMachine['use']): Job {
  const id = freeId('machine', job.machines);
  const machine: JobMachine = { id, use: use ?? (job.machines.length === 0 ? 'customer' : 'also'), host };
  return { ...job, machines: [...job.machines, machine] };
}

/** The job with another device, nothing chosen for it yet. */
export function addDevice(job: Job, part: Partial<Omit<JobDevice, 'id'>> = {}): Job {
  const device: JobDevice = { id: freeId('device', job.devices), name: '', parts: null, ...part };
  return { ...job, devices: [...job.devices, device] };
}

/** What an activity does not say is the job's first: so that it stays where it is when another becomes the first. */
function said(job: Job, activity: Activity): Activity {
  const [machine, device] = [job.machines[0]?.id, job.devices[0]?.id];
  return { ...activity, machine: activity.machine ?? machine, device: activity.device ?? device };
}

/** Activities that named what is gone go to the first that is left; its other ends are gone with a machine. */
function rehomed(job: Job, gone: Partial<Place>): Activity[] {
  return job.activities.map((activity): Activity => {
    const { machine, device, endpoint, ...rest } = said(job, activity);
    const left = gone.machine !== undefined && machine === gone.machine;
    if (left && 'shares' in rest) delete rest.shares;
    return {
      ...rest,
      ...(machine === undefined || left ? {} : { machine }),
      ...(device === undefined || device === gone.device ? {} : { device }),
      ...(endpoint === undefined || left ? {} : { endpoint }),
    };
  });
}

/** The job without a machine: what was to happen on it happens on the first that is left. */
export function removeMachine(job: Job, id: string): Job {
  return keepingRuns(job, {
    ...job,
    machines: job.machines.filter((m) => m.id !== id),
    connections: job.connections.filter((c) => c.machine !== id),
    activities: rehomed(job, { machine: id }),
  });
}

/** The job without a device: what was to happen with it happens with the first that is left. */
export function removeDevice(job: Job, id: string): Job {
  return keepingRuns(job, {
    ...job,
    devices: job.devices.filter((d) => d.id !== id),
    connections: job.connections.filter((c) => c.device !== id),
    activities: rehomed(job, { device: id }),
  });
}

/** The job with an activity changed. What goes on at the same time does so at the same place. */
export function withActivity(job: Job, changed: Activity): Job {
  const list = job.activities.map((a) => (a.id === changed.id ? changed : a));
  const at = (id: string) => {
    const found = list.find((a) => a.id === id);
    return found ? placeOf(job, found) : null;
  };
  const together = (a: Activity, id: string) => {
    const [one, two] = [placeOf(job, a), at(id)];
    return one === null || (two !== null && samePlace(one, two));
  };
  const activities = list.map((a): Activity => {
    const { besides, ...rest } = a;
    const left = besides?.filter((id) => together(a, id));
    if (!besides || left!.length === besides.length) return a;
    return left!.length > 0 ? { ...rest, besides: left } : rest;
  });
  return { ...job, activities };
}

/** What a device is called by itself: as somebody named it, else by its drive. */
const ownName = ({ name, parts }: JobDevice): string =>
  name || (parts ? `${parts.drive.maker} ${parts.drive.model}` : '');

/** What a device of a job is called: by its name, its drive, else its number; those that would be called alike by their number too. */
export function deviceName(devices: readonly JobDevice[], id: string): string {
  const at = devices.findIndex((d) => d.id === id);
  const device = devices[at];
  if (!device) return 'Device to be chosen';
  const own = ownName(device);
  if (!own) return devices.length > 1 ? `Device ${at + 1}` : 'Device to be chosen';
  const alike = devices.filter((d) => ownName(d) === own);
  return alike.length > 1 ? `${own}, number ${alike.indexOf(device) + 1}` : own;
}

/** The machines of a job in a line. */
export const machineNames = ({ machines }: Pick<Job, 'machines'>): string =>
  machines.map(({ host }) => host.name).join(', ');
