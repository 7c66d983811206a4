import fc from 'fast-check';
import { isLinkId } from '../links';
import { decode, saleIn } from '.';
import { runs } from '../../fixtures/draws';

// Lines of our own making, in the manner of boxes, listings, data sheets and hurried speech. Names of standards: common practice, no source.
const LINES: [line: string, links: string[], flags?: string[], capacity?: number][] = [
  // boxes
  ['USB 3.2 Gen 2x2 portable SSD 2TB', ['usb-20'], [], 2e12],
  ['USB 3.2 Gen 2×2 (20Gbps)', ['usb-20']],
  ['USB 3.2 Gen 2 external SSD 1 TB up to 1,050MB/s', ['usb-10'], [], 1e12],
  ['USB 3.2 Gen 2x1', ['usb-10']],
  ['USB 3.2 Gen 1x1 hub', ['usb-5']],
  ['USB 3.2 Gen 1x2', ['usb-5x2']],
  ['USB 3.1 Gen 2 enclosure for NVMe', ['usb-10']],
  ['USB 3.1 Gen 1 Type-C', ['usb-5']],
  ['USB 3.0 2.5" HDD enclosure', ['usb-5']],
  ['SuperSpeed USB dock', ['usb-5']],
  ['SuperSpeed+ USB', ['usb-10']],
  ['SuperSpeed USB 20Gbps', ['usb-20']],
  ['USB 10Gbps Type-C enclosure', ['usb-10']],
  ['USB 5Gbps', ['usb-5']],
  ['Hi-Speed USB stick', ['usb-2']],
  ['USB 2.0 card reader', ['usb-2']],
  ['USB4 40Gbps NVMe enclosure', ['usb4-40']],
  ['USB4 20Gbps dock', ['usb4-20']],
  ['USB4 Gen 3x2', ['usb4-40']],
  ['USB4 Gen 2x2', ['usb4-20']],
  ['USB4 v2 80Gbps', ['usb4-80']],
  ['USB4 version 2', ['usb4-80']],
  ['Thunderbolt 3 drive box', ['tb-3']],
  ['Thunderbolt 4 cable 0.8 m', ['usb4-40']],
  ['Thunderbolt 5 SSD 4TB', ['usb4-80'], [], 4e12],
  ['Thunderbolt 2 array', ['tb-2']],
  ['TB4 dock', ['usb4-40']],
  ['SATA III 2.5" SSD 500GB 560MB/s', ['sata-6'], [], 500e9],
  ['SATA 6Gb/s 7200 rpm 3.5" 16TB', ['sata-6'], [], 16e12],
  ['SATA 6Gbps', ['sata-6']],
  ['SATA II', ['sata-3']],
  ['SATA600', ['sata-6']],
  ['SATA 3Gb/s old dock', ['sata-3']],
  ['eSATA 3Gb/s', ['sata-3']],
  ['SAS 12Gb/s', ['sas-12']],
  ['SAS-2 controller', ['sas-6']],
  ['PCIe 4.0 x4 NVMe M.2 2280 1TB 7,000 MB/s', ['pcie4x4'], [], 1e12],
  ['PCIe Gen4x4 NVMe', ['pcie4x4']],
  ['PCI Express 3.0 ×4', ['pcie3x4']],
  ['PCIe Gen 5 x4 M.2 SSD 12,000MB/s', ['pcie5x4']],
  ['Gen3x4 NVMe SSD', ['pcie3x4']],
  ['PCIe x4 4.0', ['pcie4x4']],
  ['PCIe 3.0, 2 lanes', ['pcie3x2']],
  ['2.5GbE network storage', ['eth-2.5']],
  ['10GbE', ['eth-10']],
  ['Gigabit Ethernet', ['eth-1']],
  ['UHS-II card reader', ['uhs-2']],
  ['UHS-I card 128 GB', ['uhs-1'], [], 128e9],
  ['CFexpress Type B card', ['cfexpress-b']],
  // hurried speech
  ['usb three point two gen two by two', ['usb-20']],
  ['usb three point one gen two', ['usb-10']],
  ['two terabyte nvme pci e four by four', ['pcie4x4'], [], 2e12],
  ['thunderbolt four, forty gigabit', ['usb4-40']],
  ['usb three point oh', ['usb-5', 'usb-10', 'usb-20'], ['usb-3-alone']],
  ['sata three two and a half inch', ['sata-6'], ['sata-3']],
  ['gen four nvme, one terabyte', ['pcie4x4', 'pcie4x2'], ['lanes-unsaid'], 1e12],
  ['usb four', ['usb4-40', 'usb4-20'], ['usb4-alone']],
  ['ten gigabit per second usb c', ['usb-10']],
  ['Gen 2 USB 3.1 box', ['usb-10']],
  ['nvme 1tb gen3', ['pcie3x4', 'pcie3x2'], ['lanes-unsaid'], 1e12],
  ['10gig ethernet', ['eth-10']],
  ['x4 pcie 3', ['pcie3x4']],
  ['superspeed 10Gbps', ['usb-10']],
  ['USB3.2 Gen2x2 SSD 4TB 2,000 MB/s read', ['usb-20'], [], 4e12],
  ['M.2 NVMe to PCIe x16 adapter', ['pcie5x16', 'pcie4x16', 'pcie3x16'], ['generation-unsaid']],
  ['sata 2.5 inch ssd', ['sata-6', 'sata-3'], ['sata-alone']],
  ['usb three two gen two', ['usb-10']],
  ['a five gig usb port', ['usb-5']],
  ['forty gig thunderbolt', ['usb4-40', 'tb-3'], ['thunderbolt-alone']],
  ['sixteen terabyte hard drive seven thousand two hundred rpm', [], [], 16e12],
  ['fifty four hundred rpm disk, two terabyte', [], [], 2e12],
  ['usb-c cable ten gig', ['usb-10']],
  ['gigabit nas', ['eth-1']],
  // short forms, other languages, odd spellings
  ['USB 3.2 G2x2', ['usb-20']],
  ['PCIe G4x4', ['pcie4x4']],
  ['SuperSpeed+ 20 Gbps', ['usb-20']],
  ['external drive with USB-C 3.1', ['usb-5', 'usb-10'], ['usb-3.1-alone']],
  ['USB-A to micro B 3.0', ['usb-5']],
  ['Thunderbolt 3/4 cable', ['tb-3', 'usb4-40']],
  ['x8 slot gen 3', ['pcie3x8']],
  ['PCIe 3.0 x4 / 4.0 x4', ['pcie3x4', 'pcie4x4']],
  ['Serial ATA 600', ['sata-6']],
  ['SATA Rev. 3.0', ['sata-6']],
  ['sata iii 6gb', ['sata-6']],
  ['6G SATA', ['sata-6']],
  ['12Gbps SAS', ['sas-12']],
  ['NL-SAS 7.2k 16TB', ['sas-12', 'sas-6'], ['sas-alone'], 16e12],
  ['2.5 gigabit LAN', ['eth-2.5']],
  ['CFexpress 2.0 Type B 512 GB', ['cfexpress-b'], [], 512e9],
  ['SSD 512Go NVMe gen 3 x4', ['pcie3x4'], [], 512e9],
  ['m.2 nvme gen4x4 read 3500mb/s', ['pcie4x4']],
  ['dual protocol NVMe & SATA M.2 enclosure, 10Gbps', ['usb-10', 'sata-6', 'sata-3'], ['sata-alone']],
  ['USB 3.2 Gen 2x2 20Gbps, backwards compatible with USB 3.1/3.0/2.0', ['usb-20']],
  // name and speed at odds
  ['USB 3.0 10Gbps', ['usb-10'], ['speed-disagrees']],
  ['USB 3.2 Gen 1 10Gbps', ['usb-5'], ['speed-disagrees']],
  ['SATA III 12Gb/s', ['sata-6'], ['speed-disagrees']],
  ['Thunderbolt 3 80Gbps', ['tb-3'], ['speed-disagrees']],
  ['SSD 2000 Gbps', [], ['rate-too-high']],
  ['SSD 256MB', [], ['capacity-too-small']],
  // said too little
  ['USB 3.2', ['usb-5', 'usb-10', 'usb-20'], ['usb-3.2-alone']],
  ['USB 3.1 hub', ['usb-5', 'usb-10'], ['usb-3.1-alone']],
  ['USB 3 drive', ['usb-5', 'usb-10', 'usb-20'], ['usb-3-alone']],
  ['USB3.2 10Gbps', ['usb-10']],
  ['USB 3.2 (20 Gb/s)', ['usb-20']],
  ['USB-C SSD', [], ['usb-c-alone']],
  ['Type-C enclosure', [], ['usb-c-alone']],
  ['M.2 SSD 512GB', [], ['m2-alone'], 512e9],
  ['M.2 2280 enclosure', [], ['m2-alone']],
  ['NVMe SSD 2 TB', [], ['nvme-alone'], 2e12],
  ['Thunderbolt dock', ['usb4-80', 'usb4-40', 'tb-3'], ['thunderbolt-alone']],
  ['USB4', ['usb4-40', 'usb4-20'], ['usb4-alone']],
  ['SATA SSD', ['sata-6', 'sata-3'], ['sata-alone']],
  ['PCIe 4.0 SSD', ['pcie4x4', 'pcie4x2'], ['lanes-unsaid']],
  ['NVMe Gen 3 500 GB', ['pcie3x4', 'pcie3x2'], ['lanes-unsaid'], 500e9],
  ['PCIe x4 card', ['pcie5x4', 'pcie4x4', 'pcie3x4'], ['generation-unsaid']],
  ['SATA 3 SSD 240GB', ['sata-6'], ['sata-3'], 240e9],
  ['40Gbps enclosure', ['usb4-40', 'tb-3'], ['speed-alone']],
  ['cable, 10 Gb/s', ['usb-10', 'tb-1', 'eth-10'], ['speed-alone']],
  ['CFexpress card', ['cfexpress-b'], ['cfexpress-type']],
  // wrong
  ['NVMe SSD, reads 3500 Mb/s', [], ['bytes-as-bits', 'nvme-alone']],
  ['SATA III SSD 550 Mbps read', ['sata-6'], ['bytes-as-bits']],
  ['USB 3.2 Gen 2x2, 20GB/s', ['usb-20'], ['bits-as-bytes']],
  ['external drive 10 GB/s', ['usb-10'], ['bits-as-bytes']],
  ['USB4 40GB/s enclosure', ['usb4-40'], ['bits-as-bytes']],
  ['SATA NVMe SSD', ['sata-6', 'sata-3'], ['nvme-over-sata', 'sata-alone']],
  ['SATA III M.2, 3,500 MB/s', ['sata-6'], ['faster-than-link']],
  ['USB 3.0 SSD 1,050MB/s', ['usb-5'], ['faster-than-link']],
  ['USB-A 20Gbps', ['usb-20'], ['usb-a-too-fast']],
  ['Thunderbolt 3 USB-A drive', ['tb-3'], ['usb-a-too-fast']],
  ['Thunderbolt 7', [], ['no-such']],
  ['USB 5.0', [], ['no-such']],
  ['USB 3.2 Gen 3', [], ['no-such']],
  ['SATA 4', [], ['no-such']],
  ['PCIe 9.0 x4', [], ['no-such']],
  ['PCIe 4.0 x3', [], ['no-such-lanes']],
  ['M.2 2290 NVMe', [], ['no-such-length', 'nvme-alone']],
  ['16 GB HDD 7200rpm', [], ['capacity-too-small'], 16e9],
  ['8 GB NVMe SSD', [], ['capacity-too-small', 'nvme-alone'], 8e9],
  ['4 Tb external hard drive', [], ['capacity-in-bits'], 4e12],
  ['2000 TB SSD', [], ['capacity-too-large'], 2000e12],
  ['7200 rpm NVMe drive', [], ['spinning-nvme', 'nvme-alone']],
  ['USB 3.1 Gen 2x2', ['usb-20'], ['early-version']],
  // neither
  ['a pair of thermal pads', []],
  ['', []],
  ['screwdriver set, 32 pieces', []],
];

