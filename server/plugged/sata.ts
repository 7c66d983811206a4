import { sataLink, type PluggedIn } from '@kymar/core/catalog/negotiated';
import type { Sysfs } from './sysfs';

const LINKS = 'class/ata_link';
const linkOf = (text: string): string | null => sataLink(/^([\d.]+) Gbps/.exec(text)?.[1] ?? '');

/** Drives on SATA: what each link negotiated and what its port could; links with nothing on them are left out. */
export async function sataDevices(sysfs: Sysfs): Promise<PluggedIn[]> {
  const names = await sysfs.list(LINKS);
  const found = await Promise.all(
    names.map(async (id): Promise<PluggedIn | null> => {
      const link = linkOf(await sysfs.read(LINKS, id, 'sata_spd'));
      if (!link) return null;
      return {
        id,
        bus: 'sata',
        name: `SATA drive at ${id.replace('link', 'port ')}`,
        link,
        port: linkOf(await sysfs.read(LINKS, id, 'hw_sata_spd_limit')),
        device: null,
        protocol: null,
      };
    }),
  );
  return found.filter((device) => device !== null);
}
