import { draftDrive } from '../library';
import { decode } from '.';

// As people say and type it in a hurry, lines of our own making: links, what is flagged, figures. Names of standards: common practice, no source.
const LINES: [line: string, links: string[], flags: string[], figures: string[]][] = [
  ['its the usb c one does ten gig', ['usb-10'], [], []],
  ['usb 3.2 gen 2 i think ten gigabits', ['usb-10'], [], []],
  ['the blue usb port so five gig', ['usb-5'], [], []],
  ['some usb three thing no idea which', ['usb-10', 'usb-20', 'usb-5'], ['usb-3-alone'], []],
  ['usb c port says 20gbps on it', ['usb-20', 'usb4-20'], ['speed-alone'], []],
  ['it says thunderbolt four on the port', ['usb4-40'], [], []],
  ['usb four forty gig box', ['usb4-40'], [], []],
  ['thunderbolt three box from 2017', ['tb-3'], [], []],
  ['old laptop with thunderbolt two', ['tb-2'], [], []],
  ['the red usb a port ten gigs per second', ['usb-10'], [], []],
  ['usb 2 port at the back', ['usb-2'], [], []],
  ['usb a 3.2 gen 1', ['usb-5'], [], []],
  ['gen two by two enclosure, twenty gigabit', ['usb-20'], [], []],
  ['nvme in a usb box, one thousand megabytes per second', [], ['nvme-alone'], ['rate:1000000000']],
  ['nvme box usb 3.2 gen2 1000mb/s', ['usb-10'], [], ['rate:1000000000']],
  ['nvme gen four times four', ['pcie4x4'], [], []],
  ['pcie gen 4 by 4 nvme two tera', ['pcie4x4'], [], ['capacity:2000000000000']],
  ['pci express four m two', ['pcie4x2', 'pcie4x4'], ['lanes-unsaid'], []],
  ['m2 sata stick', ['sata-3', 'sata-6'], ['sata-alone'], []],
  ['m.2 drive 2280 no idea if sata or nvme', ['sata-3', 'sata-6'], ['sata-alone'], []],
  ['sata three two point five', ['sata-6'], ['sata-3'], []],
  [
    'two and a half inch sata ssd five hundred gig',
    ['sata-3', 'sata-6'],
    ['sata-alone'],
    ['capacity:500000000000'],
  ],
  ['sata 6 gig ssd 1tb', ['sata-6'], [], ['capacity:1000000000000']],
  [
    'three and a half inch disk sixteen terabyte seventy two hundred',
    [],
    [],
    ['capacity:16000000000000', 'spindle:7200'],
  ],
  ['four terabyte portable usb 3.0 hard drive', ['usb-5'], [], ['capacity:4000000000000']],
  ['ssd reads seven thousand megabits per second', [], ['bytes-as-bits'], ['rate:7000000000']],
  ['7,000 megabits per second', [], ['bytes-as-bits'], ['rate:7000000000']],
  ['3,500 megabits per second, 1tb', [], ['bytes-as-bits'], ['capacity:1000000000000', 'rate:3500000000']],
  ['it does two thousand megabits a second, the little one', [], ['bytes-as-bits'], ['rate:2000000000']],
  [
    'reads 5,000 Mb/s writes 4,400 Mb/s gen4 nvme',
    ['pcie4x2', 'pcie4x4'],
    ['bytes-as-bits', 'bytes-as-bits', 'lanes-unsaid'],
    ['rate:4400000000', 'rate:5000000000'],
  ],
  ['1gb ssd for 89 euros', [], ['capacity-too-small'], ['capacity:1000000000', 'price:89']],
  ['2 gb nvme, €120', [], ['capacity-too-small', 'nvme-alone'], ['capacity:2000000000', 'price:120']],
  ['1 GB at $59', [], ['capacity-too-small'], ['capacity:1000000000', 'price:59']],
  ['4gb external drive 110 pounds', [], ['capacity-too-small'], ['capacity:4000000000', 'price:110']],
  [
    'usb c is the same as thunderbolt right',
    ['tb-3', 'usb4-40', 'usb4-80'],
    ['same-plug', 'thunderbolt-alone'],
    [],
  ],
  [
    "thunderbolt is just usb-c isn't it",
    ['tb-3', 'usb4-40', 'usb4-80'],
    ['same-plug', 'thunderbolt-alone'],
    [],
  ],
  ['its usb-c so 10Gbps', ['usb-10'], ['same-plug'], []],
  ['usb4 aka usb-c', ['usb4-20', 'usb4-40'], ['same-plug', 'usb4-alone'], []],
  ['type c means usb 3.2', ['usb-10', 'usb-20', 'usb-5'], ['same-plug', 'usb-3.2-alone'], []],
  ['usb-c cable, thunderbolt 4 certified', ['usb4-40'], [], []],
  [
    'nvme 2tb 7400/6500MB/s',
    [],
    ['nvme-alone'],
    ['capacity:2000000000000', 'rate:6500000000', 'rate:7400000000'],
  ],
  [
    'gen4 x4 nvme 4tb 7100/6000 MB/s 1200 TBW 5 year warranty',
    ['pcie4x4'],
    [],
    ['capacity:4000000000000', 'rate:6000000000', 'rate:7100000000', 'tbw:1200000000000000', 'warranty:5'],
  ],
  [
    '1tb nvme gen3x4 3500/3000mb/s 600tbw dram cache 5yr warranty',
    ['pcie3x4'],
    [],
    [
      'capacity:1000000000000',
      'map:1',
      'rate:3000000000',
      'rate:3500000000',
      'tbw:600000000000000',
      'warranty:5',
    ],
  ],
  [
    '2tb pcie4x4 nvme dramless 5000/4200 MB/s',
    ['pcie4x4'],
    [],
    ['capacity:2000000000000', 'map:0', 'rate:4200000000', 'rate:5000000000'],
  ],
  [
    '1tb qlc sata ssd 560/520MB/s 3 year warranty',
    ['sata-3', 'sata-6'],
    ['sata-alone'],
    ['capacity:1000000000000', 'rate:520000000', 'rate:560000000', 'warranty:3'],
  ],
  [
    'ssd 2tb 7300/6900 MB/s, slc cache 400GB, sustained 1,500 MB/s',
    [],
    [],
    [
      'cache:400000000000',
      'capacity:2000000000000',
      'rate:6900000000',
      'rate:7300000000',
      'sustained:1500000000',
    ],
  ],
  [
    'portable ssd 1tb usb 3.2 gen 2 1050/1000 MB/s',
    ['usb-10'],
    [],
    ['capacity:1000000000000', 'rate:1000000000', 'rate:1050000000'],
  ],
  [
    'nvme 1tb 1,000K/900K IOPS gen4x4',
    ['pcie4x4'],
    [],
    ['capacity:1000000000000', 'iops:1000000', 'iops:900000'],
  ],
  [
    'sata ssd 500gb 98k/88k iops',
    ['sata-3', 'sata-6'],
    ['sata-alone'],
    ['capacity:500000000000', 'iops:88000', 'iops:98000'],
  ],
  ['enclosure for nvme, usb4, 40 gigs', ['usb4-40'], [], []],
  ['enclosure m.2 nvme usb-c 10gbps', ['usb-10'], [], []],
  ['dual bay dock sata usb 3.0', ['sata-3', 'sata-6', 'usb-5'], ['sata-alone'], []],
  ['four bay box usb 3.2 gen 2 type c raid', ['usb-10'], [], []],
  ['2 bay thunderbolt 3 raid', ['tb-3'], [], []],
  ['pcie card with two m.2 slots x8', [], ['m2-alone'], []],
  ['riser x16 to m.2, gen 3', ['pcie3x2', 'pcie3x4'], ['lanes-unsaid'], []],
  ['pcie x1 to nvme adapter', ['pcie3x1', 'pcie4x1', 'pcie5x1'], ['generation-unsaid'], []],
  [
    'sata to usb 3 cable',
    ['sata-3', 'sata-6', 'usb-10', 'usb-20', 'usb-5'],
    ['sata-alone', 'usb-3-alone'],
    [],
  ],
  ['usb-c to usb-a adapter ten gig', ['usb-10'], [], []],
  ['usb hub 4 ports 5gbps', ['usb-5'], [], []],
  ['thunderbolt 4 dock', ['usb4-40'], [], []],
  ['usb-c to usb-c cable 240w usb 2', ['usb-2'], [], []],
  ['charging cable usb c 100w', [], ['usb-c-alone'], []],
  ['cable 40gbps 0.8m', ['tb-3', 'usb4-40'], ['speed-alone'], []],
  ['active thunderbolt 3 cable 2 meters', ['tb-3'], [], []],
  ['usb 3.2 gen 2x2 cable 1m', ['usb-20'], [], []],
  ['network drive gigabit', ['eth-1'], [], []],
  ['nas 2.5 gig ethernet', ['eth-2.5'], [], []],
  ['ten gig nas', ['eth-10'], [], []],
  ['10gbit lan', ['eth-10'], [], []],
  ['cf express type b 512 gigs', ['cfexpress-b'], [], ['capacity:512000000000']],
  ['sd card uhs ii 128 gig', ['uhs-2'], [], ['capacity:128000000000']],
  ['uhs-i sd card reader', ['uhs-1'], [], []],
  ['sas twelve gig disk 16tb', ['sas-12'], [], ['capacity:16000000000000']],
  ['nearline sas 12tb 7200', ['sas-12', 'sas-6'], ['sas-alone'], ['capacity:12000000000000', 'spindle:7200']],
  ['external ssd 2 tb 2000 mb/s usb 3.2 2x2', ['usb-20'], [], ['capacity:2000000000000', 'rate:2000000000']],
  ['ext hdd usb 3 2tb', ['usb-10', 'usb-20', 'usb-5'], ['usb-3-alone'], ['capacity:2000000000000']],
  ['2tb ssd', [], [], ['capacity:2000000000000']],
  ['ssd 256 gigabyte m.2', [], ['m2-alone'], ['capacity:256000000000']],
  ['nvme 500gb gen 3', ['pcie3x2', 'pcie3x4'], ['lanes-unsaid'], ['capacity:500000000000']],
  ['usb c ssd one terabyte', [], ['usb-c-alone'], ['capacity:1000000000000']],
  ['usb 3.1 gen 1 stick 64gb', ['usb-5'], [], ['capacity:64000000000']],
  ['usb3 gen2 disk', ['usb-10'], [], []],
  ['sata2 drive in an old pc', ['sata-3'], [], []],
  ['sata ii 3gb', ['sata-3'], [], []],
  ['pcie 5 x4 ssd 14,000 mb/s', ['pcie5x4'], [], ['rate:14000000000']],
  ['gen five nvme', ['pcie5x2', 'pcie5x4'], ['lanes-unsaid'], []],
  ['nvme pcie3 x2 enclosure', ['pcie3x2'], [], []],
  ['thunderbolt five 80 gig', ['usb4-80'], [], []],
  ['usb4 v2 box', ['usb4-80'], [], []],
  ['usb four 20 gig', ['usb4-20'], [], []],
  ['mini displayport thunderbolt 2 array', ['tb-2'], [], []],
  ['esata box 3gbps', ['sata-3'], ['sata-alone'], []],
  ['u.2 nvme drive 3.84tb pcie 4', ['pcie4x2', 'pcie4x4'], ['lanes-unsaid'], ['capacity:3840000000000']],
  ['msata ssd 120gb', [], [], ['capacity:120000000000']],
  ['m.2 2242 sata 256gb', ['sata-3', 'sata-6'], ['sata-alone'], ['capacity:256000000000']],
  ['22110 nvme 1.92tb', [], ['nvme-alone'], ['capacity:1920000000000']],
  ['key b m.2 ssd', [], ['m2-alone'], []],
  ['2.5 inch 15mm disk 5tb', [], [], ['capacity:5000000000000']],
  ['3.5" 5400rpm 8tb smr disk', [], [], ['capacity:8000000000000', 'spindle:5400']],
  ['shingled 8tb archive disk', [], [], ['capacity:8000000000000']],
  ['8tb cmr 7200 rpm sata', ['sata-3', 'sata-6'], ['sata-alone'], ['capacity:8000000000000', 'spindle:7200']],
  ['usb 3.2 is what the box says', ['usb-10', 'usb-20', 'usb-5'], ['usb-3.2-alone'], []],
  ['superspeed plus ten', ['usb-10'], [], []],
];

