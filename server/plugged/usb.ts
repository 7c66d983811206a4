import { usbLink, type PluggedIn } from '@kymar/core/catalog/negotiated';
import type { Sysfs } from './sysfs';

const DEVICES = 'bus/usb/devices';
const MASS_STORAGE = '08';
const PROTOCOL: Record<string, PluggedIn['protocol']> = { '62': 'uas', '50': 'bulk-only' };

/** Mass-storage devices on USB: what each negotiated, and what the port at its root can. A port's fast and slow half are two root hubs. */
export async function usbDevices(sysfs: Sysfs): Promise<PluggedIn[]> {
  const names = await sysfs.list(DEVICES);
  const roots = names.filter((name) => /^usb\d+$/.test(name));
  const links = await Promise.all(
    roots.map(async (root) => ({
      root,
      link: usbLink(await sysfs.read(DEVICES, root, 'speed'), await sysfs.read(DEVICES, root, 'rx_lanes')),
      controller: (await sysfs.chain(DEVICES, root)).at(-2) ?? '',
    })),
  );
  const devices = names.filter((name) => /^\d+-[\d.]+$/.test(name));
  const found = await Promise.all(devices.map((id) => storageAt(sysfs, names, id)));
  return found
    .filter((device): device is Omit<PluggedIn, 'port'> => device !== null)
    .map((device) => {
      // The controller's fastest root hub: a device that fell to USB 2 hangs on its slow one.
      const own = links.find(({ root }) => root === `usb${device.id.split('-')[0]}`);
      const siblings = links.filter(
        ({ controller, root }) => root === own?.root || (controller !== '' && controller === own?.controller),
      );
      const order = ['usb-2', 'usb-5', 'usb-5x2', 'usb-10', 'usb-20', 'usb4-40'];
      const best = siblings.map((s) => order.indexOf(s.link ?? '')).reduce((a, b) => Math.max(a, b), -1);
      return { ...device, port: order[best] ?? null };
    });
}

async function storageAt(
  sysfs: Sysfs,
  names: readonly string[],
  id: string,
): Promise<Omit<PluggedIn, 'port'> | null> {
  const interfaces = names.filter((name) => name.startsWith(`${id}:`));
  const kinds = await Promise.all(
    interfaces.map(async (name) => [
      await sysfs.read(DEVICES, name, 'bInterfaceClass'),
      await sysfs.read(DEVICES, name, 'bInterfaceProtocol'),
    ]),
  );
  const storage = kinds.filter(([kind]) => kind === MASS_STORAGE);
  if (storage.length === 0) return null;
  const [maker, product, speed, lanes] = await Promise.all(
    ['manufacturer', 'product', 'speed', 'rx_lanes'].map((name) => sysfs.read(DEVICES, id, name)),
  );
  return {
    id,
    bus: 'usb',
    name: [maker, product].filter(Boolean).join(' ') || 'USB storage',
    link: usbLink(speed!, lanes),
    device: null,
    protocol: PROTOCOL[storage[0]![1]!] ?? null,
  };
}
