import { gaussian, noise, oneOf, type Chosen, type Uncertain } from '../stats';
import { run as runFlows, type Flow } from '../models';
import { Probe, type ProbeBudget, type ProbeResult } from './probe/probe';
import { RigDrive } from './probe/rigdrive';
import { type Sample } from '../job';

/** What a simulated run gives: the same a real one would. */
export interface RigRun {
  seconds: number;
  samples: Sample[];
}

const GRAIN = 400;
/** Wobble of a rate from moment to moment, one sigma as a share, and how much of it stays from one moment to the next [memory]. */
const WOBBLE = 0.05;
const STAYS = 0.9;

/**
 * A simulated rig: the core's own transfer model with one true unit drawn from the uncertain inputs by the seed (so that the same seed
 * is the same drive) and noise on each run. It obeys the model: cache, rest rate, links and files' cost are all there.
 * @param uncertain what the forecast knows of each number
 * @param seed which unit
 * @param run which repeat: other noise, same unit
 */
export function simulate(
  uncertain: Uncertain<string> & { plan(x: Record<string, number>, chosen: Chosen): Flow[] },
  seed: number,
  run: number,
): RigRun {
  const { x, chosen } = oneOf<string>(uncertain, noise(seed));
  // What a person sees is the progress bar: it stands still while memory is written out.
  const { stretches } = runFlows(uncertain.plan(x, chosen), { record: true }).flows[0]!;
  const random = noise(seed * 7919 + run * 104729 + 1);
  const normal = gaussian(random);
  // One pace for the whole run: system, mood of the flash translation, everything that differs from run to run.
  const pace = 1 + 0.01 * normal();
  const start = 0.05 + 0.1 * random();
  const samples: Sample[] = [{ t: 0, bytes: 0 }];
  let [time, wobble] = [start, 0];
  const total = x.bytes!;
  for (const stretch of stretches) {
    const bytes = stretch.bar * stretch.seconds;
    if (bytes <= 0) {
      time += stretch.seconds / pace;
      continue;
    }
    const pieces = Math.max(1, Math.round((GRAIN * bytes) / total));
    for (let i = 1; i <= pieces; i++) {
      wobble = STAYS * wobble + Math.sqrt(1 - STAYS ** 2) * WOBBLE * normal();
      time += bytes / pieces / (stretch.bar * pace * Math.max(0.5, 1 + wobble));
      samples.push({ t: time, bytes: Math.min(total, stretch.given + (i * bytes) / pieces) });
    }
  }
  return { seconds: time, samples };
}

/** B that a probe on a rig writes at once, and how unsteady a rig runs then [memory]. */
const BIN = 256 * 2 ** 20;
const UNSTEADY = { sigma: 0.03, stays: 0.6 };

/**
 * The probe on a rig: the same one that works on a real drive, at a unit drawn as {@link simulate} draws it.
 * @param uncertain a long write
 */
export function probeRig(
  uncertain: Uncertain<string> & { plan(x: Record<string, number>, chosen: Chosen): Flow[] },
  seed: number,
  budget: ProbeBudget,
): ProbeResult {
  const { x, chosen } = oneOf<string>(uncertain, noise(seed));
  const { stretches } = runFlows(uncertain.plan(x, chosen), { record: true }).flows[0]!;
  const drive = new RigDrive(stretches, { ...UNSTEADY, recovers: x.refill ?? 0 }, seed);
  const probe = new Probe(budget, BIN);
  for (let step = probe.next(); step.do !== 'end'; step = probe.next()) {
    if (step.do === 'write') probe.took(step.bytes, drive.write(step.bytes));
    else {
      drive.rest(step.seconds);
      probe.took(0, step.seconds);
    }
  }
  return probe.result();
}
