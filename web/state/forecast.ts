import { useEffect, useRef, useState } from 'react';
import type { JobSheet, Plan } from '@kymar/core/forecast';
import { sheetFor } from '../workers';

/** The last sheets, so that coming back to a page shows it at once. */
const kept: { key: readonly unknown[]; sheet: JobSheet | null }[] = [];
const had = (key: readonly unknown[]) => kept.find((entry) => entry.key.every((part, i) => part === key[i]));

/**
 * A job's forecast, worked out beside the page. While a new one is on its way the last one stands; of what changes faster than it can be worked out, the latest is.
 * @returns undefined until the first is there; null where there is nothing to forecast
 */
export function useForecast({ host, build, activities, needs, serviceYears }: Plan): {
  sheet: JobSheet | null | undefined;
  fresh: boolean;
  problem: string | null;
} {
  const key = [host, build, activities, needs, serviceYears] as const;
  const now = had(key);
  const [last, setLast] = useState<JobSheet | null | undefined>(now?.sheet);
  const [problem, setProblem] = useState<string | null>(null);
  const turn = useRef<{ busy: boolean; next: Plan | null }>({ busy: false, next: null });
  const alive = useRef(true);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);
  useEffect(() => {
    const ask = async (plan: Plan): Promise<void> => {
      const of = [plan.host, plan.build, plan.activities, plan.needs, plan.serviceYears];
      turn.current.busy = true;
      try {
        const sheet = had(of)?.sheet ?? (await sheetFor(plan));
        if (!had(of)) kept.unshift({ key: of, sheet });
        kept.length = Math.min(kept.length, 20);
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
    const plan = { host, build, activities, needs, serviceYears } as Plan;
    if (turn.current.busy) turn.current.next = plan;
    else void ask(plan);
  }, [host, build, activities, needs, serviceYears]);
  return { sheet: now ? now.sheet : last, fresh: now !== undefined, problem: now ? null : problem };
}
