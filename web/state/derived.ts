import type { Finding, Setting } from '@kymar/core/fit';
import { stages, type Job, type StageState } from '@kymar/core/job';
import { DIRECTIONS, type Direction } from '@kymar/core/catalog/links';
import type { Path } from '@kymar/core/build/path';
import { verdict, type Verdict } from '@kymar/core/verdict';
import { settingOf } from '@kymar/core/choice/whatif';
import { useRules } from './rules';

/** Remembers the last answers by the identity of what they are made from; jobs are never changed in place. */
function remembered<K extends readonly unknown[], V>(make: (...key: K) => V, most = 40): (...key: K) => V {
  const kept: { key: K; value: V }[] = [];
  return (...key) => {
    const had = kept.find((entry) => entry.key.every((part, i) => part === key[i]));
    if (had) return had.value;
    const entry = { key, value: make(...key) };
    kept.unshift(entry);
    kept.length = Math.min(kept.length, most);
    return entry.value;
  };
}

type Build = NonNullable<Job['build']>;
type Rules = NonNullable<ReturnType<typeof useRules.getState>['findings']>;
const setting = remembered(
  (
    host: Job['host'],
    build: Build,
    activities: Job['activities'],
    needs: Job['needs'],
    direction: Direction,
  ): Setting => settingOf({ host, build, activities, needs }, direction),
);
const found = remembered((rules: Rules, of: Setting): Finding[] => rules(of));
const judged = remembered((job: Job): Verdict => verdict(job));

/** A job's path in one direction with what the rules need to know; null while nothing is built. */
export const settingOfJob = (
  { host, build, activities, needs }: Job,
  direction: Direction,
): Setting | null => (build ? setting(host, build, activities, needs, direction) : null);
export const pathOfJob = (job: Job, direction: Direction = 'write'): Path | null =>
  settingOfJob(job, direction)?.path ?? null;
export const findingsBy = (rules: Rules, of: Setting): Finding[] => found(rules, of);
export const verdictOf = (job: Job): Verdict => judged(job);

/** A job's stages. Until the rules are there, only what the path itself shows is known to block it. */
export function useStages(): (job: Job) => StageState[] {
  const rules = useRules((s) => s.findings);
  return (job) => stagesBy(job, rules);
}

function stagesBy(job: Job, rules: Rules | null): StageState[] {
  const found = verdictOf(job);
  const blocked = DIRECTIONS.some((direction) => {
    const of = settingOfJob(job, direction);
    return (
      of !== null &&
      (of.path.blocked.length > 0 || (rules !== null && findingsBy(rules, of)[0]?.severity === 'blocks'))
    );
  });
  return stages(job, {
    blocked,
    unmet:
      found.answer === 'falls short' || found.claims.some((c) => !c.simulated && c.right.answer === 'short'),
  });
}
