import * as z from 'zod';
import { Capacity, Fact, Rate, Share } from '../../evidence';
import { askedFor, asks } from '../../units';
import { Busy } from './hub';
import { FormFactor, Connector, Id, Length, Modes, Name, Watts } from './modes';

/** What a host's maker asks of a drive in a bay. */
const Minimum = askedFor({
  /** Oldest PCIe generation the bay takes at all. */
  generation: asks('PCIe generation', z.number().int().min(1).max(6).optional(), { of: null }),
  /** Sequential reading asked for, B/s. */
  read: asks('Reading', z.number().min(1e3).max(1e12).optional(), 'rate'),
  /** Least and most capacity, B. */
  least: asks('At least', z.number().min(1).max(1e18).optional(), 'bytes'),
  most: asks('At most', z.number().min(1).max(1e18).optional(), 'bytes'),
  heatsink: asks('A heatsink', z.boolean().optional()),
});

/** Lanes a slot is long, and whether its end is open to longer cards. */
const Slot = askedFor({
  edge: asks('Slot length, lanes', z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)])),
  open: asks('Open-ended', z.boolean().optional()),
  bracket: asks('Bracket', z.enum(['full', 'half']).optional()),
  splits: asks('Bifurcation, into', z.number().int().min(1).max(4).optional(), { of: null }),
});

/** A port, slot or bay of a host. */
export const Port = askedFor({
  id: asks('Id', Id),
  /** Where it is, in words a customer finds: "left side, nearest the hinge". */
  position: asks('Where', Name),
  connector: asks('Shape', Connector),
  /** What it runs: for a slot the lanes wired. */
  modes: asks('Can do', Modes),
  /** The host's uplink it shares with others, by id. */
  uplink: asks('Shares its link with', Id.optional(), {
    among: 'uplinks',
    was: ['Shares its link with, by id', 'Uplink, by id'],
  }),
  /** W it can feed. */
  power: asks('Supplies', Watts.optional(), 'power'),
  slot: asks('Slot', Slot.optional()),
  /** Ports that go off when this one is used, by id. */
  switchesOff: asks('Switches off', z.array(Id).max(8).optional(), {
    among: 'ports',
    was: ['Switches off, by id'],
  }),
  forms: asks('Takes', z.array(FormFactor).max(8).optional()),
  key: asks('M.2 key', z.enum(['M', 'B']).optional()),
  /** Height for a drive with whatever lies on it, mm. */
  room: asks('Clearance', Length.optional(), 'length'),
  /** Whether 12 V reach a drive here. */
  volts12: asks('12 V there', z.boolean().optional()),
  minimum: asks('The maker asks for', Minimum.optional()),
  /** The host erases what is put in here when it first starts. */
  erases: asks('Erases what is put in', z.boolean().optional()),
  /** Work of the current generation can be kept here but not run from here. */
  storesOnly: asks('Keeps, does not run', z.boolean().optional()),
});
export type Port = z.infer<typeof Port>;

/** An operating system of a host, with what its storage stack leaves of a port's rate. */
export const System = askedFor({
  family: asks('Family', z.enum(['Windows', 'macOS', 'Linux', 'BSD', 'own'])),
  version: asks('Version', z.string().max(20).optional()),
  /** Share of the port's practical rate that comes through, 0 to 1. */
  efficiency: asks('Left after its overhead', Share.optional(), 'percent'),
});
export type System = z.infer<typeof System>;

/** Something beside the built-in drive that data comes from or goes to: a card in its reader, a network share, another drive. */
export const Endpoint = askedFor({
  id: asks('Id', Id),
  name: asks('Name', Name),
  kind: asks('Kind', z.enum(['card', 'network', 'drive'])),
  /** Link it is connected to beside its port, e.g. the card's own. */
  modes: asks('Connected to', Modes, { was: ['Link it hangs on'] }),
  /** The host's port it is plugged into. */
  port: asks('Connected to port', Id.optional(), { among: 'ports', was: ['In port, by id'] }),
  read: asks('Reads at', Rate, 'rate'),
  write: asks('Writes at', Rate, 'rate'),
});
export type Endpoint = z.infer<typeof Endpoint>;

/** By direction. */
const PerFile = askedFor({
  read: asks('Reading', Fact.optional(), 'time'),
  write: asks('Writing', Fact.optional(), 'time'),
});

/** The built-in drive: the other end of most copies. */
const BuiltIn = askedFor({
  name: asks('Name', Name),
  read: asks('Reads at', Rate, 'rate'),
  write: asks('Writes at', Rate, 'rate'),
  capacity: asks('Capacity', Capacity.optional(), 'bytes'),
  fill: asks('Full', z.number().min(0).max(1).optional(), 'percent'),
  rest: asks('Sustained writing (post-cache)', Rate.optional(), 'rate'),
  cache: asks('Cache takes', Fact.optional(), 'bytes'),
});

/** A link that several ports share, e.g. that of a chipset, with what else is on it. */
const Uplink = askedFor({
  id: asks('Id', Id),
  name: asks('Name', Name),
  modes: asks('Can do', Modes),
  busy: asks('What else is on it', z.array(Busy).max(16).optional()),
});

/** s that each file costs a host beside its bytes, as timed, by what it copies to or from. */
const FileCosts = askedFor({
  flash: asks('On solid state', PerFile.optional()),
  disk: asks('On disks', PerFile.optional()),
});

/** A customer's machine, or the bench's. What is absent is not known. */
export const Host = askedFor({
  id: asks('Id', Id),
  name: asks('Name', Name),
  system: asks('System in use', z.string().max(120), { was: ['System, in words'] }),
  ports: asks(
    'Ports and slots',
    z.array(Port).min(1, { error: 'a host needs at least one port or slot' }).max(64),
  ),
  storage: asks('Built-in drive', BuiltIn),
  kind: asks(
    'Kind',
    z
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
  ),
  /** Year it was built. */
  year: asks('Built in', z.number().int().min(1990).max(2100).optional(), { of: null }),
  memory: asks('Memory', Fact.optional(), 'bytes'),
  processor: asks('Processor class', z.enum(['old', 'entry', 'middle', 'high']).optional()),
  /** The one in use first. */
  systems: asks('Systems', z.array(System).max(6).optional()),
  firmware: asks('Firmware', z.enum(['UEFI', 'BIOS']).optional()),
  /** Whether its firmware starts from NVMe. */
  startsNvme: asks('NVMe boot', z.boolean().optional(), { was: ['Starts from NVMe'] }),
  uplinks: asks('Shared uplinks', z.array(Uplink).max(16).optional()),
  endpoints: asks('Other sources and targets', z.array(Endpoint).max(16).optional()),
  perFile: asks('Per-file overhead, as timed', FileCosts.optional()),
});
export type Host = z.infer<typeof Host>;
