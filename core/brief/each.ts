import { parseFact, type Fact } from '../evidence';
import { times } from './sentence';

/** So many files of so much each: both, and what they come to. */
export interface CountEach {
  files: Fact;
  bytes: Fact;
}

/** Between them a word or a sign that says so, or behind both: `15,000, 180 GB` may be what all of them come to. */
const EACH = [
  /^(.+?)(?:,?\s+(?:of|at|à)\s+|\s*[×x]\s*)(\d.*?[a-z])(?:\s+(?:each|apiece))?$/i,
  /^(.+?),?\s+(\d[\d.,]*\s*[a-z]+)\s+(?:each|apiece)$/i,
];
const entered = (value: Fact['value']): Fact => ({ value, source: { kind: 'entered' } });

/** `15,000 of 12 MB`, `15000, 12 MB each`, `15000 × 12 MB`: null where it says no size of each. */
export function countEach(text: string): CountEach | null {
  const [, count = '', size = ''] = EACH.map((words) => words.exec(text.trim())).find(Boolean) ?? [];
  const [files, each] = [parseFact(count, 'count'), parseFact(size, 'bytes')];
  if (!files.ok || !each.ok || files.value === null || each.value === null) return null;
  return { files: entered(files.value), bytes: times(entered(each.value), entered(files.value)) };
}
