import { useDeferredValue, useMemo, useState } from 'react';
import type { Build } from '@kymar/core/assembly';
import { wantedFrom, type Progress, type Wanted } from '@kymar/core/choice';
import type { Job } from '@kymar/core/job';
import { useAnswer } from '../state/gate';
import { useSettings } from '../state/settings';
import { useShop } from '../state/shop';
import { choose, type Overview } from '../workers';

/** What the page knows of a search. */
export interface Searching {
  wanted: Wanted | null;
  /** The last that was found; null before the first. */
  found: Overview | null;
  /** While one goes on. */
  progress: { progress: Progress; first: string | null } | null;
  /** Whether nothing is on its way any more: found, failed or cancelled. */
  isOver: boolean;
  problem: string | null;
  /** Counts what was found, so that what is asked of it is asked anew. */
  turn: number;
  stop(): void;
  again(): void;
}

/** ms without a change before it is searched anew. */
const STILL = 350;

/** Searches what there is to buy for a device of a job, anew whenever what it depends on changes. */
export function useSearch(job: Job, device: string | undefined, built: Build | null): Searching {
  const shop = useShop();
  const shopRanges = useSettings((s) => s.ownRanges);
  const probability = useSettings((s) => s.sure);
  const rates = useSettings((s) => s.rates);
  const {
    machines,
    devices,
    connections,
    activities,
    policies,
    serviceYears,
    budget,
    owned,
    used,
    fittings,
  } = job;
  const wanted = useMemo(
    () => wantedFrom(job, device, shop, { shopRanges: shopRanges ?? {}, probability, rates }),
    // Title, notes and runs of a job change nothing of what there is to buy.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [
      machines,
      devices,
      connections,
      activities,
      policies,
      serviceYears,
      budget,
      used,
      fittings,
      device,
      owned,
      shop,
      shopRanges,
      probability,
      rates,
    ],
  );
  const key = useMemo(() => JSON.stringify(wanted), [wanted]);
  const [told, setTold] = useState<{ key: string; progress: Progress; first: string | null } | null>(null);
  const { data, isFresh, problem, again } = useAnswer(
    wanted &&
      choose.search(wanted, shop, built, (progress, first) => setTold({ key, progress, first }), {
        // What was found for another device is nothing of this one.
        subject: `${job.id} ${device}`,
        about: [key, shop],
        still: stillAfterRest,
      }),
  );
  // Tables and charts of thousands are laid out in pieces, so that the page goes on answering.
  const shown = useDeferredValue(data);
  return {
    wanted,
    found: data ? (shown?.found ?? null) : null,
    turn: shown?.turn ?? 0,
    progress: isFresh || told?.key !== key || problem !== null ? null : told,
    isOver: isFresh || problem !== null,
    problem,
    stop: () => void choose.cancel().catch(() => undefined),
    again,
  };
}

let asked = -Infinity;
/** The first change after a rest is searched at once, more that follow when they are over. */
function stillAfterRest(): number {
  const since = performance.now() - asked;
  asked = performance.now();
  return since > 4 * STILL ? 0 : STILL;
}
