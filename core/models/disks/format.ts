import { cumulative, type Spread } from '../../stats';
import { given, worked, type Estimate } from '../../evidence';
import { LAWS, passed, timeShare, wholeDisk, type Law } from './zone';

/** How far it had come after so long: what a formatting program shows, usually a rounded percentage. */
export interface Checkpoint {
  /** Share of the disk, 0 to 1. */
  share: number;
  /** s since the start. */
  elapsed: number;
  /** Half a step of the share as it is shown; 0.005 for whole per cent. */
  grain?: number;
  /** Whether it was read at the moment the display turned to it: then it lies at the beginning of its step. */
  turned?: boolean | undefined;
}

/** Half of how far a pass gets while somebody reads a display that turns, of its step. */
const TURNING = 0.02;

const { exp, log, max, min, sqrt } = Math;

/** k of disks [practice]: 0.45 to 0.55, as likely all over. */
const K = { low: 0.45, middle: 0.5, high: 0.55, steps: 13 };
/** How unsteady a pass runs: its speed strays by such a share, for about a tenth of the disk at a time [practice: about 1 %]. */
const UNSTEADY = [0.003, 0.008, 0.015];
const STRAYS_FOR = 0.1;
/** What a display makes of a share: the nearest step, or the step it has reached; of so many in ten each [memory]. */
const DISPLAYS = { rounded: 7, 'cut off': 3 } as const;
type Display = keyof typeof DISPLAYS;
const TIMES = 201;

interface Fit {
  /** s from the start to the end. */
  total: Spread;
  /** Probability of each law. */
  laws: Record<Law, number>;
  k: Spread;
}

/** Log of the probability that a normal number falls between two; falling on beyond them. */
function within(from: number, to: number, sigma: number): number {
  const share = cumulative(to / sigma) - cumulative(from / sigma);
  if (share > 1e-12) return log(share);
  const beyond = max(from, -to) / sigma;
  return -(beyond * beyond) / 2;
}

/**
 * Log likelihood of checkpoints of a pass that by its law has come so far at each. Between two of them it strays from its law and is back on it
 * at the end: what it has strayed at one tells of the next.
 */
function likelihood(
  checkpoints: readonly Checkpoint[],
  by: Float64Array,
  unsteady: number,
  display: Display,
): number {
  let sum = 0;
  let before = 0;
  let strayed = 0;
  for (let i = 0; i < by.length; i++) {
    const { share, grain = 0.005, turned } = checkpoints[i]!;
    const f = by[i]!;
    const left = (1 - f) / max(1e-9, 1 - before);
    const variance = 2 * STRAYS_FOR * max(0, f - before) * max(0, left);
    const from = display === 'rounded' ? share - grain : share;
    const to = from + 2 * grain * (turned ? TURNING : 1);
    const about = f + strayed * left;
    sum += within(from - about, to - about, unsteady * sqrt(variance) + 1e-5);
    // Between what was shown nobody sees how far it strayed: the nearest that goes with it.
    strayed = min(to, max(from, about)) - f;
    before = f;
  }
  return sum;
}

/** Weighs every law, k and total time by how well they give the checkpoints, over all that is not known of display and steadiness. */
function fit(all: readonly Checkpoint[]): Fit {
  const checkpoints = [...all].sort((a, b) => a.elapsed - b.elapsed);
  const last = checkpoints.at(-1)!;
  const grain = last.grain ?? 0.005;
  const candidates = LAWS.flatMap((law) =>
    [K.low, K.middle, K.high].flatMap((k) =>
      [-1, 2].map(
        (steps) =>
          (last.elapsed * timeShare(law, k, 1)) /
          timeShare(law, k, min(1, max(1e-4, last.share + steps * grain))),
      ),
    ),
  );
  const [from, to] = [max(last.elapsed, min(...candidates) * 0.94), max(...candidates) * 1.06];
  const totals = Array.from({ length: TIMES }, (_, j) => from + ((to - from) * j) / (TIMES - 1));
  const ks = Array.from({ length: K.steps }, (_, i) => K.low + ((K.high - K.low) * i) / (K.steps - 1));
  const by = new Float64Array(checkpoints.length);
  const scores: { l: number; i: number; j: number; value: number }[] = [];
  // Against the best of all, so that checkpoints no disk could give still leave the nearest one.
  let best = -Infinity;
  LAWS.forEach((law, l) =>
    ks.forEach((k, i) =>
      totals.forEach((total, j) => {
        checkpoints.forEach(({ elapsed }, c) => (by[c] = passed(law, k, min(1, elapsed / total))));
        for (const unsteady of UNSTEADY)
          for (const display of Object.keys(DISPLAYS) as Display[]) {
            const value = likelihood(checkpoints, by, unsteady, display) + log(DISPLAYS[display]);
            best = max(best, value);
            scores.push({ l, i, j, value });
          }
      }),
    ),
  );
  const byTotal = new Float64Array(TIMES);
  const byK = new Float64Array(K.steps);
  const byLaw: Record<Law, number> = { linear: 0, 'constant density': 0 };
  for (const { l, i, j, value } of scores) {
    if (value < best - 30) continue;
    const weight = exp(value - best);
    byTotal[j]! += weight;
    byK[i]! += weight;
    byLaw[LAWS[l]!] += weight;
  }
  const sum = byLaw.linear + byLaw['constant density'];
  return {
    total: points(totals, byTotal),
    k: points(ks, byK),
    laws: { linear: byLaw.linear / sum, 'constant density': byLaw['constant density'] / sum },
  };
}

