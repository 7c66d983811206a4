import { exactly, spread, type Spread } from '../../stats';
import { factSpread, formula, fromFact, given, renamed, type Estimate, type Fact } from '../../evidence';
import { ceilingOf, DIRECTIONS, explainPractical, practicalOf, type Direction, type Link } from '../../catalog/links';
import type { Negotiated } from './negotiate';
import { levelFormula } from './share';

export type ConstraintId =
  'media' | 'inner' | 'bridge' | 'outer' | `hub-${number}` | 'uplink' | 'system' | 'far' | 'other';

/** One thing on the path that cannot pass more than so much. */
export interface Constraint {
  id: ConstraintId;
  name: string;
  /** B/s that our flow can have of it: 5, 50 and 95 % points. */
  rate: Record<Direction, Spread>;
  /** Hard ceiling in B/s where physics sets one, whoever shares it. */
  ceiling: number | null;
  link?: Negotiated;
  /** The constraint this one takes its share of: then that one cannot decide beside it. */
  covers?: Record<Direction, ConstraintId>;
  /** Who else is on it, in words; absent when it is ours alone. */
  shared?: Record<Direction, string | null>;
  /** The rate with its working, made on demand. */
  explain(direction: Direction): Estimate;
}

/** What drives reach of the figure on their box [memory]: seldom more, often a little less. */
export const OF_STATED: Spread = spread(0.85, 0.95, 1);

const ofStated = formula({
  name: 'rate',
  unit: 'B/s',
  inputs: { stated: 'stated', share: 'share reached' },
  of: (m, x) => m.mul(x.stated, x.share),
});

const NOT_KNOWN: Fact = { value: null, source: { kind: 'unknown' } };
const takenDown = (fact: Fact): boolean => fact.source.kind === 'sheet' && typeof fact.value === 'number';

/**
 * A sequential figure of a part as a rate to expect. A single stated number is taken down to what drives reach of their box
 * figures; three points and measured ones stand as they are; an unknown one is the range its interface allows.
 */
export function rateOf(
  name: string,
  fact: Fact,
  unknown: Spread,
  unknownOf = 'half to all of what its interface carries',
): Estimate {
  const known = fromFact(name, fact, 'B/s', { range: unknown, note: unknownOf })!;
  if (!takenDown(fact)) return known;
  return ofStated.explain(
    {
      stated: renamed(`${name}, stated`, known),
      share: given('what drives reach of a stated figure', OF_STATED, 'ratio', { kind: 'memory' }),
    },
    { name },
  );
}

/** {@link rateOf} without its working. */
function bareRateOf({ value, source }: Fact, unknown: Spread): Spread {
  if (value === null) return unknown;
  if (!takenDown({ value, source })) return factSpread(value);
  const at = (share: number) => ofStated({ stated: value as number, share });
  return { low: at(OF_STATED.low), expected: at(OF_STATED.expected), high: at(OF_STATED.high) };
}

const DOING: Record<Direction, string> = { read: 'reading', write: 'writing' };
/** The drive at the other end does the opposite: what is written here is read there. */
const OTHER_DOING: Record<Direction, string> = { read: 'taking', write: 'delivering' };
export const both = <T>(of: (direction: Direction) => T): Record<Direction, T> => ({
  read: of('read'),
  write: of('write'),
});

/** A part's own two sequential figures as a constraint without a hard ceiling. */
export function partConstraint(
  id: 'media' | 'bridge' | 'other',
  name: string,
  facts: Record<Direction, Fact | null>,
  unknown: Record<Direction, Spread>,
  unknownOf?: string,
): Constraint {
  const explain = (direction: Direction) =>
    rateOf(
      `${name}, ${(id === 'other' ? OTHER_DOING : DOING)[direction]}`,
      facts[direction] ?? NOT_KNOWN,
      unknown[direction],
      unknownOf,
    );
  return {
    id,
    name,
    rate: both((d) => bareRateOf(facts[d] ?? NOT_KNOWN, unknown[d])),
    ceiling: null,
    explain,
  };
}

/** What a bulk-only bridge leaves of a USB figure [practice]: one command at a time. */
export const BULK_ONLY: Spread = spread(0.55, 0.7, 0.85);

const bulkOnly = formula({
  name: 'rate with the bulk-only protocol',
  unit: 'B/s',
  inputs: { link: 'link', share: 'share left by bulk-only' },
  of: (m, x) => m.mul(x.link, x.share),
});

const kept = new Map<string, Spread>();
/** Ranges that take samples are made once: the same link and share always give the same. */
function remembered(key: string, make: () => Spread): Spread {
  const had = kept.get(key);
  if (had) return had;
  const { low, expected, high, ceiling } = make();
  const found = { low, expected, high, ...(ceiling === undefined ? {} : { ceiling }) };
  if (kept.size > 2000) kept.clear();
  kept.set(key, found);
  return found;
}

