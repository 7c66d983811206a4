import {
  ceilingOf,
  lineRateOf,
  DIRECTIONS,
  explainCeiling,
  explainPractical,
  linkById,
  LINKS,
  modesOf,
  packetRate,
  practicalOf,
} from '.';

const MB = 1e6;
const ceiling = (id: string) => ceilingOf(linkById(id)) / MB;
const practical = (id: string) => {
  const { low, expected, high } = practicalOf(linkById(id), 'read');
  return [low / MB, expected / MB, high / MB] as const;
};

describe('2.2 hard ceilings, MB/s', () => {
  test.each([
    // standard PCI Express Base: GT/s × encoding ÷ 8
    ['pcie1x1', 250],
    ['pcie2x1', 500],
    ['pcie3x1', 984.6],
    ['pcie4x1', 1969.2],
    ['pcie5x1', 3938.5],
    ['pcie6x1', 7375],
    ['pcie3x4', 3938.5],
    ['pcie4x16', 31507.7],
    // standard Serial ATA, Serial Attached SCSI
    ['sata-1.5', 150],
    ['sata-3', 300],
    ['sata-6', 600],
    ['sas-6', 600],
    ['sas-12', 1200],
    // standards USB 2.0, USB 3.2, USB4
    ['usb-2', 53.2],
    ['usb-5', 500],
    ['usb-5x2', 1000],
    ['usb-10', 1212.1],
    ['usb-20', 2424.2],
    ['usb4-20', 2424.2],
    ['usb4-40', 3938.5],
    ['usb4-40g4', 4800],
    ['usb4-80', 7876.9],
    ['tb-1', 1250],
    ['tb-2', 2500],
    ['tb-3', 3316.6],
    // standards SD Physical Layer, CFexpress, IEEE 802.3
    ['uhs-1', 104],
    ['uhs-2', 312],
    ['cfexpress-b', 1969.2],
    ['eth-1', 118.7],
    ['eth-2.5', 296.7],
    ['eth-10', 1186.6],
  ])('%s: %d', (id, expected) => expect(ceiling(id)).toBeCloseTo(expected, 1));

  test('every link rises from low to high, under its ceiling, in both directions', () => {
    for (const link of LINKS)
      for (const direction of DIRECTIONS) {
        const { low, expected, high } = practicalOf(link, direction);
        expect(0 < low && low <= expected && expected <= high && high <= ceilingOf(link)).toBe(true);
      }
  });

  test('the working gives the same numbers as the bare run', () => {
    for (const link of LINKS) {
      expect(explainCeiling(link).expected).toBe(ceilingOf(link));
      for (const direction of DIRECTIONS)
        expect(explainPractical(link, direction)).toMatchObject(practicalOf(link, direction));
    }
    expect(explainCeiling(linkById('usb-10')).because).toMatchObject({
      formula: 'line rate × lanes × encoding ÷ 8',
      filled: '10 Gb/s × 1 × 128/132 ÷ 8',
    });
  });
});

describe('2.2 practical rates', () => {
  const at = (id: string, payload: number) =>
    packetRate({ ceiling: ceilingOf(linkById(id)), payload, overhead: 24, management: 0.01 }) / MB;
  // standard PCI Express Base, packet formula
  test.each([
    ['pcie3x4', 256, 3564],
    ['pcie4x4', 256, 7129],
    ['pcie4x4', 512, 7449],
  ])('%s with %d-byte packets: %d', (id, payload, expected) =>
    expect(Math.abs(at(id, payload) - expected)).toBeLessThan(1),
  );

  // common practice, no source: what is measured on good equipment overlaps the range forecast
  test.each([
    ['best gen 4 ×4 drives', 'pcie4x4', 7000, 7450],
    ['a quarter of a 3,500 MB/s drive on gen 3 ×1', 'pcie3x1', 800, 920],
    ['10 Gb/s enclosures', 'usb-10', 900, 1050],
    ['SATA drive behind 5 Gb/s', 'usb-5', 380, 450],
    ['Thunderbolt 5 drive on its own port', 'usb4-80', 5700, 6000],
    ['Thunderbolt 5 drive on a 40 Gb/s port', 'usb4-40', 2600, 3000],
  ])('%s: %s expects %d to %d', (_, id, from, to) => {
    const [low, expected, high] = practical(id);
    expect(expected).toBeGreaterThanOrEqual(from * 0.995);
    expect(expected).toBeLessThanOrEqual(to);
    expect(low).toBeLessThanOrEqual(to);
    expect(high).toBeGreaterThanOrEqual(from);
  });
  test('SATA 6 Gb/s at most about 560', () => expect(Math.round(practical('sata-6')[2])).toBe(561));
  test('gen 4 ×1 stays under its ceiling of 1,969', () => expect(practical('pcie4x1')[2]).toBeLessThan(1969));
  test('a good Thunderbolt 3 enclosure reads about 2,700', () => expect(practical('tb-3')[1]).toBe(2700));
});