describe('the name decoder', () => {
  test('has a hundred lines and more to hold it to', () => expect(LINES.length).toBeGreaterThanOrEqual(100));

  test.each(LINES)('%s', (line, links, flags = [], capacity) => {
    const found = decode(line);
    expect({ links: [...found.links].sort(), flags: found.flags.map((f) => f.id).sort() }).toEqual({
      links: [...links].sort(),
      flags: [...flags].sort(),
    });
    if (capacity !== undefined)
      expect(found.readings.find((r) => r.kind === 'capacity')?.value).toBe(capacity);
  });

  test('explains each reading by the piece of text it took', () => {
    const { readings, text } = decode('2TB M.2 2280 PCIe 4.0 x4 NVMe, 7,000 MB/s');
    expect(readings.map((r) => [r.kind, r.text])).toEqual([
      ['capacity', '2TB'],
      ['form', 'M.2 2280'],
      ['link', 'PCIe 4.0 x4'],
      ['protocol', 'NVMe'],
      ['rate', '7,000 MB/s'],
    ]);
    for (const r of readings) expect(text.slice(r.at)).toContain(r.text);
    expect(readings[4]).toMatchObject({ value: 7e9, meaning: '7,000 MB/s' });
  });

  test('no text makes it throw, and it only ever names known links', () => {
    const word = fc.constantFrom(
      'USB',
      '3.2',
      'Gen',
      '2',
      'x2',
      'PCIe',
      'SATA',
      'NVMe',
      'M.2',
      '2280',
      '20',
      'Gb/s',
      'GB',
      'TB',
      'Thunderbolt',
      'point',
      'by',
      'four',
      '(',
      ',',
      'USB4',
      'Type-C',
      '7,000',
      'MB/s',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word, { maxLength: 12 }).map((w) => w.join(' ')),
        ),
        (text) => {
          const found = decode(text);
          return (
            found.links.every(isLinkId) &&
            found.readings.every((r) => r.meaning.length > 0) &&
            new Set(found.links).size === found.links.length
          );
        },
      ),
      runs(2000),
    );
  });

  test('a text as long as a book is cut, not stalled on', () =>
    expect(decode('USB 3.2 Gen 2x2 '.repeat(10_000)).links).toEqual(['usb-20']));
});

