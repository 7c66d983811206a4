import type { Family, Link, Practical } from './link';

/*
 * The link table. Line rates and encodings: the standards named, recalled from memory, checked by tests against a second
 * derivation. Practical points (5, 50, 95 %): common practice, no source.
 */
const G = 1e9;
const M = 1e6;
const share = (...read: [number, number, number]): Practical => ({ kind: 'share', read });
const rate = (read: [number, number, number], write?: [number, number, number]): Practical => {
  const inBytes = (points: [number, number, number]) => points.map((p) => p * M) as [number, number, number];
  return { kind: 'rate', read: inBytes(read), ...(write ? { write: inBytes(write) } : {}) };
};
const encoded = (lineRate: number, encoding: readonly [number, number], lanes = 1) =>
  ({ kind: 'encoded', lineRate: lineRate * G, lanes, encoding }) as const;
const stated = (ceiling: number, note: string) => ({ kind: 'stated', ceiling: ceiling * M, note }) as const;

type Rest = Omit<Link, 'id' | 'name' | 'family' | 'implies' | 'halfDuplex'> & {
  implies?: string[];
  halfDuplex?: boolean;
};
const link = (id: string, name: string, family: Family, rest: Rest): Link => ({
  id,
  name,
  family,
  implies: [],
  halfDuplex: false,
  ...rest,
});

const B8 = [8, 10] as const;
const B128_132 = [128, 132] as const;

const PCIE: [gen: number, lineRate: number, encoding: readonly [number, number]][] = [
  [1, 2.5, B8],
  [2, 5, B8],
  [3, 8, [128, 130]],
  [4, 16, [128, 130]],
  [5, 32, [128, 130]],
  [6, 64, [236, 256]],
];
const LANES = [1, 2, 4, 8, 16] as const;

const pcie = PCIE.flatMap(([gen, lineRate, encoding]) =>
  LANES.map((lanes) =>
    link(`pcie${gen}x${lanes}`, `PCIe gen ${gen} ×${lanes}`, 'pcie', {
      derivation: encoded(lineRate, encoding, lanes),
      practice: gen === 6 ? share(0.9, 0.94, 0.97) : { kind: 'packets' },
      implies: [
        ...(gen > 1 ? [`pcie${gen - 1}x${lanes}`] : []),
        ...(lanes > 1 ? [`pcie${gen}x${lanes / 2}`] : []),
      ],
      standard: gen === 6 ? 'PCI Express Base 6, 236 packet bytes of a 256-byte flit' : 'PCI Express Base',
    }),
  ),
);

const sata = share(0.87, 0.92, 0.935);
const sas = share(0.88, 0.93, 0.96);
const card = share(0.75, 0.88, 0.95);
const ethernet = share(0.8, 0.93, 0.99);