describe('line rates', () => {
  // [standard] names: PCI Express Base, Serial ATA, USB 2.0, USB 3.2, USB4, IEEE 802.3; from memory
  test.each([
    ['usb-2', 480e6],
    ['usb-5', 5e9],
    ['usb-20', 20e9],
    ['usb4-40', 40e9],
    ['sata-6', 6e9],
    ['pcie4x4', 64e9],
    ['eth-2.5', 2.5e9],
    ['tb-3', 40e9],
  ])('%s', (id, rate) => expect(lineRateOf(linkById(id))).toBe(rate));
  test('none is below what its ceiling carries', () => {
    for (const link of LINKS)
      if (lineRateOf(link) !== null)
        expect(lineRateOf(link)!).toBeGreaterThanOrEqual(ceilingOf(link) * 8 * 0.999);
  });
});

describe('modes', () => {
  test('a mode brings the older ones of its standard', () => {
    expect([...modesOf(['usb-20'])].sort()).toEqual(['usb-10', 'usb-2', 'usb-20', 'usb-5', 'usb-5x2']);
    expect(modesOf(['pcie4x4'])).toContain('pcie1x1');
    expect(modesOf(['pcie4x4'])).not.toContain('pcie3x8');
    expect(modesOf(['tb-3'])).not.toContain('usb-10');
    expect(modesOf(['usb4-40'])).not.toContain('usb-20');
  });
  test('an unknown mode is refused', () => expect(() => linkById('usb-7')).toThrow(/No link "usb-7"/));
});

test('a shop’s own range of a link goes before the table, stays under the ceiling and is named', () => {
  const link = linkById('usb-10');
  const range = { low: 0.5, expected: 0.75, high: 1.2 };
  const shopRanges = { 'link.usb-10': range, 'pcie.payload': { low: 128, expected: 128, high: 128 } };
  const ceiling = ceilingOf(link);
  for (const direction of DIRECTIONS) {
    const found = practicalOf(link, direction, shopRanges);
    expect([found.low / ceiling, found.expected / ceiling, found.high / ceiling]).toEqual([0.5, 0.75, 1]);
    const told = explainPractical(link, direction, shopRanges);
    expect(told.expected).toBe(found.expected);
    expect(JSON.stringify(told.because)).toMatch(/this shop’s own range/);
  }
  expect(practicalOf(link, 'read').expected).toBeCloseTo(0.8 * ceiling, 3);
  const [lane] = ['pcie3x4'].map(linkById);
  expect(practicalOf(lane!, 'read', shopRanges).expected).toBeCloseTo(3938.46e6 * (128 / 152) * 0.99, -5);
  expect(practicalOf(lane!, 'write', shopRanges)).toEqual(practicalOf(lane!, 'write'));
});

test('no practical point of a tunnel lies above what the packets of the link in it allow', () => {
  for (const link of LINKS) {
    if (link.derivation.kind !== 'tunnel') continue;
    const inside = practicalOf(linkById(link.derivation.through), 'read').high;
    for (const direction of DIRECTIONS)
      expect([link.id, practicalOf(link, direction).high <= inside]).toEqual([link.id, true]);
  }
  // 40 Gb/s with a tunnel of gen 3 and of gen 4 are two things [common practice, no source].
  const [older, newer] = ['usb4-40', 'usb4-40g4'].map(
    (id) => practicalOf(linkById(id), 'read').expected / 1e6,
  );
  expect([older, newer]).toEqual([2750, 3200]);
});
