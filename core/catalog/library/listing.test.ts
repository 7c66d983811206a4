import { Bridge, Cable } from '../parts';
import { draftBridge, draftCable } from '.';

describe('an enclosure by its listing', () => {
  test.each([
    [
      'Any USB4 40Gbps NVMe enclosure aluminium',
      { socket: 'M.2', plug: 'USB-C', outer: ['usb4-40'], kind: 'enclosure' },
    ],
    [
      'Any USB 3.2 Gen 2 enclosure M.2 NVMe UASP USB-C',
      { socket: 'M.2', outer: ['usb-10'], protocol: 'uas' },
    ],
    [
      'Any USB 3.0 2.5" SATA case',
      { socket: 'SATA', outer: ['usb-5'], forms: ['2.5-inch'], inner: ['sata-6'] },
    ],
    [
      'Any 4-bay dock 3.5" SATA USB 3.2 Gen 2 type c',
      { bays: 4, kind: 'dock', forms: ['2.5-inch', '3.5-inch'], plug: 'USB-C' },
    ],
    [
      'Any dual protocol NVMe & SATA M.2 enclosure 10Gbps',
      { inner: ['pcie3x4', 'sata-6'], outer: ['usb-10'] },
    ],
    [
      'Any PCIe 4.0 x4 card for M.2 NVMe',
      { kind: 'adapter', passThrough: true, plug: 'PCIe slot', outer: ['pcie4x4'] },
    ],
    ['Any Thunderbolt 3 box NVMe', { outer: ['tb-3'], plug: 'USB-C' }],
  ])('%s', (line, expected) => {
    const { part } = draftBridge(line, 'x');
    expect(part).toMatchObject(expected);
    expect(Bridge.safeParse(part).success).toBe(true);
  });
});

describe('a cable by its listing', () => {
  test.each([
    [
      'USB-C to USB-C cable 40Gbps USB4 0.8m 240W',
      { ends: ['USB-C', 'USB-C'], modes: ['usb4-40'], length: 0.8, power: 240 },
    ],
    ['C to A 10 Gb/s 50 cm USB', { ends: ['USB-C', 'USB-A'], modes: ['usb-10'], length: 0.5 }],
    ['USB-A to Micro B 3.0, 3 ft', { ends: ['USB-A', 'Micro-B'], modes: ['usb-5'] }],
    ['active Thunderbolt 3 cable 2 m', { active: true, modes: ['tb-3'], length: 2 }],
    ['charging cable usb-c 100W 2 m', { modes: ['usb-2'], power: 100, length: 2 }],
    ['SATA 6Gb/s lead 0.5 m', { ends: ['SATA', 'SATA'], modes: ['sata-6'] }],
  ])('%s', (line, expected) => {
    const { part } = draftCable(line, 'x');
    expect(part).toMatchObject(expected);
    expect(Cable.safeParse(part).success).toBe(true);
  });
});
