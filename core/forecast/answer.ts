import { exactly, type Spread } from '../stats';
import { worked, type Estimate, type Recorder } from '../evidence';
import type { Path } from '../assembly';
import { asAsked, inputsFor } from './kinds/shared';
import { kindOf } from './kinds/registry';
import type { Answer } from './kinds/kind';
import { isMove, mustNotStall, type Activity, type Move } from '../job';
import { format } from '../units';
import { screenPathOf, pathOf, type Case, type Overrides } from './case';
import type { InputId, Inputs, Transfer } from './inputs';

/** Transfers that go on at the same time as the activity, on the same device. */
export function besidesOf(of: Case): Transfer[] {
  const { activity, activities } = of;
  return (activity.besides ?? []).flatMap((id) => {
    const other = activities.find((a) => a.id === id);
    return (other && kindOf(other).transfer(other, of)) ?? [];
  });
}

/** Paths of cases: one is asked for several times for each answer. */
const paths = new WeakMap<Case, Path>();

/** The path an activity takes. @throws RangeError for a port or an endpoint the machine has not */
export function pathFor(of: Case): Path {
  const path = paths.get(of) ?? pathOf(of, of.activity.endpoint);
  paths.set(of, path);
  return path;
}

/** Paths of cases in numbers only. */
const barePaths = new WeakMap<Case, Path>();

/** {@link pathFor} in numbers only, for cases by the thousand. */
export function barePathFor(of: Case): Path {
  const path = paths.get(of) ?? barePaths.get(of) ?? screenPathOf(of, of.activity.endpoint);
  barePaths.set(of, path);
  return path;
}

/** A case with other figures in place of some of its own: it takes the same path. */
export function withOverrides(of: Case, overrides: Overrides): Case {
  const made = { ...of, overrides };
  const path = paths.get(of) ?? barePaths.get(of);
  if (path) barePaths.set(made, path);
  return made;
}

/** The answer to a case, in full. @throws RangeError when the path is blocked */
export const forecast = (of: Case, path: Path = pathFor(of)): Answer =>
  kindOf(of.activity).answer(of, path, besidesOf(of));

/**
 * The figure that answers a case with every input at its middle, in numbers only; null where nothing flows. Of a transfer it is the end of the
 * course that {@link forecast} explains, of anything else its expected figure, both to the last bit.
 */
export function screen(of: Case, path: Path = barePathFor(of)): number | null {
  return path.blocked.length > 0 ? null : kindOf(of.activity).screen(of, path, besidesOf(of));
}

/**
 * What the transfer of a case depends on, without running it; null where nothing flows at a stretch or the path is blocked.
 * @param withBesides what goes on at the same time is in it
 * @param path that it takes; in numbers only where nothing is to be explained
 */
export function collect<T extends Spread>(
  record: Recorder<T>,
  of: Case,
  { withBesides = true, path = pathFor(of) }: { withBesides?: boolean; path?: Path } = {},
): Inputs<T> | null {
  const transfer = kindOf(of.activity).transfer(of.activity, of);
  if (!transfer || path.blocked.length > 0) return null;
  return inputsFor(record, of, path, asAsked(transfer, of), withBesides ? besidesOf(of) : []);
}

/** The figures of a case in which something may be at fault, by input; null where the path is blocked, or nothing is timed. */
export function figuresOf<T extends Spread>(
  record: Recorder<T>,
  of: Case,
  path: Path = pathFor(of),
): Partial<Record<InputId, T>> | null {
  if (path.blocked.length > 0) return null;
  return (
    collect(record, of, { withBesides: false, path })?.inputs ??
    kindOf(of.activity).found?.(record, of, path) ??
    null
  );
}

/** The probability of an answer, with its working; null where there is none. */
export function explainProbability(
  activity: Activity,
  { figure, probability }: Pick<Answer, 'figure' | 'probability'>,
): Estimate | null {
  if (probability === null) return null;
  const { target } = activity;
  const stalls = mustNotStall(activity);
  const share = format(probability, '%');
  const met =
    stalls || target === null
      ? share
      : `P(${figure.because.name} ≤ ${format(target, figure.unit)}) = ${share}`;
  const formula = stalls
    ? 'share of the draws in which the buffer never runs out'
    : 'share of the draws that end within the target';
  const name = stalls ? 'probability that nothing stalls' : 'probability that the target is met';
  return worked(name, exactly(probability), '%', { how: 'sampled', formula, filled: met, inputs: [figure] });
}

/** Whether a case is of a move. */
export const isMoveCase = (of: Case): of is Case<Move> => isMove(of.activity);
