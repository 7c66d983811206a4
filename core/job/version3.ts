import * as z from 'zod';
import { Build } from '../assembly';
import { Host, Id, Name } from '../catalog/parts';
import { Fact, Rate } from '../evidence';
import { Needs } from './needs';

/*
 * What versions 1 to 3 of the job file said otherwise: one machine, one build, and a few names. Frozen forecasts of those versions keep
 * their bytes, so their schema stays.
 */
const common = {
  id: Id,
  name: Name,
  perDay: Fact,
  wish: z.number().min(1e-3).max(1e10).nullable(),
  endpoint: Id.optional(),
  besides: z.array(Id).max(10).optional(),
};
const direction = z.enum(['read', 'write']);
/** As it was written then, whatever an activity holds today. */
const Activity3 = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('move'),
    direction,
    bytes: Fact,
    files: Fact,
    sizes: z
      .array(
        z.object({ bytes: z.number().nonnegative().max(1e18), count: z.number().int().positive().max(1e12) }),
      )
      .max(64)
      .optional(),
    adds: z.boolean().optional(),
    verify: z.boolean().optional(),
    itself: z.boolean().optional(),
  }),
  z.object({
    ...common,
    kind: z.literal('stream'),
    direction,
    rate: Rate,
    streams: z.number().int().min(1).max(1000),
    lasts: Fact,
    buffer: Fact,
  }),
  z.object({
    ...common,
    kind: z.literal('open'),
    own: Fact,
    bytes: Fact,
    requests: Fact,
    written: Fact.optional(),
  }),
  z.object({
    ...common,
    kind: z.literal('scratch'),
    operations: Fact,
    reads: z.number().min(0).max(1),
    block: z.number().min(1).max(1e12),
    depth: z.number().int().min(1).max(1024),
    span: Fact,
    synchronous: z.boolean(),
  }),
  z.object({ ...common, kind: z.literal('keep'), now: Fact, growth: Fact }),
]);
const Needs3 = Needs.omit({ bootDrive: true, portable: true, policies: true }).extend({
  starts: Needs.shape.bootDrive,
  travels: Needs.shape.portable,
  schools: Needs.shape.policies,
});

/** What a forecast of those versions was made from. */
export const SETUP3 = { host: Host, build: Build, activities: z.array(Activity3), needs: Needs3.optional() };
