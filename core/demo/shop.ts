import type { Fact } from '../evidence';
import type { Bridge, Cable, Drive, Host } from '../parts';

/*
 * The shop of the demo: invented makers and models with plausible, consistent data sheets.
 */
const MB = 1e6;
const GB = 1e9;
const TB = 1e12;

const sheet = (value: number): Fact => ({ value, source: { kind: 'sheet', note: 'data sheet' } });
const seen = (low: number, expected: number, high: number, note: string): Fact => ({ value: [low, expected, high], source: { kind: 'measured', note } });
const unknown: Fact = { value: null, source: { kind: 'unknown' } };

type DriveRow = [id: string, maker: string, model: string, cell: Drive['cell'], capacity: number, read: number, write: number, rest: Fact, cache: Fact, tbw: number, years: number];

const nvme = ([id, maker, model, cell, capacity, read, write, rest, cache, tbw, years]: DriveRow, mode: string): Drive => ({ id, maker, model, media: 'flash', form: 'M.2 2280', plug: 'M.2', modes: [mode], cell, capacity: sheet(capacity), read: sheet(read), write: sheet(write), rest, cache, tbw: sheet(tbw), warrantyYears: sheet(years) });
const sata = (row: DriveRow): Drive => ({ ...nvme(row, 'sata-6'), form: '2.5-inch, 7 mm', plug: 'SATA' });

export const DRIVES: Drive[] = [
  nvme(['larkmoor-reed-2t', 'Larkmoor', 'Reed 2 TB', 'TLC', 2 * TB, 3500 * MB, 3000 * MB, seen(780 * MB, 900 * MB, 1050 * MB, 'shop bench, two units'), seen(90 * GB, 120 * GB, 160 * GB, 'shop bench, two units'), 1200 * TB, 5], 'pcie3x4'),
  nvme(['larkmoor-sedge-1t', 'Larkmoor', 'Sedge 1 TB', 'QLC', 1 * TB, 2400 * MB, 1800 * MB, unknown, unknown, 200 * TB, 3], 'pcie3x4'),
  nvme(['oystral-merlin-4t', 'Oystral', 'Merlin 4 TB', 'TLC', 4 * TB, 7200 * MB, 6600 * MB, seen(1500 * MB, 1700 * MB, 1900 * MB, 'review of the 4 TB model'), seen(350 * GB, 430 * GB, 500 * GB, 'review of the 4 TB model'), 2800 * TB, 5], 'pcie4x4'),
  nvme(['oystral-kestrel-2t', 'Oystral', 'Kestrel 2 TB', 'TLC', 2 * TB, 7000 * MB, 6100 * MB, unknown, unknown, 1200 * TB, 5], 'pcie4x4'),
  sata(['venndale-slate-2t', 'Venndale', 'Slate 2 TB', 'TLC', 2 * TB, 560 * MB, 520 * MB, seen(380 * MB, 440 * MB, 480 * MB, 'shop bench'), seen(20 * GB, 40 * GB, 80 * GB, 'shop bench'), 720 * TB, 5]),
  sata(['venndale-chalk-4t', 'Venndale', 'Chalk 4 TB', 'QLC', 4 * TB, 560 * MB, 510 * MB, unknown, unknown, 1440 * TB, 5]),
];

export const BRIDGES: Bridge[] = [
  { id: 'tesselin-nook-10', maker: 'Tesselin', model: 'Nook 10', kind: 'enclosure', passThrough: false, socket: 'M.2', inner: ['pcie3x2'], plug: 'USB-C', outer: ['usb-10'], read: null, write: null, protocol: 'uas' },
  { id: 'tesselin-nook-20', maker: 'Tesselin', model: 'Nook 20', kind: 'enclosure', passThrough: false, socket: 'M.2', inner: ['pcie3x4'], plug: 'USB-C', outer: ['usb-20'], read: null, write: null, protocol: 'uas' },
  { id: 'tesselin-vault-40', maker: 'Tesselin', model: 'Vault 40', kind: 'enclosure', passThrough: false, socket: 'M.2', inner: ['pcie4x4'], plug: 'USB-C', outer: ['usb4-40g4', 'tb-3'], read: null, write: null, protocol: 'uas' },
  { id: 'quarrel-shell-5', maker: 'Quarrel', model: 'Shell 5', kind: 'enclosure', passThrough: false, socket: 'SATA', inner: ['sata-6'], plug: 'USB-C', outer: ['usb-5'], read: null, write: null, protocol: 'bulk-only' },
  { id: 'quarrel-shell-10', maker: 'Quarrel', model: 'Shell 10', kind: 'enclosure', passThrough: false, socket: 'SATA', inner: ['sata-6'], plug: 'USB-C', outer: ['usb-10'], read: null, write: null, protocol: 'uas' },
  { id: 'tesselin-riser-4', maker: 'Tesselin', model: 'Riser ×4', kind: 'adapter', passThrough: true, socket: 'M.2', inner: ['pcie4x4'], plug: 'PCIe slot', outer: ['pcie4x4'], read: null, write: null, protocol: null },
];

