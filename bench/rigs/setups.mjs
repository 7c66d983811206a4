import { MB, TB } from './figures.mjs';

/*
 * What stands on the bench: each set-up with what is in it, and as a technician would enter it. Makers, models and machines are made up.
 */
const sheet = (value) => ({
  value,
  source: value === null ? { kind: 'unknown' } : { kind: 'sheet', note: 'data sheet' },
});

/** What the box of a drive says, by the engine's kinds. */
const BOX = {
  'sata TLC': { cell: 'TLC', read: 560, write: 530, form: '2.5-inch, 7 mm', plug: 'SATA', modes: ['sata-6'] },
  'sata QLC': { cell: 'QLC', read: 560, write: 530, form: '2.5-inch, 7 mm', plug: 'SATA', modes: ['sata-6'] },
  'sata MLC': { cell: 'MLC', read: 555, write: 510, form: '2.5-inch, 7 mm', plug: 'SATA', modes: ['sata-6'] },
  'pcie3 TLC': {
    cell: 'TLC',
    read: 3450,
    write: 3000,
    form: 'M.2 2280',
    plug: 'M.2',
    modes: ['pcie3x4'],
    key: 'M',
    map: 'DRAM',
  },
  'pcie3 QLC': {
    cell: 'QLC',
    read: 3300,
    write: 2400,
    form: 'M.2 2280',
    plug: 'M.2',
    modes: ['pcie3x4'],
    key: 'M',
    map: 'HMB',
  },
  'pcie4 TLC': {
    cell: 'TLC',
    read: 7000,
    write: 6300,
    form: 'M.2 2280',
    plug: 'M.2',
    modes: ['pcie4x4'],
    key: 'M',
    map: 'DRAM',
  },
  'sealed TLC': {
    cell: 'TLC',
    read: 1050,
    write: 1000,
    form: 'sealed',
    plug: 'USB-C',
    modes: ['usb-10'],
    sealed: true,
    protocol: 'uas',
  },
  'portable 2.5': {
    read: 138,
    write: 138,
    form: '2.5-inch, 7 mm',
    plug: 'SATA',
    modes: ['sata-6'],
    rpm: 5400,
    recording: 'CMR',
  },
  'dock 3.5': {
    read: 210,
    write: 210,
    form: '3.5-inch',
    plug: 'SATA',
    modes: ['sata-6'],
    rpm: 5400,
    recording: 'CMR',
  },
  'bay 3.5': {
    read: 268,
    write: 268,
    form: '3.5-inch',
    plug: 'SATA',
    modes: ['sata-6'],
    rpm: 7200,
    recording: 'CMR',
  },
};

function driveOf(kind, capacity) {
  const { read, write, cell = null, ...rest } = BOX[kind];
  return {
    id: 'drive',
    maker: 'Anselm',
    model: `Bench ${kind.replace(/[ .]/g, '-')}`,
    media: cell ? 'flash' : 'disk',
    cell,
    capacity: sheet(capacity),
    read: sheet(read * MB),
    write: sheet(write * MB),
    rest: sheet(null),
    cache: sheet(null),
    tbw: sheet(cell ? 600 * (capacity / TB) * TB : null),
    warrantyYears: sheet(3),
    ...rest,
  };
}

const usb = (id, modes, connector = 'USB-C', more = {}) => ({
  id,
  position: `Port ${id}`,
  connector,
  modes,
  power: 15,
  ...more,
});
const bridge = (socket, inner, outer, more = {}) => ({
  id: 'box',
  maker: 'Tamsin',
  model: `Shell ${outer[0]}`,
  kind: 'enclosure',
  passThrough: false,
  socket,
  inner,
  plug: 'USB-C',
  outer,
  read: null,
  write: null,
  protocol: 'uas',
  cooling: 'metal with pad',
  large: true,
  ...more,
});
const cable = (mode) => ({
  id: 'lead',
  name: `Lead for ${mode}`,
  ends: ['USB-C', 'USB-C'],
  modes: mode === 'usb4-40' ? [mode, 'usb-20'] : [mode],
  length: 0.6,
  power: 60,
});

/** Modes of a port that brings those below with it. */
const PORTS = {
  'usb-5': ['usb-5'],
  'usb-10': ['usb-10'],
  'usb-20': ['usb-20', 'usb-10'],
  'usb4-40': ['usb4-40', 'usb-20', 'usb-10'],
};

