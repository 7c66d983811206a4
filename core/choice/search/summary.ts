import { answers, type ChoiceAnswers, type Finalists } from './answer';
import type { Candidate } from './candidate';
import { nothingToGain } from './gain';
import type { Found } from './search';
import { activitiesOf, neededBy, type Wanted } from './wanted';
import { countReasons, type CountedReason } from './why';
import { moneyWords } from '../../units';
import {
  budgetWords,
  buildWords,
  dearWords,
  ownBaysWords,
  portWords,
  reasonFor,
  refusedWords,
} from './words';

/** One answer in words. */
export interface SaidAnswer {
  kind: 'knee' | 'meets' | 'nearest' | 'frugal' | 'within';
  /** Of the build among all. */
  id: string;
  words: string;
  port: string;
  cost: number | null;
  /** What it comes to, place by place: what sets two answers apart is told from these. */
  figures: Candidate['figures'];
  money: string;
  /** Two plain sentences. */
  reason: string;
  /** Of each activity's target, place by place; null without one. */
  probabilities: readonly (number | null)[];
}

/** A search as it is told: the answers first, then what they were chosen out of. */
export interface Summary {
  answers: SaidAnswer[];
  /** That nothing is to be gained by buying; null where something is. */
  nothing: string | null;
  /** What giving up the dear target would save; null where nothing would be saved. */
  dear: string | null;
  /** That all that works breaks something that is never given up; null where something may be advised. */
  refused: string | null;
  /** That the budget buys nothing that works, or nothing that meets every target; null where it does, or none is set. */
  overBudget: string | null;
  /** That drives in the machine's own bays, put together by its system, are not among the builds; null where that is no matter. */
  ownBays: string | null;
  looked: number;
  combinations: number;
  /** Drives left out of a very large library. */
  left: number;
  works: number;
  /** How many miss no target at the expected figure. */
  meets: number;
  /** B that the device must have room for. */
  needed: number;
  reasons: CountedReason[];
}

const KINDS = ['knee', 'meets', 'nearest', 'frugal', 'within'] as const;

/** What a search comes to, in words: the same on the page and on the command line. */
export function summaryOf(found: Found, finalists: Finalists, wanted: Wanted): Summary {
  const { candidates, fallen, looked, combinations, left } = found;
  const got = answers(candidates, finalists, wanted);
  return {
    answers: KINDS.flatMap((kind) => (got[kind] ? [said(kind, got, wanted)] : [])),
    nothing: nothingToGain((got.knee ?? got.meets ?? got.nearest)?.candidate ?? null, candidates, wanted),
    dear: dearWords(got, wanted),
    refused: refusedWords(candidates),
    overBudget: budgetWords(candidates, wanted, got.meets?.candidate.cost ?? null),
    ownBays: ownBaysWords(wanted),
    looked,
    combinations,
    left,
    works: candidates.length,
    meets: candidates.filter((c) => c.misses.length === 0).length,
    needed: neededBy(wanted),
    reasons: countReasons(fallen, candidates, activitiesOf(wanted)),
  };
}

function said(kind: SaidAnswer['kind'], got: ChoiceAnswers, wanted: Wanted): SaidAnswer {
  const { candidate, probabilities } = got[kind]!;
  const { id, build, cost, figures } = candidate;
  return {
    kind,
    id,
    words: buildWords(build),
    port: portWords(candidate, wanted),
    cost,
    figures,
    money: moneyWords(cost, wanted.currency),
    reason: reasonFor(kind, got, wanted),
    probabilities,
  };
}