export const CABLES: Cable[] = [
  { id: 'c-c-10-05', name: 'C to C, 10 Gb/s', ends: ['USB-C', 'USB-C'], modes: ['usb-10'], length: 0.5 },
  { id: 'c-c-20-05', name: 'C to C, 20 Gb/s', ends: ['USB-C', 'USB-C'], modes: ['usb-20'], length: 0.5 },
  { id: 'c-c-40-08', name: 'C to C, 40 Gb/s', ends: ['USB-C', 'USB-C'], modes: ['usb4-40g4', 'tb-3', 'usb-20'], length: 0.8 },
  { id: 'c-c-charge-2', name: 'C to C, charging (USB 2.0)', ends: ['USB-C', 'USB-C'], modes: ['usb-2'], length: 2 },
  { id: 'c-a-10-05', name: 'C to A, 10 Gb/s', ends: ['USB-C', 'USB-A'], modes: ['usb-10'], length: 0.5 },
  { id: 'sata-05', name: 'SATA lead', ends: ['SATA', 'SATA'], modes: ['sata-6'], length: 0.5 },
];

export const HOSTS: Host[] = [
  {
    id: 'field-laptop',
    name: 'Field laptop',
    system: 'Linux',
    ports: [
      { id: 'left-back', position: 'Left side, by the hinge', connector: 'USB-C', modes: ['usb-10'] },
      { id: 'left-front', position: 'Left side, front', connector: 'USB-C', modes: ['usb-5'] },
      { id: 'right', position: 'Right side', connector: 'USB-A', modes: ['usb-5'] },
    ],
    storage: { name: 'Built-in 1 TB', read: seen(1700 * MB, 2100 * MB, 2300 * MB, 'timed at the intake'), write: seen(700 * MB, 1100 * MB, 1500 * MB, 'timed at the intake') },
  },
  {
    id: 'scanning-workstation',
    name: 'Scanning workstation',
    system: 'Windows 11',
    ports: [
      { id: 'slot-x1', position: 'Slot 3, below the graphics card', connector: 'PCIe slot', modes: ['pcie3x1'] },
      { id: 'slot-x8', position: 'Slot 2, long, wired ×8', connector: 'PCIe slot', modes: ['pcie3x8'] },
      { id: 'board-sata', position: 'On the board, lower edge', connector: 'SATA', modes: ['sata-6'] },
      { id: 'back-c', position: 'Back, top pair', connector: 'USB-C', modes: ['usb-20'] },
      { id: 'back-a', position: 'Back, middle four', connector: 'USB-A', modes: ['usb-5'] },
    ],
    storage: { name: 'Built-in 2 TB', read: sheet(3400 * MB), write: sheet(2900 * MB) },
  },
  {
    id: 'simulator-host',
    name: 'Simulator host',
    system: 'Sealed appliance',
    ports: [
      { id: 'bay', position: 'Expansion bay under the side cover', connector: 'M.2', modes: ['pcie4x4'] },
      { id: 'front-c', position: 'Front, beside the key switch', connector: 'USB-C', modes: ['usb-10'] },
      { id: 'back-40', position: 'Back, marked 40', connector: 'USB-C', modes: ['usb4-40', 'tb-3'] },
    ],
    storage: { name: 'Built-in 1 TB', read: sheet(5500 * MB), write: unknown },
  },
];
