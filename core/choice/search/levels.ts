import { layoutWords, survives } from '../../assembly';
import { arrayOf, layoutOf, rebuildWords, survivalWords } from '../../forecast';
import { andList, format, moneyWords } from '../../units';
import type { Candidate } from './candidate';
import { demandOf } from './demands';
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
  const { array, together = 1 } = build;
  const layout = layoutOf(build);
  if (!layout) return together > 1 ? 'each by itself' : 'one drive';
  const maker = array!.by === 'system' ? 'system' : 'enclosure';
  return `${layoutWords(layout)}, made by the ${maker}`;
};

/** A level in a sentence: what it holds, survives and costs, and why it is never advised where it is not. */
export function levelSentence(of: FinishedSearch, one: Candidate): string {
  const array = arrayOf(situationsOf(of, one)[0]!);
  const nevers = one.misses.flatMap(({ activity }) => {
    const demand = demandOf(activity);
    return demand?.isNever ? [demand.name] : [];
  });
  const told = [
    one.usable === null ? null : `${format(one.usable, 'B')} usable`,
    survivalWords(array ?? { survives: 0 }),
    array && rebuildWords(array),
    moneyWords(one.cost, of.wanted.currency),
  ].filter((words) => words !== null);
  const never = nevers.length === 0 ? '' : ` Never advised here: ${andList(nevers)}.`;
  return `${levelWords(one)}: ${told.join(', ')}.${never}`;
}
