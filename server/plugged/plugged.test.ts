import { mkdir, mkdtemp, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { judgeLink } from '@kymar/core/devices';
import { pluggedIn } from '.';

let root = '';
beforeEach(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-sysfs-'));
});
afterEach(() => rm(root, { recursive: true, force: true }));

/** A made-up machine in sysfs's own layout (Linux documentation, ABI/testing: sysfs-bus-usb, sysfs-bus-pci, sysfs-ata). */
class Machine {
  private readonly work: Promise<unknown>[] = [];
  /** Attributes at a real path, and the link by which the bus lists it. */
  private put(path: string, attributes: Record<string, string>, listed: string) {
    const make = async () => {
      await mkdir(join(root, path), { recursive: true });
      for (const [name, text] of Object.entries(attributes)) {
        await mkdir(dirname(join(root, path, name)), { recursive: true });
        await writeFile(join(root, path, name), `${text}\n`);
      }
      await mkdir(dirname(join(root, listed)), { recursive: true });
      await symlink(relative(dirname(join(root, listed)), join(root, path)), join(root, listed));
    };
    this.work.push((this.work.at(-1) ?? Promise.resolve()).then(make));
    return this;
  }
  usbRoot(bus: number, controller: string, speed: number, lanes = 1) {
    return this.put(`devices/pci0000:00/${controller}/usb${bus}`, { speed: String(speed), rx_lanes: String(lanes) }, `bus/usb/devices/usb${bus}`);
  }
  usb(id: string, controller: string, speed: number, more: { product?: string; kind?: string; protocol?: string; lanes?: number } = {}) {
    const path = `devices/pci0000:00/${controller}/usb${id.split('-')[0]}/${id}`;
    this.put(path, { speed: String(speed), rx_lanes: String(more.lanes ?? 1), ...(more.product ? { product: more.product, manufacturer: 'Tesselin' } : {}) }, `bus/usb/devices/${id}`);
    return this.put(`${path}/${id}:1.0`, { bInterfaceClass: more.kind ?? '08', bInterfaceProtocol: more.protocol ?? '62' }, `bus/usb/devices/${id}:1.0`);
  }
  nvme(id: string, below: string, now: [string, number], most: [string, number], port: [string, number] | null, model = '') {
    if (port) this.put(`devices/pci0000:00/${below}`, { max_link_speed: `${port[0]} GT/s PCIe`, max_link_width: String(port[1]), class: '0x060400' }, `bus/pci/devices/${below}`);
    return this.put(
      `devices/pci0000:00/${below}/${id}`,
      { class: '0x010802', current_link_speed: `${now[0]} GT/s PCIe`, current_link_width: String(now[1]), max_link_speed: `${most[0]} GT/s PCIe`, max_link_width: String(most[1]), ...(model ? { 'nvme/nvme0/model': `${model}   ` } : {}) },
      `bus/pci/devices/${id}`,
    );
  }
  sata(link: string, now: string, most: string) {
    return this.put(`devices/pci0000:00/0000:00:17.0/${link}`, { sata_spd: now, hw_sata_spd_limit: most }, `class/ata_link/${link}`);
  }
  async read() {
    await Promise.all(this.work);
    return (await pluggedIn(root)).map((device) => ({ ...device, ...judgeLink(device) }));
  }
}
const machine = () => new Machine();
const xhci = '0000:00:14.0';

describe('six machines', () => {
  test('a laptop with an enclosure that fell to 5 Gb/s on a 10 Gb/s port', async () => {
    const [device, ...others] = await machine().usbRoot(1, xhci, 480).usbRoot(2, xhci, 10000).usb('2-1', xhci, 5000, { product: 'Nook 10' }).usb('1-7', xhci, 12, { product: 'Camera', kind: '0e' }).read();
    expect(others).toEqual([]);
    expect(device).toMatchObject({ id: '2-1', bus: 'usb', name: 'Tesselin Nook 10', link: 'usb-5', port: 'usb-10', protocol: 'uas', state: 'held' });
    expect(device!.words).toMatch(/Negotiated USB 5 Gb\/s on a port that can run USB 10 Gb\/s: the device, the cable or a hub between/);
  });

  test('the same on its slow half, behind a charging cable: USB 2, bulk-only', async () => {
    const [device] = await machine().usbRoot(1, xhci, 480).usbRoot(2, xhci, 20000, 2).usb('1-3.2', xhci, 480, { protocol: '50' }).read();
    expect(device).toMatchObject({ name: 'USB storage', link: 'usb-2', port: 'usb-20', protocol: 'bulk-only', state: 'held' });
    expect(device!.words).toMatch(/bulk-only/);
  });

  test('a workstation whose gen 4 drive sits in a slot wired gen 3 ×2', async () => {
    const [drive] = await machine().nvme('0000:01:00.0', '0000:00:1d.0', ['8.0', 2], ['16.0', 4], ['8.0', 2], 'Merlin 4 TB').read();
    expect(drive).toMatchObject({ bus: 'pcie', name: 'Merlin 4 TB', link: 'pcie3x2', device: 'pcie4x4', port: 'pcie3x2', state: 'full' });
  });

  test('a desktop whose drive came up with half its lanes though both ends can four', async () => {
    const [drive] = await machine().nvme('0000:04:00.0', '0000:00:01.1', ['16.0', 2], ['16.0', 4], ['16.0', 4]).read();
    expect(drive).toMatchObject({ name: 'NVMe drive', link: 'pcie4x2', state: 'held' });
    expect(drive!.words).toMatch(/though both ends can run PCIe gen 4 ×4.*instead of/);
  });

  test('a small server: one SATA link of three down to 3 Gb/s, one empty', async () => {
    const drives = await machine().sata('link1', '6.0 Gbps', '6.0 Gbps').sata('link2', '3.0 Gbps', '6.0 Gbps').sata('link3', '<unknown>', '6.0 Gbps').read();
    expect(drives.map((d) => [d.id, d.link, d.state])).toEqual([['link1', 'sata-6', 'full'], ['link2', 'sata-3', 'held']]);
  });

  test('a mini PC with everything, and attributes missing here and there', async () => {
    const all = await machine().usbRoot(4, xhci, 10000, 2).usb('4-1', xhci, 10000, { lanes: 2 }).nvme('0000:02:00.0', '0000:00:06.0', ['2.5', 1], ['32.0', 4], null).sata('link9', '1.5 Gbps', '').read();
    expect(all.map((d) => [d.bus, d.link, d.state])).toEqual([['usb', 'usb-5x2', 'full'], ['pcie', 'pcie1x1', 'held'], ['sata', 'sata-1.5', 'open']]);
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
    expect(found.map(({ id, bus, name, link }) => [id, bus, name, link])).toEqual([['disk0', 'pcie', 'Oystral Merlin 4 TB', null], ['disk2', 'usb', 'Tesselin Pocket', null]]);
    expect(found.map((d) => judgeLink(d).state)).toEqual(['open', 'open']);
  });
  test('a list that fails is none', async () => expect(await pluggedIn(join(root, 'none'), () => Promise.reject(new Error('no tool')))).toEqual([]));
  test('what sysfs tells is not asked twice', async () => {
    await machine().nvme('0000:01:00.0', '0000:00:1d.0', ['8.0', 2], ['16.0', 4], ['8.0', 2]).read();
    expect(await pluggedIn(root, () => Promise.reject(new Error('asked')))).toHaveLength(1);
  });
});
