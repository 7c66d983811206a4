import type { Build } from '../../assembly';
import { besideToday, caseOf, forecast } from '../../forecast';
import { isAsked } from '../../job';
import type { Candidate } from './candidate';
import { gainsOn } from './gain';
import { DEMANDS, mayBeAdvised } from './demands';
import { cheapestFirst } from './order';
import { placed } from './placed';
import { activitiesOf, type Wanted } from './wanted';

/** A candidate that was looked at with its ranges. */
export interface ChosenBuild {
  candidate: Candidate;
  /** Probability of each activity's target, place by place; null without a target. */
  probabilities: (number | null)[];
}

/** A target that costs: what would do if it were given up. */
interface Dear {
  /** An activity's id, or a demand's. */
  activity: string;
  /** Money saved. */
  saves: number;
  instead: Candidate;
}

/** The answers, each null where there is none. */
export interface ChoiceAnswers {
  /** Where a little more money than that buys much less waiting, or makes its targets much surer. */
  knee: ChosenBuild | null;
  /** The cheapest that meets every target with the probability asked for. */
  meets: ChosenBuild | null;
  /** The least money within 5 % of the shortest waits; of what meets every target where anything does. */
  frugal: ChosenBuild | null;
  /** The shortest waits within the budget. */
  within: ChosenBuild | null;
  /** Where nothing meets all: the one that misses fewest and least. */
  nearest: ChosenBuild | null;
  /** Of the first answer: the target whose giving up saves most; null where none saves anything. */
  dear: Dear | null;
}

/** What is a little money more: this share of the price, or so much; and how much less waiting it must buy. */
const LITTLE = { share: 0.05, money: 10 };
const MUCH = 0.25;
/** Where no target says how long is too long: dearer by this share at most, for at most this share of the waiting. */
const UNASKED = { dearer: 0.5, waits: 0.25 };
/** A target that may be missed so often leaves room to be surer, by so many times. */
const DOUBTFUL = 0.04;
const SURER = 4;
/** Waits within this share of the best count as the best. */
const CLOSE = 0.05;
/** Finalists whose ranges are drawn in the search for one answer. */
const TRIES = 60;

/** A candidate's build at the places it works. @param at which of them */
const buildAt = ({ build, elsewhere }: Candidate, at: number): Build =>
  at === 0 ? build : { ...build, ...elsewhere[at - 1] };

/** Draws the ranges of candidates, each kind of build once. */
export class Finalists {
  private readonly known = new Map<string, (number | null)[]>();

  constructor(private readonly wanted: Wanted) {}

  /** What candidates with the same probabilities have in common. */
  keyOf({ build: { drive, together = 1, array }, figures }: Candidate): string {
    return [drive.id, together, array?.mode, array?.by, figures.join()].join(' ');
  }

  /** Probabilities of a candidate's targets, with its ranges. */
  probabilities(one: Candidate): (number | null)[] {
    const key = this.keyOf(one);
    const had = this.known.get(key);
    if (had) return had;
    const made = this.wanted.places.flatMap((open, at) => {
      const situation = placed(this.wanted, open, buildAt(one, at));
      return open.activities.map((activity) =>
        isAsked(activity) ? forecast(caseOf(situation, activity.id)).probability : null,
      );
    });
    this.known.set(key, made);
    return made;
  }

  /** What each activity comes to beside what it takes today; null where nobody said what that is. */
  besideToday(one: Candidate): (string | null)[] {
    return this.wanted.places.flatMap((open, at) => {
      const situation = placed(this.wanted, open, buildAt(one, at));
      return open.activities.map((activity) =>
        activity.today === undefined
          ? null
          : besideToday(activity, forecast(caseOf(situation, activity.id)).figure),
      );
    });
  }

  chosen(candidate: Candidate): ChosenBuild {
    return { candidate, probabilities: this.probabilities(candidate) };
  }

  /** Whether every target is met as probably as is asked. @param except an activity that does not count */
  isSure(one: Candidate, except?: string): boolean {
    const work = activitiesOf(this.wanted);
    return this.probabilities(one).every(
      (p, i) => p === null || work[i]!.id === except || p >= this.wanted.probability,
    );
  }

  /** Of all targets of a candidate the least probable; 1 where none is asked. */
  least(one: Candidate): number {
    return Math.min(1, ...this.probabilities(one).filter((p) => p !== null));
  }

  /** The first of some that is sure, of as many as are looked at closely. */
  first(list: readonly Candidate[], except?: string): Candidate | null {
    let tries = 0;
    for (const one of list) {
      if (one.misses.some(({ activity }) => activity !== except)) continue;
      const before = this.known.size;
      if (this.isSure(one, except)) return one;
      tries += this.known.size - before;
      if (tries > TRIES) return null;
    }
    return null;
  }
}

/** What comes nearest: fewest targets missed, then least by factors together, then cheapest. */
const nearestFirst = (a: Candidate, b: Candidate): number => {
  const by = (one: Candidate) => one.misses.reduce((sum, m) => sum + Math.log(m.by), 0);
  return a.misses.length - b.misses.length || by(a) - by(b) || cheapestFirst(a, b);
};

/** Probabilities that differ by less are the same to whoever promises. */
const ALIKE = 0.01;

/**
 * Where nothing is sure: the one that misses fewest targets and least. Where some miss none at the expected figure, the one of them whose
 * least probable target is the most probable, looked for among the quickest and the cheapest.
 */
