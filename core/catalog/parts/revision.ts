import { factSpread, type Fact } from '../../evidence';
import type { Drive } from './drive';

/** Figures that a quiet revision of a model may change. */
const KEYS = ['write', 'rest', 'cache', 'tbw'] as const;
type Key = (typeof KEYS)[number];

/**
 * The drive as its revision makes it. Where the unit's revision is not known, the figures in which revisions differ stand for all of them: from the
 * lowest to the highest, in the middle their mean; not known where one of them is not.
 */
export function asRevised(drive: Drive): Drive {
  const { revisions = [], revision } = drive;
  if (revisions.length === 0) return drive;
  const known = revisions.find((r) => r.name === revision);
  const of = (key: Key): Fact => {
    if (known) return known[key] ?? drive[key];
    const all = revisions.map((r) => r[key] ?? drive[key]);
    return all.every((fact) => fact === all[0])
      ? all[0]!
      : mixed(
          all,
          revisions.map((r) => r.name),
        );
  };
  // Each revision with all of its figures, for whoever forecasts a mixture of them.
  const whole = revisions.map((r) => ({
    ...r,
    ...(Object.fromEntries(KEYS.map((key) => [key, r[key] ?? drive[key]])) as Record<Key, Fact>),
  }));
  return {
    ...drive,
    revisions: known ? revisions : whole,
    ...(Object.fromEntries(KEYS.map((key) => [key, of(key)])) as Record<Key, Fact>),
  };
}

function mixed(facts: readonly Fact[], names: readonly string[]): Fact {
  const source = { kind: 'unknown', note: `which of the revisions ${names.join(', ')} it is` } as const;
  const values = facts.flatMap(({ value }) => (value === null ? [] : [factSpread(value)]));
  if (values.length < facts.length) return { value: null, source };
  const mean = values.reduce((sum, v) => sum + v.expected, 0) / values.length;
  return {
    value: [Math.min(...values.map((v) => v.low)), mean, Math.max(...values.map((v) => v.high))],
    source,
  };
}
