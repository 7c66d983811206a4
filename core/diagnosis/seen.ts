import type { Job } from '../job';
import type { Evidence } from './evidence';
import { LOOKS } from './looks';

/** What somebody looked at and saw, as evidence of the measurement it was looked at for. */
export function seenOf(
  { looks = [], found = [] }: Pick<Job, 'looks' | 'found'>,
  measured: readonly Evidence[],
): Evidence[] {
  const [worst] = measured;
  // What was seen before something was put right tells of what was.
  const since = found.at(-1)?.at ?? '';
  return looks
    .filter(({ at }) => at > since)
    .flatMap(({ look: id, seen }): Evidence[] => {
      const look = LOOKS.find((l) => l.id === id);
      const from = look?.ofRates ? measured.find(({ isRate }) => isRate) : worst;
      if (!look?.sees || !from?.time || !look.applies(from.of)) return [];
      return [{ ...from, title: look.title, look, time: null, seen, off: 0 }];
    });
}
