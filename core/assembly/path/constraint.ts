import { exactly, spread, type Spread } from '../../stats';
import {
  factSpread,
  formula,
  given,
  type Estimate,
  type Fact,
  type Recorder,
  type Recorders,
} from '../../evidence';
import { assumed, type OwnRanges } from '../../catalog/assumptions';
import {
  ceilingOf,
  DIRECTIONS,
  explainPractical,
  practicalOf,
  type Direction,
  type Link,
} from '../../catalog/links';
import { contentionWords, DOING, reasonOf } from './words';
import { isAlone, type Crowd } from './crowd';
import type { Negotiated, ParticipantId } from './negotiate';
import { levelFormula } from './share';

export type ConstraintId =
  'media' | 'inner' | 'bridge' | 'outer' | `hub-${number}` | 'uplink' | 'system' | 'array' | 'far' | 'other';

/** One thing on the path that cannot pass more than so much. */
export interface Constraint {
  id: ConstraintId;
  name: string;
  /** B/s that our flow can have of it: 5, 50 and 95 % points. */
  rate: Record<Direction, Spread>;
  /** Hard ceiling in B/s where physics sets one, whoever shares it. */
  ceiling: number | null;
  link?: Negotiated<ParticipantId>;
  /** The constraint this one takes its share of: then that one cannot decide beside it. */
  covers?: Record<Direction, ConstraintId | null>;
  /** Of what each member of an array has for itself: that of one. */
  member?: Constraint;
  /** Of a link held down by its protocol: as it would run without. */
  plain?: Constraint;
  /** Who else is on it in each direction; absent when it is ours alone. */
  shared?: Record<Direction, Crowd | null>;
  /** The rate with its working, made on demand. */
  explain(direction: Direction): Estimate;
}

const ofStated = formula({
  name: 'rate',
  unit: 'B/s',
  inputs: { stated: 'stated', share: 'share reached' },
  of: (m, x) => m.mul(x.stated, x.share),
});

const ofMeasured = formula({
  name: 'rate',
  unit: 'B/s',
  inputs: { stated: 'measured', share: 'from one time to the next' },
  of: (m, x) => m.mul(x.stated, x.share),
});

const NOT_KNOWN: Fact = { value: null, source: { kind: 'unknown' } };
/** What a single number is good for, by where it comes from: a sheet says the most, a measurement comes out a little otherwise each time. */
function goodFor({ value, source }: Fact): 'of-stated' | 'of-measured' | null {
  if (typeof value !== 'number') return null;
  if (source.kind === 'sheet') return 'of-stated';
  return source.kind === 'measured' ? 'of-measured' : null;
}

/** What an unknown figure is told to be, and what a stated one is good for. */
interface Unstated {
  unknownOf?: string | undefined;
  sheet?: 'of-stated' | 'of-stated.disk';
}

/**
 * A sequential figure of a part as a rate to expect. A single stated number is taken down to what drives reach of their box
 * figures; a single measured one scatters from one time to the next; three points and what a person entered stand as they are; an unknown one is the
 * range its interface allows.
 */
export function rateOf<T extends Spread>(
  record: Recorder<T>,
  name: string,
  fact: Fact,
  unknown: Spread,
  { unknownOf = 'half to all of what its interface carries', sheet = 'of-stated' }: Unstated = {},
): T {
  const known = record.fact(name, fact, 'B/s', { range: unknown, note: unknownOf });
  const share = goodFor(fact);
  if (!share) return known;
  const isStated = share === 'of-stated';
  const stated = record.renamed(`${name}, ${isStated ? 'stated' : 'measured once'}`, known);
  return record.of(
    isStated ? ofStated : ofMeasured,
    { stated, share: assumed(record, isStated ? sheet : share) },
    { name },
  );
}

/** The drive at the other end does the opposite: what is written here is read there. */
const OTHER_DOING: Record<Direction, string> = { read: 'taking', write: 'delivering' };
export const both = <T>(of: (direction: Direction) => T): Record<Direction, T> => ({
  read: of('read'),
  write: of('write'),
});

/** A part's own two sequential figures as a constraint without a hard ceiling. */
export function partConstraint(
  { bare, explaining }: Recorders,
  id: 'media' | 'bridge' | 'other',
  name: string,
  facts: Record<Direction, Fact | null>,
  unknown: Record<Direction, Spread>,
  unstated: Unstated = {},
): Constraint {
  const of = <T extends Spread>(record: Recorder<T>, direction: Direction): T => {
    const doing = (id === 'other' ? OTHER_DOING : DOING)[direction];
    const fact = facts[direction] ?? NOT_KNOWN;
    return rateOf(record, `${name}, ${doing}`, fact, unknown[direction], unstated);
  };
  return { id, name, rate: both((d) => of(bare, d)), ceiling: null, explain: (d) => of(explaining, d) };
}

/** One command at a time: its data, then a wait for its status and for the next one, however quick the link is. */
const bulkOnly = formula({
  name: 'rate with the bulk-only protocol',
  unit: 'B/s',
  inputs: { link: 'link', command: 'data of one command', wait: 'wait between two commands' },
  of: (m, x) => m.div(x.command, m.add(m.div(x.command, x.link), x.wait)),
});
const serialOf = <T extends Spread>(record: Recorder<T>) => ({
  command: record.given('data of one command', SERIAL_COMMAND, 'B', { kind: 'memory' }),
  wait: assumed(record, 'bulk-only'),
});
/** B that a system moves with one command of the bulk-only protocol [memory]. */
const SERIAL_COMMAND = 2 ** 17;