export const TABLE: Link[] = [
  ...pcie,
  link('sata-1.5', 'SATA 1.5 Gb/s', 'sata', {
    derivation: encoded(1.5, B8),
    practice: sata,
    halfDuplex: true,
    standard: 'Serial ATA',
  }),
  link('sata-3', 'SATA 3 Gb/s', 'sata', {
    derivation: encoded(3, B8),
    practice: sata,
    halfDuplex: true,
    implies: ['sata-1.5'],
    standard: 'Serial ATA',
    also: ['eSATA 3 Gb/s'],
  }),
  link('sata-6', 'SATA 6 Gb/s', 'sata', {
    derivation: encoded(6, B8),
    practice: sata,
    halfDuplex: true,
    implies: ['sata-3'],
    standard: 'Serial ATA',
    also: ['eSATA 6 Gb/s'],
  }),
  link('sas-6', 'SAS 6 Gb/s', 'sas', {
    derivation: encoded(6, B8),
    practice: sas,
    implies: ['sata-6'],
    standard: 'Serial Attached SCSI',
  }),
  link('sas-12', 'SAS 12 Gb/s', 'sas', {
    derivation: encoded(12, B8),
    practice: sas,
    implies: ['sas-6'],
    standard: 'Serial Attached SCSI',
  }),
  link('usb-2', 'USB 2.0', 'usb', {
    derivation: { kind: 'packets', packets: 13, bytes: 512, every: 125e-6 },
    practice: share(0.6, 0.72, 0.82),
    halfDuplex: true,
    standard: 'USB 2.0, bulk transfers',
    also: ['USB 480 Mb/s', 'Hi-Speed'],
  }),
  link('usb-5', 'USB 5 Gb/s', 'usb', {
    derivation: encoded(5, B8),
    practice: share(0.76, 0.86, 0.92),
    implies: ['usb-2'],
    standard: 'USB 3.2',
    also: ['USB 3.0', 'USB 3.1 Gen 1', 'USB 3.2 Gen 1×1', 'SuperSpeed'],
  }),
  link('usb-5x2', 'USB 3.2 Gen 1×2', 'usb', {
    derivation: encoded(5, B8, 2),
    practice: share(0.74, 0.82, 0.88),
    implies: ['usb-5'],
    standard: 'USB 3.2',
  }),
  link('usb-10', 'USB 10 Gb/s', 'usb', {
    derivation: encoded(10, B128_132),
    practice: share(0.74, 0.8, 0.87),
    implies: ['usb-5'],
    standard: 'USB 3.2',
    also: ['USB 3.1 Gen 2', 'USB 3.2 Gen 2×1'],
  }),
  link('usb-20', 'USB 20 Gb/s', 'usb', {
    derivation: encoded(10, B128_132, 2),
    practice: share(0.72, 0.8, 0.87),
    implies: ['usb-10', 'usb-5x2'],
    standard: 'USB 3.2',
    also: ['USB 3.2 Gen 2×2'],
  }),
  link('tb-1', 'Thunderbolt 1', 'thunderbolt', {
    derivation: stated(1250, '10 Gb/s ÷ 8'),
    practice: share(0.65, 0.72, 0.8),
    standard: 'Thunderbolt',
  }),
  link('tb-2', 'Thunderbolt 2', 'thunderbolt', {
    derivation: stated(2500, '20 Gb/s ÷ 8'),
    practice: share(0.5, 0.55, 0.6),
    implies: ['tb-1'],
    standard: 'Thunderbolt 2',
  }),
  link('tb-3', 'Thunderbolt 3', 'thunderbolt', {
    derivation: { kind: 'tunnel', through: 'pcie3x4', packet: [128, 152] },
    practice: rate([2250, 2700, 2850]),
    standard: 'Thunderbolt 3: PCIe gen 3 ×4 tunnelled in 128-byte packets',
  }),
  link('usb4-20', 'USB4 20 Gb/s', 'usb4', {
    derivation: encoded(10, B128_132, 2),
    practice: rate([1400, 1700, 2000]),
    implies: ['usb-10'],
    standard: 'USB4',
  }),
  link('usb4-40', 'USB4 40 Gb/s', 'usb4', {
    derivation: { kind: 'tunnel', through: 'pcie3x4', packet: [1, 1] },
    practice: rate([2350, 2750, 3300]),
    implies: ['usb4-20'],
    standard: 'USB4, PCIe tunnel of gen 3 ×4',
    also: ['Thunderbolt 4'],
  }),
  link('usb4-40g4', 'USB4 40 Gb/s, gen 4 tunnel', 'usb4', {
    derivation: stated(4800, '40 Gb/s less link and tunnel headers; the tunnel is PCIe gen 4'),
    practice: rate([2800, 3200, 3850]),
    implies: ['usb4-40'],
    standard: 'USB4',
  }),
  link('usb4-80', 'USB4 80 Gb/s', 'usb4', {
    derivation: { kind: 'tunnel', through: 'pcie4x4', packet: [1, 1] },
    practice: rate([5500, 6000, 7000]),
    implies: ['usb4-40g4'],
    standard: 'USB4 version 2, PCIe tunnel of gen 4 ×4',
    also: ['Thunderbolt 5'],
  }),
  link('uhs-1', 'UHS-I card', 'card', {
    derivation: stated(104, 'SD bus SDR104: 208 MHz × 4 bits'),
    practice: card,
    halfDuplex: true,
    standard: 'SD Physical Layer',
  }),
  link('uhs-2', 'UHS-II card', 'card', {
    derivation: stated(312, 'SD bus UHS-II, half-duplex lanes'),
    practice: card,
    halfDuplex: true,
    implies: ['uhs-1'],
    standard: 'SD Physical Layer',
  }),
  link('cfexpress-b', 'CFexpress type B card', 'card', {
    derivation: { kind: 'tunnel', through: 'pcie3x2', packet: [1, 1] },
    // What PCIe's packets leave of it is the most there can be.
    practice: share(0.75, 0.88, 0.94),
    standard: 'CFexpress 2.0, PCIe gen 3 ×2',
  }),
  link('eth-1', 'Ethernet 1 Gb/s', 'ethernet', {
    derivation: encoded(1, [1460, 1538]),
    practice: ethernet,
    standard: 'IEEE 802.3, TCP payload 1,460 of 1,538 bytes',
  }),
  link('eth-2.5', 'Ethernet 2.5 Gb/s', 'ethernet', {
    derivation: encoded(2.5, [1460, 1538]),
    practice: ethernet,
    implies: ['eth-1'],
    standard: 'IEEE 802.3',
  }),
  link('eth-10', 'Ethernet 10 Gb/s', 'ethernet', {
    derivation: encoded(10, [1460, 1538]),
    practice: ethernet,
    implies: ['eth-1'],
    standard: 'IEEE 802.3',
  }),
];
