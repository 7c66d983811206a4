import { useEffect, useRef, useState } from 'react';
import type { JobSheet, Situation } from '@kymar/core/forecast';
import { sheetFor } from '../workers';

/** The last sheets, so that coming back to a page shows it at once. */
const kept: { of: Situation; sheet: JobSheet | null }[] = [];
const MOST = 20;
const had = (of: Situation | null) => (of ? kept.find((entry) => entry.of === of) : undefined);

/**
 * A situation's forecast, worked out beside the page. While a new one is on its way the last one stands; of what
 * changes faster than it can be worked out, the latest is.
 * @returns undefined until the first is there; null where there is nothing to forecast
 */
export function useForecast(situation: Situation | null): {
  sheet: JobSheet | null | undefined;
  fresh: boolean;
  problem: string | null;
} {
  const now = had(situation);
  const [last, setLast] = useState<JobSheet | null | undefined>(now?.sheet);
  const [problem, setProblem] = useState<string | null>(null);
  const turn = useRef<{ busy: boolean; next: Situation | null }>({ busy: false, next: null });
  const alive = useRef(true);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);
  useEffect(() => {
    const ask = async (of: Situation): Promise<void> => {
      turn.current.busy = true;
      try {
        const sheet = had(of)?.sheet ?? (await sheetFor(of));
        if (!had(of)) kept.unshift({ of, sheet });
        kept.length = Math.min(kept.length, MOST);
        if (alive.current) {
          setLast(sheet);
          setProblem(null);
        }
      } catch (error) {
        // What cannot be worked out is told; the last that could be stands.
        if (alive.current) setProblem(error instanceof Error ? error.message : String(error));
      }
      turn.current.busy = false;
      if (!alive.current) return;
      const { next } = turn.current;
      turn.current.next = null;
      if (next) await ask(next);
    };
    if (!situation) return;
    if (turn.current.busy) turn.current.next = situation;
    else void ask(situation);
  }, [situation]);
  if (!situation) return { sheet: null, fresh: true, problem: null };
  return { sheet: now ? now.sheet : last, fresh: now !== undefined, problem: now ? null : problem };
}
