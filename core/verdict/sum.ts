import { counted } from '../units';
import { doubtsOf, isAsked, type Job } from '../job';
import type { Claim } from './claim';

export interface Verdict {
  claims: Claim[];
  /** The whole in one word: what a technician would decide on. */
  answer: 'meets' | 'falls short' | 'not proven';
  words: string;
  /** What the shop should do before it leaves the bench; empty where nothing. */
  advice: string;
  /** What of the job's evidence was changed after it was kept, all of it, in words. */
  doubts: string[];
}

/** What claims come to for a job. Simulated runs are shown and never decide. */
export function verdictFrom(job: Job, found: Claim[]): Verdict {
  const doubts = doubtsOf(job).map((d) => d.words);
  // Rehearsals and tests to find a cause decide nothing.
  const real = found.filter((claim) => !claim.simulated && !isTest(claim));
  const targeted = job.activities.filter((a) => a.target !== null);
  const answers = targeted.map((a) => answersFor(a.id, real));
  const [missed, open] = [
    answers.filter((a) => a === 'no').length,
    answers.filter((a) => a === 'not proven').length,
  ];
  const left = job.activities.filter(
    (a) => isAsked(a) && !real.some((c) => c.activity?.id === a.id && c.measured),
  );
  const unmeasured = left.length > 0 ? ` Not measured: ${left.map(({ name }) => name).join(', ')}.` : '';
  const short = real.filter((c) => c.right.answer === 'short').length;
  const advice =
    short > 0
      ? `${counted(short, 'claim')} came out short of the forecast: find the cause before it leaves the bench.`
      : isNoneUsable(real)
        ? 'It was measured, but no run so far can have measured the drive.'
        : '';
  if (missed > 0)
    return {
      claims: found,
      doubts,
      advice,
      answer: 'falls short',
      words: `${counted(missed, 'target', 'targets')} of ${targeted.length} not met.`,
    };
  if (targeted.length === 0)
    return {
      claims: found,
      doubts,
      advice,
      answer: 'not proven',
      words: `The brief holds no target to meet.`,
    };
  if (open > 0)
    return {
      claims: found,
      doubts,
      advice,
      answer: 'not proven',
      words:
        `${open === targeted.length ? counted(open, 'target', 'targets') : `${targeted.length - open} of ${targeted.length} targets met, ${open}`} ` +
        `not proven yet.`,
    };
  return {
    claims: found,
    doubts,
    advice,
    answer: 'meets',
    words: `${targeted.length === 1 ? 'The target is' : targeted.length === 2 ? 'Both targets are' : `All ${targeted.length} targets are`} met.${unmeasured}`,
  };
}

/** Made to find a cause, not as it is built. */
const isTest = ({ measured, impossible }: Claim): boolean =>
  (measured?.runs[0] ?? impossible[0]?.run)?.conditions.look !== undefined;

/** Measured, and none of it can be used: that is not the same as not measured. */
const isNoneUsable = (real: readonly Claim[]): boolean =>
  real.length > 0 && real.every((c) => c.right.answer === 'impossible' || c.right.answer === 'questioned');

/** A target counts as missed when any sound measurement missed it, as met when at least one met it and none missed it. */
function answersFor(activity: string, real: readonly Claim[]): 'yes' | 'no' | 'not proven' {
  const own = real.filter((c) => c.activity?.id === activity && c.target).map((c) => c.target!.answer);
  return own.includes('no') ? 'no' : own.includes('yes') ? 'yes' : 'not proven';
}
