import type { PluggedIn } from '@kymar/core/catalog/negotiated';
import { pcieDevices } from './pcie';
import { listedDevices, systemInventory, type Inventory } from './inventory';
import { sataDevices } from './sata';
import { Sysfs } from './sysfs';
import { usbDevices } from './usb';

/**
 * Storage devices plugged in right now with what their links negotiated, read from Linux's sysfs. Only ordinary files are read.
 * @param root where sysfs is; tests give a made-up tree
 * @param inventory what to ask where sysfs tells nothing
 * @returns empty where neither tells anything
 */
export async function pluggedIn(root = '/sys', inventory: Inventory = systemInventory): Promise<PluggedIn[]> {
  const sysfs = new Sysfs(root);
  const found = (await Promise.all([usbDevices(sysfs), pcieDevices(sysfs), sataDevices(sysfs)])).flat();
  return found.length > 0 ? found : listedDevices(inventory);
}
