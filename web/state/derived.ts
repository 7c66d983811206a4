import type { Finding, Setting } from '@kymar/core/fit';
import { stages, type Brief, type Job, type StageState } from '@kymar/core/job';
import { DIRECTIONS, type Direction } from '@kymar/core/catalog/links';
import type { Path } from '@kymar/core/build/path';
import type { Verdict } from '@kymar/core/verdict';
import { settingOf } from '@kymar/core/choice/whatif';
import type { Situation } from '@kymar/core/forecast';
import { remembered } from './remembered';
import { placedOf } from './placed';
import { situationNow } from './situation';
import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import { useSettings } from './settings';
import { useVerdicts } from './verdict';
import { useRules } from './rules';

/** As many jobs' answers are kept as a shop has open. */
const MOST = 2000;

type Rules = NonNullable<ReturnType<typeof useRules.getState>['findings']>;
const setting = remembered(
  (situation: Situation, direction: Direction): Setting => settingOf(situation, direction),
  MOST,
);
const found = remembered((of: Setting, rules: Rules): Finding[] => rules(of), MOST);

/** The path of a place in one direction with what the rules need to know; null while nothing is built. */
export function settingAt(brief: Brief | null, direction: Direction): Setting | null {
  const situation = situationNow(brief);
  return situation && setting(situation, direction);
}
export const pathAt = (brief: Brief | null, direction: Direction = 'write'): Path | null =>
  settingAt(brief, direction)?.path ?? null;
export const findingsBy = (rules: Rules, of: Setting): Finding[] => found(of, rules);

/** A job's stages. Until the rules are there, only what the path itself shows is known to block it. */
export function useStages(): (job: Job) => StageState[] {
  const rules = useRules((s) => s.findings);
  const verdicts = useVerdicts();
  const own = useSettings((s) => s.ownRanges);
  return (job) => stagesBy(job, rules, verdicts(job), own);
}

function stagesBy(job: Job, rules: Rules | null, found: Verdict | null, own?: OwnRanges): StageState[] {
  const blocks = (of: Setting | null) =>
    of !== null &&
    (of.path.blocked.length > 0 || (rules !== null && findingsBy(rules, of)[0]?.severity === 'blocks'));
  const blocked = placedOf(job).some((at) =>
    DIRECTIONS.some((direction) => blocks(settingAt(at, direction))),
  );
  const short = found?.claims.some((c) => !c.simulated && c.right.answer === 'short') ?? false;
  const unmet = found?.answer === 'falls short' || short;
  return stages(job, { blocked, unmet, ...(own ? { own } : {}) });
}
