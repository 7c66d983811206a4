import { recordersFor } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { besidesOf, caseOf, collectTransfer, forecastTransfer, surroundingsOf } from '../forecast';
import { claims, type Model } from './claim';
import { verdictFrom, type Verdict } from './sum';

const model: Model = (situation, path, transfer, whole) => {
  const besides = whole ? besidesOf(caseOf(situation, whole.id)) : [];
  const record = recordersFor(situation.own).explaining;
  const inputs = collectTransfer(
    record,
    path,
    transfer,
    surroundingsOf(situation, whole ?? undefined),
    besides,
  );
  return forecastTransfer(inputs, transfer);
};

/**
 * Both answers for every claim of a job and what they come to.
 * @param own the shop's own ranges in place of what is assumed
 */
export const verdict = (job: Job, own: OwnRanges = {}): Verdict => verdictFrom(job, claims(job, model, own)!);
