import * as z from 'zod';
import { FormFactor, Id, Length, Name } from './modes';

/** The small parts that decide jobs. */
export const Accessory = z.object({
  id: Id,
  maker: Name,
  model: Name,
  kind: z.enum([
    'pad',
    'heatsink',
    'bay adapter',
    'bracket',
    'data lead',
    'power lead',
    'Y-lead',
    'standoff and screw',
    'mounting screws',
  ]),
  /** What it is for; absent: any. */
  forms: z.array(FormFactor).max(8).optional(),
  /** Height it adds, mm. */
  height: Length.optional(),
});
export type Accessory = z.infer<typeof Accessory>;
