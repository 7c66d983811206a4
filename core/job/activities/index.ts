import * as z from 'zod';
import { Keep } from './keep';
import { Move } from './move';
import { Open } from './open';
import { Scratch } from './scratch';
import { Stream } from './stream';

/** What the customer does with the drive: each kind is a file of this folder. */
export const Activity = z.discriminatedUnion('kind', [Move, Stream, Open, Scratch, Keep]);
export type Activity = z.infer<typeof Activity>;

export { Keep, Move, Open, Scratch, Stream };
