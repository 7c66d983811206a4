import { COARSE, EVERY, isTimed, logsUnder, type Evidence } from './evidence';

import { causeAnew } from './forms';
import { LOOKS } from './looks';
import { seenUnder, type Look } from './look';
import { NONE, type Scored } from './score';
import { FAR, sightOdd, timeOdd } from './unknown';

/** What would be seen, or how long it would take, where a cause holds. */
export interface TestOutcome {
  id: string;
  /** s: 5, 50 and 95 %; null of a look. */
  seconds: { low: number; expected: number; high: number } | null;
  seen: string | null;
  /** How probable the cause would be once just that is seen, or that long is taken. */
  then: number;
}

/** A look or a test, and what it is worth. */
export interface NextTest {
  id: string;
  title: string;
  minutes: number;
  /** It was looked at before: somebody may have looked wrong. */
  again: boolean;
  /** Bits by which it is expected to narrow down the cause. */
  bits: number;
  outcomes: TestOutcome[];
  /** What may be seen there, each once; empty of a timed test. */
  sights: string[];
}

/** Causes less probable than this, or beyond so many, are left aside: a test is chosen by what is likely. */
const LEAST = 0.005;
const MOST = 12;
/** Draws of a cause that a test's outcomes are made of, and one sigma of timing it once. */
const FEW = 40;
const NOISE = 0.07;
const FURTHEST = 4.5 * NOISE;
/** min to set up any timed run [practice]. */
const SET_UP = 1;
/** So often the same may be looked at; bits that a second look must tell: who just looked looks again only where it decides. */
const [TWICE, AGAIN] = [2, 0.25];
/** Bits: less is not worth a look, and so much at least is wanted of each minute. */
const [WORTH, A_MINUTE] = [0.02, 0.1 / 60];

const entropy = (p: readonly number[]): number =>
  p.reduce((sum, q) => (q > 0 ? sum - q * Math.log2(q) : sum), 0);
const normalised = (p: readonly number[]): number[] => {
  const total = p.reduce((a, b) => a + b, 0);
  return p.map((q) => q / total);
};

/** So many draws that stand for all, each as likely, by how probable what was measured makes them. */
function resampled(logs: Float64Array, weights: Float64Array): Float64Array {
  const out = new Float64Array(FEW);
  const own = logs.map((_, i) => weights[i * COARSE]! + 1e-12);
  const total = own.reduce((a, b) => a + b, 0);
  let [i, passed] = [0, own[0]!];
  for (let k = 0; k < FEW; k++) {
    const at = ((k + 0.5) / FEW) * total;
    while (passed < at && i < logs.length - 1) passed += own[++i]!;
    out[k] = logs[i]!;
  }
  return out;
}

/** How probable a logarithm of s is among sorted draws, each as likely: what lies further than {@link FURTHEST} from it adds nothing. */
function density(at: number, sorted: Float64Array): number {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const half = (from + to) >> 1;
    if (sorted[half]! < at - FURTHEST) from = half + 1;
    else to = half;
  }
  let sum = 1e-300;
  for (let i = from; i < sorted.length && sorted[i]! <= at + FURTHEST; i++)
    sum += Math.exp(-(((at - sorted[i]!) / NOISE) ** 2) / 2);
  return sum / (sorted.length * NOISE * Math.sqrt(2 * Math.PI));
}

/** {@link density} by straight lines between points this far apart, each worked out when it is first asked for. */
const STEP = NOISE / 3;
function densityOf(sorted: Float64Array): (at: number) => number {
  const points = new Map<number, number>();
  const point = (k: number) => {
    const had = points.get(k);
    if (had !== undefined) return had;
    const found = density(k * STEP, sorted);
    points.set(k, found);
    return found;
  };
  return (at) => {
    const k = Math.floor(at / STEP);
    const share = at / STEP - k;
    return (1 - share) * point(k) + share * point(k + 1);
  };
}

/** What is to be told apart: causes, each with its probability, and how probable it is that it is none of them. */
interface Open {
  scored: readonly Scored[];
  /** Of the causes in their order, then that it is none of them; their sum is 1. */
  p: number[];
}

/** What a look is worth from the case of one measurement; null where it tells nothing there. */
function worthOf(look: Look, open: Open, { of, toBar }: Evidence): Omit<NextTest, 'again'> | null {
  if (!look.applies(of)) return null;
  const told = look.sees ? sightsOf(look, open, of) : timesOf(look, open, { of, toBar });
  if (!told) return null;
  const { minutes, after, outcomes } = told;
  const shown = outcomes.flatMap(({ seen }) => seen ?? []);
  const sights = look.sees ? [...new Set([...shown, ...(look.sights?.(of) ?? [])])] : [];
  return { id: look.id, title: look.title, minutes, bits: entropy(open.p) - after, outcomes, sights };
}

