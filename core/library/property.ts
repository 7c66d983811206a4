import type { Kind } from '../parts';
import type { Dimension, Unit } from '../units';

/** How a property of a part is called and asked for. */
export interface Property {
  label: string;
  /** Of a quantity. */
  dimension?: Dimension;
  /** Unit a bare count is meant in. */
  unit?: Unit;
  /** Unit of a plain number, for the label. */
  of?: string;
}

const p = (label: string, dimension?: Dimension, more: Omit<Property, 'label' | 'dimension'> = {}): Property => ({ label, ...(dimension ? { dimension } : {}), ...more });

/** Properties by their key in the schema. What differs by kind stands below. */
const COMMON: Record<string, Property> = {
  id: p('Id'),
  maker: p('Maker'),
  model: p('Model'),
  name: p('Name'),
  media: p('Medium'),
  form: p('Form factor'),
  plug: p('Plug'),
  socket: p('Takes plug'),
  modes: p('Modes'),
  cell: p('Cell type'),
  capacity: p('Capacity', 'bytes'),
  read: p('Reads at', 'rate'),
  write: p('Writes at, in cache', 'rate'),
  rest: p('Writes at, cache used up', 'rate'),
  cache: p('Cache takes', 'bytes'),
  tbw: p('Rated writes (TBW)', 'bytes'),
  warrantyYears: p('Warranty, years', 'count'),
  sealed: p('Sealed'),
  protocol: p('USB protocol'),
  recording: p('Recording'),
  rpm: p('Turns a minute'),
  map: p('Map kept in'),
  key: p('M.2 key'),
  sides: p('Sides with chips'),
  height: p('Height', 'length'),
  heatsinkHeight: p('Height with heatsink', 'length'),
  power: p('Power'),
  randomRead: p('Random reads, 4 KiB', 'iops'),
  randomWrite: p('Random writes, 4 KiB', 'iops'),
  workload: p('Workload rating', 'perDay'),
  mtbf: p('Mean time between failures', 'time'),
  revisions: p('Revisions under this name'),
  revision: p('Revision of this unit'),
  kind: p('Kind'),
  passThrough: p('Passes lanes through'),
  inner: p('Modes towards the drive'),
  outer: p('Modes towards the host'),
  chip: p('Class of its chip'),
  forms: p('Form factors'),
  room: p('Room in height', 'length'),
  bays: p('Bays'),
  arrays: p('Array modes'),
  large: p('Takes over 2.2 TB'),
  sector: p('Sectors shown, B'),
  trim: p('Passes TRIM'),
  health: p('Passes health counters'),
  supply: p('Own supply'),
  cooling: p('Cooling'),
  card: p('Card'),
  up: p('Modes towards the host'),
  ports: p('Ports and slots'),
  ends: p('Ends'),
  length: p('Length', undefined, { of: 'm' }),
  active: p('Active'),
  system: p('System, in words'),
  storage: p('Built-in drive'),
  year: p('Built in'),
  memory: p('Memory', 'bytes'),
  processor: p('Processor class'),
  systems: p('Systems'),
  firmware: p('Firmware'),
  startsNvme: p('Starts from NVMe'),
  uplinks: p('Shared uplinks'),
  endpoints: p('Other sources and targets'),
};

/** Of what stands inside a property. */
const INSIDE: Record<string, Property> = {
  'power.idle': p('Idle', 'power'),
  'power.read': p('Reading', 'power'),
  'power.write': p('Writing', 'power'),
  'power.start': p('Starting', 'power'),
  'supply.watts': p('Gives', 'power'),
  'supply.volts12': p('Brings 12 V'),
  'card.edge': p('Edge, lanes'),
  'card.bracket': p('Bracket'),
  'card.splitting': p('Splits by'),
  'storage.name': p('Name'),
  'storage.read': p('Reads at', 'rate'),
  'storage.write': p('Writes at', 'rate'),
  'storage.capacity': p('Capacity', 'bytes'),
  'storage.fill': p('Full', 'percent'),
  'storage.rest': p('Writes at, cache used up', 'rate'),
  'storage.cache': p('Cache takes', 'bytes'),
};

const BY_KIND: Partial<Record<Kind, Record<string, Property>>> = {
  bridges: { power: p('Draws itself', 'power'), read: p('Reads at most', 'rate'), write: p('Writes at most', 'rate') },
  cables: { power: p('Carries', 'power'), modes: p('Modes it carries') },
  hubs: { supply: p('Own supply', 'power'), ports: p('Ports') },
};

export const propertyOf = (kind: Kind, key: string): Property => BY_KIND[kind]?.[key] ?? COMMON[key] ?? INSIDE[key] ?? p(key.slice(key.lastIndexOf('.') + 1));
