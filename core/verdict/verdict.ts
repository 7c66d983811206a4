import { recordersFor } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { besidesOf, caseOf, collectTransfer, forecast, forecastTransfer, heldAt } from '../forecast';
import { claims, type Model } from './claim';
import { verdictFrom, type Verdict } from './sum';

const model: Model = {
  transfer(situation, path, transfer, whole) {
    const besides = whole ? besidesOf(caseOf(situation, whole.id)) : [];
    const record = recordersFor(situation.shopRanges).explaining;
    const around = heldAt(situation, whole ?? undefined);
    return forecastTransfer(collectTransfer(record, path, transfer, around, besides), transfer);
  },
  load: (situation, path, { id }) => forecast(caseOf(situation, id), path).figure,
};

/**
 * Both answers for every claim of a job and what they come to.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export const verdict = (job: Job, shopRanges: OwnRanges = {}): Verdict =>
  verdictFrom(job, claims(job, model, shopRanges)!);