function nearestOf(candidates: readonly Candidate[], finalists: Finalists): Candidate | null {
  const sorted = [...candidates].sort(nearestFirst);
  const [first] = sorted;
  if (!first || first.misses.length > 0) return first ?? null;
  const good = sorted.filter((c) => c.misses.length === 0);
  const quick = [...good].sort((a, b) => a.waits - b.waits || cheapestFirst(a, b));
  const tried = new Set([...quick.slice(0, TRIES / 2), ...good.slice(0, TRIES / 2)]);
  const least = (one: Candidate) => finalists.least(one);
  const most = Math.max(...[...tried].map(least));
  return [...tried].filter((one) => least(one) >= most - ALIKE).sort(cheapestFirst)[0]!;
}

/** The least, of however many: what is spread into a call has a limit. */
const leastOf = (list: readonly Candidate[], of: (one: Candidate) => number): number =>
  list.reduce((least, one) => Math.min(least, of(one)), Infinity);

/** So much may be paid beside the cheapest: what keeps the budget is not left for what does not. */
const within = (most: number, cheapest: number, { budget }: Wanted): number =>
  budget !== null && cheapest <= budget ? Math.min(most, budget) : most;

/** Where nobody said how long is too long: the cheapest of what takes a fraction of the time for not half as much money again; null where there is none. */
function unaskedKnee(
  meets: Candidate & { cost: number },
  pool: readonly Candidate[],
  wanted: Wanted,
): Candidate | null {
  if (activitiesOf(wanted).some(isAsked)) return null;
  const most = within(meets.cost * (1 + UNASKED.dearer), meets.cost, wanted);
  return (
    pool.find(
      (one) =>
        one.cost !== null &&
        one.cost <= most &&
        one.waits <= meets.waits * UNASKED.waits &&
        gainsOn(one, meets, wanted).some(({ isFelt, seconds }) => isFelt && seconds > 0),
    ) ?? null
  );
}

/**
 * What is much better than the cheapest for a little more money: it takes much less time, the quickest of it; else, in the same time, it makes the
 * least sure target much surer. Where no target is set, also what takes a fraction of the time.
 */
function kneeOf(
  meets: Candidate,
  pool: readonly Candidate[],
  finalists: Finalists,
  wanted: Wanted,
): Candidate | null {
  const { cost: cheapest } = meets;
  if (cheapest === null) return null;
  const most = within(cheapest + Math.max(LITTLE.money, cheapest * LITTLE.share), cheapest, wanted);
  const near = pool.filter(({ cost }) => cost !== null && cost <= most);
  const quicker = near
    .filter(({ waits }) => waits < meets.waits && waits <= meets.waits * (1 - MUCH))
    .sort((a, b) => a.waits - b.waits || cheapestFirst(a, b));
  const first = finalists.first(quicker);
  if (first) return first;
  const quick = unaskedKnee({ ...meets, cost: cheapest }, pool, wanted);
  if (quick) return quick;
  const risk = 1 - finalists.least(meets);
  if (risk < DOUBTFUL) return null;
  return (
    near
      .filter((one) => one !== meets && one.waits <= meets.waits * (1 + CLOSE))
      .slice(0, TRIES)
      .find((one) => 1 - finalists.least(one) <= risk / SURER) ?? null
  );
}

/** The answers to what is wanted, out of all that works. */
export function answers(all: readonly Candidate[], finalists: Finalists, wanted: Wanted): ChoiceAnswers {
  const candidates = all.filter(mayBeAdvised);
  const sorted = [...candidates].sort(cheapestFirst);
  const meets = finalists.first(sorted);
  const pool = meets ? sorted.filter((c) => c.misses.length === 0) : sorted;
  const knee = meets && kneeOf(meets, pool, finalists, wanted);
  const quickest = leastOf(pool, (c) => c.waits);
  const close = pool.filter((c) => c.waits <= quickest * (1 + CLOSE));
  const frugal = (meets && finalists.first(close)) ?? close[0] ?? null;
  const affordable =
    wanted.budget === null ? [] : sorted.filter((c) => c.cost !== null && c.cost <= wanted.budget!);
  const fewest = leastOf(affordable, (c) => c.misses.length);
  const best = affordable
    .filter((c) => c.misses.length === fewest)
    .reduce<Candidate | null>((had, c) => (had === null || c.waits < had.waits ? c : had), null);
  const nearest = meets ? null : nearestOf(candidates, finalists);
  const chosen = (one: Candidate | null) => one && finalists.chosen(one);
  return {
    knee: chosen(knee),
    meets: chosen(meets),
    frugal: chosen(frugal),
    within: chosen(best),
    nearest: chosen(nearest),
    dear: dearest(sorted, finalists, wanted, meets ?? nearest),
  };
}

/** The target whose giving up saves most money against the answer; null where none does. */
function dearest(
  sorted: readonly Candidate[],
  finalists: Finalists,
  wanted: Wanted,
  answer: Candidate | null,
): Dear | null {
  if (answer === null || answer.cost === null) return null;
  const targets = [
    ...activitiesOf(wanted)
      .filter(isAsked)
      .map(({ id }) => id),
    ...DEMANDS.filter(({ isNever }) => !isNever).map(({ id }) => id),
  ];
  const found = targets.flatMap((id): Dear[] => {
    const instead = finalists.first(sorted, id);
    if (!instead || instead.cost === null || instead.cost >= answer.cost!) return [];
    return [{ activity: id, saves: Math.round((answer.cost! - instead.cost) * 100) / 100, instead }];
  });
  return found.sort((a, b) => b.saves - a.saves)[0] ?? null;
}
