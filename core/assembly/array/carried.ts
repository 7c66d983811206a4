import type { Spread } from '../../stats';
import { formula, type Recorder } from '../../evidence';
import { assumed } from '../../catalog/assumptions';
import type { Host } from '../../catalog/parts';
import { makesParity, membersTogether, streamMembers, type Layout } from './layout';
import { layoutWords } from './words';

/** The share that whoever makes an array keeps while it works out the redundancy: a box, or a system. */
export const parityKept = <T extends Spread>(
  record: Recorder<T>,
  { by }: Pick<Layout, 'by'>,
  { systems }: Pick<Host, 'systems'>,
): T =>
  assumed(record, `parity-kept.${by === 'firmware' ? 'firmware' : (systems?.[0]?.family ?? 'unknown')}`);

/** What members carry of a long stream together, what their redundancy costs taken off. @param member what one has for itself */
export function carriedBy<T extends Spread>(
  record: Recorder<T>,
  member: T,
  { layout, direction, host }: { layout: Layout; direction: 'read' | 'write'; host: Pick<Host, 'systems'> },
  name: string,
): T {
  const practice = { kind: 'practice', note: layoutWords(layout) } as const;
  const count = record.given(
    'members that carry the stream',
    streamMembers(layout, direction),
    'count',
    practice,
  );
  if (!makesParity(layout, direction)) return record.of(membersTogether, { member, count }, { name });
  return record.of(membersAtParity, { member, count, kept: parityKept(record, layout, host) }, { name });
}

/** {@link membersTogether} while they write redundancy that is worked out on the way. */
const membersAtParity = formula({
  name: 'members together',
  unit: 'B/s',
  inputs: {
    member: 'one member',
    count: 'members that carry the stream',
    kept: 'share that the parity keeps',
  },
  of: (m, x) => m.mul(m.mul(x.member, x.count), x.kept),
});
