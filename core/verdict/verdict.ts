import { given, recordersFor } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import {
  bareTransfer,
  besidesOf,
  caseOf,
  collectTransfer,
  forecast,
  forecastTransfer,
  heldAt,
  screen,
} from '../forecast';
import { claims, type Claim, type Model } from './claim';
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

/** The same at the middle of everything, without ranges. */
const middles: Model = {
  transfer(situation, path, transfer, whole) {
    const besides = whole ? besidesOf(caseOf(situation, whole.id)) : [];
    const around = heldAt(situation, whole ?? undefined);
    const inputs = collectTransfer(recordersFor(situation.shopRanges).bare, path, transfer, around, besides);
    const { seconds, bar } = bareTransfer(inputs);
    const at = (name: string, value: number, unit: 's' | 'B/s') =>
      given(name, value, unit, { kind: 'memory', note: 'every input at its middle' });
    return {
      time: at('time', seconds, 's'),
      bar: at('time until the progress bar is full', bar, 's'),
      rate: at('average rate', inputs.inputs.bytes.expected / seconds, 'B/s'),
    };
  },
  load: (situation, path, { id }) =>
    given('time', screen(caseOf(situation, id), path)!, 's', { kind: 'memory' }),
};

/** What was measured, each against what is expected in the middle: whether it was as forecast is not asked. */
export const measuredClaims = (job: Job, shopRanges: OwnRanges = {}): Claim[] =>
  claims(job, middles, shopRanges)!;

/**
 * Both answers for every claim of a job and what they come to.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export const verdict = (job: Job, shopRanges: OwnRanges = {}): Verdict =>
  verdictFrom(job, claims(job, model, shopRanges)!);
