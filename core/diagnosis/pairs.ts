import { SAMPLES } from '../stats';
import { COARSE, EVERY, logsUnder, type Evidence } from './evidence';
import { areAlike, bell, fitOfDraws, MISREAD } from './fit';
import type { Hypothesis } from './hypothesis';
import { causeKey, seenUnder } from './look';

/** A title inside a sentence. */
const inside = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);

/**
 * Two causes at once, each as often as by itself and independent of the other.
 * @param all sum of all priors, what is healthy among them
 */
export function pairOf(one: Hypothesis, two: Hypothesis, all: number): Hypothesis {
  const [a, b] = one.id < two.id ? [one, two] : [two, one];
  return {
    id: `${a.id} and ${b.id}`,
    key: `${causeKey(a)} and ${causeKey(b)}`,
    site: a.site,
    prior: (a.prior * b.prior) / all,
    title: `Two at once: ${inside(a.title)}, and ${inside(b.title)}`,
    fix: `${a.fix} ${b.fix}`,
    applies: (of) => a.applies(of) || b.applies(of),
    comesAndGoes: (a.comesAndGoes ?? false) || (b.comesAndGoes ?? false),
    buildsUp: (a.buildsUp ?? false) || (b.buildsUp ?? false),
    change: (of) => [a, b].reduce((now, c) => (c.applies(now) ? c.change(now) : now), of),
    both: [a, b],
  };
}

/** A port, a cable, what was entered: two faults of one are one fault, and go together. */
const isOneThing = ({ site }: Hypothesis): boolean => ['port', 'cable', 'figures'].includes(site);

/** As many as fit best by themselves are tried beside each that hides. */
const LEADING = 3;
/** As many pairs as fit best by what each of the two does are worked out in full. */
const TRIED = 24;

/** What a cause does to each measurement: the logarithm by which it moves a time in each draw, or what is seen. */
type Effect = (Float64Array | string | undefined)[];

function effectOf(evidence: readonly Evidence[], cause: Hypothesis): Effect | null {
  const effect = evidence.map(({ of, toBar, look, time }) => {
    if (time === null) return seenUnder(look, cause, of);
    const [with_, without] = [cause, null].map((c) =>
      logsUnder(c, of, { look, toBar, every: EVERY * COARSE }),
    );
    return with_ && without ? with_.map((log, i) => log - without[i]!) : null;
  });
  return effect.includes(null) ? null : (effect as Effect);
}

/**
 * How well two causes at once may fit at best: together they take between the longer of both and what each adds. What is seen may be
 * what either shows.
 */
function mayFit(evidence: readonly Evidence[], one: Effect, two: Effect): number {
  const each = new Float64Array(SAMPLES / EVERY / COARSE);
  evidence.forEach(({ of, toBar, look, time, seen }, k) => {
    const [a, b] = [one[k], two[k]];
    if (time === null) {
      const isTold = seen === a || seen === b;
      each.forEach((_, i) => (each[i]! += Math.log(isTold ? 1 - MISREAD : MISREAD)));
      return;
    }
    const plain = logsUnder(null, of, { look, toBar, every: EVERY * COARSE })!;
    for (let i = 0; i < each.length; i++) {
      const [x, y] = [(a as Float64Array)[i]!, (b as Float64Array)[i]!];
      const isOneWay = x * y > 0;
      // Of two that slow it down, no less than the slower alone; of two that speed it up, likewise.
      const low = isOneWay && x > 0 ? Math.max(x, y) : Math.min(x, y, x + y);
      const high = isOneWay && x < 0 ? Math.min(x, y) : Math.max(x, y, x + y);
      const off = time.log - plain[i]!;
      const miss = off < low ? low - off : off > high ? off - high : 0;
      each[i]! += bell(miss, time.sigma);
    }
  });
  return fitOfDraws(each).fit;
}

/**
 * Pairs that may tell what was measured better than a single cause does, each of the two showing beside the other.
 * @param causes what applies, each with its prior, what fits best first
 * @param least the prior times the probability, as a logarithm, below which a pair is of no account
 */
export function likelyPairs(
  evidence: readonly Evidence[],
  causes: readonly Hypothesis[],
  { all, least }: { all: number; least: number },
): Hypothesis[] {
  const known = causes.flatMap((cause) => {
    const effect = effectOf(evidence, cause);
    return effect ? [{ cause, effect, isSeen: !areAlike(evidence, cause, null) }] : [];
  });
  const seen = known.filter(({ isSeen }) => isSeen);
  const hidden = known.filter(({ isSeen }) => !isSeen);
  const isTwo = (one: Hypothesis, two: Hypothesis) => one.site !== two.site || !isOneThing(one);
  const found = seen.flatMap(({ cause, effect }, i) =>
    seen.slice(i + 1).flatMap((other) => {
      if (!isTwo(cause, other.cause)) return [];
      const pair = pairOf(cause, other.cause, all);
      const worth = mayFit(evidence, effect, other.effect) + Math.log(pair.prior);
      return worth > least ? [{ pair, worth }] : [];
    }),
  );
  // What hides behind something else by itself may decide beside a second one. No fit is better than to the letter.
  const letter = evidence.reduce((sum, { time }) => sum + (time ? bell(0, time.sigma) : 0), 0);
  const beside = seen.slice(0, LEADING).flatMap(({ cause }) =>
    hidden
      .filter((h) => isTwo(cause, h.cause))
      .map((h) => pairOf(cause, h.cause, all))
      .filter(({ prior }) => letter + Math.log(prior) > least),
  );
  return [
    ...found
      .sort((a, b) => b.worth - a.worth)
      .slice(0, TRIED)
      .map(({ pair }) => pair),
    ...beside,
  ].filter((pair) => pair.both!.every((one) => !areAlike(evidence, pair, one)));
}
