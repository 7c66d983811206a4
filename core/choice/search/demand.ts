import { middle } from '../../evidence';
import type { Build } from '../../assembly';
import type { Miss } from './candidate';
import type { OpenPlace } from './wanted';

/** What is asked of a build beside its activities' targets; it stands in the place of an activity in {@link Miss}. */
export const DEMANDS = ['service life', 'one failure', 'portable'] as const;
export type DemandId = (typeof DEMANDS)[number];
export const isDemand = (id: string): id is DemandId => (DEMANDS as readonly string[]).includes(id);

/** What is missed wholly counts as missed by this factor. */
const WHOLLY = 2;

/** Whether one failed drive loses what nothing else has: several drives without redundancy, and no other copy planned. */
function losesAll({ together = 1, array }: Build, { needs = {} }: OpenPlace): boolean {
  const isBare = array?.mode === 'stripe' || array?.mode === 'concatenation';
  const elsewhere = needs.onlyCopy === false || (needs.copies?.length ?? 0) > 1;
  return together > 1 && isBare && !elsewhere;
}

/**
 * What a build misses beside targets: its rating is written before the service life is over, one failure loses all [common practice: a stripe wants another
 * copy in the plan], or it hangs on the mains though it is carried about.
 * @param years until the rating is written; null where nothing wears or nothing is rated
 */
export function demandsMissed(build: Build, open: OpenPlace, years: number | null): Miss[] {
  const wanted = middle(open.serviceYears);
  const missed: Miss[] = [];
  if (years !== null && wanted !== null && years < wanted)
    missed.push({ activity: 'service life', by: wanted / years });
  if (losesAll(build, open)) missed.push({ activity: 'one failure', by: WHOLLY });
  if (open.needs?.portable && build.bridge?.supply) missed.push({ activity: 'portable', by: WHOLLY });
  return missed;
}
