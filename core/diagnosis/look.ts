import type { Case } from '../forecast';
import { singles, type Hypothesis, type Site } from './hypothesis';

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
  change?: ((of: Case) => Case) | undefined;
  /** What is seen where nothing is timed, of the case as the cause has it. */
  sees?(of: Case): string;
}

/** The case that is looked at or timed where a cause holds. @param look absent: as it is built */
export function lookedAt(look: Look | undefined, cause: Hypothesis | null, of: Case): Case {
  const plain = look?.change ? look.change(of) : of;
  return singles(cause)
    .filter((one) => look?.sees !== undefined || !isGone(look, one))
    .reduce((now, one) => (one.applies(now) ? one.change(now) : now), plain);
}

/** Whether a cause ends where something is replaced or left out. */
const isGone = (look: Look | undefined, { site, id }: Hypothesis): boolean =>
  look !== undefined && (look.replaces.includes(site) || (look.ends?.includes(id) ?? false));
