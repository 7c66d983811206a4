import type { PluggedIn } from '@kymar/core/devices';
import { pcieDevices } from './pcie';
import { sataDevices } from './sata';
import { Sysfs } from './sysfs';
import { usbDevices } from './usb';

/**
 * Storage devices plugged in right now with what their links negotiated, read from Linux's sysfs. Only ordinary files are read.
 * @param root where sysfs is; tests give a made-up tree
 * @returns empty where there is no sysfs or nothing on it
 */
export async function pluggedIn(root = '/sys'): Promise<PluggedIn[]> {
  const sysfs = new Sysfs(root);
  return (await Promise.all([usbDevices(sysfs), pcieDevices(sysfs), sataDevices(sysfs)])).flat();
}
