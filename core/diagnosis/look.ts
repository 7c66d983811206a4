import type { Case } from '../forecast';
import type { Hypothesis, Site } from './hypothesis';

/** Something to look at, or to time once more under other circumstances. One file each. */
export interface Look {
  id: string;
  title: string;
  /** What is replaced or left out: a cause there is gone. */
  replaces: readonly Site[];
  /** Causes that it ends though nothing is replaced, by id. */
  ends?: readonly string[];
  /** min beside what the timed run itself takes; of a look, all it takes [practice]. */
  extra?: number;
  applies(of: Case): boolean;
  /** What is timed; absent: the same again. */
  change?(of: Case): Case;
  /** What is seen where nothing is timed, of the case as the cause has it. */
  sees?(of: Case): string;
}

/** The case as it is where a cause holds; itself where the cause does not touch it. */
const under = (cause: Hypothesis | null, of: Case): Case => (cause?.applies(of) ? cause.change(of) : of);

/** The case that is looked at or timed where a cause holds. @param look absent: as it is built */
export function lookedAt(look: Look | undefined, cause: Hypothesis | null, of: Case): Case {
  if (!look) return under(cause, of);
  const plain = look.change ? look.change(of) : of;
  const isGone = cause !== null && (look.replaces.includes(cause.site) || look.ends?.includes(cause.id));
  return isGone && !look.sees ? plain : under(cause, plain);
}
