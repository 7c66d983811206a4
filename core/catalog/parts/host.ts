import * as z from 'zod';
import { Capacity, Fact, Rate, Share } from '../../evidence';
import { Busy } from './hub';
import { FormFactor, Connector, Id, Length, Modes, Name, Watts } from './modes';

/** What a host's maker asks of a drive in a bay. */
const Minimum = z.object({
  /** Oldest PCIe generation the bay takes at all. */
  generation: z.number().int().min(1).max(6).optional(),
  /** Sequential reading asked for, B/s. */
  read: z.number().min(1e3).max(1e12).optional(),
  /** Least and most capacity, B. */
  least: z.number().min(1).max(1e18).optional(),
  most: z.number().min(1).max(1e18).optional(),
  heatsink: z.boolean().optional(),
});

/** A port, slot or bay of a host. */
export const Port = z.object({
  id: Id,
  /** Where it is, in words a customer finds: "left side, nearest the hinge". */
  position: Name,
  connector: Connector,
  /** What it runs: for a slot the lanes wired. */
  modes: Modes,
  /** The host's uplink it shares with others, by id. */
  uplink: Id.optional(),
  /** W it can feed. */
  power: Watts.optional(),
  /** Lanes a slot is long, and whether its end is open to longer cards. */
  slot: z
    .object({
      edge: z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)]),
      open: z.boolean().optional(),
      bracket: z.enum(['full', 'half']).optional(),
      splits: z.number().int().min(1).max(4).optional(),
    })
    .optional(),
  /** Ports that go off when this one is used, by id. */
  switchesOff: z.array(Id).max(8).optional(),
  forms: z.array(FormFactor).max(8).optional(),
  key: z.enum(['M', 'B']).optional(),
  /** Height for a drive with whatever lies on it, mm. */
  room: Length.optional(),
  /** Whether 12 V reach a drive here. */
  volts12: z.boolean().optional(),
  minimum: Minimum.optional(),
  /** The host erases what is put in here when it first starts. */
  erases: z.boolean().optional(),
  /** Work of the current generation can be kept here but not run from here. */
  storesOnly: z.boolean().optional(),
});
export type Port = z.infer<typeof Port>;

/** An operating system of a host, with what its storage stack leaves of a port's rate. */
export const System = z.object({
  family: z.enum(['Windows', 'macOS', 'Linux', 'BSD', 'own']),
  version: z.string().max(20).optional(),
  /** Share of the port's practical rate that comes through, 0 to 1. */
  efficiency: Share.optional(),
});
export type System = z.infer<typeof System>;

/** Something beside the built-in drive that data comes from or goes to: a card in its reader, a network share, another drive. */
export const Endpoint = z.object({
  id: Id,
  name: Name,
  kind: z.enum(['card', 'network', 'drive']),
  /** Link it hangs on beside its port, e.g. the card's own. */
  modes: Modes,
  /** The host's port it is plugged into. */
  port: Id.optional(),
  read: Rate,
  write: Rate,
});
export type Endpoint = z.infer<typeof Endpoint>;

/** By direction. */
const PerFile = z.object({ read: Fact.optional(), write: Fact.optional() });

/** A customer's machine, or the bench's. What is absent is not known. */
export const Host = z.object({
  id: Id,
  name: Name,
  system: z.string().max(120),
  ports: z.array(Port).min(1, { error: 'a host needs at least one port or slot' }).max(64),
  /** The built-in drive: the other end of most copies. */
  storage: z.object({
    name: Name,
    read: Rate,
    write: Rate,
    capacity: Capacity.optional(),
    fill: z.number().min(0).max(1).optional(),
    rest: Rate.optional(),
    cache: Fact.optional(),
  }),
  kind: z
    .enum([
      'laptop',
      'desktop',
      'workstation',
      'mini PC',
      'all-in-one',
      'console',
      'appliance',
      'server',
      'tablet',
      'handheld',
    ])
    .optional(),
  /** Year it was built. */
  year: z.number().int().min(1990).max(2100).optional(),
  memory: Fact.optional(),
  processor: z.enum(['old', 'entry', 'middle', 'high']).optional(),
  /** The one in use first. */
  systems: z.array(System).max(6).optional(),
  firmware: z.enum(['UEFI', 'BIOS']).optional(),
  /** Whether its firmware starts from NVMe. */
  startsNvme: z.boolean().optional(),
  /** Links that several ports share, e.g. that of a chipset, with what else is on each. */
  uplinks: z
    .array(z.object({ id: Id, name: Name, modes: Modes, busy: z.array(Busy).max(16).optional() }))
    .max(16)
    .optional(),
  endpoints: z.array(Endpoint).max(16).optional(),
  /** s that each file costs it beside its bytes, as timed, by what it copies to or from. */
  perFile: z.object({ flash: PerFile.optional(), disk: PerFile.optional() }).optional(),
});
export type Host = z.infer<typeof Host>;
