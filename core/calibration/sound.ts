import { inLogs } from '../measure';
import { remembered } from '../catalog/assumptions';
import type { Case } from '../forecast';
import type { Job } from '../job';
import { caseMeasured, verdict, type Claim } from '../verdict';

/** A measured time that may be learned from. */
export interface Sound {
  of: Case;
  job: string;
  /** Logarithm of the s until all was written, and one sigma of reading it. */
  time: number;
  reading: number;
}

/** One sigma of what the models leave out, as a share [memory]. */
export const LESSON_SIGMA = 0.03;

/** Whether a claim is sound enough to learn from. */
export const isSound = ({ simulated, measured, right, doubts }: Claim): boolean =>
  !simulated &&
  measured !== null &&
  !measured.scattered &&
  measured.time !== null &&
  doubts.length === 0 &&
  right.answer !== 'questioned' &&
  right.answer !== 'impossible' &&
  measured.runs.every((run) => run.conditions.look === undefined);

/**
 * What an accepted job measured that may be learned from; nothing of any other.
 * @param shopRanges the shop's own ranges, without what was learned: learned values are not learned from again
 */
export const trustedMeasurements = remembered((job: Job, shopRanges): Sound[] => {
  if (job.decision?.kind !== 'accept') return [];
  return verdict(job, shopRanges)
    .claims.filter(isSound)
    .flatMap((claim): Sound[] => {
      const made = caseMeasured(job, claim.measured!.runs, shopRanges);
      if (!made) return [];
      const time = claim.measured!.time!;
      const later = made.toBar ? (claim.forecast?.later ?? 0) : 0;
      // What was frozen may have counted with other ranges: what is learned is learned against today's.
      const of = { ...made.of, shopRanges };
      return [{ of, job: job.id, time: Math.log(time.expected + later), reading: inLogs(time).sigma }];
    });
});
