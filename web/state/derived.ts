import { findings, type Finding, type Setting } from '@kymar/core/fit';
import { stages, type Job, type StageState } from '@kymar/core/job';
import { DIRECTIONS, type Direction } from '@kymar/core/links';
import type { Path } from '@kymar/core/path';
import { verdict, type Verdict } from '@kymar/core/verdict';
import { settingOf } from '@kymar/core/whatif';

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
const setting = remembered((host: Job['host'], build: Build, activities: Job['activities'], needs: Job['needs'], direction: Direction): Setting => settingOf({ host, build, activities, needs }, direction));
const found = remembered((of: Setting): Finding[] => findings(of));
const judged = remembered((job: Job): Verdict => verdict(job));

/** A job's path in one direction with what the rules need to know; null while nothing is built. */
export const settingOfJob = ({ host, build, activities, needs }: Job, direction: Direction): Setting | null => (build ? setting(host, build, activities, needs, direction) : null);
export const pathOfJob = (job: Job, direction: Direction = 'write'): Path | null => settingOfJob(job, direction)?.path ?? null;
export const findingsOf = (of: Setting): Finding[] => found(of);
export const verdictOf = (job: Job): Verdict => judged(job);

export function stagesOf(job: Job): StageState[] {
  const verdict = verdictOf(job);
  const blocked = DIRECTIONS.some((d) => {
    const of = settingOfJob(job, d);
    return of !== null && findingsOf(of)[0]?.severity === 'blocks';
  });
  return stages(job, { blocked, unmet: verdict.answer === 'falls short' || verdict.claims.some((c) => !c.simulated && c.right.answer === 'short') });
}
