import fc from 'fast-check';
import { Host } from '../catalog/parts';
import { runs } from '../fixtures/draws';
import { readMachine } from '.';

const said = (text: string) => readMachine(text, 'host-1');

test('its sheet, line by line', () => {
  const { host, unread } = said(
    [
      'Rolling office laptop',
      'Windows 11 Pro',
      '24 GB RAM',
      '512 GB NVMe SSD',
      '2x USB-C 3.2 Gen 2 on the left',
      'USB-A 3.2 Gen 1 (right side)',
      'M.2 PCIe 4.0 x4',
      '2019',
    ].join('\n'),
  );
  expect(unread).toEqual([]);
  expect(Host.parse(host)).toEqual(host);
  expect(host).toMatchObject({
    name: 'Rolling office laptop',
    kind: 'laptop',
    year: 2019,
    system: 'Windows 11 Pro',
    systems: [{ family: 'Windows', version: '11' }],
    memory: { value: 24e9 },
    storage: { name: '512 GB NVMe SSD', capacity: { value: 512e9 } },
  });
  expect(host!.ports.map(({ connector, modes, position }) => [connector, modes[0], position])).toEqual([
    ['USB-C', 'usb-10', 'Left side, USB-C 1'],
    ['USB-C', 'usb-10', 'Left side, USB-C 2'],
    ['USB-A', 'usb-5', 'Right side, USB-A 1'],
    ['M.2', 'pcie4x4', 'M.2 1'],
  ]);
});

test.each([
  ['two USB 2.0 ports', 'USB-A', 'usb-2', 2],
  ['Thunderbolt 4 x2', 'USB-C', 'usb4-40', 2],
  ['Thunderbolt 2', 'Mini DP', 'tb-2', 1],
  ['4 SATA 6 Gb/s', 'SATA', 'sata-6', 4],
  ['PCIe 3.0 x4 slot', 'PCIe slot', 'pcie3x4', 1],
  ['USB-C', 'USB-C', 'usb-10', 1],
  ['3 x USB-A', 'USB-A', 'usb-5', 3],
  ['10 Gb/s USB-C', 'USB-C', 'usb-10', 1],
  ['USB-C 3.2 Gen 2x2', 'USB-C', 'usb-20', 1],
])('%s', (text, connector, mode, many) => {
  const { host, unread } = said(text);
  expect(unread).toEqual([]);
  expect(host!.ports).toHaveLength(many);
  for (const port of host!.ports) expect(port).toMatchObject({ connector, modes: [mode] });
});

test('as somebody types it in a hurry, in one run: nothing is taken along with what stands beside it', () => {
  const { host, unread, understood } = said(
    'old office laptop with 2 USB-A and one USB-C, 12GB RAM 480 GB SATA SSD windows 10, some fan',
  );
  expect(unread).toEqual(['some fan']);
  expect(understood).toContain('2 × USB-A, USB 5 Gb/s');
  expect(host).toMatchObject({
    name: 'old office laptop',
    kind: 'laptop',
    system: 'windows 10',
    memory: { value: 12e9 },
    storage: { name: '480 GB SATA SSD', capacity: { value: 480e9 } },
  });
  expect(host!.ports.map((p) => p.connector)).toEqual(['USB-A', 'USB-A', 'USB-C']);
  // Two sorts without anything between them: not half of it is taken.
  expect(said('desktop, SATA, 2 USB-C 3 USB-A').unread).toEqual(['2 USB-C 3 USB-A']);
  expect(said('Windows 11 laptop, USB-C').host).toMatchObject({ kind: 'laptop' });
});

test('what names no port makes no machine; what is not understood is said', () => {
  expect(said('A grey one')).toMatchObject({ host: null, understood: ['A grey one'] });
  expect(said('Attic tower\nUSB-C\nwith a dent').unread).toEqual(['with a dent']);
});

test('whatever is pasted makes a machine the file takes, or none; parts in another order make the same ports', () => {
  const parts = [
    '2x USB-A',
    'USB-C 10 Gb/s',
    'Linux 6.1',
    '16 GB RAM',
    '1 TB SSD',
    'M.2 PCIe 3.0 x4',
    'SATA',
  ];
  const ports = (list: readonly string[]) =>
    said(['Bench desktop', ...list].join(', '))
      .host!.ports.map((p) => `${p.connector} ${p.modes.join()}`)
      .sort();
  fc.assert(
    fc.property(fc.shuffledSubarray(parts, { minLength: parts.length }), (list) => {
      expect(ports(list)).toEqual(ports(parts));
    }),
    runs(20),
  );
  const words = fc.array(
    fc.oneof(fc.constantFrom(...parts, '99 x USB-C', '0x SATA', '2 TB', ','), fc.string()),
  );
  fc.assert(
    fc.property(words, (list) => {
      const { host } = said(list.join('\n'));
      if (host) expect(Host.parse(host)).toEqual(host);
    }),
    runs(60),
  );
});
