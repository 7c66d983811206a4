import { MODEL_SIGMA } from '../verdict';
import {
  CAUSES,
  groupsOf,
  HEALTHY,
  logsUnder,
  LOOKS,
  nextTests,
  NONE,
  score,
  type Evidence,
  type Scored,
} from '../diagnosis';
import { begun, hiddenIn, resultOf, type Result, type Round, type PracticeStep } from './round';

/** What a step told of what is hidden. */
export interface ToldBy extends Result {
  title: string;
  /** Probability of the truth before and after it. */
  before: number;
  after: number;
}

export interface Debrief {
  /** What is hidden, in words; null where all was well. */
  truth: string | null;
  fix: string | null;
  /** Whether the cause that was named is the one, or of those that nothing made so far can tell from it. */
  isRight: boolean;
  isRightFix: boolean;
  steps: ToldBy[];
  minutes: number;
  /** The way that asks most for each minute, from the beginning. */
  shortest: { title: string; minutes: number }[];
  best: number;
}

/** What was named: a cause by id (healthy among them), and a fix. */
export interface Named {
  cause: string;
  fix: string | null;
}

/** Sure enough to name it. */
const SURE = 0.9;
const MOST_STEPS = 6;
const SCATTER = 0.015;

function evidenceOf(round: Round, { activity, look: id, seconds, seen }: Result): Evidence {
  const of = round.cases[activity]!;
  const look = LOOKS.find((l) => l.id === id);
  const log = seconds === null ? null : Math.log(seconds);
  const logs = log === null ? null : logsUnder(null, of, { look, toBar: false });
  const middle = logs ? [...logs].sort((a, b) => a - b)[Math.floor(logs.length / 2)]! : 0;
  return {
    title: of.activity.name,
    of,
    toBar: false,
    look,
    time: log === null ? null : { log, sigma: Math.hypot(SCATTER, MODEL_SIGMA) },
    seen: log === null ? seen : null,
    off: log === null ? 0 : Math.abs(log - middle),
    samples: [],
  };
}

/** Ids that count as the truth: the cause itself, or what is healthy. */
function truthOf(round: Round): string {
  const hidden = hiddenIn(round);
  return hidden.length === 0 ? HEALTHY : hidden.join(' and ');
}

/** How probable what is hidden is by what is known: with what cannot be told from it. */
function probabilityOf(scored: readonly Scored[], truth: string): number {
  return groupsOf(scored).find(({ ids }) => ids.includes(truth))?.probability ?? 0;
}

const titleOf = (round: Round, { activity, look }: PracticeStep): string =>
  LOOKS.find(({ id }) => id === look)?.title ?? `Time it: ${round.cases[activity]!.activity.name}`;

/** What each step told, whether it was named rightly, and the way that would have been shortest. */
export function debrief(round: Round, done: readonly PracticeStep[], named: Named): Debrief {
  const truth = truthOf(round);
  const first = begun(round).map((step) => evidenceOf(round, resultOf(round, step)));
  const known = [...first];
  let scored = score(known);
  const start = scored;
  const steps: ToldBy[] = [];
  let minutes = 0;
  for (const step of done) {
    const result = resultOf(round, step);
    const before = probabilityOf(scored, truth);
    known.push(evidenceOf(round, result));
    scored = score(known);
    minutes += result.minutes;
    steps.push({ ...result, title: titleOf(round, step), before, after: probabilityOf(scored, truth) });
  }
  const group = groupsOf(scored).find(({ ids }) => ids.includes(truth))?.ids ?? [truth];
  const hidden = hiddenIn(round);
  const isRight = named.cause === truth || hidden.includes(named.cause) || group.includes(named.cause);
  const fixes = CAUSES.filter(({ id }) => hidden.includes(id)).map(({ fix }) => fix);
  const way = shortestFrom(round, first, start);
  return {
    truth: round.cause?.title ?? null,
    fix: round.cause?.fix ?? null,
    isRight,
    isRightFix: hidden.length === 0 ? named.fix === null : named.fix !== null && fixes.includes(named.fix),
    steps,
    minutes,
    shortest: way,
    best: way.reduce((sum, one) => sum + one.minutes, 0),
  };
}

/** The look or test that tells most for its minutes, and again, until one is sure. */
function shortestFrom(round: Round, first: readonly Evidence[], start: Scored[]): Debrief['shortest'] {
  const known = [...first];
  let scored = start;
  const way: Debrief['shortest'] = [];
  for (let i = 0; i < MOST_STEPS; i++) {
    const [top] = groupsOf(scored);
    if (top!.probability > SURE && top!.ids[0] !== NONE) break;
    const [next] = nextTests(known, scored);
    if (!next) break;
    const [worst] = [...known].filter((e) => !e.look).sort((a, b) => b.off - a.off);
    const activity = round.cases.indexOf(worst!.of);
    const result = resultOf(round, { activity, look: next.id });
    known.push(evidenceOf(round, result));
    scored = score(known);
    way.push({ title: next.title, minutes: result.minutes });
  }
  return way;
}
