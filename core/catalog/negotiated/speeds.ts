import { isLinkId } from '../links';

const GEN: Record<string, number> = { '2.5': 1, '5': 2, '8': 3, '16': 4, '32': 5, '64': 6 };

/** Link of a PCIe speed in GT/s and a width in lanes; null for what is not known. */
export function pcieLink(transfers: string, lanes: string): string | null {
  const gen = GEN[String(Number.parseFloat(transfers))];
  const id = `pcie${gen}x${lanes}`;
  return gen !== undefined && isLinkId(id) ? id : null;
}

const USB: Record<string, string> = {
  '480': 'usb-2',
  '5000': 'usb-5',
  '10000': 'usb-10',
  '20000': 'usb-20',
  '40000': 'usb4-40',
};

/** Link of a USB speed in Mb/s; two lanes of 5 and one of 10 differ in their lanes. Null for what is not known. */
export const usbLink = (megabits: string, lanes?: string): string | null =>
  megabits === '10000' && lanes === '2' ? 'usb-5x2' : (USB[megabits] ?? null);

const SATA: Record<string, string> = { '1.5': 'sata-1.5', '3.0': 'sata-3', '6.0': 'sata-6' };

/** Link of a SATA speed in Gb/s; null for what is not known. */
export const sataLink = (gigabits: string): string | null => SATA[gigabits] ?? null;
