import type { Job } from '../job';
import { claims } from './claim';
import { verdictFrom, type Verdict } from './sum';

/** {@link verdict} where frozen figures answer every claim, without the models; null where they do not. */
export function quickVerdict(job: Job): Verdict | null {
  const found = claims(job, null);
  return found && verdictFrom(job, found);
}
