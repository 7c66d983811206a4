import * as z from 'zod';
import { isLinkId } from '../catalog/links';
import { Accessory, ArrayMode, Bridge, Cable, Drive, Hop, Id, Name } from '../catalog/parts';
import { LOCKABLE } from './lock';

/** What the system says a link negotiated, taken over as a fact. */
const Seen = z.object({
  link: z.string().refine(isLinkId, { error: 'is no link mode Kymar knows' }),
  device: Name,
  at: z.iso.datetime(),
});
type Seen = z.infer<typeof Seen>;

/** What is handed over: a drive or several, what they sit in, what belongs to them. By value: a job file must stand alone. */
export const Device = z.object({
  drive: Drive,
  bridge: Bridge.nullable(),
  /** Drives of this kind working at once in the bays of the bridge. */
  together: z.number().int().min(1).max(32).optional(),
  /** How those drives are put together to one; absent: each for itself. A strip, in B, is what one member holds before the next has its turn. */
  array: z
    .object({
      mode: ArrayMode,
      by: z.enum(['firmware', 'system']),
      strip: z
        .number()
        .int()
        .min(4096, { error: 'must be at least 4 KiB' })
        .max(1 << 26, { error: 'must be at most 64 MiB' })
        .optional(),
    })
    .optional(),
  accessories: z.array(Accessory).max(20).optional(),
});
export type Device = z.infer<typeof Device>;

/** How a device hangs on one machine. */
export const Connection = z.object({
  cable: Cable.nullable(),
  /** The machine's port, by id. */
  port: Id,
  /** Hubs and docks between, from the drive towards the host. */
  hops: z.array(Hop).max(8).optional(),
  /** Held fast: no change elsewhere and no fix swaps these. */
  locked: z.array(z.enum(LOCKABLE)).max(4).optional(),
  /** What the system there was seen to negotiate. */
  seen: Seen.optional(),
});
export type Connection = z.infer<typeof Connection>;

/** A device with the way it hangs on its machine. */
export const Build = z.object({ ...Device.shape, ...Connection.shape });
export type Build = z.infer<typeof Build>;
