import { diskLayout } from 'systeminformation';
import type { PluggedIn } from '@kymar/core/catalog/negotiated';

/** What the system's own tools list of a disk: the part Kymar uses. */
type Listed = Pick<
  Awaited<ReturnType<typeof diskLayout>>[number],
  'device' | 'name' | 'vendor' | 'interfaceType'
>;
/** Lists the disks of the machine. */
export type Inventory = () => Promise<Listed[]>;

const BUS: [RegExp, PluggedIn['bus']][] = [
  [/nvme|pci/i, 'pcie'],
  [/usb/i, 'usb'],
  [/sata|ata/i, 'sata'],
];

/**
 * Where there is no sysfs, the names and buses of drives as the system lists them; it tells no negotiated speed. Never asked on Linux: there the same
 * package also runs tools that open the raw device.
 */
export const systemInventory: Inventory = () =>
  process.platform === 'linux' ? Promise.resolve([]) : diskLayout();

export async function listedDevices(inventory: Inventory): Promise<PluggedIn[]> {
  const listed = await inventory().catch(() => []);
  return listed.flatMap(({ device, name, vendor, interfaceType }, i) => {
    const bus = BUS.find(([pattern]) => pattern.test(interfaceType))?.[1];
    if (!bus) return [];
    const words = vendor && !name.toLowerCase().startsWith(vendor.toLowerCase()) ? `${vendor} ${name}` : name;
    return [
      {
        id: device || `disk-${i}`,
        bus,
        name: words.trim() || 'Drive',
        link: null,
        port: null,
        device: null,
        protocol: null,
      },
    ];
  });
}
