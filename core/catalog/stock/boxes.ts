import type { Bridge, Hub } from '../parts';
import { MB, seen } from './facts';

/*
 * Enclosures, docks, cards, adapters and hubs of the demo's shop, invented.
 */
const M2_LENGTHS: Bridge['forms'] = ['M.2 2230', 'M.2 2242', 'M.2 2260', 'M.2 2280'];
type Rest = Partial<Bridge> & Pick<Bridge, 'socket' | 'inner' | 'plug' | 'outer'>;

const box = (id: string, maker: string, model: string, rest: Rest): Bridge => ({
  id,
  maker,
  model,
  kind: 'enclosure',
  passThrough: false,
  read: null,
  write: null,
  protocol: 'uas',
  ...rest,
});
const nook = (
  id: string,
  maker: string,
  model: string,
  inner: string[],
  outer: string[],
  rest: Partial<Bridge> = {},
): Bridge =>
  box(id, maker, model, {
    socket: 'M.2',
    inner,
    plug: 'USB-C',
    outer,
    forms: M2_LENGTHS,
    room: 5,
    bays: 1,
    large: true,
    trim: true,
    health: true,
    cooling: 'metal with pad',
    power: 0.9,
    ...rest,
  });
const shell = (
  id: string,
  maker: string,
  model: string,
  outer: string[],
  rest: Partial<Bridge> = {},
): Bridge =>
  box(id, maker, model, {
    socket: 'SATA',
    inner: ['sata-6'],
    plug: 'USB-C',
    outer,
    forms: ['2.5-inch'],
    room: 9.5,
    bays: 1,
    large: true,
    trim: true,
    health: true,
    cooling: 'plastic',
    power: 0.7,
    ...rest,
  });
const riser = (
  id: string,
  model: string,
  mode: string,
  rest: Partial<Bridge> & { card: NonNullable<Bridge['card']> },
): Bridge =>
  box(id, 'Tesselin', model, {
    kind: 'adapter',
    passThrough: true,
    socket: 'M.2',
    inner: [mode],
    plug: 'PCIe slot',
    outer: [mode],
    protocol: null,
    forms: [...M2_LENGTHS, 'M.2 22110'],
    bays: 1,
    ...rest,
  });

export const BRIDGES: Bridge[] = [
  nook('tesselin-nook-10', 'Tesselin', 'Nook 10', ['pcie3x2'], ['usb-10'], { chip: '10 Gb/s class' }),
  nook('tesselin-nook-20', 'Tesselin', 'Nook 20', ['pcie3x4'], ['usb-20'], { chip: '20 Gb/s class' }),
  nook('tesselin-nook-duo', 'Tesselin', 'Nook Duo', ['pcie3x2', 'sata-6'], ['usb-10'], {
    chip: '10 Gb/s class, NVMe and SATA',
  }),
  nook('tesselin-vault-40', 'Tesselin', 'Vault 40', ['pcie4x4'], ['usb4-40g4', 'tb-3'], {
    power: 2.5,
    room: 6,
  }),
  nook('tesselin-vault-80', 'Tesselin', 'Vault 80', ['pcie4x4'], ['usb4-80'], {
    cooling: 'fan',
    power: 3.5,
    room: 8,
  }),
  nook('tesselin-vault-3', 'Tesselin', 'Vault 3', ['pcie3x4'], ['tb-3'], {
    chip: 'first Thunderbolt 3 class',
    write: seen(1150 * MB, 1300 * MB, 1450 * MB, 'first bridge classes'),
    power: 3,
    cooling: 'metal',
  }),
  nook('hollin-clip-10', 'Hollin', 'Clip 10', ['pcie3x2'], ['usb-10'], {
    cooling: 'plastic',
    trim: false,
    health: false,
  }),
  nook('quarrel-blade-s', 'Quarrel', 'Blade S', ['sata-6'], ['usb-5'], {
    cooling: 'metal',
    forms: ['M.2 2242', 'M.2 2260', 'M.2 2280'],
  }),
  shell('quarrel-shell-5', 'Quarrel', 'Shell 5', ['usb-5'], {
    protocol: 'bulk-only',
    trim: false,
    health: false,
  }),
  shell('quarrel-shell-10', 'Quarrel', 'Shell 10', ['usb-10']),
  shell('quarrel-shell-old', 'Quarrel', 'Shell Old', ['usb-2'], {
    plug: 'USB-B',
    protocol: 'bulk-only',
    large: false,
    forms: ['3.5-inch'],
    inner: ['sata-3'],
    room: 26.5,
    supply: { watts: 30, volts12: true },
    trim: false,
    health: false,
  }),
  shell('quarrel-tower-5', 'Quarrel', 'Tower 5', ['usb-5'], {
    plug: 'Micro-B',
    forms: ['3.5-inch', '2.5-inch'],
    room: 27,
    supply: { watts: 30, volts12: true },
    cooling: 'metal',
  }),
  shell('quarrel-tower-4k', 'Quarrel', 'Tower 4K', ['usb-5'], {
    plug: 'USB-B',
    forms: ['3.5-inch'],
    room: 27,
    sector: 4096,
    supply: { watts: 30, volts12: true },
  }),
  shell('quarrel-stand-2', 'Quarrel', 'Stand 2', ['usb-10'], {
    kind: 'dock',
    forms: ['3.5-inch', '2.5-inch'],
    room: 30,
    bays: 2,
    arrays: ['single', 'mirror'],
    supply: { watts: 48, volts12: true },
    cooling: 'metal',
  }),
  shell('quarrel-quad-10', 'Quarrel', 'Quad 10', ['usb-10'], {
    forms: ['3.5-inch', '2.5-inch'],
    room: 27,
    bays: 4,
    arrays: ['single', 'stripe', 'mirror', 'concatenation', 'parity'],
    supply: { watts: 96, volts12: true },
    cooling: 'fan',
  }),
  shell('quarrel-quad-40', 'Quarrel', 'Quad 40', ['usb4-40', 'tb-3'], {
    forms: ['3.5-inch', '2.5-inch'],
    room: 27,
    bays: 4,
    arrays: ['single'],
    supply: { watts: 120, volts12: true },
    cooling: 'fan',
  }),
  shell('quarrel-slim-4', 'Quarrel', 'Slim 4', ['usb-10'], {
    forms: ['2.5-inch'],
    bays: 4,
    arrays: ['single', 'stripe', 'mirror', 'concatenation'],
    supply: { watts: 30, volts12: false },
    cooling: 'metal',
  }),
  box('quarrel-lead-a', 'Quarrel', 'Lead A', {
    kind: 'adapter',
    socket: 'SATA',
    inner: ['sata-6'],
    plug: 'USB-A',
    outer: ['usb-5'],
    protocol: 'bulk-only',
    forms: ['2.5-inch'],
    bays: 1,
    trim: false,
    power: 0.7,
  }),
  riser('tesselin-riser-4', 'Riser ×4', 'pcie4x4', { card: { edge: 4, bracket: 'both' } }),
  riser('tesselin-riser-1', 'Riser ×1', 'pcie3x1', { card: { edge: 1, bracket: 'both' } }),
  riser('tesselin-riser-quad', 'Riser Quad', 'pcie4x4', {
    bays: 4,
    card: { edge: 16, bracket: 'full', splitting: 'board' },
  }),
  riser('tesselin-riser-switch', 'Riser Switch', 'pcie4x4', {
    bays: 4,
    outer: ['pcie4x8'],
    card: { edge: 8, bracket: 'full', splitting: 'switch' },
  }),
  box('hollin-frame-25', 'Hollin', 'Frame 2.5', {
    kind: 'adapter',
    passThrough: true,
    socket: 'M.2',
    inner: ['sata-6'],
    plug: 'SATA',
    outer: ['sata-6'],
    protocol: null,
    forms: ['M.2 2242', 'M.2 2260', 'M.2 2280'],
  }),
];

