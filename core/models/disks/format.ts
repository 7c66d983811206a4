import { type Spread } from '../../stats';
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
}

/** k of disks [practice]: 0.45 to 0.55; as likely all over a little more, so that a disk at the edge is not left out. */
const K = { low: 0.42, middle: 0.5, high: 0.58, steps: 33 };
/** What is unsteady in a run beside the rounding, as a share of the disk [memory]. */
const UNSTEADY = 0.0015;
const TIMES = 401;

interface Fit {
  /** s from the start to the end. */
  total: Spread;
  /** Probability of each law. */
  laws: Record<Law, number>;
  k: Spread;
}

/** Log likelihood of a share seen at a grain when the true one is f: flat within the grain, falling beyond it. */
function likelihood(f: number, { share, grain = 0.005 }: Checkpoint): number {
  const beyond = Math.max(0, Math.abs(f - share) - grain) / UNSTEADY;
  return -(beyond * beyond) / 2;
}

/** Weighs every law, k and total time by how well they give the checkpoints. */
function fit(checkpoints: readonly Checkpoint[]): Fit {
  const last = checkpoints.reduce((a, b) => (b.elapsed > a.elapsed ? b : a));
  const grain = last.grain ?? 0.005;
  const candidates = LAWS.flatMap((law) =>
    [K.low, K.middle, K.high].flatMap((k) =>
      [-1, 1].map(
        (sign) =>
          (last.elapsed * timeShare(law, k, 1)) /
          timeShare(law, k, Math.min(1, Math.max(1e-4, last.share + sign * 2 * grain))),
      ),
    ),
  );
  const [from, to] = [Math.max(last.elapsed, Math.min(...candidates) * 0.97), Math.max(...candidates) * 1.03];
  const totals = Array.from({ length: TIMES }, (_, j) => from + ((to - from) * j) / (TIMES - 1));
  const ks = Array.from({ length: K.steps }, (_, i) => K.low + ((K.high - K.low) * i) / (K.steps - 1));
  const byTotal = new Float64Array(TIMES);
  const byK = new Float64Array(K.steps);
  const byLaw: Record<Law, number> = { linear: 0, 'constant density': 0 };
  const score = (law: Law, k: number, total: number) =>
    checkpoints.reduce((sum, c) => sum + likelihood(passed(law, k, Math.min(1, c.elapsed / total)), c), 0);
  const scores = LAWS.map((law) => ks.map((k) => Float64Array.from(totals, (total) => score(law, k, total))));
  // Against the best of all, so that checkpoints no disk could give still leave the nearest one.
  const best = Math.max(...scores.flat().map((row) => row.reduce((a, b) => Math.max(a, b), -Infinity)));
  LAWS.forEach((law, l) =>
    ks.forEach((_, i) =>
      scores[l]![i]!.forEach((value, j) => {
        const weight = Math.exp(value - best);
        byTotal[j]! += weight;
        byK[i]! += weight;
        byLaw[law] += weight;
      }),
    ),
  );
  const sum = byLaw.linear + byLaw['constant density'];
  return {
    total: points(totals, byTotal),
    k: points(ks, byK),
    laws: { linear: byLaw.linear / sum, 'constant density': byLaw['constant density'] / sum },
  };
}

/** The 5, 50 and 95 % points of weighed values in rising order. */
function points(values: readonly number[], weights: Float64Array): Spread {
  const sum = weights.reduce((a, b) => a + b, 0);
  const at = (p: number) => {
    let before = 0;
    const i = weights.findIndex((w) => (before += w) >= p * sum);
    return values[i < 0 ? values.length - 1 : i]!;
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
      'time at the checkpoint × τ(1) ÷ τ(share), over both laws of falling rate and inner tracks at 0.42 to 0.58 of the outer ones',
    note:
      'Linear law: τ(f) = ln(1 ÷ (1 − (1 − k)f)) ÷ (1 − k). Constant density: τ(f) = 2(1 ' +
      '− √(1 − (1 − k²)f)) ÷ (1 − k²). All combinations on a grid, weighed by how well ' +
      'they give the checkpoints within their rounding; k is 0.45 to 0.55 by common practice, ' +
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
