import * as z from 'zod';
import { Build } from '../build/assembly';
import { Host } from '../catalog/parts';
import { Keep, Move, Open, Scratch, Stream } from './activities';
import { Needs } from './needs';

/*
 * What versions 1 to 3 of the job file said otherwise: one machine, one build, and a few names. Frozen forecasts of those versions keep
 * their bytes, so their schema stays.
 */
const { target, ...common } = Move.pick({ target: true, id: true, name: true, perDay: true }).shape;
const placed = { ...common, wish: target, endpoint: Move.shape.endpoint, besides: Move.shape.besides };
const without = { target: true, machine: true, device: true } as const;

const Activity3 = z.discriminatedUnion('kind', [
  Move.omit({ ...without, shares: true }).extend(placed),
  Stream.omit(without).extend(placed),
  Open.omit({ ...without, processing: true, dependentReads: true }).extend({
    ...placed,
    own: Open.shape.processing,
    requests: Open.shape.dependentReads,
  }),
  Scratch.omit(without).extend(placed),
  Keep.omit(without).extend(placed),
]);
const Needs3 = Needs.omit({ bootDrive: true, portable: true, policies: true }).extend({
  starts: Needs.shape.bootDrive,
  travels: Needs.shape.portable,
  schools: Needs.shape.policies,
});

/** What a forecast of those versions was made from. */
export const SETUP3 = { host: Host, build: Build, activities: z.array(Activity3), needs: Needs3.optional() };
