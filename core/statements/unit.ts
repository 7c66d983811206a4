import {
  BEFALLEN,
  befallenWords,
  deviceName,
  type Fitting,
  type Job,
  type PutRight,
  runsBefore,
} from '../job';
import type { Drive } from '../catalog/parts';
import type { Learned } from '../measure';
import { healthAdvice, healthLines, type HealthCounters } from '../models';
import { counted, format, rangeBehind } from '../units';
import { naming, say, type Said } from './statement';

/** What a drive counts and what follows from it, line by line. @param of whose page it is */
export const healthSaid = (counters: HealthCounters, of: string) => ({
  lines: healthLines(counters).map(({ key, label, words }) => ({
    key,
    label,
    ...say<'counts'>('told', naming('health', key, of), { counts: words }),
  })),
  advice: healthAdvice(counters).map(({ severity, words }, i) => ({
    severity,
    ...say<'advice'>('judged', naming('health', String(i), of), { advice: words }),
  })),
});

/** One unit: what its sheet warrants, what was written on it on day zero. */
export const unitSaid = (
  device: string,
  drive: Drive | undefined,
  fitting: Fitting | undefined,
): Said<'sheet' | 'written'> => {
  const years = drive?.warrantyYears.value;
  const written = fitting?.baseline?.written ?? null;
  return say('told', naming('unit', device), {
    sheet: typeof years === 'number' ? `Its sheet says ${format(years, 'years')}.` : null,
    written: written === null ? null : `${format(written, 'B', 4)} written`,
  });
};

/** What a drive's own counter showed on a day. */
export const counterSaid = (
  device: string,
  { on, written }: { on: string; written: number },
): Said<'counter'> =>
  say('told', naming('counter', device, on), { counter: `${format(written, 'B', 4)} written` });

/** What befell a unit, in the order of days, and what that means for how long it lasts. */
export function befallenSaid(device: string, { befallen = [] }: Pick<Fitting, 'befallen'>) {
  const log = [...befallen].sort((a, b) => a.on.localeCompare(b.on));
  const last = log.at(-1);
  const risk = last
    ? `Since ${BEFALLEN[last.what]} on ${last.on}, no rating says how long it lasts: keep nothing on it that has no other copy.`
    : null;
  return {
    log: log.map((one, i) =>
      say<'entry'>('told', naming('befallen', device, String(i)), { entry: befallenWords(one) }),
    ),
    ...say<'risk'>('judged', naming('befallen', device), { risk }),
  };
}

/** What a cause that was put right set aside. */
export const rightSaid = (job: Job, one: PutRight): Said<'aside'> =>
  say('judged', naming('right', one.cause, one.at), {
    aside: `${counted(runsBefore(job, one).length, 'run')} set aside.`,
  });

/** What the runs of a job teach of a machine or a drive. @param i which of what they teach */
export function learnedSaid(job: Job, learned: Learned, i: number): Said<'teaches'> & { into: string } {
  const { machine, device } = learned.place;
  const of = naming('learned', String(i));
  if (learned.kind === 'per file') {
    const name = job.machines.find((m) => m.id === machine)?.host.name ?? 'the machine';
    const { perFile } = learned.fit;
    const doing = learned.direction === 'write' ? 'writing' : 'reading';
    const teaches = `Each file costs ${name} ${format(perFile.expected, 's')} when ${doing}${rangeBehind(perFile, 's')}, whichever drive it is.`;
    return { ...say<'teaches'>('measured', of, { teaches }), into: name };
  }
  const into = deviceName(job.devices, device);
  const { cache, slow } = learned.fit;
  const teaches =
    `The cache of ${into} took ${format(cache.expected, 'B')}${rangeBehind(cache, 'B')}; ` +
    `past it, it writes ${format(slow.expected, 'B/s')}${rangeBehind(slow, 'B/s')}.`;
  return { ...say<'teaches'>('measured', of, { teaches }), into };
}
