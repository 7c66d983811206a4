import { assumedRange, remembered, type AssumptionId, type OwnRanges } from '../catalog/assumptions';
import { FLASH_NAMES, type FlashClass } from '../catalog/classes';
import { CHOICES, eachTime } from '../forecast';
import type { Job } from '../job';
import { SAMPLES, Z90 } from '../stats';
import type { LearnedRow } from './row';
import { LESSON_SIGMA, trustedMeasurements, type Sound } from './sound';

/** How probable each class is of a drive whose cells nobody named, by what was measured of it. */
interface Shares {
  of: ReadonlyMap<FlashClass, number>;
  /** No class gives such times: what is told is as common as it is assumed to be. */
  isFar: boolean;
}

/** Draws lie apart: a time is held against one as if it were known no better than this, one sigma as a share [memory]. */
const APART = 0.08;
/** A time so many sigmas from every draw is of no class. */
const FAR = 4;
/** What is assumed counts as much as so many drives [memory]. */
const PRIOR_DRIVES = 3;
/** Sigmas from the middle to 5 or 95 %. */

const FAMILIES = [
  ['pcie-tlc-large', 'pcie-tlc-small', 'pcie-qlc'],
  ['sata-tlc', 'sata-qlc'],
] as const;
type Common = (typeof FAMILIES)[number][number];
const rowOf = (id: Common): AssumptionId => `${id}.common`;

/** Logarithm of how probable each draw makes a time, a constant aside, and the class it is of; null where no class is open. */
function drawsOf({ of, time, reading }: Sound): { fit: number; id: FlashClass }[] | null {
  if (of.build.drive.cell !== null) return null;
  const sigma = Math.hypot(reading, LESSON_SIGMA, APART);
  const draws: { fit: number; id: FlashClass }[] = [];
  eachTime(of, ({ safe, chosen }) => {
    const id = chosen[CHOICES.class];
    if (id && id in FLASH_NAMES)
      draws.push({ fit: -(((Math.log(safe) - time) / sigma) ** 2) / 2, id: id as FlashClass });
  });
  return draws.length === SAMPLES ? draws : null;
}

/** What one drive's times say together: draws of the same number are of the same unit. */
function sharesOf(measured: readonly Sound[]): Shares | null {
  const told = measured.flatMap((one) => {
    const draws = drawsOf(one);
    return draws ? [draws] : [];
  });
  const [first] = told;
  if (!first) return null;
  const isFar = told.some((draws) => draws.every(({ fit }) => fit < -(FAR ** 2) / 2));
  const fits = first.map((_, i) => (isFar ? 0 : told.reduce((sum, draws) => sum + draws[i]!.fit, 0)));
  const most = fits.reduce((a, b) => Math.max(a, b), -Infinity);
  const weights = fits.map((fit) => Math.exp(fit - most));
  const total = weights.reduce((a, b) => a + b, 0);
  const of = new Map<FlashClass, number>();
  first.forEach(({ id }, i) => of.set(id, (of.get(id) ?? 0) + weights[i]! / total));
  return { of, isFar };
}

/** What an accepted job says of the classes of its drives, drive by drive. */
const sharesIn = remembered((job: Job, shopRanges): Shares[] => {
  const drives = new Map<string, Sound[]>();
  for (const sound of trustedMeasurements(job, shopRanges)) {
    const key = JSON.stringify(sound.of.build);
    drives.set(key, [...(drives.get(key) ?? []), sound]);
  }
  return [...drives.values()].flatMap((measured) => sharesOf(measured) ?? []);
});

/**
 * How common each class of flash is among what this shop works on: of each drive whose cells nobody named, what its times make of the classes it may be
 * of, drawn towards what is assumed as long as there are few.
 * @param shopRanges the shop's own ranges, without what was learned
 */
export function classesFromJobs(jobs: readonly Job[], shopRanges: OwnRanges = {}): LearnedRow[] {
  const drives = jobs.flatMap((job) => sharesIn(job, shopRanges));
  return FAMILIES.flatMap((family) => {
    const within = ({ of }: Shares) => family.map((id) => of.get(id) ?? 0);
    const found = drives.filter(({ isFar }) => !isFar).map(within);
    const aside = drives.filter((d) => d.isFar && Math.max(...within(d)) > 0.5 / family.length).length;
    const count = found.flat().reduce((a, b) => a + b, 0);
    if (count < 0.5 && aside === 0) return [];
    const ranges = family.map((id) => assumedRange(rowOf(id), shopRanges));
    const whole = ranges.reduce((sum, { expected }) => sum + expected, 0);
    return family.map((id, k): LearnedRow => {
      const sum = found.reduce((total, shares) => total + shares[k]!, 0);
      const share = (PRIOR_DRIVES * (ranges[k]!.expected / whole) + sum) / (PRIOR_DRIVES + count);
      const half = Z90 * Math.sqrt((share * (1 - share)) / (PRIOR_DRIVES + count + 1));
      const learned = { low: Math.max(0, share - half), expected: share, high: Math.min(1, share + half) };
      return { row: rowOf(id), prior: ranges[k]!, learned, jobs: Math.round(count), bounds: 0, aside };
    });
  });
}
