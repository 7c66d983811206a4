import * as z from 'zod';
import { apart, Build } from '../build/assembly';
import { Host } from '../catalog/parts';
import { canonical } from '../text';
import { Keep, Move, Open, Scratch, Stream } from './activity';
import { appended, ChainEntry, sha, type Told } from './entry';
import { Needs } from './needs';
import { FIRST } from './place';
import { Run } from './run';
import type { Setup } from './setup';

/*
 * What versions 1 to 3 of the job file said otherwise: one machine, one build, and a few names. Frozen forecasts of those versions keep
 * their bytes, so their schema stays.
 */
const { target, ...common } = Move.pick({ target: true, id: true, name: true, perDay: true }).shape;
const placed = { ...common, wish: target, endpoint: Move.shape.endpoint, besides: Move.shape.besides };
const without = { target: true, machine: true, device: true } as const;

const Activity3 = z.discriminatedUnion('kind', [
  Move.omit({ ...without, shares: true }).extend(placed),
  Stream.omit(without).extend(placed),
  Open.omit({ ...without, processing: true, dependentReads: true }).extend({
    ...placed,
    own: Open.shape.processing,
    requests: Open.shape.dependentReads,
  }),
  Scratch.omit(without).extend(placed),
  Keep.omit(without).extend(placed),
]);
const Needs3 = Needs.omit({ bootDrive: true, portable: true, policies: true }).extend({
  starts: Needs.shape.bootDrive,
  travels: Needs.shape.portable,
  schools: Needs.shape.policies,
});

/** What a forecast of those versions was made from. */
export const SETUP3 = { host: Host, build: Build, activities: z.array(Activity3), needs: Needs3.optional() };

type Fields = Record<string, unknown>;
const isFields = (data: unknown): data is Fields =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/** A field under another name, in its old place; a damaged thing stays as it is. */
function renamed(data: unknown, names: Readonly<Record<string, string>>): unknown {
  if (!isFields(data)) return data;
  return Object.fromEntries(Object.entries(data).map(([key, value]) => [names[key] ?? key, value]));
}

const activityFrom3 = (data: unknown): unknown =>
  renamed(data, {
    wish: 'target',
    ...(isFields(data) && data.kind === 'open' ? { own: 'processing', requests: 'dependentReads' } : {}),
  });

/** One machine, one build and its needs as machines, devices and connections. Nothing is checked: what is damaged is told by the schema. */
function setupOf3({ host, build, activities, needs }: Fields): Fields {
  const { ambient, schools, ...asked } = isFields(needs) ? needs : {};
  const own = renamed(asked, { starts: 'bootDrive', travels: 'portable' });
  const { device, connection } = isFields(build) ? apart(build as Build) : { device: null, connection: null };
  const known = isFields(needs) && Object.keys(asked).length > 0;
  return {
    machines: [{ id: FIRST.machine, use: 'customer', host, ...(ambient === undefined ? {} : { ambient }) }],
    devices:
      device || known
        ? [{ id: FIRST.device, name: '', ...(known ? { needs: own } : {}), parts: device }]
        : [],
    connections: connection ? [{ ...FIRST, ...connection }] : [],
    activities: Array.isArray(activities) ? activities.map(activityFrom3) : activities,
    ...(schools === undefined ? {} : { policies: schools }),
  };
}

/** {@link setupOf3} of what its schema took. */
export const setupFrom3 = (old: {
  host: Host;
  build: Build;
  activities: unknown[];
  needs?: unknown;
}): Setup => setupOf3(old) as Setup;

/** A job file of version 3 as one of version 4. Runs "as built" name the place they were made at; the chain tells of it. */
export function jobFrom3(data: object): object {
  const { host, build, activities, needs, runs, chain, ...rest } = data as Fields;
  const built = isFields(build);
  const told: Told[] = [];
  const entries = z.array(ChainEntry).safeParse(chain).data;
  const carry = (run: unknown): unknown => {
    if (!isFields(run) || run.path !== 'customer') return run;
    const next = { ...run, path: built ? { ...FIRST } : null };
    const read = Run.safeParse(next);
    const last = entries?.findLast((e) => e.what === 'run' && e.id === run.id);
    // Only what is as it was kept is carried over as such: what was changed outside of Kymar stays in doubt.
    if (read.success && last?.content === sha(canonical({ ...read.data, path: 'customer' })))
      told.push({
        what: 'run',
        id: read.data.id,
        did: 'carried over',
        at: String(rest.changed),
        content: sha(canonical(read.data)),
      });
    return next;
  };
  const carried = Array.isArray(runs) ? runs.map(carry) : runs;
  return {
    ...rest,
    kymarVersion: 4,
    ...setupOf3({ host, build, activities, needs }),
    runs: carried,
    ...(chain === undefined ? {} : { chain: entries ? appended(entries, told) : chain }),
  };
}
