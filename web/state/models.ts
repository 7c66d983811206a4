/*
 * What a page asks of the models beside statements: no figure that is told elsewhere. Everything else of theirs comes from a worker, or as a statement; lint
 * keeps it so.
 */
import { recordersFor, type Estimate } from '@kymar/core/evidence';
import { formatOn, holdsOf, pathOf, type Situation } from '@kymar/core/forecast';
import { rememberedBy } from './remembered';

export { fromPasted, lacking, linesOf, momentAt, readHealth } from '@kymar/core/models';
export {
  arrayOf,
  caseOf,
  collect,
  endOfPass,
  explainProbability,
  overriding,
  pathOf,
  readCheckpoint,
  settingOf,
} from '@kymar/core/forecast';

/** How long a full format takes by its sheet; null of flash, or while the path is blocked. */
export const formatBySheet = rememberedBy((situation: Situation): Estimate | null => {
  const path = pathOf(situation);
  return path.blocked.length > 0 ? null : formatOn(situation, path);
}, 20);

/** B that a device holds at most. */
export const holdsAtMost = ({ shopRanges, build }: Situation): number =>
  holdsOf(recordersFor(shopRanges).bare, build).high;
