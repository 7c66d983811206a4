import { findings as rules, type Finding, type Setting } from '@kymar/core/fit';
import type { Brief, Job } from '@kymar/core/job';
import { DIRECTIONS, type Direction } from '@kymar/core/catalog/links';
import type { Path } from '@kymar/core/assembly';
import { firstOf, settingOf, type Situation } from '@kymar/core/forecast';
import { rememberedBy } from './remembered';
import { placedOf } from './placed';
import { situationNow } from './situation';

/** As many jobs' answers are kept as a shop has open. */
const MOST = 2000;

const setting = rememberedBy(
  (situation: Situation, direction: Direction): Setting => settingOf(situation, direction),
  MOST,
);
const found = rememberedBy((of: Setting): Finding[] => rules(of), MOST);

/** The path of a place in one direction with what the rules need to know; null while nothing is built. */
export function settingAt(brief: Brief | null, direction: Direction): Setting | null {
  const situation = situationNow(brief);
  return situation && setting(situation, direction);
}
export const pathAt = (brief: Brief | null, direction: Direction = 'write'): Path | null =>
  settingAt(brief, direction)?.path ?? null;
export const findingsOf = (of: Setting): Finding[] => found(of);

/** What keeps the work at a place from going, each once, in whichever direction it goes. */
export function blockedAt(brief: Brief | null): Finding[] {
  const situation = situationNow(brief);
  if (!situation) return [];
  const directions = DIRECTIONS.filter(
    (d) => situation.activities.length === 0 || firstOf(situation.activities, d),
  );
  const all = directions.flatMap((d) => findingsOf(setting(situation, d)));
  return all.filter((f, i) => f.severity === 'blocks' && all.findIndex(({ id }) => id === f.id) === i);
}

/** Whether something blocks the work at one of a job's places. */
export const isBlocked = (job: Job): boolean => placedOf(job).some((at) => blockedAt(at).length > 0);
