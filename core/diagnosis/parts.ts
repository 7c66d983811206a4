import { exactFact, type Fact } from '../evidence';
import type { Case } from '../forecast';
import { isMove, type Move, type Run, type Sample } from '../job';
import { tracePhasesOf } from '../measure';
import { format } from '../units';
import { MODEL_SIGMA } from '../verdict';

/** So few moments were noted by hand, each for what changed there; more are a trace, which is cut into phases. */
const BY_HAND = 11;
/** As many parts of one copy are held against causes: those at which its rate changes most. */
const MOST = 2;
/** A rate that changes by less than this factor is the same. */
const ALIKE = 1.15;
/** How well a clock is read at a moment in the middle of a copy, s and as a share of the time [memory]. */
const [GLANCE, SHARE] = [0.5, 0.01];

/** The beginning of a copy, as evidence. */
interface Part {
  title: string;
  of: Case;
  toBar: boolean | null;
  isPart: true;
  time: { log: number; sigma: number };
  seen: null;
  off: 0;
  samples: readonly [];
}

/** B and s at which a copy went on at another rate, and by what factor. */
interface Knee extends Sample {
  by: number;
}

/** Between three moments: how much the rate changes at the one in the middle. */
function kneeAt(before: Sample, at: Sample, after: Sample): Knee {
  const rate = (a: Sample, b: Sample) => (b.bytes - a.bytes) / Math.max(1e-9, b.t - a.t);
  const by = Math.abs(Math.log(Math.max(1, rate(at, after)) / Math.max(1, rate(before, at))));
  return { ...at, by };
}

/** Where the rate of a copy changed, by what was noted of it. */
function kneesOf(samples: readonly Sample[]): Knee[] {
  const [first] = samples;
  if (!first) return [];
  const start = { t: 0, bytes: 0 };
  if (samples.length > BY_HAND) {
    try {
      const t = Float64Array.from(samples, (s) => s.t);
      const { phases } = tracePhasesOf({ t, bytes: Float64Array.from(samples, (s) => s.bytes) });
      return phases
        .slice(1)
        .map(({ fromBytes, from, rate }, i) => ({
          t: from + first.t,
          bytes: fromBytes + first.bytes,
          by: Math.abs(Math.log(rate / phases[i]!.rate)),
        }));
    } catch {
      // Nothing moved between its readings.
      return [];
    }
  }
  const all = first.bytes > 0 ? [start, ...samples] : [...samples];
  return all.slice(1, -1).map((at, i) => kneeAt(all[i]!, at, all[i + 2]!));
}

/** The same copy, of its first bytes alone. */
function firstOf(of: Case, move: Move, bytes: number, whole: number): Case {
  const files: Fact =
    typeof move.files.value === 'number'
      ? exactFact(Math.max(1, Math.round((move.files.value * bytes) / whole)))
      : move.files;
  const { verify: _, ...rest } = move;
  const activity: Move = { ...rest, bytes: exactFact(bytes), files };
  return { ...of, activity, activities: of.activities.map((a) => (a.id === move.id ? activity : a)) };
}

/**
 * The first parts of a copy up to where its rate changed, each timed like a copy of so much: a cache that ends early and a drive that slows
 * down late may take as long for all of it, and differ here.
 * @param run the one whose course is known
 */
export function beginningsOf(
  title: string,
  of: Case,
  toBar: boolean | null,
  { samples, measure }: Run,
): Part[] {
  const { activity } = of;
  if (measure.kind !== 'timed' || !measure.bytes || !isMove(activity)) return [];
  const { bytes: whole, seconds } = measure;
  return kneesOf(samples)
    .filter(({ t, bytes, by }) => by > Math.log(ALIKE) && t > 0 && t < seconds && bytes > 0 && bytes < whole)
    .sort((a, b) => b.by - a.by)
    .slice(0, MOST)
    .sort((a, b) => a.bytes - b.bytes)
    .map(({ t, bytes }): Part => ({
      title: `${title}, the first ${format(bytes, 'B')}`,
      of: firstOf(of, activity, bytes, whole),
      toBar,
      isPart: true,
      time: { log: Math.log(t), sigma: Math.hypot(GLANCE / t, SHARE, MODEL_SIGMA) },
      seen: null,
      off: 0,
      samples: [],
    }));
}
