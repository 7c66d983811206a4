import { nameOf } from '../../catalog/parts';
import type { Activity } from '../../job';
import { format } from '../../units';
import { RULES } from '../../fit';
import type { Candidate, Fallen, ReasonId } from './candidate';
import { WHOLLY } from './demand';
import { demandOf } from './demands';

/** A reason with how many fell out by it. */
export interface CountedReason {
  /** A reason, or a target that is missed: `target` and the activity's id. */
  reason: ReasonId | `target ${string}`;
  words: string;
  count: number;
}

/** Rules whose title is made anew for each case, in general words. */
const GENERAL: Record<string, string> = { bracket: 'The bracket does not fit the case' };

/** A reason in words. */
export function reasonWords(reason: CountedReason['reason'], work: readonly Activity[] = []): string {
  if (reason.startsWith('target ')) {
    const id = reason.slice(7);
    const demand = demandOf(id);
    if (demand) return demand.missed;
    const activity = work.find((a) => a.id === id);
    return `Misses the target of “${activity?.name ?? '?'}”`;
  }
  if (reason.startsWith('rule ')) {
    const rule = RULES.find((r) => r.id === reason.slice(5));
    return (
      GENERAL[reason.slice(5)] ??
      (typeof rule?.title === 'string' ? rule.title : reason.slice(5).replaceAll('-', ' '))
    );
  }
  return {
    'nothing takes it': 'No enclosure, card or port takes it',
    'nothing joins it': 'No cable joins the enclosure with this machine',
    'not inside': 'Not inside the machine, as an expansion has to be',
    'worn or failing': 'Its health page says not to buy it',
    'there once': 'A used drive on offer is there once',
    'full too soon': 'The work fills it before its service life is over',
    'not at every place': 'Does not work on every machine it is for',
  }[reason as 'nothing takes it'];
}

/** Why all that is not among the answers fell out, counted by first reason, the most frequent first. */
export function countReasons(
  fallen: readonly Fallen[],
  candidates: readonly Candidate[],
  work: readonly Activity[],
): CountedReason[] {
  const counts = new Map<CountedReason['reason'], number>();
  const add = (reason: CountedReason['reason']) => counts.set(reason, (counts.get(reason) ?? 0) + 1);
  for (const { reason } of fallen) add(reason);
  for (const { misses } of candidates) if (misses[0]) add(`target ${misses[0].activity}`);
  return [...counts]
    .map(([reason, count]) => ({ reason, count, words: reasonWords(reason, work) }))
    .sort((a, b) => b.count - a.count || a.words.localeCompare(b.words));
}

/** One that fell out, in words. */
export interface WhyNot {
  name: string;
  words: string;
}

/** Reasons that are the drive's alone, whatever it sits in. */
const OF_DRIVE: readonly ReasonId[] = ['worn or failing', 'full too soon', 'not inside', 'nothing takes it'];

const nameOfFallen = (
  { drive, bridge }: Pick<Fallen, 'drive' | 'bridge'>,
  reason?: ReasonId,
  together = 1,
): string =>
  [
    together > 1 ? `${together} × ${nameOf(drive)}` : nameOf(drive),
    bridge && !(reason && OF_DRIVE.includes(reason)) ? `in ${nameOf(bridge)}` : '',
  ]
    .filter(Boolean)
    .join(' ');

/** A text as it is searched: a figure and its unit are one word. */
const plain = (text: string): string =>
  ` ${text
    .toLowerCase()
    .replace(/(\d)\s+([tg]b)\b/g, '$1$2')
    .replace(/\s+/g, ' ')
    .trim()}`;

/** Whether a name holds the beginning of each word typed; "4 tb" is one word. */
export function holdsWords(name: string, text: string): boolean {
  const own = plain(name);
  return plain(text)
    .split(' ')
    .every((word) => own.includes(` ${word}`));
}

/** A miss in words: by how much. */
const missWords = ({ by }: { by: number }): string => `by ${format(by - 1, '%', 2)}`;

/** Those that fell out whose parts hold all the words, with the first reason of each; of one reason only, where it is named. */
export function whyNot(
  fallen: readonly Fallen[],
  candidates: readonly Candidate[],
  work: readonly Activity[],
  text: string,
  only: CountedReason['reason'] | null = null,
  most = 200,
): WhyNot[] {
  const found = new Map<string, WhyNot>();
  const add = (name: string, drive: Fallen['drive'], words: string) => {
    if (holdsWords(`${name} ${drive.cell ?? ''} ${drive.media}`, text))
      found.set(`${name}: ${words}`, { name, words });
  };
  for (const { drive, bridge, bays, reason } of fallen) {
    if (found.size >= most) break;
    if (only === null || reason === only)
      add(nameOfFallen({ drive, bridge }, reason, bays?.together), drive, reasonWords(reason, work));
  }
  for (const { build, misses } of candidates) {
    if (found.size >= most) break;
    const [miss] = misses;
    if (!miss || (only !== null && only !== `target ${miss.activity}`)) continue;
    const reason = reasonWords(`target ${miss.activity}`, work);
    const words = demandOf(miss.activity) && miss.by === WHOLLY ? reason : `${reason}, ${missWords(miss)}`;
    add(nameOfFallen(build, undefined, build.together), build.drive, words);
  }
  return [...found.values()];
}