/** The range under a hard ceiling, where there is one. */
export const under = ({ ceiling: _, ...range }: Spread, ceiling: number | undefined): Spread =>
  ceiling === undefined ? range : { ...range, ceiling };

/** A negotiated link as a constraint. */
export function linkConstraint(
  record: Recorders,
  id: ConstraintId,
  link: Negotiated<ParticipantId> & { mode: Link },
  slowProtocol = false,
  name = link.mode.name,
): Constraint {
  const { mode } = link;
  const { shopRanges } = record.bare;
  const explain = (direction: Direction): Estimate => {
    const practical = explainPractical(mode, direction, shopRanges);
    if (!slowProtocol) return { ...practical, because: { ...practical.because, note: reasonOf(link) } };
    return bulkOnly.explain(
      { link: practical, ...serialOf(record.explaining) },
      { name: `${mode.name}, bulk-only`, ceiling: ceilingOf(mode), note: reasonOf(link) },
    );
  };
  const rate = (direction: Direction): Spread =>
    slowProtocol
      ? under(
          bulkOnly.spread({ link: practicalOf(mode, direction, shopRanges), ...serialOf(record.bare) }),
          ceilingOf(mode),
        )
      : practicalOf(mode, direction, shopRanges);
  const made = { id, name, rate: both(rate), ceiling: ceilingOf(mode), link, explain };
  return slowProtocol ? { ...made, plain: linkConstraint(record, id, link, false, name) } : made;
}

const throughStack = formula({
  name: 'what the storage stack lets through',
  unit: 'B/s',
  inputs: { link: 'slowest link', efficiency: 'efficiency of the system’s storage stack' },
  of: (m, x) => m.mul(x.link, x.efficiency),
});

/**
 * The system’s storage stack: its share of what the slowest link of each direction carries. A slow protocol is an overhead of the same layer: the
 * greater loss counts, not both, so the system takes its share of the link as it would run without.
 */
export function systemConstraint(
  name: string,
  efficiency: Fact & { value: NonNullable<Fact['value']> },
  links: readonly Constraint[],
): Constraint {
  const whole = links.map((link) => ({ link, plain: link.plain ?? link }));
  const least = both((d) =>
    whole.reduce((a, b) => (b.plain.rate[d].expected < a.plain.rate[d].expected ? b : a)),
  );
  const slowest = both((d) => least[d].plain);
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
    const link = slowest[direction].rate[direction];
    return under(throughStack.spread({ link, efficiency: factSpread(efficiency.value) }), link.ceiling);
  };
  const covers = both((d) => (least[d].link.plain ? null : slowest[d].id));
  return { id: 'system', name, rate: both(rate), ceiling: null, covers, explain };
}

/** What our flow can have of a constraint that others use too: its max-min fair share. */
export function sharedConstraint(whole: Constraint, crowd: Record<Direction, Crowd>): Constraint {
  if (DIRECTIONS.every((d) => isAlone(crowd[d]))) return whole;
  const among = both((d) => {
    const finite = crowd[d].wants.filter(Number.isFinite).sort((a, b) => a - b);
    return { level: levelFormula(finite.length), flows: crowd[d].own + crowd[d].wants.length, finite };
  });
  const explain = (direction: Direction): Estimate => {
    const { level, flows, finite } = among[direction];
    const capacity = whole.explain(direction);
    if (flows === 1) return capacity;
    const note = contentionWords(crowd[direction]);
    const inputs: Record<string, Estimate> = {
      capacity,
      flows: given('flows that pass it', flows, 'count', { kind: 'entered', note }),
    };
    finite.forEach((want, i) => {
      inputs[`d${i + 1}`] = given(`want of neighbour ${i + 1}`, want, 'B/s', { kind: 'entered' });
    });
    return level.explain(inputs, {
      name: `fair share of ${whole.name}, ${DOING[direction]}`,
      ...(whole.ceiling === null ? {} : { ceiling: whole.ceiling }),
    });
  };
  const rate = (direction: Direction): Spread => {
    const { level, flows, finite } = among[direction];
    const capacity = whole.rate[direction];
    if (flows === 1) return capacity;
    const inputs: Record<string, Spread> = { capacity, flows: exactly(flows) };
    finite.forEach((want, i) => (inputs[`d${i + 1}`] = exactly(want)));
    return under(level.spread(inputs), capacity.ceiling);
  };
  const plain = whole.plain && { plain: sharedConstraint(whole.plain, crowd) };
  const shared = both((d) => (isAlone(crowd[d]) ? null : crowd[d]));
  return { ...whole, ...plain, rate: both(rate), shared, explain };
}

/** Range that stands in for an unknown figure behind a link. */
export function behind(link: Link | null, direction: Direction, shopRanges?: OwnRanges): Spread {
  if (!link) return exactly(0);
  const { expected, high } = practicalOf(link, direction, shopRanges);
  return spread(expected * 0.5, expected * 0.85, high);
}
