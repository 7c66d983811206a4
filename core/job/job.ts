import { Run } from './run';
import * as z from 'zod';
import { cannot } from '../models/arrays';
import { Build } from '../build/assembly';
import { Fact } from '../evidence';
import { Host, Id } from '../catalog/parts';
import { Activity } from './activity';
import { ChainEntry } from './entry';
import { FrozenForecast } from './frozen';
import { Needs } from './needs';

/** Version of the job file that this Kymar writes. */
export const VERSION = 3;

export const Decision = z.object({
  kind: z.enum(['accept', 'change', 'retest', 'return']),
  words: z.string().max(2000),
  at: z.iso.datetime(),
});
export type Decision = z.infer<typeof Decision>;

const Fields = z.object({
  kymarVersion: z.literal(VERSION),
  id: Id,
  /** Counts every saved change: a copy with a higher one is newer. */
  revision: z.number().int().nonnegative(),
  title: z.string().trim().min(1, { error: 'a job needs a title' }).max(160),
  customer: z.string().max(160),
  created: z.iso.datetime(),
  changed: z.iso.datetime(),
  due: z.iso.date().nullable(),
  note: z.string().max(4000),
  host: Host,
  activities: z.array(Activity).max(50),
  /** What the drive is for and must put up with, and the policies the job follows. */
  needs: Needs.optional(),
  /** How many years the customer wants to use it. */
  serviceYears: Fact,
  /** What was chosen; null while the job is at the brief. */
  build: Build.nullable(),
  forecasts: z.array(FrozenForecast).max(200),
  runs: z.array(Run).max(5000),
  decision: Decision.nullable(),
  /** What happened to runs, forecasts and decisions, each entry sealed to the one before. */
  chain: z.array(ChainEntry).max(50_000).optional(),
});

/** A job: the spine of everything. One file holds it whole. */
export const Job = Fields.superRefine((job, context) => {
  const complain = (path: (string | number)[], message: string) =>
    context.addIssue({ code: 'custom', path, message });
  const twice = (list: readonly { id: string }[], name: string) =>
    list.forEach((item, i) => {
      if (list.findIndex((other) => other.id === item.id) < i)
        complain([name, i, 'id'], `"${item.id}" is used twice`);
    });
  twice(job.activities, 'activities');
  twice(job.runs, 'runs');
  twice(job.forecasts, 'forecasts');
  twice(job.host.ports, 'host');
  job.activities.forEach((activity, i) => {
    if (activity.endpoint && !job.host.endpoints?.some((e) => e.id === activity.endpoint))
      complain(['activities', i, 'endpoint'], `"${activity.endpoint}" is no endpoint of this host`);
    for (const other of activity.besides ?? [])
      if (other === activity.id || !job.activities.some((a) => a.id === other))
        complain(['activities', i, 'besides'], `"${other}" is no other activity of this job`);
  });
  for (const hop of job.build?.hops ?? [])
    if (!hop.hub.ports.some((port) => port.id === hop.port))
      complain(['build', 'hops'], `"${hop.port}" is no port of ${hop.hub.model}`);
  const wrong = job.build?.array && cannot({ mode: job.build.array.mode, members: job.build.together ?? 1 });
  if (wrong) complain(['build', 'array'], wrong);
  if (job.build && !job.host.ports.some((port) => port.id === job.build!.port))
    complain(['build', 'port'], `"${job.build.port}" is no port of this host`);
});
export type Job = z.infer<typeof Job>;

/** JSON Schema of the job file, published under docs/. Relations between fields (ports named, ids unique) are checked beyond it. */
export function jobJsonSchema(): object {
  return {
    $id: 'kymar-job-v3',
    title: 'Kymar job file, version 3',
    ...z.toJSONSchema(Fields, { io: 'input', target: 'draft-2020-12', reused: 'ref' }),
  };
}