/** A negotiated link as a constraint. */
export function linkConstraint(
  id: ConstraintId,
  link: Negotiated & { mode: Link },
  slowProtocol = false,
  name = link.mode.name,
): Constraint {
  const { mode } = link;
  const explain = (direction: Direction): Estimate => {
    const practical = explainPractical(mode, direction);
    if (!slowProtocol) return { ...practical, because: { ...practical.because, note: link.reason } };
    const share = given('share left by bulk-only', BULK_ONLY, 'ratio', { kind: 'practice' });
    return bulkOnly.explain(
      { link: practical, share },
      { name: `${mode.name}, bulk-only`, ceiling: ceilingOf(mode), note: link.reason },
    );
  };
  const rate = (direction: Direction): Spread =>
    slowProtocol
      ? remembered(`${mode.id} ${direction}`, () => explain(direction))
      : practicalOf(mode, direction);
  return { id, name, rate: both(rate), ceiling: ceilingOf(mode), link, explain };
}

const throughStack = formula({
  name: 'what the storage stack lets through',
  unit: 'B/s',
  inputs: { link: 'slowest link', efficiency: 'efficiency of the system’s storage stack' },
  of: (m, x) => m.mul(x.link, x.efficiency),
});

/** The system’s storage stack: its share of what the slowest link of each direction carries. */
export function systemConstraint(
  name: string,
  efficiency: Fact & { value: NonNullable<Fact['value']> },
  slowest: Record<Direction, Constraint>,
): Constraint {
  const explain = (direction: Direction): Estimate => {
    const { ceiling } = slowest[direction];
    return throughStack.explain(
      {
        link: slowest[direction].explain(direction),
        efficiency: given(
          'efficiency of the storage stack',
          factSpread(efficiency.value),
          'ratio',
          efficiency.source,
        ),
      },
      { name: `${name}, ${DOING[direction]}`, ...(ceiling === null ? {} : { ceiling }) },
    );
  };
  const rate = (direction: Direction): Spread => {
    const { value } = efficiency;
    const at = slowest[direction].rate[direction];
    return typeof value === 'number'
      ? scaled(at, value)
      : remembered(`${value.join()} ${at.low} ${at.expected} ${at.high}`, () => explain(direction));
  };
  return { id: 'system', name, rate: both(rate), ceiling: null, covers: both((d) => slowest[d].id), explain };
}

const scaled = ({ low, expected, high, ceiling }: Spread, by: number): Spread => ({
  low: low * by,
  expected: expected * by,
  high: high * by,
  ...(ceiling === undefined ? {} : { ceiling }),
});

/** Who passes a shared thing in one direction. */
export interface Crowd {
  /** How often our own flows pass it. */
  own: number;
  /** Wants of the neighbours in B/s; Infinity for all they can get. */
  wants: readonly number[];
  words: string;
}

/** What our flow can have of a constraint that others use too: its max-min fair share. */
export function sharedConstraint(whole: Constraint, crowd: Record<Direction, Crowd>): Constraint {
  if (DIRECTIONS.every((d) => crowd[d].own + crowd[d].wants.length === 1)) return whole;
  const formulaFor = (direction: Direction) => {
    const { own, wants, words } = crowd[direction];
    const finite = wants.filter(Number.isFinite).sort((a, b) => a - b);
    return { level: levelFormula(finite.length), flows: own + wants.length, finite, words };
  };
  const explain = (direction: Direction): Estimate => {
    const { level, flows, finite, words } = formulaFor(direction);
    const capacity = whole.explain(direction);
    if (flows === 1) return capacity;
    const inputs: Record<string, Estimate> = {
      capacity,
      flows: given('flows that pass it', flows, 'count', { kind: 'entered', note: words }),
    };
    finite.forEach(
      (want, i) =>
        (inputs[`d${i + 1}`] = given(`want of neighbour ${i + 1}`, want, 'B/s', { kind: 'entered' })),
    );
    return level.explain(inputs, {
      name: `fair share of ${whole.name}, ${DOING[direction]}`,
      ...(whole.ceiling === null ? {} : { ceiling: whole.ceiling }),
    });
  };
  const rate = (direction: Direction): Spread => {
    const { level, flows, finite } = formulaFor(direction);
    const { low, expected, high, ceiling } = whole.rate[direction];
    if (flows === 1) return whole.rate[direction];
    const inputs: Record<string, number> = { flows };
    finite.forEach((want, i) => (inputs[`d${i + 1}`] = want));
    const at = (capacity: number) => level({ ...inputs, capacity });
    return {
      low: at(low),
      expected: at(expected),
      high: at(high),
      ...(ceiling === undefined ? {} : { ceiling }),
    };
  };
  return {
    ...whole,
    rate: both(rate),
    shared: both((d) => (formulaFor(d).flows > 1 ? crowd[d].words : null)),
    explain,
  };
}

/** Range that stands in for an unknown figure behind a link. */
export function behind(link: Link | null, direction: Direction): Spread {
  if (!link) return exactly(0);
  const { expected, high } = practicalOf(link, direction);
  return spread(expected * 0.5, expected * 0.85, high);
}