/** The 5, 50 and 95 % points of weighed values in rising order, straight lines between them. */
function points(values: readonly number[], weights: Float64Array): Spread {
  const sum = weights.reduce((a, b) => a + b, 0);
  const at = (p: number) => {
    let before = 0;
    const i = weights.findIndex((w) => (before += w) >= p * sum);
    if (i < 0) return values[values.length - 1]!;
    const step = (i === 0 ? values[1]! : values[i]!) - (i === 0 ? values[0]! : values[i - 1]!);
    const into = weights[i]! > 0 ? (p * sum - (before - weights[i]!)) / weights[i]! : 0.5;
    return Math.max(values[0]!, values[i]! + step * (into - 0.5));
  };
  return { low: at(0.05), expected: at(0.5), high: at(0.95) };
}

export interface FormatEnd extends Omit<Fit, 'total'> {
  /** s from the start to the end. */
  total: Estimate;
  /** What a straight line through the last checkpoint says, s. */
  straight: number;
}

/**
 * When a full format (or any pass over a whole disk) ends, from how far it has come.
 * @throws RangeError without a checkpoint, or for one that cannot be
 */
export function formatEnd(checkpoints: readonly Checkpoint[]): FormatEnd {
  const wrong = checkpoints.find((c) => !(c.share > 0 && c.share <= 1 && c.elapsed > 0));
  if (checkpoints.length === 0)
    throw new RangeError('A checkpoint is needed: how many per cent after how long.');
  if (wrong) throw new RangeError('A checkpoint lies above 0 and up to 100 %, at a time after the start.');
  const { total, laws, k } = fit(checkpoints);
  const last = checkpoints.reduce((a, b) => (b.elapsed > a.elapsed ? b : a));
  const seen = { kind: 'entered' } as const;
  const inputs = checkpoints.flatMap((c, i) => [
    given(`share at checkpoint ${i + 1}`, c.share, '%', seen),
    given(`time at checkpoint ${i + 1}`, c.elapsed, 's', seen),
  ]);
  const words = worked('time of the whole format', total, 's', {
    how: 'sampled',
    formula:
      'time at the checkpoint × τ(1) ÷ τ(share), over both laws of falling rate and inner tracks at 0.45 to 0.55 of the outer ones',
    note:
      'Linear law: τ(f) = ln(1 ÷ (1 − (1 − k)f)) ÷ (1 − k). Constant density: τ(f) = 2(1 ' +
      '− √(1 − (1 − k²)f)) ÷ (1 − k²). All combinations on a grid, weighed by how well ' +
      'they give the checkpoints as a display rounds them or cuts them off, a pass straying from its law by about 1 %; k is 0.45 to 0.55 by common practice, ' +
      `no source. Linear is ${Math.round(laws.linear * 100)} % likely.`,
    inputs,
  });
  return { total: words, laws, k, straight: last.elapsed / last.share };
}

/** When it would end by the drive's own figures, before it has begun: outer tracks' rate and capacity. */
export function formatFromSheet(capacity: Estimate, outer: Estimate): Estimate {
  const at = (k: number) => LAWS.map((law) => timeShare(law, k, 1));
  const share: Spread = {
    low: Math.min(...at(0.55)),
    expected: (timeShare('linear', 0.5, 1) + timeShare('constant density', 0.5, 1)) / 2,
    high: Math.max(...at(0.45)),
  };
  return wholeDisk.explain(
    {
      capacity,
      outer,
      share: given('mean of 1 ÷ share of the outer rate', share, 'ratio', {
        kind: 'practice',
        note: 'inner tracks at 0.45 to 0.55 of the outer ones, both laws',
      }),
    },
    { name: 'time of the whole format' },
  );
}
