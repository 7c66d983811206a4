import { activitiesOf } from './wanted';
import { bestOf, scoreOf, type Weights } from './order';
import { buildKey } from './search';
import type { FinishedSearch } from './searched';
import { buildWords, missedNames, portWords } from './words';

/** A build as a table lists it. */
export interface BuildRow {
  id: string;
  words: string;
  port: string;
  cost: number | null;
  waits: number;
  figures: readonly (number | null)[];
  /** 0 to 100. */
  score: number;
  misses: number;
  /** What they are called: targets by their activities, then demands. */
  missed: readonly string[];
  years: number | null;
  usable: number | null;
  perTB: number | null;
  steady: number;
  edge: boolean;
  /** What is built now. */
  built: boolean;
}

/** Every build that works, as tables list them. */
export function rowsOf({ found, wanted, edge, built }: FinishedSearch, weights: Weights): BuildRow[] {
  const best = bestOf(found.candidates);
  const key = built && buildKey(built);
  const work = activitiesOf(wanted);
  return found.candidates.map((one): BuildRow => {
    const { id, cost, waits, figures, years, usable, steady, misses, build } = one;
    return {
      id,
      words: buildWords(build),
      port: portWords(one, wanted),
      cost,
      waits,
      figures,
      score: Math.round(scoreOf(one, best, weights) * 1000) / 10,
      misses: misses.length,
      missed: missedNames(one, work),
      years,
      usable,
      perTB: cost === null || !usable ? null : cost / (usable / 1e12),
      steady,
      edge: edge.has(id),
      built: id === key,
    };
  });
}
