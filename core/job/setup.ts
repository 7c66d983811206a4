import * as z from 'zod';
import { Connection, Device, cannot } from '../assembly';
import { Host, Id } from '../catalog/parts';
import { Activity } from './kinds/activity';
import { isMove } from './kinds/known';
import { Ambient, DeviceNeeds } from './needs';
import { PolicyAnswers } from './policyanswers';
import { MOST_OF } from './limits';

/** A machine of the job: whose it is, and the host that it is. */
export const JobMachine = z.object({
  id: Id,
  /** The customer's own; another it must also work on; the shop's bench. */
  use: z.enum(['customer', 'also', 'bench']),
  host: Host,
  /** °C around it, where that was asked. */
  ambient: Ambient.optional(),
});
export type JobMachine = z.infer<typeof JobMachine>;

/** A device of the job: what it is for, and the parts chosen for it. */
export const JobDevice = z.object({
  id: Id,
  /** What the shop calls it; empty where its drive's name does. */
  name: z.string().max(120),
  needs: DeviceNeeds.optional(),
  /** What it is made of; null while nothing is chosen. */
  parts: Device.nullable(),
});
export type JobDevice = z.infer<typeof JobDevice>;

/** How a device of the job hangs on one of its machines. */
export const JobConnection = z.object({ device: Id, machine: Id, ...Connection.shape });
export type JobConnection = z.infer<typeof JobConnection>;

/** What a forecast is made from: machines, devices, how they hang together, and the work. */
export const SETUP = {
  machines: z.array(JobMachine).max(20),
  devices: z.array(JobDevice).max(40),
  /** At most one for each device on each machine. */
  connections: z.array(JobConnection).max(MOST_OF.connections),
  activities: z.array(Activity).max(50),
  /** The answers the job follows where practitioners disagree. */
  policies: PolicyAnswers.partial().optional(),
};
export type Setup = z.infer<z.ZodObject<typeof SETUP>>;

type Complain = (path: (string | number)[], message: string) => void;

/** Ids that are used twice in a list. */
export function twice(list: readonly { id: string }[], path: (string | number)[], complain: Complain): void {
  const seen = new Set<string>();
  list.forEach(({ id }, i) => {
    if (seen.has(id)) complain([...path, i, 'id'], `"${id}" is used twice`);
    seen.add(id);
  });
}

/** What names something that is not there, or fits nothing. */
export function checkSetup(setup: Setup, complain: Complain): void {
  const { machines, devices, connections, activities } = setup;
  twice(machines, ['machines'], complain);
  twice(devices, ['devices'], complain);
  twice(activities, ['activities'], complain);
  machines.forEach(({ host }, i) => twice(host.ports, ['machines', i, 'host', 'ports'], complain));
  const hostOf = (id: string | undefined) =>
    (id === undefined ? machines[0] : machines.find((m) => m.id === id))?.host;
  const isDevice = (id: string | undefined) => id === undefined || devices.some((d) => d.id === id);

  devices.forEach(({ parts }, i) => {
    const wrong = parts?.array && cannot({ mode: parts.array.mode, members: parts.together ?? 1 });
    if (wrong) complain(['devices', i, 'parts', 'array'], wrong);
  });
  connections.forEach(({ device, machine, port, hops = [] }, i) => {
    const at = (key: string) => ['connections', i, key];
    const host = hostOf(machine);
    if (!isDevice(device)) complain(at('device'), `"${device}" is no device of this job`);
    if (!host) complain(at('machine'), `"${machine}" is no machine of this job`);
    else if (!host.ports.some((p) => p.id === port))
      complain(at('port'), `"${port}" is no port of ${host.name}`);
    if (connections.findIndex((c) => c.device === device && c.machine === machine) < i)
      complain(at('device'), `"${device}" is connected to "${machine}" twice`);
    for (const hop of hops)
      if (!hop.hub.ports.some((p) => p.id === hop.port))
        complain(at('hops'), `"${hop.port}" is no port of ${hop.hub.model}`);
  });
  activities.forEach((activity, i) => {
    const at = (key: string) => ['activities', i, key];
    const { machine, device, endpoint, besides = [] } = activity;
    const host = hostOf(machine);
    if (machine !== undefined && !host) complain(at('machine'), `"${machine}" is no machine of this job`);
    if (!isDevice(device)) complain(at('device'), `"${device}" is no device of this job`);
    const ends = [endpoint, ...(isMove(activity) ? (activity.shares ?? []) : []).map((s) => s.endpoint)];
    for (const end of ends)
      if (end !== undefined && host && !host.endpoints?.some((e) => e.id === end))
        complain(at('endpoint'), `"${end}" is no endpoint of ${host.name}`);
    for (const other of besides)
      if (other === activity.id || !activities.some((a) => a.id === other))
        complain(at('besides'), `"${other}" is no other activity of this job`);
  });
}
