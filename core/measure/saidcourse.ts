import type { Sample } from '../job';
import { format, parseQuantity } from '../units';

/** How a copy ran, as somebody said it; or what is wrong with that. */
export type SaidCourse =
  { ok: true; samples: Sample[]; seconds: number; understood: string } | { ok: false; problem: string };

const EXAMPLE = 'Write for example 90 GB at 880 MB/s, then 215 MB/s.';
const wrong = (problem: string): SaidCourse => ({ ok: false, problem });

/** A figure read off is good to so much: what is said and what it took may differ by this share [memory]. */
const NEAR = 0.2;
/** As many stretches are understood. */
const MOST = 12;

/**
 * The course of a copy as people say it: stretches of a size at a rate, the last one without a size.
 * @param whole B that were moved
 * @param seconds s that it took; null where only the course is known, which then tells it
 * @example saidCourse('first 90 GB at 900, then 300', 150e9, null) // 100 s, then 200 s
 */
export function saidCourse(text: string, whole: number, seconds: number | null): SaidCourse {
  const stretches = text
    .split(/[;\n]|,\s+|\bthen\b|\bafter(?:wards| that)\b/i)
    .map((s) => s.replace(/^\s*(?:and\s+)?(?:the\s+)?(?:first|next|rest|last)\b/i, '').trim())
    .filter(Boolean);
  if (stretches.length < 2) return wrong(`One rate is no course. ${EXAMPLE}`);
  if (stretches.length > MOST)
    return wrong(`At most ${MOST} stretches. More is a trace: read it in as a table.`);
  const samples: Sample[] = [{ t: 0, bytes: 0 }];
  for (const [i, stretch] of stretches.entries()) {
    const [first, second] = stretch.split(/\s(?:at|with|@)\s/i) as [string, string | undefined];
    const isLast = i === stretches.length - 1;
    const at = samples.at(-1)!;
    const size = second === undefined ? null : parseQuantity(first, 'bytes', 'GB');
    if (size && !size.ok) return wrong(`“${first.trim()}”: ${size.problem}`);
    if (!size && !isLast) return wrong(`“${stretch}”: say how much was moved at that rate. ${EXAMPLE}`);
    const rate = parseQuantity((second ?? first).replace(/^at\s+/i, ''), 'rate', 'MB/s');
    if (!rate.ok) return wrong(`“${stretch}”: ${rate.problem}`);
    if (!(rate.value > 0)) return wrong(`“${stretch}”: a rate above 0 is needed.`);
    const bytes = size ? at.bytes + size.value : whole;
    if (bytes > whole * (1 + 1e-9))
      return wrong(
        `That is ${format(bytes, 'B')} by then, more than the ${format(whole, 'B')} that were moved.`,
      );
    if (bytes > at.bytes) samples.push({ t: at.t + (bytes - at.bytes) / rate.value, bytes });
  }
  const end = samples.at(-1)!;
  if (end.bytes < whole * (1 - 1e-9))
    return wrong(`That is ${format(end.bytes, 'B')} of ${format(whole, 'B')}: say how the rest went.`);
  if (seconds !== null && Math.abs(end.t / seconds - 1) > NEAR)
    return wrong(`So it would take ${format(end.t, 's')}, not ${format(seconds, 's')}.`);
  const took = seconds ?? end.t;
  // What it took is better known than each rate.
  const scaled = samples.map(({ t, bytes }) => ({ t: (t * took) / end.t, bytes }));
  return {
    ok: true,
    samples: scaled,
    seconds: took,
    understood: scaled
      .slice(1)
      .map(({ t, bytes }) => `${format(bytes, 'B')} after ${format(t, 's')}`)
      .join(', '),
  };
}
