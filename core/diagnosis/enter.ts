import { ceilingOf, isLinkId, linkById } from '../catalog/links';
import { exactFact } from '../evidence';
import { isMove, placeOf, withActivity, type Activity, type Job, type Place } from '../job';
import { edited, hasFilesTyped, isTyped } from '../measure';
import { NOTHING_SEEN } from './looks';
import type { Dimension } from '../units';

/** A look that was noted. */
type Noted = NonNullable<Job['looks']>[number];

/** What a look showed, entered where the forecast goes by it. */
interface Entering {
  /** What must be known beside what was seen. */
  asks: readonly { key: string; label: string; dimension: Dimension; bare?: string }[];
  /** What it is put in place of, in words: "the link". */
  thing: string;
  /** Null where it changes nothing or cannot be entered. */
  into(job: Job, of: Where, seen: string, values: Values): Job | null;
}
export type Values = Readonly<Record<string, number | null>>;

/** What was looked at, and when it is entered. */
interface Where {
  activity: Activity;
  place: Place;
  at: string;
}

const rate = (mode: string): number => ceilingOf(linkById(mode));

/** The connection of a place changed; null where there is none. */
function connected(
  job: Job,
  { device, machine }: Place,
  change: (c: Job['connections'][number]) => Partial<Job['connections'][number]> | null,
): Job | null {
  const one = job.connections.find((c) => c.device === device && c.machine === machine);
  const changed = one && change(one);
  if (!changed) return null;
  return { ...job, connections: job.connections.map((c) => (c === one ? { ...c, ...changed } : c)) };
}

/** What was miscounted where it was typed: of runs by hand the figures that the brief gave, of watched ones the files alone, with the reason. */
function recounted(job: Job, activity: Activity, values: Values, at: string): Job {
  if (!isMove(activity)) return job;
  const [bytes, files] = [values.bytes ?? null, values.files ?? null];
  const reason = 'Counted again.';
  const runs = job.runs.map((run) => {
    const { measure } = run;
    if (run.activity !== activity.id || !hasFilesTyped(run) || measure.kind !== 'timed') return run;
    const now = {
      seconds: measure.seconds,
      bytes: bytes !== null && isTyped(run) && measure.bytes === activity.bytes.value ? bytes : measure.bytes,
      files: files !== null && measure.files === activity.files.value ? files : measure.files,
    };
    if (now.bytes === measure.bytes && now.files === measure.files) return run;
    return edited(run, { measure: now, conditions: run.conditions }, reason, at);
  });
  const counted = {
    ...activity,
    ...(bytes === null ? {} : { bytes: exactFact(bytes) }),
    ...(files === null ? {} : { files: exactFact(files) }),
  };
  return { ...withActivity(job, counted), runs };
}

/** Looks whose finding is an input of the forecast, by id. */
const ENTERING: Partial<Record<string, Entering>> = {
  'look at the link': {
    asks: [],
    thing: 'the link',
    into: (job, { place, at }, link) => {
      const device = job.devices.find(({ id }) => id === place.device)?.parts?.drive.model;
      if (!device || !isLinkId(link)) return null;
      return connected(job, place, (c) => (c.seen?.link === link ? null : { seen: { link, device, at } }));
    },
  },
  'look at the port': {
    asks: [],
    thing: 'the port',
    into: (job, { place }, seen) => {
      const host = job.machines.find(({ id }) => id === place.machine)?.host;
      const port = host?.ports.find(({ modes }) => [...modes].sort((a, b) => rate(b) - rate(a))[0] === seen);
      return connected(job, place, (c) => (!port || c.port === port.id ? null : { port: port.id }));
    },
  },
  'look at its space': {
    asks: [{ key: 'fill', label: 'How full it is', dimension: 'percent' }],
    thing: 'how full it is kept',
    into: (job, { place }, _, { fill = null }) =>
      fill === null
        ? null
        : {
            ...job,
            devices: job.devices.map((d) =>
              d.id === place.device ? { ...d, needs: { ...d.needs, fill: exactFact(fill) } } : d,
            ),
          },
  },
  'count again': {
    asks: [
      { key: 'bytes', label: 'Size, as counted', dimension: 'bytes', bare: 'GB' },
      { key: 'files', label: 'Files, as counted', dimension: 'count' },
    ],
    thing: 'size and number of files',
    into: (job, { activity, at }, _, values) =>
      values.bytes == null && values.files == null ? null : recounted(job, activity, values, at),
  },
};

/** What is asked for before a noted look can be entered; null where there is nothing to enter, or it is entered already. */
export function entering({ look, seen, entered }: Noted): Pick<Entering, 'asks' | 'thing'> | null {
  const known = ENTERING[look];
  return !known || entered || NOTHING_SEEN.includes(seen) ? null : known;
}

/**
 * The job with what a look showed in the place of what was assumed, so that forecasts go by it; frozen ones stay.
 * @param id of the activity that the cause was looked for
 * @returns null where that changes nothing, or cannot be
 */
export function withEntered(job: Job, noted: Noted, id: string, values: Values, at: string): Job | null {
  const activity = job.activities.find((a) => a.id === id);
  const place = activity && placeOf(job, activity);
  if (!activity || !place) return null;
  const into = ENTERING[noted.look]?.into(job, { activity, place, at }, noted.seen, values);
  if (!into) return null;
  return {
    ...into,
    looks: (job.looks ?? []).map((l) =>
      l.at === noted.at && l.look === noted.look ? { ...l, entered: at } : l,
    ),
  };
}