/** @returns `after`: bits that are left to be told on average */
function sightsOf(look: Look, { scored, p }: Open, of: Evidence['of']) {
  const seen = scored.map((s) => seenUnder(look, s.cause, of)!);
  const usual = seenUnder(look, null, of)!;
  const labels = [...new Set([usual, ...seen])];
  const odd = normalised(labels.map((label) => sightOdd(label === usual)));
  const shares = labels.map((label, k) =>
    p.map((q, i) => (i === scored.length ? q * odd[k]! : seen[i] === label ? q : 0)),
  );
  const after = shares.reduce((sum, share) => {
    const total = share.reduce((a, b) => a + b, 0);
    return total > 0 ? sum + total * entropy(normalised(share)) : sum;
  }, 0);
  const outcomes = scored.map((s, i): TestOutcome => {
    const share = shares[labels.indexOf(seen[i]!)]!;
    return { id: s.id, seconds: null, seen: seen[i]!, then: normalised(share)[i]! };
  });
  return { minutes: look.extra ?? 1, after, outcomes };
}

/** @returns null where one of the causes leaves no path then */
function timesOf(look: Look, { scored, p }: Open, { of, toBar }: Pick<Evidence, 'of' | 'toBar'>) {
  const drawn = (s: Pick<Scored, 'cause' | 'weights'> | null) => {
    const logs = logsUnder(causeAnew(s?.cause ?? null), of, { look, toBar, every: EVERY * COARSE });
    return logs && resampled(logs, s?.weights ?? new Float64Array(logs.length * COARSE).fill(1)).sort();
  };
  const logs = scored.map(drawn);
  const healthy = drawn(null);
  if (healthy === null || logs.some((l) => l === null)) return null;
  const known = logs as Float64Array[];
  const middle = sortedAt(healthy, 0.5);
  // Half of what is none of them is as where all is well, half lies anywhere.
  const odd = healthy.map((log, i) =>
    i % 2 === 0 ? log : middle + FAR.low + ((i + 0.5) / FEW) * (FAR.high - FAR.low),
  );
  const densities = known.map(densityOf);
  const ofHealthy = densityOf(healthy);
  let after = 0;
  const once = (at: number) => {
    const each = [...densities.map((of) => of(at)), timeOdd(ofHealthy(at), at - middle)];
    return normalised(each.map((d, k) => p[k]! * d));
  };
  [...known, odd].forEach((own, i) => {
    for (const at of own) after += (p[i]! / FEW) * entropy(once(at));
  });
  const seconds = known.reduce((sum, l, i) => sum + p[i]! * Math.exp(sortedAt(l, 0.5)), 0) / (1 - p.at(-1)!);
  const outcomes = scored.map((s, i): TestOutcome => ({
    id: s.id,
    seconds: {
      low: Math.exp(sortedAt(known[i]!, 0.05)),
      expected: Math.exp(sortedAt(known[i]!, 0.5)),
      high: Math.exp(sortedAt(known[i]!, 0.95)),
    },
    seen: null,
    then: once(sortedAt(known[i]!, 0.5))[i]!,
  }));
  return { minutes: SET_UP + (look.extra ?? 0) + seconds / 60, after, outcomes };
}

const sortedAt = (sorted: Float64Array, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;

/**
 * What to look at or time next: by how much a minute of it is expected to narrow down the cause, the most first.
 * @param looks those that are possible now
 */
export function nextTests(
  evidence: readonly Evidence[],
  scored: readonly Scored[],
  looks: readonly Look[] = LOOKS,
): NextTest[] {
  const likely = scored.filter((s) => s.id !== NONE && s.probability >= LEAST).slice(0, MOST);
  const none = scored.find(({ id }) => id === NONE)?.probability ?? 0;
  if (likely.length === 0) return [];
  const open = { scored: likely, p: normalised([...likely.map((s) => s.probability), none]) };
  // From what lies furthest off its forecast as it is built: there the causes differ most.
  const built = evidence.filter(isTimed);
  const [worst] = [...built].sort((a, b) => b.off - a.off);
  if (!worst) return [];
  const doneOf = ({ id }: Look) => evidence.filter(({ look }) => look?.id === id).length;
  return looks
    .filter((look) => doneOf(look) < (look.sees ? TWICE : 1))
    .flatMap((look) => {
      const from = look.ofRates ? built.find(({ isRate }) => isRate) : worst;
      return (from && worthOf(look, open, from)) ?? [];
    })
    .map((next) => ({ ...next, again: evidence.some(({ look }) => look?.id === next.id) }))
    .filter(({ bits, minutes, again }) => bits >= Math.max(again ? AGAIN : WORTH, A_MINUTE * minutes))
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes || a.minutes - b.minutes);
}