test('a hundred lines and more', () => expect(LINES.length).toBeGreaterThanOrEqual(100));

test.each(LINES)('%s', (line, links, flags, figures) => {
  const found = decode(line);
  expect([...found.links].sort()).toEqual(links);
  expect(found.flags.map((f) => f.id).sort()).toEqual(flags);
  expect(
    found.readings
      .filter((r) => r.value !== undefined)
      .map((r) => `${r.kind}:${r.value}`)
      .sort(),
  ).toEqual(figures);
});

describe('what was read off a listing is saved whole', () => {
  test('two rates, cache, sustained rate, rated writes, warranty, cells, mapping table', () => {
    const { drive } = draftDrive(
      'Any Make 2TB TLC NVMe PCIe 4.0 x4 M.2 2280, 7400/6500MB/s, SLC cache 380GB, sustained 1,600 MB/s, 1000K/850K IOPS, 1,150 TBW, 5 year warranty, DRAM',
      'x',
    );
    expect(drive).toMatchObject({
      capacity: { value: 2e12 },
      cell: 'TLC',
      modes: ['pcie4x4'],
      read: { value: 7.4e9 },
      write: { value: 6.5e9 },
      cache: { value: 380e9 },
      rest: { value: 1.6e9 },
      tbw: { value: 1150e12 },
      warrantyYears: { value: 5 },
      randomRead: { value: 1e6 },
      randomWrite: { value: 850e3 },
      map: 'DRAM',
    });
  });
  test('a disk by its turns and recording; no cache of flash is read into it', () => {
    const { drive } = draftDrive('Any 8TB 3.5" CMR disk 5400 rpm 256MB cache, 3 year warranty', 'x');
    expect(drive).toMatchObject({ media: 'disk', rpm: 5400, recording: 'CMR', warrantyYears: { value: 3 } });
    expect(drive.cache.value).toBeNull();
    expect(drive.map).toBeUndefined();
  });
});
