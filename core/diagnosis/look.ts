import type { Case } from '../forecast';
import type { Move } from '../job';
import { singles, type Hypothesis, type Site } from './hypothesis';

/** Something to look at, or to time once more under other circumstances. */
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
  /** What is known of the work that is done so, whether somebody typed it or not. */
  known?: Partial<Pick<Move, 'files'>>;
  /** How it is timed where not by thumb: watched, or by a run of Kymar's own. */
  timedBy?: 'watch' | 'real';
  /** What is seen where nothing is timed, of the case as the cause has it. @param causes by id: some leave no trace in a case */
  sees?(of: Case, causes: readonly string[]): string;
  /** Whether it is looked at of a rate that was read off alone. */
  ofRates?: boolean;
  /** All that may be seen there, whatever a cause has; absent: what the likely ones show. */
  sights?(of: Case): string[];
  /** Of what is seen, what was looked at. */
  thing?: string;
}

/** Cases under causes and looks: the same one is asked about again and again. */
const known = new WeakMap<Case, Map<string, Case>>();

/** The case that is looked at or timed where a cause holds. @param look absent: as it is built */
export function lookedAt(look: Look | undefined, cause: Hypothesis | null, of: Case): Case {
  const found = known.get(of) ?? new Map<string, Case>();
  known.set(of, found);
  const key = `${causeKey(cause)}|${lookKey(look)}`;
  const here = found.get(key) ?? made(look, cause, of);
  found.set(key, here);
  return here;
}

/**
 * What is left of a cause under a look, and the look as far as it changes what is timed: what is only replaced, or changes nothing there, is as
 * without it.
 */
export function leftUnder(
  look: Look | undefined,
  cause: Hypothesis | null,
): { look: Look | undefined; cause: Hypothesis | null } {
  const all = singles(cause);
  const rest = all.filter((one) => !isGone(look, one));
  const left = rest.length === all.length ? cause : (rest[0] ?? null);
  return { look: look?.change ? look : undefined, cause: left };
}

/** What is seen at a look where a cause holds; undefined of one that is timed. */
export const seenUnder = (look: Look | undefined, cause: Hypothesis | null, of: Case): string | undefined =>
  look?.sees?.(
    lookedAt(look, cause, of),
    singles(cause).map(({ id }) => id),
  );

/** A cause by what it makes of a case. */
export const causeKey = (cause: Hypothesis | null): string => cause?.key ?? cause?.id ?? '';

/** A look by what it makes of a case: one whose run was made already changes it no more. */
export const lookKey = (look: Look | undefined): string =>
  look ? `${look.id}${look.change ? ' done differently' : ''}` : '';

function made(look: Look | undefined, cause: Hypothesis | null, of: Case): Case {
  const plain = look?.change ? look.change(of) : of;
  const left = singles(cause).filter((one) => look?.sees !== undefined || !isGone(look, one));
  return inOrder(left, plain).reduce((now, one) => (one.applies(now) ? one.change(now) : now), plain);
}

/** What changes a part comes before what scales a figure: the figure is then that of the part. */
function inOrder(causes: readonly Hypothesis[], of: Case): readonly Hypothesis[] {
  const [one, two] = causes;
  if (!one || !two) return causes;
  const scales = (c: Hypothesis) => c.applies(of) && c.change(of).overrides !== of.overrides;
  return scales(one) && !scales(two) ? [two, one] : causes;
}

/** What slips make of the s that something takes where a cause holds. @param u 0 to 1, another one for each draw */
export function slipped(look: Look | undefined, cause: Hypothesis | null, of: Case) {
  const slips = singles(cause).filter((one) => one.slip && !isGone(look, one));
  return slips.length === 0
    ? null
    : (seconds: number, u: number) => slips.reduce((s, one) => one.slip!(s, of, u), seconds);
}

/** Whether a cause ends where something is replaced or left out. */
const isGone = (look: Look | undefined, { site, id }: Hypothesis): boolean =>
  look !== undefined && (look.replaces.includes(site) || (look.ends?.includes(id) ?? false));
