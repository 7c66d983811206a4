import { middle } from '../evidence';
import { returnUntil } from '../fitting';
import type { ToldCause } from '../diagnosis';
import { nameOf } from '../catalog/parts';
import { deviceName, type Fitting, type Job, type JobDevice } from '../job';
import { calendarDay } from '../units';
import { naming, say, type Said } from './statement';

/** Who pays for what a fix takes. */
type Payer =
  /** It goes back within the days for that. */
  | 'seller'
  /** Under warranty. */
  | 'maker'
  | 'customer'
  /** Nobody noted when it was bought. */
  | 'open'
  /** No part has to be bought for it. */
  | 'nobody';

/** Who pays, until which day, and for which part. */
export interface Paying {
  payer: Payer;
  /** ISO; null where no day ends it. */
  until: string | null;
  /** The part at fault, by name; null where none is. */
  part: string | null;
  device: JobDevice | null;
}

const yearsAfter = (day: string, years: number): string =>
  `${Number(day.slice(0, 4)) + Math.floor(years)}${day.slice(4)}`;

/** The day a unit's warranty ends: as noted, else by its purchase and its sheet; null where nobody knows. */
function warrantyEnd(device: JobDevice | null, { warrantyUntil, bought }: Partial<Fitting>): string | null {
  if (warrantyUntil !== undefined) return warrantyUntil;
  const years = device?.parts ? middle(device.parts.drive.warrantyYears) : null;
  return bought === undefined || years === null ? null : yearsAfter(bought, years);
}

function partOf(job: Job, device: JobDevice | null, takes: NonNullable<ToldCause['takes']>): string | null {
  const cable = job.connections.find((c) => c.device === device?.id && c.cable)?.cable;
  const { bridge = null, drive = null } = device?.parts ?? {};
  const part = { cable: cable ?? null, enclosure: bridge, drive }[takes];
  return part && nameOf(part);
}

/** The device whose measurements ask for a cause: that of the activity furthest off, else the first. */
const deviceOf = (job: Job, worst: string | null): JobDevice | null => {
  const path = job.runs.find((run) => run.activity === worst && run.path && 'device' in run.path)?.path;
  const id = path && 'device' in path ? path.device : null;
  return job.devices.find((device) => device.id === id) ?? job.devices[0] ?? null;
};

/**
 * Who pays for the fix of a cause.
 * @param worst the activity furthest off
 * @param on the day it is asked, ISO
 */
export function payingFor(
  job: Job,
  { takes }: Pick<ToldCause, 'takes'>,
  worst: string | null,
  on: string,
): Paying {
  const device = deviceOf(job, worst);
  if (!takes) return { payer: 'nobody', until: null, part: null, device };
  const fitting = job.fittings?.find((one) => one.device === device?.id);
  const part = partOf(job, device, takes);
  const back = returnUntil(fitting ?? {});
  if (back !== null && back >= on) return { payer: 'seller', until: back, part, device };
  // A maker warrants the drive; of cables and enclosures only what somebody noted is known.
  const warranty = takes === 'drive' ? warrantyEnd(device, fitting ?? {}) : (fitting?.warrantyUntil ?? null);
  if (warranty !== null && warranty >= on) return { payer: 'maker', until: warranty, part, device };
  const payer = back === null && warranty === null ? 'open' : 'customer';
  return { payer, until: null, part, device };
}

/** Who pays, in a sentence. */
export const payingSaid = (job: Job, { payer, until, part, device }: Paying): Said<'pays'> => {
  const what = part ?? (device ? deviceName(job.devices, device.id) : 'it');
  const day = until === null ? '' : calendarDay(until);
  return say('judged', naming('pays', device?.id ?? 'job'), {
    pays: {
      seller: `${what} can go back until ${day}: the seller pays.`,
      maker: `${what} is under warranty until ${day}: the maker pays, where the fault is theirs.`,
      customer: `For ${what} neither return nor warranty is left: the customer pays.`,
      open: `Who pays for ${what} is open: note in Set-up when it was bought, and for how long it can go back.`,
      nobody: null,
    }[payer],
  });
};