export const HUBS: Hub[] = [
  {
    id: 'tesselin-fan-4',
    maker: 'Tesselin',
    model: 'Fan 4',
    kind: 'hub',
    plug: 'USB-C',
    up: ['usb-10'],
    ports: [
      { id: 'c1', position: 'first USB-C', connector: 'USB-C', modes: ['usb-10'], power: 4.5 },
      { id: 'c2', position: 'second USB-C', connector: 'USB-C', modes: ['usb-10'], power: 4.5 },
      { id: 'a1', position: 'first USB-A', connector: 'USB-A', modes: ['usb-5'], power: 2.5 },
      { id: 'a2', position: 'second USB-A', connector: 'USB-A', modes: ['usb-2'], power: 2.5 },
    ],
  },
  {
    id: 'hollin-row-7',
    maker: 'Hollin',
    model: 'Row 7',
    kind: 'hub',
    plug: 'USB-B',
    up: ['usb-5'],
    supply: 36,
    ports: [
      { id: 'a1', position: 'front left', connector: 'USB-A', modes: ['usb-5'], power: 7.5 },
      { id: 'a2', position: 'front right', connector: 'USB-A', modes: ['usb-5'], power: 7.5 },
      { id: 'a3', position: 'top', connector: 'USB-A', modes: ['usb-2'], power: 2.5 },
    ],
  },
  {
    id: 'quarrel-pier-40',
    maker: 'Quarrel',
    model: 'Pier 40',
    kind: 'dock',
    plug: 'USB-C',
    up: ['usb4-40', 'usb-10'],
    supply: 120,
    ports: [
      { id: 'down', position: 'marked 40', connector: 'USB-C', modes: ['usb4-40', 'tb-3'], power: 15 },
      { id: 'c10', position: 'front USB-C', connector: 'USB-C', modes: ['usb-10'], power: 7.5 },
      { id: 'a10', position: 'back USB-A', connector: 'USB-A', modes: ['usb-10'], power: 4.5 },
    ],
  },
  {
    id: 'tesselin-link-3',
    maker: 'Tesselin',
    model: 'Link 3',
    kind: 'daisy',
    plug: 'USB-C',
    up: ['tb-3'],
    supply: 60,
    ports: [
      { id: 'next', position: 'second socket', connector: 'USB-C', modes: ['tb-3', 'usb-10'], power: 15 },
    ],
  },
];