const onUsb = (id, system, kind, capacity, outer, inner, more = {}) => {
  const flash = BOX[kind].cell !== undefined;
  const sealed = BOX[kind].sealed === true;
  return {
    id,
    kind: flash ? 'flash on USB' : 'disk on USB',
    system,
    medium: flash ? 'flash' : 'disk',
    drive: kind,
    capacity,
    outer,
    inner,
    boxed: true,
    told: {
      drive: driveOf(kind, capacity),
      bridge: sealed
        ? null
        : bridge(flash && inner.startsWith('pcie') ? 'M.2' : 'SATA', [inner], [outer], more),
      cable: cable(outer),
      port: 'one',
      ports: [
        usb('one', PORTS[outer]),
        usb('two', PORTS[outer]),
        usb('old', ['usb-5'], 'USB-A'),
        usb('oldest', ['usb-2'], 'USB-A'),
      ],
    },
  };
};
const inside = (id, system, kind, capacity, link, position) => {
  const flash = BOX[kind].cell !== undefined;
  const isSlot = link.startsWith('pcie');
  return {
    id,
    kind: flash ? (isSlot ? 'flash in a slot' : 'flash on SATA') : 'disk inside',
    system,
    medium: flash ? 'flash' : 'disk',
    drive: kind,
    capacity,
    outer: link,
    inner: null,
    boxed: false,
    told: {
      drive: driveOf(kind, capacity),
      bridge: null,
      cable: null,
      port: 'bay',
      ports: [
        { id: 'bay', position, connector: isSlot ? 'M.2' : 'SATA', modes: [link] },
        usb('one', ['usb-10']),
      ],
    },
  };
};

/** Four disks in a box that makes its redundancy itself. */
const box = (id, system, kind, capacity, outer) => {
  const one = onUsb(id, system, kind, capacity, outer, 'sata-6', {
    bays: 4,
    arrays: ['parity'],
    supply: { watts: 90, volts12: true },
  });
  return {
    ...one,
    kind: 'disks in a box',
    members: 4,
    told: { ...one.told, together: 4, array: { mode: 'parity', by: 'firmware' } },
  };
};

/** Sixteen of them: four USB classes, two generations of slots, SATA; three cell types, a sealed one, disks alone and four at once. */
export const SETUPS = [
  onUsb('sata-tlc-5', 'Linux', 'sata TLC', 1 * TB, 'usb-5', 'sata-6'),
  onUsb('sata-qlc-10', 'Windows', 'sata QLC', 2 * TB, 'usb-10', 'sata-6'),
  onUsb('sata-mlc-5', 'Windows', 'sata MLC', 0.5 * TB, 'usb-5', 'sata-6'),
  onUsb('nvme-tlc-10', 'macOS', 'pcie3 TLC', 1 * TB, 'usb-10', 'pcie3x2'),
  onUsb('nvme-qlc-10', 'Linux', 'pcie3 QLC', 2 * TB, 'usb-10', 'pcie3x2'),
  onUsb('nvme-tlc-20', 'Windows', 'pcie3 TLC', 2 * TB, 'usb-20', 'pcie3x4'),
  onUsb('nvme-tlc-40', 'macOS', 'pcie4 TLC', 2 * TB, 'usb4-40', 'pcie3x4'),
  onUsb('sealed-10', 'macOS', 'sealed TLC', 1 * TB, 'usb-10', 'pcie3x2'),
  onUsb('portable-disk', 'Windows', 'portable 2.5', 4 * TB, 'usb-5', 'sata-6'),
  onUsb('dock-disk', 'macOS', 'dock 3.5', 8 * TB, 'usb-10', 'sata-6', {
    kind: 'dock',
    supply: { watts: 36, volts12: true },
  }),
  box('box-of-four', 'Linux', 'dock 3.5', 6 * TB, 'usb-10'),
  inside('bay-disk', 'Linux', 'bay 3.5', 12 * TB, 'sata-6', 'Lower bay'),
  inside('slot-4', 'Windows', 'pcie4 TLC', 1 * TB, 'pcie4x4', 'Slot by the processor'),
  inside('slot-3', 'Linux', 'pcie3 QLC', 1 * TB, 'pcie3x4', 'Slot below the card'),
  inside('sata-mlc', 'Linux', 'sata MLC', 1 * TB, 'sata-6', 'Cage'),
  inside('sata-tlc', 'macOS', 'sata TLC', 2 * TB, 'sata-6', 'Cage'),
];

/** The machine of a rig, as entered: what is known of its built-in drive and memory. */
export const machineOf = ({ system, told }, { memory, read, write }) => ({
  id: 'machine',
  name: `A ${system} machine`,
  system: '',
  systems: [{ family: system }],
  ports: told.ports,
  kind: told.bridge || told.drive.sealed ? 'laptop' : 'desktop',
  memory: sheet(memory),
  storage: { name: 'Built-in drive', read: sheet(read), write: sheet(write), capacity: sheet(1 * TB) },
});
