import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { raisedBy } from './befallen';
import { evidenceOf, isTimed, logsUnder, type Evidence } from './evidence';
import { singles, type Hypothesis } from './hypothesis';
import { seenOf } from './seen';
import { nextTests, type NextTest } from './next';
import { groupsOf, HEALTHY, NO_CAUSE, NONE, score, type Group } from './score';
import { settledBy, type SettledWay } from './settled';
import { shownOf, type Shown } from './shown';

/** A cause as it is told. */
export interface ToldCause {
  id: string;
  title: string;
  fix: string | null;
  /** What has to be bought for it, where that is a part. */
  takes: Hypothesis['takes'] | null;
  /** Whether only what was entered or read off is wrong: nothing is gained by setting that right. */
  isFigure: boolean;
  probability: number;
  prior: number;
}

/** What a job's measurements say of their cause. */
export interface Diagnosis {
  /** The most probable first; `healthy` and `none of these` among them. */
  causes: ToldCause[];
  groups: Group[];
  next: NextTest[];
  /** What each look and test told: the probability of what leads now, without it and with it. */
  told: { look: string; title: string; cause: string; before: number; after: number }[];
  /** What nobody knew of the rig and the runs tell, where nothing wrong is the likeliest. */
  settled: SettledWay[];
  /** What the likeliest of them say of each measurement. */
  shown: Shown;
  /** The activity of the measurement furthest off, on which a test tells most; null of a synthetic one. */
  worst: string | null;
  /** s of the measurement furthest off, and what is to be had where nothing is wrong; null where only loads or looks tell. */
  gain: { title: string; took: number; healthy: number } | null;
}

/** As many groups are held against each measurement for people to see, what is healthy beside them. */
const LEADING = 3;
const LEAST = 0.02;
/** A cause less probable than this is not told. */
const TOLD = 0.001;

/** All that was measured of a job, what lies furthest off its forecast first, then what was seen. */
export function knownOf(job: Job, shopRanges: OwnRanges = {}): Evidence[] {
  const measured = evidenceOf(job, shopRanges).sort((a, b) => b.off - a.off);
  return [...measured, ...seenOf(job, measured)];
}

/**
 * Causes of what was measured, and what to look at next.
 * @param given priors of somebody's own, by cause
 * @returns null where nothing was measured that can be held against a forecast
 */
export function diagnose(
  job: Job,
  shopRanges: OwnRanges = {},
  given: Readonly<Record<string, number>> = {},
): Diagnosis | null {
  const evidence = knownOf(job, shopRanges);
  if (evidence.length === 0) return null;
  const priors = raisedBy(job, given);
  const scored = score(evidence, { priors });
  const groups = groupsOf(scored).filter(({ probability }) => probability >= TOLD);
  const leading = groups
    .filter(({ ids, probability }) => ids[0] !== NONE && probability >= LEAST)
    .map(({ ids }) => scored.find(({ id }) => id === ids[0])!)
    .slice(0, LEADING);
  const healthy = scored.find(({ id }) => id === HEALTHY);
  // What leads may be a slip of one run: that run is then shown beside the others.
  const shown = shownOf(leading[0]?.evidence ?? evidence, [
    ...leading,
    ...(healthy && !leading.includes(healthy) ? [healthy] : []),
  ]);
  return {
    causes: scored
      .filter(({ probability }) => probability >= TOLD)
      .map(({ id, cause, probability, prior }) => ({
        id,
        title: cause?.title ?? NO_CAUSE[id]!,
        fix: cause?.fix ?? null,
        takes: cause?.takes ?? null,
        isFigure: singles(cause).some(({ site }) => site === 'figures'),
        probability,
        prior,
      })),
    groups,
    told: toldBy(evidence, groups, (known) => groupsOf(score(known, { priors }))),
    next: nextTests(evidence, scored),
    settled: groups[0]?.ids[0] === HEALTHY && healthy ? settledBy(evidence, healthy) : [],
    shown,
    worst: activityOf(job, evidence),
    gain: gainOf(evidence),
  };
}

/** What the measurement furthest off lost, in its own time: its forecast says what is to be had. */
function gainOf(evidence: readonly Evidence[]): Diagnosis['gain'] {
  const [worst] = evidence.filter(isTimed);
  if (!worst?.time) return null;
  const healthy = worst.expected ?? middleOf(worst);
  return healthy === null ? null : { title: worst.title, took: Math.exp(worst.time.log), healthy };
}

/** s in the middle of its draws where nothing is wrong. */
function middleOf({ of, toBar }: Evidence): number | null {
  const logs = logsUnder(null, of, { look: undefined, toBar });
  return logs && Math.exp(Float64Array.from(logs).sort()[Math.floor(logs.length / 2)]!);
}

function activityOf(job: Job, evidence: readonly Evidence[]): string | null {
  const [worst] = evidence.filter(isTimed);
  return job.activities.find(({ id }) => id === worst?.of.activity.id)?.id ?? null;
}

/** What each look and test told of the group that leads now. */
function toldBy(
  evidence: readonly Evidence[],
  [first]: readonly Group[],
  grouped: (known: readonly Evidence[]) => Group[],
): Diagnosis['told'] {
  if (!first) return [];
  const of = (groups: readonly Group[]) =>
    groups
      .filter(({ ids }) => ids.some((id) => first.ids.includes(id)))
      .reduce((sum, { probability }) => sum + probability, 0);
  // What was looked at twice told what it did together.
  const last = evidence.filter(
    ({ look }, i) => look && !evidence.slice(i + 1).some((other) => other.look?.id === look.id),
  );
  return last.map(({ look, title }) => ({
    look: look!.id,
    title,
    cause: first.ids[0]!,
    before: of(grouped(evidence.filter((other) => other.look?.id !== look!.id))),
    after: first.probability,
  }));
}
