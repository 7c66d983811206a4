import { middle } from '../../evidence';
import type { Role } from '../../job';
import type { Candidate } from './candidate';

/** What a ranking goes by. */
export const CRITERIA = ['cost', 'time', 'steady', 'life', 'warranty', 'space', 'later'] as const;
export type Criterion = (typeof CRITERIA)[number];
export type Weights = Readonly<Record<Criterion, number>>;

/** Weights by what a device is for [common practice]; visible, and changed by whoever ranks. */
export const PRESETS: Readonly<Record<Role | 'any', Weights>> = {
  any: { cost: 4, time: 4, steady: 1, life: 1, warranty: 1, space: 0, later: 0 },
  system: { cost: 3, time: 3, steady: 1, life: 3, warranty: 2, space: 0, later: 0 },
  projects: { cost: 3, time: 5, steady: 2, life: 1, warranty: 1, space: 1, later: 0 },
  scratch: { cost: 2, time: 5, steady: 4, life: 4, warranty: 1, space: 0, later: 0 },
  library: { cost: 5, time: 2, steady: 0, life: 0, warranty: 1, space: 3, later: 0 },
  everyday: { cost: 5, time: 3, steady: 1, life: 1, warranty: 1, space: 1, later: 0 },
  archive: { cost: 6, time: 1, steady: 0, life: 0, warranty: 2, space: 3, later: 0 },
  backup: { cost: 6, time: 2, steady: 1, life: 0, warranty: 2, space: 2, later: 0 },
  expansion: { cost: 3, time: 4, steady: 1, life: 1, warranty: 2, space: 1, later: 0 },
};

/** How much the drive's own speed counts where it moves to a faster machine later [common practice: its next life]. */
const NEXT_LIFE = 3;

/** The weights of a role; of a drive that moves on its own speed counts as well, whatever passes here. */
export const presetFor = (role: Role | 'any', movesLater = false): Weights =>
  movesLater ? { ...PRESETS[role], later: NEXT_LIFE } : PRESETS[role];

/** Best of each criterion over all candidates: what 1 is. */
export interface Best {
  cost: number;
  time: number;
  life: number;
  warranty: number;
  space: number;
  /** B/s. */
  later: number;
}

/** More years than this are all the same: nobody keeps a drive that long. */
const LONG = 12;
/** What is cheaper or quicker than this counts as this, so that nothing is infinitely good. */
const LEAST = { money: 1, seconds: 0.1 };

const lifeOf = ({ years, build }: Candidate): number =>
  build.drive.media === 'disk' ? LONG : Math.min(LONG, years ?? LONG / 2);
const costOf = ({ cost }: Candidate): number => Math.max(LEAST.money, cost ?? Infinity);
/** B/s of the drive by itself, the slower direction. */
const speedOf = ({ build: { drive } }: Candidate): number =>
  Math.min(middle(drive.read) ?? 0, middle(drive.write) ?? 0);
const timeOf = ({ waits }: Candidate): number => Math.max(LEAST.seconds, waits);

/** The best there is of each criterion. */
export function bestOf(candidates: readonly Candidate[]): Best {
  const best: Best = { cost: Infinity, time: Infinity, life: 0, warranty: 0, space: 0, later: 0 };
  for (const one of candidates) {
    best.cost = Math.min(best.cost, costOf(one));
    best.time = Math.min(best.time, timeOf(one));
    best.life = Math.max(best.life, lifeOf(one));
    best.warranty = Math.max(best.warranty, one.warranty ?? 0);
    best.space = Math.max(best.space, one.usable ?? 0);
    best.later = Math.max(best.later, speedOf(one));
  }
  return best;
}

/** Each criterion of a candidate against the best, 0 to 1. */
function partsOfScore(one: Candidate, best: Best): Weights {
  const of = (value: number, most: number) => (most > 0 ? value / most : 1);
  return {
    cost: best.cost === Infinity ? 1 : best.cost / costOf(one),
    time: best.time / timeOf(one),
    steady: one.steady,
    life: of(lifeOf(one), best.life),
    warranty: of(one.warranty ?? 0, best.warranty),
    space: of(one.usable ?? 0, best.space),
    later: of(speedOf(one), best.later),
  };
}

/** Weighted mean of the criteria, 0 to 1. A target that is missed halves it. */
export function scoreOf(one: Candidate, best: Best, weights: Weights): number {
  const parts = partsOfScore(one, best);
  const sum = CRITERIA.reduce((total, id) => total + weights[id], 0);
  const score = CRITERIA.reduce((total, id) => total + weights[id] * parts[id], 0) / (sum || 1);
  return score / 2 ** one.misses.length;
}

const byCost = (a: Candidate, b: Candidate): number =>
  a.cost === b.cost ? 0 : a.cost === null ? 1 : b.cost === null ? -1 : a.cost - b.cost;

/** The cheapest first, then the quickest, then by id: what has no price comes last. */
export const cheapestFirst = (a: Candidate, b: Candidate): number =>
  byCost(a, b) || a.waits - b.waits || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Candidates that no other beats in both cost and time, the cheapest first. What has no price is none of them. */
export function nonDominated(candidates: readonly Candidate[]): Candidate[] {
  const edge: Candidate[] = [];
  let quickest = Infinity;
  for (const one of candidates.filter((c) => c.cost !== null).sort(cheapestFirst))
    if (one.waits < quickest) {
      quickest = one.waits;
      edge.push(one);
    }
  return edge;
}
