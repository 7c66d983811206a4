import type { Accessory, Cable } from '../parts';

/*
 * Cables and small parts of the demo's shop, invented.
 */
export const CABLES: Cable[] = [
  {
    id: 'c-c-10-05',
    name: 'C to C, 10 Gb/s',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb-10'],
    length: 0.5,
    power: 60,
  },
  {
    id: 'c-c-10-2',
    name: 'C to C, 10 Gb/s, long',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb-10'],
    length: 2,
    power: 60,
  },
  {
    id: 'c-c-20-05',
    name: 'C to C, 20 Gb/s',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb-20'],
    length: 0.5,
    power: 60,
  },
  {
    id: 'c-c-40-08',
    name: 'C to C, 40 Gb/s',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb4-40g4', 'tb-3', 'usb-20'],
    length: 0.8,
    power: 100,
  },
  {
    id: 'c-c-80-08',
    name: 'C to C, 80 Gb/s',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb4-80', 'tb-3', 'usb-20'],
    length: 0.8,
    power: 240,
  },
  {
    id: 'c-c-tb3-2',
    name: 'C to C, Thunderbolt 3, active',
    ends: ['USB-C', 'USB-C'],
    modes: ['tb-3', 'usb-2'],
    length: 2,
    power: 100,
    active: true,
  },
  {
    id: 'c-c-charge-2',
    name: 'C to C, charging (USB 2.0)',
    ends: ['USB-C', 'USB-C'],
    modes: ['usb-2'],
    length: 2,
    power: 100,
  },
  {
    id: 'c-a-10-05',
    name: 'C to A, 10 Gb/s',
    ends: ['USB-C', 'USB-A'],
    modes: ['usb-10'],
    length: 0.5,
    power: 15,
  },
  { id: 'c-a-5-1', name: 'C to A, 5 Gb/s', ends: ['USB-C', 'USB-A'], modes: ['usb-5'], length: 1, power: 15 },
  {
    id: 'a-micro-b-05',
    name: 'A to Micro-B, 5 Gb/s',
    ends: ['USB-A', 'Micro-B'],
    modes: ['usb-5'],
    length: 0.5,
    power: 7.5,
  },
  {
    id: 'c-micro-b-05',
    name: 'C to Micro-B, 5 Gb/s',
    ends: ['USB-C', 'Micro-B'],
    modes: ['usb-5'],
    length: 0.5,
    power: 7.5,
  },
  {
    id: 'a-b-5-1',
    name: 'A to B, 5 Gb/s',
    ends: ['USB-A', 'USB-B'],
    modes: ['usb-5'],
    length: 1,
    power: 7.5,
  },
  {
    id: 'a-b-2-15',
    name: 'A to B, USB 2.0',
    ends: ['USB-A', 'USB-B'],
    modes: ['usb-2'],
    length: 1.5,
    power: 2.5,
  },
  {
    id: 'c-b-5-1',
    name: 'C to B, 5 Gb/s',
    ends: ['USB-C', 'USB-B'],
    modes: ['usb-5'],
    length: 1,
    power: 7.5,
  },
  { id: 'sata-05', name: 'SATA lead', ends: ['SATA', 'SATA'], modes: ['sata-6'], length: 0.5 },
];

const small = (
  id: string,
  maker: string,
  model: string,
  kind: Accessory['kind'],
  more: Partial<Accessory> = {},
): Accessory => ({ id, maker, model, kind, ...more });

export const ACCESSORIES: Accessory[] = [
  small('hollin-pad-10', 'Hollin', 'Pad 1.0 mm', 'pad', { height: 1 }),
  small('hollin-pad-15', 'Hollin', 'Pad 1.5 mm', 'pad', { height: 1.5 }),
  small('oystral-fin-low', 'Oystral', 'Fin Low', 'heatsink', { forms: ['M.2 2280'], height: 6.5 }),
  small('oystral-fin-high', 'Oystral', 'Fin High', 'heatsink', {
    forms: ['M.2 2280', 'M.2 22110'],
    height: 18,
  }),
  small('quarrel-tray-35', 'Quarrel', 'Tray 2.5 to 3.5', 'bay adapter', { forms: ['2.5-inch'] }),
  small('tesselin-bracket-half', 'Tesselin', 'Bracket, half height', 'bracket'),
  small('quarrel-data-05', 'Quarrel', 'SATA data lead', 'data lead'),
  small('quarrel-power-y', 'Quarrel', 'SATA power splitter', 'power lead'),
  small('quarrel-y-lead', 'Quarrel', 'USB lead with two plugs', 'Y-lead'),
  small('hollin-standoff', 'Hollin', 'Standoff and screw set', 'standoff and screw'),
  small('hollin-screws', 'Hollin', 'Mounting screws, 2.5-inch', 'mounting screws', { forms: ['2.5-inch'] }),
];
