import { recordersFor } from '../evidence';
import { barePathFor, beyondModels, collect, drawNames, type Case } from '../forecast';
import { isMove, type Sample } from '../job';
import { run } from '../models';
import { eachDraw, SEED, Z90, Z95, type Spread } from '../stats';
import { EVERY, isTimed, logsUnder, type Evidence } from './evidence';
import { causeAnew, causeOn } from './forms';
import type { Hypothesis } from './hypothesis';
import { lookedAt, seenUnder } from './look';
import type { Scored } from './score';

/** What a cause says of one measurement. */
export interface CauseSays {
  /** s, or °C of how hot it got: 5, 50 and 95 %; null of what was only seen. */
  figure: Spread | null;
  seen: string | null;
  /** Whether what was measured lies within it. */
  fits: boolean;
}

/** A cause held against each measurement, for people to see. */
export interface Against {
  id: string;
  by: CauseSays[];
  /** How far it would have come when, of the measurement that lies furthest off; empty where nothing flows. */
  course: Sample[];
}

/** What was measured, and what the likeliest causes say of it. */
export interface Shown {
  evidence: { title: string; figure: Spread | null; unit: 's' | '°C'; seen: string | null }[];
  /** The measurement that lies furthest off: how far it had come when. */
  course: Sample[];
  causes: Against[];
}

/** Points of a course that are enough to draw it. */
const POINTS = 60;

/** 5, 50 and 95 % of logarithms of s, each as likely as all that was measured makes it. */
function spreadOf(logs: Float64Array, weights: Float64Array): Spread {
  const sorted = Array.from(logs, (log, i) => [log, weights[i]!] as const).sort(([a], [b]) => a - b);
  const at = (share: number) => {
    let passed = 0;
    const found = sorted.find(([, weight]) => (passed += weight) >= share * (1 - 1e-9));
    return Math.exp((found ?? sorted.at(-1)!)[0]);
  };
  return { low: at(0.05), expected: at(0.5), high: at(0.95) };
}

/** The same, and by how much timing it once may be off: few draws that carry all the weight are no certainty. */
function timedOnce({ low, expected, high }: Spread, sigma: number): Spread {
  const wide = (end: number) => Math.exp(Math.hypot(Math.log(end / expected), Z90 * sigma));
  return { low: expected / wide(low), expected, high: expected * wide(high) };
}

function saidOf(cause: Hypothesis | null, weights: Float64Array, one: Evidence): CauseSays {
  const { of, look, toBar, time, seen } = one;
  if (time === null) {
    const label = seenUnder(look, cause, of) ?? '';
    return { figure: null, seen: label, fits: label === seen };
  }
  const logs = logsUnder(causeOn(cause, one), of, { look, toBar });
  if (!logs) return { figure: null, seen: null, fits: false };
  const figure = spreadOf(logs, weights);
  const [low, high] = [Math.log(figure.low) - 2 * time.sigma, Math.log(figure.high) + 2 * time.sigma];
  return { figure: timedOnce(figure, time.sigma), seen: null, fits: time.log >= low && time.log <= high };
}

/** Whether all that a cause says fits. */
const isExplained = (said: readonly CauseSays[]): boolean => said.every(({ fits }) => fits);

/**
 * What a cause says of all, and by which weights of its draws: those of what was measured where it explains that; else each draw as likely, for what is
 * far from all of its draws weighs only the furthest of them.
 */
function allSaidOf({ cause, weights }: Scored, evidence: readonly Evidence[]) {
  const by = (each: Float64Array) => ({ by: evidence.map((one) => saidOf(cause, each, one)), weights: each });
  const weighted = by(weights);
  if (isExplained(weighted.by)) return weighted;
  const plain = by(new Float64Array(weights.length).fill(1 / weights.length));
  return isExplained(plain.by) ? weighted : plain;
}

/** How far a case has come when. @param draw which of its draws */
export function courseOf(of: Case, draw: number): Sample[] {
  const path = barePathFor(of);
  if (path.blocked.length > 0) return [];
  const inputs = collect(recordersFor(of.shopRanges).bare, of, { path });
  if (!inputs) return [];
  const course: Sample[] = [{ t: 0, bytes: 0 }];
  eachDraw(
    inputs,
    SEED,
    ({ x, chosen }, i) => {
      if (i !== draw * EVERY) return;
      const { stretches } = run(inputs.plan(x, chosen), { record: true }).flows[inputs.own - 1]!;
      const by = beyondModels(SEED, inputs.beyond)[i]!;
      let [t, bytes] = [0, 0];
      for (const { seconds, rate } of stretches) {
        t += by * seconds;
        bytes += seconds * rate;
        course.push({ t, bytes });
      }
    },
    { every: EVERY, named: drawNames(of) },
  );
  const every = Math.ceil(course.length / POINTS);
  return course.filter((_, i) => i % every === 0 || i === course.length - 1);
}

/** The draw in the middle of what a cause would give, by what was measured. */
function middleOf(cause: Hypothesis | null, weights: Float64Array, { of, toBar }: Evidence): number {
  const logs = logsUnder(causeAnew(cause), of, { look: undefined, toBar });
  if (!logs) return 0;
  const order = Array.from(logs, (log, i) => [log, i] as const).sort(([a], [b]) => a - b);
  let passed = 0;
  return (order.find(([, i]) => (passed += weights[i]!) >= 0.5) ?? order.at(-1)!)[1];
}

/** What the likeliest causes say of each measurement. @param causes the ones to show */
export function shownOf(evidence: readonly Evidence[], causes: readonly Scored[]): Shown {
  const timed = evidence.filter(isTimed);
  const [worst] = [...timed].sort((a, b) => b.off - a.off);
  const bytes = isMove(worst?.of.activity) ? worst.of.activity.bytes.value : null;
  const whole = worst?.time && typeof bytes === 'number' ? { t: Math.exp(worst.time.log), bytes } : null;
  return {
    evidence: evidence.map(({ title, of, time, seen }) => ({
      title,
      unit: of.asksHottest ? '°C' : 's',
      figure: time && {
        low: Math.exp(time.log - Z95 * time.sigma),
        expected: Math.exp(time.log),
        high: Math.exp(time.log + Z95 * time.sigma),
      },
      seen,
    })),
    course: !worst ? [] : worst.samples.length > 2 ? [...worst.samples] : whole ? [whole] : [],
    causes: causes.map((scored) => {
      const { cause } = scored;
      const { by, weights } = allSaidOf(scored, evidence);
      const course = worst
        ? courseOf(lookedAt(undefined, causeAnew(cause), worst.of), middleOf(cause, weights, worst))
        : [];
      return { id: scored.id, by, course };
    }),
  };
}
