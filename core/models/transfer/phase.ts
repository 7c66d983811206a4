import { warmAt } from '../thermal/warm';
import type { Limit, Stretch } from './state';

/** A part of a transfer that one thing decides. */
export interface Phase {
  name: string;
  /** What decides the rate the progress bar shows here. */
  limit: Limit;
  from: { bytes: number; time: number };
  to: { bytes: number; time: number };
  /** B/s over the phase as the bar shows it, files' cost included; 0 while only memory is being written out. */
  rate: number;
}

const LIMIT_WORDS: Record<Limit, string> = {
  links: 'held by the links',
  other: 'held by the other end',
  'other rest': 'other end past its cache',
  cache: 'in the cache',
  rest: 'past the cache',
  drive: 'held by the drive',
  heat: 'held back by heat',
  memory: 'into the host’s memory',
  pace: 'at the program’s pace',
  share: 'shared with other work',
};
const FLUSH = 'memory written out';

/** Stretches of one flow joined to phases, in order; times count from the flow's start. A disk's zones are one phase, and so are the steps of a throttle. */
export function phasesOf(stretches: readonly Stretch[], bytes: number): Phase[] {
  const found: Phase[] = [];
  const began = stretches[0]?.from ?? 0;
  for (const s of stretches) {
    const flushing = s.bar === 0;
    const filling = !flushing && s.bar > s.rate * (1 + 1e-9);
    const limit: Limit = flushing || filling ? 'memory' : s.limit;
    const name = flushing ? FLUSH : LIMIT_WORDS[limit];
    const last = found.at(-1);
    const time = s.from - began + s.seconds;
    const to = { bytes: Math.min(bytes, s.given + s.bar * s.seconds), time };
    if (last && last.name === name) last.to = to;
    else if (s.seconds > 0) found.push({ name, limit, from: last?.to ?? { bytes: 0, time: 0 }, to, rate: 0 });
  }
  for (const p of found)
    p.rate = p.to.time > p.from.time ? (p.to.bytes - p.from.bytes) / (p.to.time - p.from.time) : 0;
  return found;
}

/** What the bar shows, and how warm the drive is, when so many bytes have been taken from the source. */
export function momentAt(
  stretches: readonly Stretch[],
  bytes: number,
): { rate: number; warm: number | null } {
  const s =
    stretches.find((x) => bytes < x.given + x.bar * x.seconds) ?? stretches.findLast((x) => x.bar > 0);
  if (!s) return { rate: 0, warm: null };
  return {
    rate: s.bar,
    warm:
      s.warm &&
      warmAt(s.warm.from, s.warm.to, s.warm.tau, Math.min(s.seconds, Math.max(0, bytes - s.given) / s.bar)),
  };
}
