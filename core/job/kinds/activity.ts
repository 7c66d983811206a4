import * as z from 'zod';
import { Keep } from './keep/schema';
import { Move } from './move/schema';
import { Load } from './open/schema';
import { Scratch } from './scratch/schema';
import { Stream } from './stream/schema';

/** What the customer does with the drive: each kind is a folder of this one. */
export const Activity = z.discriminatedUnion('kind', [Move, Stream, Load, Scratch, Keep]);
export type Activity = z.infer<typeof Activity>;

export { Keep, Move, Load, Scratch, Stream };
