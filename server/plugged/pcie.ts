import type { PluggedIn } from '@kymar/core/catalog/negotiated';
import { isLinkId } from '@kymar/core/catalog/links';
import type { Sysfs } from './sysfs';

const DEVICES = 'bus/pci/devices';
/** PCI class of an NVMe controller: mass storage, non-volatile memory. */
const NVME = /^0x0108/;
const GEN: Record<string, number> = {
  '2.5': 1,
  '5.0': 2,
  '5': 2,
  '8.0': 3,
  '8': 3,
  '16.0': 4,
  '16': 4,
  '32.0': 5,
  '32': 5,
  '64.0': 6,
  '64': 6,
};

/** Link of `… GT/s` and a width; null for what is not known. */
function linkOf(speed: string, width: string): string | null {
  const gen = GEN[/^([\d.]+) GT\/s/.exec(speed)?.[1] ?? ''];
  const id = `pcie${gen}x${width}`;
  return gen !== undefined && isLinkId(id) ? id : null;
}

/** NVMe drives on PCIe: what each negotiated, what it could, and what the port above it could. */
export async function pcieDevices(sysfs: Sysfs): Promise<PluggedIn[]> {
  const names = await sysfs.list(DEVICES);
  const found = await Promise.all(names.map((id) => driveAt(sysfs, id)));
  return found.filter((device) => device !== null);
}

async function driveAt(sysfs: Sysfs, id: string): Promise<PluggedIn | null> {
  if (!NVME.test(await sysfs.read(DEVICES, id, 'class'))) return null;
  const at = async (device: string, which: 'current' | 'max') =>
    linkOf(
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
