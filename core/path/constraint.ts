import { exactly, formula, fromFact, given, renamed, spread, type Estimate, type Fact, type Spread } from '../evidence';
import { ceilingOf, explainPractical, practicalOf, type Direction, type Link } from '../links';
import type { Negotiated } from './negotiate';

/** One thing on the path that cannot pass more than so much. */
export interface Constraint {
  id: 'media' | 'inner' | 'bridge' | 'outer' | 'other';
  name: string;
  /** B/s: 5, 50 and 95 % points. */
  rate: Record<Direction, Spread>;
  /** Hard ceiling in B/s where physics sets one. */
  ceiling: number | null;
  link?: Negotiated;
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

/**
 * A sequential figure of a part as a rate to expect. A single stated number is taken down to what drives reach of their box
 * figures; three points and measured ones stand as they are; an unknown one is the range its interface allows.
 */
export function rateOf(name: string, fact: Fact, unknown: Spread, unknownOf = 'half to all of what its interface carries'): Estimate {
  const known = fromFact(name, fact, 'B/s', { range: unknown, note: unknownOf })!;
  if (fact.source.kind !== 'sheet' || typeof fact.value !== 'number') return known;
  return ofStated.explain({ stated: renamed(`${name}, stated`, known), share: given('what drives reach of a stated figure', OF_STATED, 'ratio', { kind: 'memory' }) }, { name });
}

const DOING: Record<Direction, string> = { read: 'reading', write: 'writing' };
/** The drive at the other end does the opposite: what is written here is read there. */
const OTHER_DOING: Record<Direction, string> = { read: 'taking', write: 'delivering' };

/** A part's own two sequential figures as a constraint without a hard ceiling. */
export function partConstraint(id: 'media' | 'bridge' | 'other', name: string, facts: Record<Direction, Fact>, unknown: Record<Direction, Spread>, unknownOf?: string): Constraint {
  const explain = (direction: Direction) => rateOf(`${name}, ${(id === 'other' ? OTHER_DOING : DOING)[direction]}`, facts[direction], unknown[direction], unknownOf);
  return { id, name, rate: { read: explain('read'), write: explain('write') }, ceiling: null, explain };
}

/** What a bulk-only bridge leaves of a USB figure [practice]: one command at a time. */
export const BULK_ONLY: Spread = spread(0.55, 0.7, 0.85);

const bulkOnly = formula({
  name: 'rate with the bulk-only protocol',
  unit: 'B/s',
  inputs: { link: 'link', share: 'share left by bulk-only' },
  of: (m, x) => m.mul(x.link, x.share),
});

/** A negotiated link as a constraint. */
export function linkConstraint(id: 'inner' | 'outer', link: Negotiated & { mode: Link }, slowProtocol: boolean): Constraint {
  const { mode } = link;
  const explain = (direction: Direction): Estimate => {
    const practical = explainPractical(mode, direction);
    if (!slowProtocol) return { ...practical, because: { ...practical.because, note: link.reason } };
    const share = given('share left by bulk-only', BULK_ONLY, 'ratio', { kind: 'practice' });
    return bulkOnly.explain({ link: practical, share }, { name: `${mode.name}, bulk-only`, ceiling: ceilingOf(mode), note: link.reason });
  };
  const rate = (direction: Direction): Spread => (slowProtocol ? explain(direction) : practicalOf(mode, direction));
  return { id, name: mode.name, rate: { read: rate('read'), write: rate('write') }, ceiling: ceilingOf(mode), link, explain };
}

/** Range that stands in for an unknown figure behind a link. */
export function behind(link: Link | null, direction: Direction): Spread {
  if (!link) return exactly(0);
  const { expected, high } = practicalOf(link, direction);
  return spread(expected * 0.5, expected * 0.85, high);
}

