import { EVERY, logsUnder, type Evidence } from './evidence';
import { LOOKS } from './looks';
import { lookedAt, type Look } from './look';
import { NONE, type Scored } from './score';

/** What would be seen, or how long it would take, where a cause holds. */
export interface Outcome {
  id: string;
  /** s: 5, 50 and 95 %; null of a look. */
  seconds: { low: number; expected: number; high: number } | null;
  seen: string | null;
}

/** A look or a test, and what it is worth. */
export interface NextTest {
  id: string;
  title: string;
  minutes: number;
  /** Bits by which it is expected to narrow down the cause. */
  bits: number;
  outcomes: Outcome[];
}

/** Causes less probable than this, or beyond so many, are left aside: a test is chosen by what is likely. */
const LEAST = 0.005;
const MOST = 12;
/** Draws of a cause that a test's outcomes are made of, and one sigma of timing it once. */
const FEW = 40;
const NOISE = 0.07;
/** Only each so many-th of the draws that causes are held against. */
const COARSE = 4;
/** min to set up any timed run [practice]. */
const SET_UP = 1;
/** Less is not worth a minute. */
const WORTH = 0.02;

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

const density = (at: number, logs: Float64Array): number => {
  let sum = 1e-300;
  for (const l of logs) sum += Math.exp(-(((at - l) / NOISE) ** 2) / 2);
  return sum;
};

/** What a look is worth among causes, from the case of one measurement; null where it tells nothing there. */
function worthOf(look: Look, scored: readonly Scored[], { of, toBar }: Evidence): NextTest | null {
  if (!look.applies(of)) return null;
  const p = normalised(scored.map((s) => s.probability));
  const before = entropy(p);
  if (look.sees) {
    const seen = scored.map((s) => look.sees!(lookedAt(look, s.cause, of)));
    const after = [...new Set(seen)].reduce((sum, label) => {
      const share = p.map((q, i) => (seen[i] === label ? q : 0));
      const total = share.reduce((a, b) => a + b, 0);
      return sum + total * entropy(normalised(share));
    }, 0);
    return {
      id: look.id,
      title: look.title,
      minutes: look.extra ?? 1,
      bits: before - after,
      outcomes: scored.map((s, i) => ({ id: s.id, seconds: null, seen: seen[i]! })),
    };
  }
  const drawn = scored.map((s) => {
    const logs = logsUnder(s.cause, of, { look, toBar, every: EVERY * COARSE });
    return logs && resampled(logs, s.weights);
  });
  if (drawn.some((d) => d === null)) return null;
  const logs = drawn as Float64Array[];
  let after = 0;
  logs.forEach((own, i) => {
    for (const at of own)
      after += (p[i]! / FEW) * entropy(normalised(logs.map((l, k) => p[k]! * density(at, l))));
  });
  const middle = logs.reduce((sum, l, i) => sum + p[i]! * Math.exp(sortedAt(l, 0.5)), 0);
  return {
    id: look.id,
    title: look.title,
    minutes: SET_UP + (look.extra ?? 0) + middle / 60,
    bits: before - after,
    outcomes: scored.map((s, i) => ({
      id: s.id,
      seconds: {
        low: Math.exp(sortedAt(logs[i]!, 0.05)),
        expected: Math.exp(sortedAt(logs[i]!, 0.5)),
        high: Math.exp(sortedAt(logs[i]!, 0.95)),
      },
      seen: null,
    })),
  };
}

const sortedAt = (logs: Float64Array, share: number): number =>
  Float64Array.from(logs).sort()[Math.min(logs.length - 1, Math.floor(share * logs.length))]!;

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
  if (likely.length < 2) return [];
  // From what lies furthest off its forecast as it is built: there the causes differ most.
  const built = evidence.filter(({ look, seen }) => !look && seen === null);
  const [worst] = [...built].sort((a, b) => b.off - a.off);
  if (!worst) return [];
  const done = new Set(evidence.flatMap(({ look }) => look?.id ?? []));
  return looks
    .filter(({ id }) => !done.has(id))
    .flatMap((look) => worthOf(look, likely, worst) ?? [])
    .filter(({ bits }) => bits >= WORTH)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes || a.minutes - b.minutes);
}
