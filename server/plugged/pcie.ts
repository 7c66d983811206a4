import { pcieLink, type PluggedIn } from '@kymar/core/catalog/negotiated';
import type { Sysfs } from './sysfs';

const DEVICES = 'bus/pci/devices';
/** PCI class of an NVMe controller: mass storage, non-volatile memory. */
const NVME = /^0x0108/;
/** NVMe drives on PCIe: what each negotiated, what it could, and what the port above it could. */
export async function pcieDevices(sysfs: Sysfs): Promise<PluggedIn[]> {
  const names = await sysfs.list(DEVICES);
  const found = await Promise.all(names.map((id) => driveAt(sysfs, id)));
  return found.filter((device) => device !== null);
}

async function driveAt(sysfs: Sysfs, id: string): Promise<PluggedIn | null> {
  if (!NVME.test(await sysfs.read(DEVICES, id, 'class'))) return null;
  const at = async (device: string, which: 'current' | 'max') =>
    pcieLink(
      await sysfs.read(DEVICES, device, `${which}_link_speed`),
      await sysfs.read(DEVICES, device, `${which}_link_width`),
    );
  const above = (await sysfs.chain(DEVICES, id)).at(-2) ?? '';
  const [controller] = await sysfs.list(DEVICES, id, 'nvme');
  const model = controller ? await sysfs.read(DEVICES, id, 'nvme', controller, 'model') : '';
  return {
    id,
    bus: 'pcie',
    name: model || 'NVMe drive',
    link: await at(id, 'current'),
    device: await at(id, 'max'),
    port: /^[0-9a-f]{4}:/.test(above) ? await at(above, 'max') : null,
    protocol: null,
  };
}
