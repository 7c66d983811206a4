import { expose } from 'comlink';
import { debrief, rigOf, roundOf, type Named, type Round, type PracticeStep } from '@kymar/core/practice';

let last: { key: string; round: Round } | null = null;

/** A round made once: its cases are asked about again and again. */
function roundAt(level: number, seed: number): Round {
  const key = `${level} ${seed}`;
  if (last?.key !== key) last = { key, round: roundOf(level, seed) };
  return last.round;
}

/** Rounds of practice: what is hidden stays here until it was named. */
const practice = {
  rig: (level: number, seed: number, steps: readonly PracticeStep[]) => rigOf(roundAt(level, seed), steps),
  debrief: (level: number, seed: number, steps: readonly PracticeStep[], named: Named) =>
    debrief(roundAt(level, seed), steps, named),
};
export type Practising = typeof practice;
expose(practice);
