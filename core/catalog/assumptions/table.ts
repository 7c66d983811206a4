import type { Spread } from '../../stats';
import type { Market, Recorder } from '../../evidence';
import { CLASSES } from './classes';
import { DRIVE_ROWS } from './drives';
import { HOST_ROWS } from './hosts';
import { LINK_ROWS, PACKET_ROWS } from './links';
import type { Assumption } from './row';
import { WORK } from './work';

const ROWS = { ...CLASSES, ...DRIVE_ROWS, ...HOST_ROWS, ...WORK, ...PACKET_ROWS, ...LINK_ROWS };

/** Names a row. */
export type AssumptionId = keyof typeof ROWS;

/** Everything Kymar assumes, each range once. */
export const ASSUMPTIONS: Readonly<Record<AssumptionId, Assumption>> = ROWS;
export const ASSUMPTION_IDS = Object.keys(ROWS) as AssumptionId[];
export const isAssumptionId = (id: string): id is AssumptionId => Object.hasOwn(ROWS, id);

/** A shop's own ranges in place of Kymar's, by row. */
export type OwnRanges = Readonly<Partial<Record<AssumptionId, Spread>>>;

/** What is assumed: the shop's own range where it has one. */
export const assumedRange = (id: AssumptionId, shopRanges: OwnRanges = {}): Spread =>
  shopRanges[id] ?? ASSUMPTIONS[id].value;

const noteOf = (id: AssumptionId, shopRanges: OwnRanges, note = ASSUMPTIONS[id].on): string | undefined =>
  shopRanges[id] ? ['this shop’s own range', note].filter(Boolean).join(': ') : note;

/** An assumption as a figure; the working says where it is the shop's own. */
export function assumed<T extends Spread>(
  record: Recorder<T>,
  id: AssumptionId,
  { name = ASSUMPTIONS[id].name, note }: { name?: string; note?: string } = {},
): T {
  const { unit, source } = ASSUMPTIONS[id];
  const words = noteOf(id, record.shopRanges, note);
  const kind = record.shopRanges[id] ? 'entered' : source;
  return record.given(name, assumedRange(id, record.shopRanges), unit, {
    kind,
    ...(words ? { note: words } : {}),
  });
}

/** An assumption as what stands in for a fact that is not known. */
export const marketOf = (record: Recorder, id: AssumptionId, note?: string): Market => ({
  range: assumedRange(id, record.shopRanges),
  note: noteOf(id, record.shopRanges, note) ?? ASSUMPTIONS[id].name,
});
