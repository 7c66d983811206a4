import { findings as rules, type Finding, type Setting } from '@kymar/core/fit';
import type { Brief, Job } from '@kymar/core/job';
import { DIRECTIONS, type Direction } from '@kymar/core/catalog/links';
import type { Path } from '@kymar/core/build/path';
import { settingOf } from '@kymar/core/choice/whatif';
import type { Situation } from '@kymar/core/forecast';
import { remembered } from './remembered';
import { placedOf } from './placed';
import { situationNow } from './situation';

/** As many jobs' answers are kept as a shop has open. */
const MOST = 2000;

const setting = remembered(
  (situation: Situation, direction: Direction): Setting => settingOf(situation, direction),
  MOST,
);
const found = remembered((of: Setting): Finding[] => rules(of), MOST);

/** The path of a place in one direction with what the rules need to know; null while nothing is built. */
export function settingAt(brief: Brief | null, direction: Direction): Setting | null {
  const situation = situationNow(brief);
  return situation && setting(situation, direction);
}
export const pathAt = (brief: Brief | null, direction: Direction = 'write'): Path | null =>
  settingAt(brief, direction)?.path ?? null;
export const findingsOf = (of: Setting): Finding[] => found(of);

/** Whether nothing can flow at one of a job's places, by its path or by the rules. */
export function isBlocked(job: Job): boolean {
  const blocks = (of: Setting | null) =>
    of !== null && (of.path.blocked.length > 0 || findingsOf(of)[0]?.severity === 'blocks');
  return placedOf(job).some((at) => DIRECTIONS.some((direction) => blocks(settingAt(at, direction))));
}
