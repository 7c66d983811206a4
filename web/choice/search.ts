import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { Build } from '@kymar/core/build/assembly';
import { usualCurrency, type PartKey } from '@kymar/core/choice/prices';
import { wantedOf, type Progress, type Wanted } from '@kymar/core/choice/search';
import type { Job } from '@kymar/core/job';
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
  problem: string | null;
  /** Counts what was found, so that what is asked of it is asked anew. */
  turn: number;
  stop(): void;
  again(): void;
}

const NONE: readonly PartKey[] = [];
/** ms without a change before it is searched anew. */
const STILL = 350;

/** Searches what there is to buy for a device of a job, anew whenever what it depends on changes. */
export function useSearch(job: Job, device: string | undefined, built: Build | null): Searching {
  const shop = useShop();
  const own = useSettings((s) => s.ownRanges);
  const probability = useSettings((s) => s.sure);
  const rates = useSettings((s) => s.rates);
  const owned = (job.owned ?? NONE) as readonly PartKey[];
  const currency = job.budget?.currency ?? usualCurrency(shop.prices);
  const { machines, devices, connections, activities, policies, serviceYears, budget } = job;
  const wanted = useMemo(
    () => wantedOf(job, device, { owned, currency, own: own ?? {}, probability, rates }),
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
      device,
      owned,
      currency,
      own,
      probability,
      rates,
    ],
  );
  const key = useMemo(() => JSON.stringify(wanted), [wanted]);
  const [state, setState] = useState<Pick<Searching, 'found' | 'progress' | 'problem' | 'turn'>>({
    found: null,
    progress: null,
    problem: null,
    turn: 0,
  });
  // What was found for another device is nothing of this one.
  const place = `${job.id} ${device}`;
  const [foundFor, setFoundFor] = useState(place);
  const [round, setRound] = useState(0);
  const first = useRef(true);
  // What a search that was stopped still says counts no more.
  const halt = useRef(() => {});
  useEffect(() => {
    if (!wanted) return;
    let isStale = false;
    halt.current = () => {
      isStale = true;
    };
    const wait = first.current ? 0 : STILL;
    first.current = false;
    const timer = setTimeout(() => {
      choose
        .search(wanted, shop, built, (progress, best) => {
          if (!isStale) setState((s) => ({ ...s, progress: { progress, first: best } }));
        })
        .then(
          (found) => {
            if (isStale) return;
            // Tables and charts of thousands are laid out in pieces, so that the page goes on answering.
            startTransition(() => {
              setFoundFor(place);
              setState((s) => ({
                ...s,
                found: found ?? s.found,
                progress: null,
                problem: null,
                turn: s.turn + 1,
              }));
            });
          },
          (error: Error) => {
            if (!isStale) setState((s) => ({ ...s, progress: null, problem: error.message }));
          },
        );
    }, wait);
    return () => {
      isStale = true;
      clearTimeout(timer);
      void choose.cancel().catch(() => undefined);
    };
    // The key says all of what is wanted.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, shop, round]);
  return {
    ...state,
    found: foundFor === place ? state.found : null,
    wanted,
    stop: () => {
      halt.current();
      void choose.cancel().catch(() => undefined);
      setState((s) => ({ ...s, progress: null }));
    },
    again: () => setRound((n) => n + 1),
  };
}
