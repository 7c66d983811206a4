import * as z from 'zod';
import { askedFor, asks } from '../../units';
import { FormFactor, Id, Length, Name } from './modes';

/** The small parts that decide jobs. */
export const Accessory = askedFor({
  id: asks('Id', Id),
  maker: asks('Maker', Name),
  model: asks('Model', Name),
  kind: asks(
    'Kind',
    z.enum([
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
  ),
  /** What it is for; absent: any. */
  forms: asks('Form factors', z.array(FormFactor).max(8).optional()),
  /** Height it adds, mm. */
  height: asks('Height', Length.optional(), 'length'),
});
export type Accessory = z.infer<typeof Accessory>;
