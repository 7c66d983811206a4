import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { judgeLink } from '@kymar/core/catalog/negotiated';
import { MadeUp } from './fixtures/machine';
import { pluggedIn } from '.';

let root = '';
beforeEach(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-sysfs-'));
});
afterEach(() => rm(root, { recursive: true, force: true }));

/** A made-up machine whose devices are read and judged. */
class Machine extends MadeUp {
  async read() {
    await this.made();
    return (await pluggedIn(root)).map((device) => ({ ...device, ...judgeLink(device) }));
  }
}
const machine = () => new Machine(root);
const xhci = '0000:00:14.0';

describe('six machines', () => {
  test('a laptop with an enclosure that fell to 5 Gb/s on a 10 Gb/s port', async () => {
    const [device, ...others] = await machine()
      .usbRoot(1, xhci, 480)
      .usbRoot(2, xhci, 10000)
      .usb('2-1', xhci, 5000, { product: 'Nook 10' })
      .usb('1-7', xhci, 12, { product: 'Camera', kind: '0e' })
      .read();
    expect(others).toEqual([]);
    expect(device).toMatchObject({
      id: '2-1',
      bus: 'usb',
      name: 'Tesselin Nook 10',
      link: 'usb-5',
      port: 'usb-10',
      protocol: 'uas',
      state: 'held',
    });
    expect(device!.words).toMatch(
      /Negotiated USB 5 Gb\/s on a port that can run USB 10 Gb\/s: the device, the cable or a hub between/,
    );
  });

  test('the same on its slow half, behind a charging cable: USB 2, bulk-only', async () => {
    const [device] = await machine()
      .usbRoot(1, xhci, 480)
      .usbRoot(2, xhci, 20000, 2)
      .usb('1-3.2', xhci, 480, { protocol: '50' })
      .read();
    expect(device).toMatchObject({
      name: 'USB storage',
      link: 'usb-2',
      port: 'usb-20',
      protocol: 'bulk-only',
      state: 'held',
    });
    expect(device!.words).toMatch(/bulk-only/);
  });

  test('a workstation whose gen 4 drive sits in a slot wired gen 3 ×2', async () => {
    const [drive] = await machine()
      .nvme('0000:01:00.0', '0000:00:1d.0', ['8.0', 2], ['16.0', 4], ['8.0', 2], 'Merlin 4 TB')
      .read();
    expect(drive).toMatchObject({
      bus: 'pcie',
      name: 'Merlin 4 TB',
      link: 'pcie3x2',
      device: 'pcie4x4',
      port: 'pcie3x2',
      state: 'full',
    });
  });

  test('a desktop whose drive came up with half its lanes though both ends can four', async () => {
    const [drive] = await machine()
      .nvme('0000:04:00.0', '0000:00:01.1', ['16.0', 2], ['16.0', 4], ['16.0', 4])
      .read();
    expect(drive).toMatchObject({ name: 'NVMe drive', link: 'pcie4x2', state: 'held' });
    expect(drive!.words).toMatch(/though both ends can run PCIe gen 4 ×4.*instead of/);
  });

  test('a small server: one SATA link of three down to 3 Gb/s, one empty', async () => {
    const drives = await machine()
      .sata('link1', '6.0 Gbps', '6.0 Gbps')
      .sata('link2', '3.0 Gbps', '6.0 Gbps')
      .sata('link3', '<unknown>', '6.0 Gbps')
      .read();
    expect(drives.map((d) => [d.id, d.link, d.state])).toEqual([
      ['link1', 'sata-6', 'full'],
      ['link2', 'sata-3', 'held'],
    ]);
  });

  test('a mini PC with everything, and attributes missing here and there', async () => {
    const all = await machine()
      .usbRoot(4, xhci, 10000, 2)
      .usb('4-1', xhci, 10000, { lanes: 2 })
      .nvme('0000:02:00.0', '0000:00:06.0', ['2.5', 1], ['32.0', 4], null)
      .sata('link9', '1.5 Gbps', '')
      .read();
    expect(all.map((d) => [d.bus, d.link, d.state])).toEqual([
      ['usb', 'usb-5x2', 'full'],
      ['pcie', 'pcie1x1', 'held'],
      ['sata', 'sata-1.5', 'open'],
    ]);
  });
});

test('a machine without sysfs, or with odd contents, has nothing plugged in', async () => {
  expect(await pluggedIn(join(root, 'none'))).toEqual([]);
  const strange = await machine().usb('9-9', xhci, 1.5).sata('linkX', 'fast', 'faster').read();
  expect(strange).toMatchObject([{ id: '9-9', link: null, state: 'open' }]);
});

describe('where there is no sysfs', () => {
  const listed = [
    { device: 'disk0', name: 'Merlin 4 TB', vendor: 'Oystral', interfaceType: 'PCIe' },
    { device: 'disk2', name: 'Tesselin Pocket', vendor: 'Tesselin', interfaceType: 'USB' },
    { device: 'vda', name: 'virtual', vendor: '', interfaceType: 'virtio' },
  ];
  test('the system’s own list gives names and buses, and no speed it does not tell', async () => {
    const found = await pluggedIn(join(root, 'none'), () => Promise.resolve(listed));
    expect(found.map(({ id, bus, name, link }) => [id, bus, name, link])).toEqual([
      ['disk0', 'pcie', 'Oystral Merlin 4 TB', null],
      ['disk2', 'usb', 'Tesselin Pocket', null],
    ]);
    expect(found.map((d) => judgeLink(d).state)).toEqual(['open', 'open']);
  });
  test('a list that fails is none', async () =>
    expect(await pluggedIn(join(root, 'none'), () => Promise.reject(new Error('no tool')))).toEqual([]));
  test('what sysfs tells is not asked twice', async () => {
    await machine().nvme('0000:01:00.0', '0000:00:1d.0', ['8.0', 2], ['16.0', 4], ['8.0', 2]).read();
    expect(await pluggedIn(root, () => Promise.reject(new Error('asked')))).toHaveLength(1);
  });
});
