import type { PluggedIn } from './device';
import { pcieLink, sataLink, usbLink } from './speeds';

/** One that is read bit by bit. */
type Found = PluggedIn & { isStorage: boolean };

const fresh = (bus: PluggedIn['bus'], id: string, name: string): Found => ({
  id,
  bus,
  name,
  link: null,
  port: null,
  device: null,
  protocol: null,
  isStorage: false,
});

/** Speeds as the kernel words them when a USB device comes, in Mb/s with lanes. */
const USB_WORDS: [RegExp, string, string?][] = [
  [/SuperSpeed Plus Gen 2x2/i, '20000'],
  [/SuperSpeed Plus Gen 1x2/i, '10000', '2'],
  [/SuperSpeed ?Plus/i, '10000'],
  [/SuperSpeed/i, '5000'],
  [/high-speed/i, '480'],
];

/** The long listing of the PCI bus: a device's line, then its link's ability and state. */
function pciTree(lines: readonly string[]): Found[] {
  const found: Found[] = [];
  for (const line of lines) {
    const head = /^((?:[0-9a-f]{4}:)?[0-9a-f]{2}:[0-9a-f]{2}\.\d)\s+([^:]+):\s*(.*)$/i.exec(line.trim());
    if (head) {
      const one = fresh('pcie', head[1]!, head[3]!.replace(/\s*\(.*$/, '').trim() || 'NVMe drive');
      one.isStorage = /non-volatile memory/i.test(head[2]!);
      found.push(one);
      continue;
    }
    const link = /Lnk(Cap|Sta):.*?Speed ([\d.]+)\s*GT\/s.*?Width x(\d+)/i.exec(line);
    const last = found.at(-1);
    if (!link || !last) continue;
    const id = pcieLink(link[2]!, link[3]!);
    if (link[1]!.toLowerCase() === 'cap') last.device = id;
    else last.link = id;
  }
  return found;
}

/** The tree of the USB buses: a root hub for each, what hangs on it indented below. */
function usbTree(lines: readonly string[]): Found[] {
  const found: Found[] = [];
  let [bus, root]: [string, string | null] = ['', null];
  for (const line of lines) {
    const speed = /(\d+)M(?:\/x(\d))?\s*$/.exec(line.trim());
    const hub = /^\/:\s+Bus 0*(\d+)/.exec(line.trim());
    if (hub) {
      bus = hub[1]!;
      root = speed ? usbLink(speed[1]!, speed[2]) : null;
      continue;
    }
    const device = /\|__ Port 0*(\d+): Dev 0*(\d+)/.exec(line);
    if (!device || !speed) continue;
    const driver = /Driver=([\w-]+)/.exec(line)?.[1] ?? '';
    const one = fresh('usb', `${bus}-${device[1]}`, `USB storage on bus ${bus}, port ${device[1]}`);
    one.isStorage = /Class=Mass Storage/i.test(line);
    one.link = usbLink(speed[1]!, speed[2]);
    one.port = root;
    one.protocol = driver === 'uas' ? 'uas' : driver === 'usb-storage' ? 'bulk-only' : null;
    // A device of several interfaces has a line for each.
    if (!found.some((f) => f.id === one.id && f.isStorage)) found.push(one);
  }
  return found;
}

/** What holds a PCIe link down, and what it could be, as the kernel words it. */
const LIMITED = /limited by ([\d.]+) GT\/s (?:PCIe )?x(\d+) link/i;
const CAPABLE = /capable of .*with ([\d.]+) GT\/s (?:PCIe )?x(\d+) link/i;

/** Messages of the kernel: a device comes with its speed, and what drives it is told later. */
function messages(lines: readonly string[]): Found[] {
  const found = new Map<string, Found>();
  const at = (bus: PluggedIn['bus'], id: string, name: string): Found => {
    const one = found.get(id) ?? fresh(bus, id, name);
    found.set(id, one);
    return one;
  };
  for (const line of lines) {
    const usb = /usb (\d+-[\d.]+): new (.*?) USB device/i.exec(line);
    if (usb) {
      const word = USB_WORDS.find(([pattern]) => pattern.test(usb[2]!));
      const one = at('usb', usb[1]!, `USB device ${usb[1]}`);
      one.link = word ? usbLink(word[1], word[2]) : null;
    }
    const product = /usb (\d+-[\d.]+): Product: (.+)$/i.exec(line);
    if (product) at('usb', product[1]!, '').name = product[2]!.trim();
    const storage = /(usb-storage|uas) (\d+-[\d.]+):/i.exec(line);
    if (storage) {
      const one = at('usb', storage[2]!, `USB device ${storage[2]}`);
      one.isStorage = true;
      // "UAS is ignored": the slower driver takes it.
      const isSlow = storage[1]!.toLowerCase() === 'usb-storage' || /ignored|blacklist/i.test(line);
      one.protocol = isSlow ? 'bulk-only' : (one.protocol ?? 'uas');
    }
    const sata = /(ata\d+(?:\.\d+)?): SATA link up ([\d.]+) Gbps/i.exec(line);
    if (sata) {
      const one = at('sata', sata[1]!, `SATA drive at ${sata[1]}`);
      one.link = sataLink(sata[2]!);
      one.isStorage = true;
    }
    const [limit, ability] = [LIMITED, CAPABLE].map((pattern) => pattern.exec(line));
    const pcie = /([0-9a-f]{4}:[0-9a-f]{2}:[0-9a-f]{2}\.\d):/i.exec(line);
    if (pcie && limit && ability) {
      const one = at('pcie', pcie[1]!, `PCIe device ${pcie[1]}`);
      one.link = pcieLink(limit[1]!, limit[2]!);
      one.device = pcieLink(ability[1]!, ability[2]!);
      one.isStorage = /nvme/i.test(line);
    }
  }
  return [...found.values()];
}

/**
 * Storage devices with what they negotiated, out of what a Linux machine told and somebody pasted: the long listing of the PCI bus, the tree of the USB
 * buses, messages of the kernel, one after another or together. What tells no link is left out.
 * @returns those that are storage; where none is known to be, all with a link
 */
export function readListing(text: string): PluggedIn[] {
  const lines = text.split(/\r?\n/).map((line) => line.replace(/^\[[^\]]*\]\s*/, ''));
  const all = [...pciTree(lines), ...usbTree(lines), ...messages(lines)].filter((one) => one.link !== null);
  const storage = all.filter((one) => one.isStorage);
  const some = storage.length > 0 ? storage : all;
  return some.map(({ isStorage: _, ...device }) => device);
}
