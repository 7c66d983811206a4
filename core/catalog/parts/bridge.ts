import * as z from 'zod';
import { Rate } from '../../evidence';
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

/** A card for a slot. */
const Card = z.object({
  /** Lanes its edge is long. */
  edge: z.union([z.literal(1), z.literal(2), z.literal(4), z.literal(8), z.literal(16)]),
  bracket: z.enum(['full', 'half', 'both']),
  /** How several drives share the slot: the board splits it, or the card has its own switch. */
  splitting: z.enum(['board', 'switch']).optional(),
});

/**
 * What stands between drive and host: an enclosure or dock that turns the drive's interface into another one, or a card or adapter
 * that passes the lanes through (`passThrough`: then `outer` are the lanes it is wired for). What is absent is not known.
 */
export const Bridge = z.object({
  id: Id,
  maker: Name,
  model: Name,
  kind: z.enum(['enclosure', 'dock', 'adapter']),
  passThrough: z.boolean(),
  /** Towards the drive. */
  socket: Connector,
  inner: Modes,
  /** Towards the host. */
  plug: Connector,
  outer: Modes,
  /** Stated caps of the bridge chip, apart for each direction; not hard. */
  read: Rate.nullable(),
  write: Rate.nullable(),
  /** How blocks travel over USB; null where that does not apply. */
  protocol: UsbProtocol.nullable(),
  /** Class of the bridge chip in words, e.g. "first Thunderbolt 3 class". */
  chip: z.string().max(80).optional(),
  forms: z.array(FormFactor).max(8).optional(),
  /** Height inside for a drive with whatever lies on it, mm. */
  room: Length.optional(),
  bays: z.number().int().positive().max(32).optional(),
  arrays: z.array(ArrayMode).max(7).optional(),
  /** Whether it takes drives above 2.2 TB. */
  large: z.boolean().optional(),
  /** Size of the sectors it presents, B. */
  sector: z.union([z.literal(512), z.literal(4096)]).optional(),
  trim: z.boolean().optional(),
  /** Whether a drive's health counters come through. */
  health: z.boolean().optional(),
  /** What it draws itself, W. */
  power: Watts.optional(),
  /** A supply of its own, W, and whether it brings 12 V to the drive. */
  supply: z.object({ watts: Watts, volts12: z.boolean() }).optional(),
  cooling: z.enum(['plastic', 'metal', 'metal with pad', 'fan']).optional(),
  card: Card.optional(),
});
export type Bridge = z.infer<typeof Bridge>;
