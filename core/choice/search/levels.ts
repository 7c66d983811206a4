import { layoutWords, survives } from '../../assembly';
import { arrayOf, layoutOf, type ArrayForecast } from '../../forecast';
import { format, formatProbability, moneyWords } from '../../units';
import type { Candidate } from './candidate';
import { demandOf, mayBeAdvised } from './demands';
import { situationsOf } from './placed';
import type { FinishedSearch } from './searched';

/*
 * The same drives in the same enclosure, put together otherwise.
 */

/** So many stand side by side with the one that is looked at. */
const MOST = 3;

/** What has to be the same for a level to be the only difference but the number of drives. */
const boxOf = ({ build: { drive, bridge, port, cable, hops } }: Candidate): string =>
  JSON.stringify([drive.id, bridge?.id, port, cable?.id, hops?.map(({ hub }) => hub.id)]);

const levelOf = ({ build: { array } }: Candidate): string =>
  array ? `${array.mode} ${array.by}` : 'each by itself';

/**
 * The other levels that the same enclosure takes of the same drives on the same port, what survives most first. Of each level the one with as many
 * drives, else with the most.
 */
export function levelsBeside(one: Candidate, candidates: readonly Candidate[]): Candidate[] {
  if ((one.build.bridge?.bays ?? 1) < 2) return [];
  const [box, own, drives] = [boxOf(one), levelOf(one), one.build.together ?? 1];
  const best = new Map<string, Candidate>();
  const count = ({ build: { together = 1 } }: Candidate) => (together === drives ? Infinity : together);
  for (const other of candidates) {
    const level = levelOf(other);
    if (!other.build.array || level === own || boxOf(other) !== box) continue;
    const known = best.get(level);
    if (!known || count(other) > count(known)) best.set(level, other);
  }
  const lost = ({ build }: Candidate) => survives(layoutOf(build)!);
  return [...best.values()]
    .sort((a, b) => lost(b) - lost(a) || (b.usable ?? 0) - (a.usable ?? 0))
    .slice(0, MOST);
}

/** A level's name, and who makes it. */
export const levelWords = ({ build }: Pick<Candidate, 'build'>): string => {
  const layout = layoutOf(build);
  if (!layout) return (build.together ?? 1) > 1 ? 'each by itself' : 'one drive';
  return `${layoutWords(layout)}, ${build.array!.by === 'system' ? 'made by the system' : 'made by the enclosure'}`;
};

const rebuiltWords = ({ rebuild, rebuildFails, survives: spare }: ArrayForecast): string =>
  rebuild === null
    ? 'one failed drive loses all'
    : `${spare === 1 ? 'one drive may' : `${spare} drives may`} fail, a rebuild takes at least ` +
      `${format(rebuild.expected, 's')} and fails with ${formatProbability(rebuildFails!.expected)} probability`;

/** A level in a sentence: what it holds, survives and costs, and why it is not advised where it is not. */
export function levelSentence(of: FinishedSearch, one: Candidate): string {
  const array = arrayOf(situationsOf(of, one)[0]!);
  const never = mayBeAdvised(one)
    ? ''
    : ` Never advised here: ${one.misses.flatMap(({ activity }) => demandOf(activity)?.name ?? []).join(', ')}.`;
  return (
    `${levelWords(one)}: ${one.usable === null ? '' : `${format(one.usable, 'B')} usable, `}` +
    `${array ? rebuiltWords(array) : 'none takes another’s place'}, ${moneyWords(one.cost, of.wanted.currency)}.${never}`
  );
}
