import { directionOf, flowsOneWay } from '../job';
import { given, lazily, recordersFor, worked, type Estimate } from '../evidence';
import { barePathFor, figuresOf, withOverrides, type Case, type InputId } from '../forecast';
import type { Spread } from '../stats';

/** How many times what is expected: at least, most likely, at most. */
export type Factor = readonly [low: number, expected: number, high: number];

type Plain = Partial<Record<InputId, Spread>>;
/** What cases depend on: every cause asks it of the same few. */
const known = new WeakMap<Case, Plain | null>();

/** What a case depends on; null where nothing flows, or where it is no transfer. */
function inputsOf(of: Case): Plain | null {
  const had = known.get(of);
  if (had !== undefined) return had;
  const found: Plain | null = figuresOf(recordersFor(of.shopRanges).bare, of, barePathFor(of));
  known.set(of, found);
  return found;
}

/** So many times one of the things a case depends on, with its working. */
function explained(of: Case, id: InputId, spread: Spread, factor: Spread): Estimate {
  const was = figuresOf(recordersFor(of.shopRanges).explaining, of)![id]!;
  const times = worked('factor', factor, 'ratio', {
    how: 'exact',
    formula: 'as the cause has it',
    inputs: [],
  });
  return worked(was.because.name, spread, was.unit, {
    how: 'exact',
    formula: 'expected × factor',
    inputs: [was, times],
  });
}

/**
 * A case in which some of what it depends on is so many times what was expected. What is not an input of it stays away.
 * @param factors each above 0, in order
 */
export function scaling(of: Case, factors: Readonly<Partial<Record<InputId, Factor>>>): Case {
  const inputs = inputsOf(of);
  if (!inputs) return of;
  const overrides = { ...of.overrides };
  const scaled: Plain = { ...inputs };
  for (const [id, [low, expected, high]] of Object.entries(factors) as [InputId, Factor][]) {
    const was = inputs[id];
    if (!was) continue;
    const spread = {
      low: Math.min(was.low, was.expected) * low,
      expected: was.expected * expected,
      high: Math.max(was.high, was.expected) * high,
    };
    scaled[id] = spread;
    overrides[id] = lazily(spread, () => explained(of, id, spread, { low, expected, high }));
  }
  const made = withOverrides(of, overrides);
  known.set(made, scaled);
  return made;
}

/** A case in which some of what it depends on is something else altogether; what is no input of it stays away. */
export function replacing(of: Case, figures: Readonly<Partial<Record<InputId, Spread>>>): Case {
  const inputs = inputsOf(of);
  if (!inputs) return of;
  const ids = (Object.keys(figures) as InputId[]).filter((id) => inputs[id]);
  const made = withOverrides(of, {
    ...of.overrides,
    ...Object.fromEntries(
      ids.map((id) => {
        const spread = figures[id]!;
        return [
          id,
          lazily(spread, () => given(id, spread, 's', { kind: 'memory', note: 'as the cause has it' })),
        ];
      }),
    ),
  });
  known.set(made, { ...inputs, ...Object.fromEntries(ids.map((id) => [id, figures[id]!])) });
  return made;
}

/** What a case expects of one of the things it depends on; null where it does not. */
export const middleIn = (of: Case, id: InputId): number | null => inputsOf(of)?.[id]?.expected ?? null;

/** Whether a case depends on an input at all. */
export const depends = (of: Case, id: InputId): boolean => inputsOf(of)?.[id] !== undefined;

/** Whether it moves data the way the case says. */
export const isDirection = ({ activity }: Case, direction: 'read' | 'write'): boolean =>
  flowsOneWay(activity) && directionOf(activity) === direction;

/** Whether somebody typed what was measured, or pressed a button for it: counters make no slip. */
export const isEntered = ({ requestShape }: Case): boolean => requestShape?.counted !== true;
