import type { Endpoint, Host, Port } from '../parts';
import { GB, MB, seen, sheet, TB, unknown } from './facts';

/*
 * Hosts the demo's shop knows, invented: three laptops of three ages, desktops, a workstation, a mini PC, an all-in-one, a games console, a sealed
 * appliance, a small server, a tablet.
 */
const port = (id: string, position: string, connector: Port['connector'], modes: string[], more: Partial<Port> = {}): Port => ({ id, position, connector, modes, ...more });
const sata = (id: string, position: string, more: Partial<Port> = {}) => port(id, position, 'SATA', ['sata-6'], { uplink: 'chipset', ...more });
const reader = (id: string, name: string, link: string, on: string | undefined, read: number, write: number): Endpoint => ({ id, name, kind: 'card', modes: [link], ...(on ? { port: on } : {}), read: sheet(read * MB), write: sheet(write * MB) });
const share = (id: string, link: string, rate: [number, number, number]): Endpoint => ({ id, name: 'Network share', kind: 'network', modes: [link], read: seen(rate[0] * MB, rate[1] * MB, rate[2] * MB, 'timed at the intake'), write: seen(rate[0] * MB, rate[1] * MB, rate[2] * MB, 'timed at the intake') });
const stack = (low: number, expected: number, high: number) => seen(low, expected, high, 'shop bench, same box on several hosts');

