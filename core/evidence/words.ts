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
