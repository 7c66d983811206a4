import { explaining, worked, type Estimate } from '../evidence';
import { collect, pathFor, type Case, type InputId } from '../forecast';

/** How many times what is expected: at least, most likely, at most. */
export type Factor = readonly [low: number, expected: number, high: number];

type Plain = Partial<Record<InputId, Estimate>>;
/** What cases depend on: every cause asks it of the same few. */
const known = new WeakMap<Case, Plain | null>();

/** What a case depends on; null where nothing flows, or where it is no transfer. */
function inputsOf(of: Case): Plain | null {
  const had = known.get(of);
  if (had !== undefined) return had;
  const found =
    pathFor(of).blocked.length > 0
      ? null
      : ((collect(explaining, of, { withBesides: false })?.inputs as Plain | undefined) ?? null);
  known.set(of, found);
  return found;
}

/**
 * A case in which some of what it depends on is so many times what was expected. What is not an input of it stays away.
 * @param factors each above 0, in order
 */
export function scaling(of: Case, factors: Readonly<Partial<Record<InputId, Factor>>>): Case {
  const inputs = inputsOf(of);
  if (!inputs) return of;
  const overrides = { ...of.overrides };
  for (const [id, [low, expected, high]] of Object.entries(factors) as [InputId, Factor][]) {
    const was = inputs[id];
    if (!was) continue;
    const factor = { low, expected, high };
    const spread = {
      low: Math.min(was.low, was.expected) * low,
      expected: was.expected * expected,
      high: Math.max(was.high, was.expected) * high,
    };
    overrides[id] = worked(was.because.name, spread, was.unit, {
      how: 'exact',
      formula: 'expected × factor',
      inputs: [
        was,
        worked('factor', factor, 'ratio', { how: 'exact', formula: 'as the cause has it', inputs: [] }),
      ],
    });
  }
  return { ...of, overrides };
}

/** Whether a case depends on an input at all. */
export const depends = (of: Case, id: InputId): boolean => inputsOf(of)?.[id] !== undefined;

/** Whether it moves data the way the case says. */
export const isDirection = ({ activity }: Case, direction: 'read' | 'write'): boolean =>
  activity.kind !== 'keep' && activity.kind !== 'open' && activity.kind !== 'scratch'
    ? activity.direction === direction
    : false;
