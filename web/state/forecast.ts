import type { JobSheet, Situation } from '@kymar/core/forecast';
import { sheetFor } from '../workers';
import { useAnswer } from './gate';

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
  const { data, isFresh, problem } = useAnswer(situation && sheetFor(situation));
  return { sheet: situation ? data : null, fresh: isFresh, problem };
}