export const HOSTS: Host[] = [
  {
    id: 'field-laptop', name: 'Field laptop', system: 'Linux', kind: 'laptop', year: 2020, memory: sheet(16 * GB), processor: 'middle', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'Linux', version: '6.8' }],
    ports: [
      port('left-back', 'Left side, by the hinge', 'USB-C', ['usb-10'], { power: 7.5 }),
      port('left-front', 'Left side, front', 'USB-C', ['usb-5'], { power: 7.5 }),
      port('right', 'Right side', 'USB-A', ['usb-5'], { power: 4.5 }),
    ],
    endpoints: [reader('recorder-card', 'Recorder’s card, in its slot', 'uhs-1', undefined, 95, 85), reader('card-right', 'Card reader on the right side', 'uhs-2', 'right', 280, 200)],
    storage: { name: 'Built-in 1 TB', read: seen(1700 * MB, 2100 * MB, 2300 * MB, 'timed at the intake'), write: seen(700 * MB, 1100 * MB, 1500 * MB, 'timed at the intake'), capacity: sheet(1 * TB), fill: 0.6 },
  },
  {
    id: 'old-laptop', name: 'Old office laptop', system: 'Windows 7', kind: 'laptop', year: 2011, memory: sheet(4 * GB), processor: 'old', firmware: 'BIOS', startsNvme: false,
    systems: [{ family: 'Windows', version: '7', efficiency: stack(0.7, 0.8, 0.9) }],
    uplinks: [{ id: 'usb-left', name: 'USB pair on the left', modes: ['usb-2'] }],
    ports: [
      port('bay', '2.5-inch bay under the flap', 'SATA', ['sata-3'], { forms: ['2.5-inch'], room: 9.5 }),
      port('left-1', 'Left side, back', 'USB-A', ['usb-2'], { uplink: 'usb-left', power: 2.5 }),
      port('left-2', 'Left side, front', 'USB-A', ['usb-2'], { uplink: 'usb-left', power: 2.5 }),
      port('right', 'Right side, blue', 'USB-A', ['usb-5'], { power: 4.5 }),
    ],
    endpoints: [reader('stick', 'USB stick on the left, front', 'usb-2', 'left-2', 30, 12)],
    storage: { name: 'Built-in 320 GB disk', read: seen(55 * MB, 75 * MB, 90 * MB, 'timed at the intake'), write: seen(45 * MB, 65 * MB, 85 * MB, 'timed at the intake'), capacity: sheet(320 * GB), fill: 0.85 },
  },
  {
    id: 'thin-laptop', name: 'Thin laptop', system: 'macOS 15', kind: 'laptop', year: 2024, memory: sheet(24 * GB), processor: 'high', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'macOS', version: '15.1' }],
    ports: [port('left-1', 'Left side, back', 'USB-C', ['usb4-40', 'tb-3'], { power: 15 }), port('left-2', 'Left side, front', 'USB-C', ['usb4-40', 'tb-3'], { power: 15 })],
    endpoints: [reader('card', 'Card slot, right side', 'uhs-2', undefined, 290, 260), share('share', 'eth-1', [90, 108, 113])],
    storage: { name: 'Built-in 1 TB', read: seen(5000 * MB, 5600 * MB, 6000 * MB, 'timed at the intake'), write: seen(3000 * MB, 4200 * MB, 5200 * MB, 'timed at the intake'), capacity: sheet(1 * TB), fill: 0.7 },
  },
  {
    id: 'scanning-workstation', name: 'Scanning workstation', system: 'Windows 11', kind: 'workstation', year: 2021, memory: sheet(64 * GB), processor: 'high', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'Windows', version: '11', efficiency: stack(0.88, 0.94, 0.98) }],
    uplinks: [{ id: 'chipset', name: 'Chipset', modes: ['pcie3x4'] }],
    ports: [
      port('slot-x1', 'Slot 3, below the graphics card', 'PCIe slot', ['pcie3x1'], { uplink: 'chipset', slot: { edge: 1, bracket: 'full', splits: 1 } }),
      port('slot-x8', 'Slot 2, long, wired ×8', 'PCIe slot', ['pcie3x8'], { slot: { edge: 16, bracket: 'full', splits: 2 } }),
      sata('board-sata', 'On the board, lower edge', { forms: ['2.5-inch', '3.5-inch'], volts12: true }),
      port('back-c', 'Back, top pair', 'USB-C', ['usb-20'], { uplink: 'chipset', power: 15 }),
      port('back-a', 'Back, middle four', 'USB-A', ['usb-5'], { uplink: 'chipset', power: 4.5 }),
    ],
    endpoints: [share('archive', 'eth-10', [600, 850, 1050])],
    storage: { name: 'Built-in 2 TB', read: sheet(3400 * MB), write: sheet(2900 * MB), capacity: sheet(2 * TB), fill: 0.4 },
  },
  {
    id: 'office-desktop', name: 'Office desktop', system: 'Windows 10', kind: 'desktop', year: 2018, memory: sheet(16 * GB), processor: 'middle', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'Windows', version: '10', efficiency: stack(0.85, 0.92, 0.97) }],
    uplinks: [{ id: 'chipset', name: 'Chipset', modes: ['pcie3x4'] }],
    ports: [
      port('m2', 'On the board, under the cooler', 'M.2', ['pcie3x4', 'sata-6'], { uplink: 'chipset', key: 'M', forms: ['M.2 2242', 'M.2 2260', 'M.2 2280'], room: 12, switchesOff: ['sata-2'] }),
      port('slot-x4', 'Second slot, ×16 long, wired ×4', 'PCIe slot', ['pcie3x4'], { uplink: 'chipset', slot: { edge: 16, bracket: 'half', splits: 1 } }),
      sata('sata-1', 'On the board, first SATA', { forms: ['3.5-inch', '2.5-inch'], volts12: true }),
      sata('sata-2', 'On the board, second SATA', { forms: ['3.5-inch', '2.5-inch'], volts12: true }),
      port('front-a', 'Front, upper', 'USB-A', ['usb-5'], { uplink: 'chipset', power: 4.5 }),
      port('front-c', 'Front, lower', 'USB-C', ['usb-5'], { uplink: 'chipset', power: 7.5 }),
    ],
    endpoints: [{ id: 'second-disk', name: 'Second disk, second SATA', kind: 'drive', modes: ['sata-6'], port: 'sata-2', read: seen(110 * MB, 150 * MB, 180 * MB, 'timed at the intake'), write: seen(100 * MB, 140 * MB, 170 * MB, 'timed at the intake') }],
    storage: { name: 'Built-in 512 GB', read: sheet(1800 * MB), write: sheet(900 * MB), capacity: sheet(512 * GB), fill: 0.8 },
  },
  {
    id: 'mini-pc', name: 'Mini PC', system: 'Linux', kind: 'mini PC', year: 2023, memory: sheet(32 * GB), processor: 'middle', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'Linux', version: '6.6' }],
    ports: [
      port('m2-short', 'Inside, short socket', 'M.2', ['pcie3x4'], { key: 'M', forms: ['M.2 2230', 'M.2 2242'], room: 5 }),
      port('m2-long', 'Inside, long socket', 'M.2', ['pcie4x4'], { key: 'M', forms: ['M.2 2280'], room: 8 }),
      port('front-c', 'Front', 'USB-C', ['usb4-40', 'usb-20'], { power: 15 }),
      port('back-a', 'Back, pair', 'USB-A', ['usb-10'], { power: 4.5 }),
    ],
    endpoints: [share('share', 'eth-2.5', [240, 275, 290])],
    storage: { name: 'Built-in 512 GB', read: sheet(3500 * MB), write: sheet(2200 * MB), capacity: sheet(512 * GB), fill: 0.5 },
  },
  {
    id: 'all-in-one', name: 'All-in-one with mixed ports', system: 'macOS 10.13', kind: 'all-in-one', year: 2017, memory: sheet(8 * GB), processor: 'middle', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'macOS', version: '10.13', efficiency: stack(0.9, 0.95, 0.99) }],
    uplinks: [{ id: 'usb-back', name: 'Controller of the back USB ports', modes: ['pcie2x1'] }],
    ports: [
      port('back-tb-1', 'Back, third from the left', 'USB-C', ['tb-3', 'usb-10'], { power: 15 }),
      port('back-tb-2', 'Back, fourth from the left', 'USB-C', ['tb-3', 'usb-10'], { power: 15 }),
      port('back-a-1', 'Back, first from the left', 'USB-A', ['usb-5'], { uplink: 'usb-back', power: 4.5 }),
      port('back-a-2', 'Back, second from the left', 'USB-A', ['usb-5'], { uplink: 'usb-back', power: 4.5 }),
    ],
    endpoints: [reader('card', 'Card slot at the back', 'uhs-1', undefined, 90, 80)],
    storage: { name: 'Built-in disk with a small flash cache', read: seen(90 * MB, 140 * MB, 900 * MB, 'timed at the intake: disk or its flash cache'), write: seen(80 * MB, 120 * MB, 500 * MB, 'timed at the intake'), capacity: sheet(1 * TB), fill: 0.9 },
  },
  {
    id: 'games-console', name: 'Games console', system: 'Its own', kind: 'console', year: 2021, firmware: 'UEFI', startsNvme: false,
    systems: [{ family: 'own' }],
    ports: [
      port('bay', 'Expansion bay behind the panel', 'M.2', ['pcie4x4'], {
        key: 'M', forms: ['M.2 2230', 'M.2 2242', 'M.2 2260', 'M.2 2280', 'M.2 22110'], room: 11.25, erases: true,
        minimum: { generation: 4, read: 5500 * MB, least: 250 * GB, most: 8 * TB, heatsink: true },
      }),
      port('front-a', 'Front', 'USB-A', ['usb-2'], { power: 2.5, storesOnly: true }),
      port('back-a', 'Back, pair', 'USB-A', ['usb-10'], { power: 4.5, storesOnly: true }),
    ],
    storage: { name: 'Built-in 825 GB', read: sheet(5500 * MB), write: unknown, capacity: sheet(825 * GB) },
  },
  {
    id: 'simulator-host', name: 'Simulator host', system: 'Sealed appliance', kind: 'appliance', year: 2022, memory: sheet(32 * GB), processor: 'high', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'own' }],
    ports: [
      port('bay', 'Expansion bay under the side cover', 'M.2', ['pcie4x4'], { key: 'M', forms: ['M.2 2230', 'M.2 2242', 'M.2 2280'], room: 11, erases: true, minimum: { generation: 4, read: 5500 * MB, most: 4 * TB, heatsink: true } }),
      port('front-c', 'Front, beside the key switch', 'USB-C', ['usb-10'], { power: 7.5 }),
      port('back-40', 'Back, marked 40', 'USB-C', ['usb4-40', 'tb-3'], { power: 15 }),
    ],
    storage: { name: 'Built-in 1 TB', read: sheet(5500 * MB), write: unknown, capacity: sheet(1 * TB) },
  },
  {
    id: 'small-server', name: 'Small server', system: 'Linux', kind: 'server', year: 2016, memory: sheet(32 * GB), processor: 'middle', firmware: 'BIOS', startsNvme: false,
    systems: [{ family: 'Linux', version: '5.10' }],
    uplinks: [{ id: 'chipset', name: 'Chipset', modes: ['pcie2x4'] }],
    ports: [
      port('slot-x8', 'Riser slot, ×8', 'PCIe slot', ['pcie3x8'], { slot: { edge: 8, open: true, bracket: 'half', splits: 1 } }),
      ...[1, 2, 3, 4].map((n) => sata(`bay-${n}`, `Front bay ${n}`, { forms: ['3.5-inch'], volts12: true })),
      port('back-a', 'Back', 'USB-A', ['usb-5'], { uplink: 'chipset', power: 4.5 }),
    ],
    endpoints: [share('share', 'eth-10', [500, 800, 1000])],
    storage: { name: 'Built-in mirror of two disks', read: seen(140 * MB, 180 * MB, 210 * MB, 'timed at the intake'), write: seen(130 * MB, 170 * MB, 200 * MB, 'timed at the intake'), capacity: sheet(4 * TB), fill: 0.5 },
  },
  {
    id: 'tablet', name: 'Tablet', system: 'Its own', kind: 'tablet', year: 2022, memory: sheet(8 * GB), processor: 'middle',
    systems: [{ family: 'own', efficiency: stack(0.55, 0.7, 0.9) }],
    ports: [port('edge', 'Lower edge', 'USB-C', ['usb-5'], { power: 4.5 })],
    storage: { name: 'Built-in 256 GB', read: unknown, write: unknown, capacity: sheet(256 * GB), fill: 0.75 },
  },
  {
    id: 'cutting-room', name: 'Cutting-room computer', system: 'macOS 15', kind: 'workstation', year: 2025, memory: sheet(64 * GB), processor: 'high', firmware: 'UEFI', startsNvme: true,
    systems: [{ family: 'macOS', version: '15.2' }],
    ports: [
      port('back-80-1', 'Back, left of three', 'USB-C', ['usb4-80', 'tb-3'], { power: 15 }),
      port('back-80-2', 'Back, middle of three', 'USB-C', ['usb4-80', 'tb-3'], { power: 15 }),
      port('front-c', 'Front, pair', 'USB-C', ['usb-10'], { power: 7.5 }),
      port('back-a', 'Back, pair', 'USB-A', ['usb-5'], { power: 4.5 }),
    ],
    endpoints: [reader('cards', 'Camera cards in a 40 Gb/s reader', 'cfexpress-b', 'back-80-2', 1700, 1500), share('share', 'eth-10', [700, 1000, 1120])],
    storage: { name: 'Built-in 2 TB', read: sheet(7000 * MB), write: sheet(6500 * MB), capacity: sheet(2 * TB), fill: 0.5 },
  },
];
