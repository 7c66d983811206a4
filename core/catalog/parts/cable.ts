import * as z from 'zod';
import { askedFor, asks } from '../../units';
import { Connector, Id, Modes, Name, Watts } from './modes';

/** A cable. Its ends may be swapped freely. */
export const Cable = askedFor({
  id: asks('Id', Id),
  name: asks('Name', Name),
  ends: asks('Ends', z.tuple([Connector, Connector])),
  modes: asks('Modes it carries', Modes),
  /** Length in m. */
  length: asks('Length', z.number().min(0.001).max(1000), { of: 'm' }),
  /** W it may carry. */
  power: asks('Carries', Watts.optional(), 'power'),
  /** Has chips of its own in the plugs. */
  active: asks('Active', z.boolean().optional()),
});
export type Cable = z.infer<typeof Cable>;
