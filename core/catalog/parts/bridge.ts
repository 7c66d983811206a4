import * as z from 'zod';
import { Rate } from '../../evidence';
import { askedFor, asks } from '../../units';
import { FormFactor, Connector, Id, Length, Modes, Name, UsbProtocol, Watts } from './modes';

/** How the drives of a box appear to the host. */
export const ArrayMode = z.enum([
  'single',
  'stripe',
  'mirror',
  'concatenation',
  'parity',
  'double parity',
  'stripe of mirrors',
]);
export type ArrayMode = z.infer<typeof ArrayMode>;

/** A supply of its own. */
const Supply = askedFor({ watts: asks('Gives', Watts, 'power'), volts12: asks('Brings 12 V', z.boolean()) });

/** A card for a slot. */
const Card = askedFor({
  /** Lanes its edge is long. */
  edge: asks('Edge, lanes', z.union([z.literal(1), z.literal(2), z.literal(4), z.literal(8), z.literal(16)])),
  bracket: asks('Bracket', z.enum(['full', 'half', 'both'])),
  /** How several drives share the slot: the board splits it, or the card has its own switch. */
  splitting: asks('Splits lanes by', z.enum(['board', 'switch']).optional()),
});

/**
 * What stands between drive and host: an enclosure or dock that turns the drive's interface into another one, or a card or adapter
 * that passes the lanes through (`passThrough`: then `outer` are the lanes it is wired for). What is absent is not known.
 */
export const Bridge = askedFor({
  id: asks('Id', Id),
  maker: asks('Maker', Name),
  model: asks('Model', Name),
  kind: asks('Kind', z.enum(['enclosure', 'dock', 'adapter'])),
  passThrough: asks('Passes lanes through', z.boolean()),
  /** Towards the drive. */
  socket: asks('Takes plug', Connector),
  inner: asks('Modes towards the drive', Modes),
  /** Towards the host. */
  plug: asks('Plug', Connector),
  outer: asks('Modes towards the host', Modes),
  /** Stated caps of the bridge chip, apart for each direction; not hard. */
  read: asks('Reads at most', Rate.nullable(), 'rate'),
  write: asks('Writes at most', Rate.nullable(), 'rate'),
  /** How blocks travel over USB; null where that does not apply. */
  protocol: asks('USB protocol', UsbProtocol.nullable()),
  /** Class of the bridge chip in words, e.g. "first Thunderbolt 3 class". */
  chip: asks('Class of its chip', z.string().max(80).optional()),
  forms: asks('Form factors', z.array(FormFactor).max(8).optional()),
  /** Height inside for a drive with whatever lies on it, mm. */
  room: asks('Clearance', Length.optional(), { dimension: 'length', was: ['Room in height'] }),
  bays: asks('Bays', z.number().int().positive().max(32).optional(), { of: null }),
  arrays: asks('Array modes', z.array(ArrayMode).max(7).optional()),
  /** Whether it takes drives above 2.2 TB. */
  large: asks('Takes over 2.2 TB', z.boolean().optional()),
  /** Size of the sectors it presents, B. */
  sector: asks('Sectors shown, B', z.union([z.literal(512), z.literal(4096)]).optional()),
  trim: asks('Passes TRIM', z.boolean().optional()),
  /** Whether a drive's health counters come through. */
  health: asks('Passes health counters', z.boolean().optional()),
  /** What it draws itself, W. */
  power: asks('Draws itself', Watts.optional(), 'power'),
  /** A supply of its own, W, and whether it brings 12 V to the drive. */
  supply: asks('Own supply', Supply.optional()),
  cooling: asks('Cooling', z.enum(['plastic', 'metal', 'metal with pad', 'fan']).optional()),
  card: asks('Card', Card.optional()),
});
export type Bridge = z.infer<typeof Bridge>;
