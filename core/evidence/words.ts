import { format, type Unit } from '../units';
import type { Fact } from './figure';
import type { Source } from './source';

const WORDS: Record<Source['kind'], string> = {
  entered: 'entered',
  sheet: 'stated',
  device: 'read from the device',
  measured: 'measured',
  standard: 'published standard',
  practice: 'common practice, no source',
  memory: 'from memory, not looked up',
  unknown: 'not known: the range of what is on the market',
};

export function sourceWords(source: Source): string {
  return source.note ? `${WORDS[source.kind]}: ${source.note}` : WORDS[source.kind];
}

/** A fact as a sentence says it: "1 TB", "40 s (30 s to 1 min)", "not known". */
export function factWords({ value }: Fact, unit: Unit): string {
  if (value === null) return 'not known';
  if (!Array.isArray(value)) return format(value, unit);
  const [low, expected, high] = value.map((v) => format(v, unit));
  return low === high ? expected! : `${expected!} (${low!} to ${high!})`;
}

/** Digits that a figure is told with. */
const TOLD = 3;

/**
 * A fact with no more digits than it is told with: what is taken over is what was read.
 * @example asTold({ value: [9.8765, 12.3456, 15.4321], source: { kind: 'measured' } }).value // [9.88, 12.3, 15.4]
 */
export function asTold(fact: Fact): Fact {
  const { value } = fact;
  const round = (v: number) => Number(v.toPrecision(TOLD));
  if (value === null) return fact;
  return {
    ...fact,
    value: Array.isArray(value) ? (value.map(round) as [number, number, number]) : round(value),
  };
}