describe('what a listing says of the sale', () => {
  test.each([
    ['1TB NVMe SSD, up to 5000MB/s, PCIe 4.0, 600TBW, 5y, 89,90', 89.9, null, false],
    ['NVMe SSD 2TB 149.-', 149, null, false],
    ['4 TB HDD €1,299.00 cmr', 1299, 'EUR', false],
    ['SSD 1 TB 1.099,50 euros', 1099.5, 'EUR', false],
    ['used 2 TB HDD 7200 rpm 12000 hours 45 GBP', 45, 'GBP', true],
    ['2,5" SSD 500GB 3 years warranty only 39', 39, null, false],
  ])('%s', (line, amount, currency, isUsed) => {
    expect(saleIn(decode(line))).toEqual({ amount, currency, isUsed });
  });
  test('a figure that is something else is no price', () => {
    for (const line of [
      'SSD 1 TB 3.50 GB/s',
      'disk 8TB POH 3120',
      'cable 0.50 m',
      'USB 3.20',
      'SSD 480 GB 300',
    ])
      expect(saleIn(decode(line))).toBeNull();
  });
  test('hours, a disk’s buffer, a size with a comma', () => {
    const kinds = (line: string) => decode(line).readings.map(({ kind, value }) => [kind, value]);
    expect(kinds('disk 3.5" 8TB POH 3120')).toContainEqual(['hours', 3120]);
    expect(kinds('Anchor 4TB 3,5" 5400rpm 256MB')).toEqual(
      expect.arrayContaining([
        ['buffer', 256e6],
        ['form', undefined],
      ]),
    );
    expect(decode('2 TB TLC CMR').unread).toEqual([]);
  });
  test('names that are said to be the same are asked whether they are', () => {
    const [no] = decode('USB 3.0, 3.1 Gen 2 and 3.2 Gen 1 are the same').flags;
    expect(no).toMatchObject({ kind: 'nonsense', id: 'not-the-same' });
    expect(no!.words).toContain('3.1 Gen 2 is USB 10 Gb/s');
    expect(decode('USB 3.0 and 3.1 Gen 1 are the same').flags).toMatchObject([{ id: 'same-link' }]);
    expect(decode('USB 3.0 and 3.1 Gen 2').flags.map(({ id }) => id)).not.toContain('not-the-same');
  });
});
