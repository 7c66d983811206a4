import { decode, type Decoded } from '../decode';
import type { Bridge, Connector } from '../parts';
import { linkFamilyOf, isOutside, namesIn } from './listing';

/** The plug towards the host that a listing of something on a cable names, or that its links are sold with. */
function plugIn(text: string, links: readonly string[]): Connector {
  if (/\b(?:usb[ -]?(?:type[ -]?)?c|type[ -]?c)\b/i.test(text)) return 'USB-C';
  if (/micro[ -]?b/i.test(text)) return 'Micro-B';
  if (links.includes('tb-1') || links.includes('tb-2')) return 'Mini DP';
  return links.some((id) => ['usb-5', 'usb-2'].includes(id)) && links.length < 3 ? 'Micro-B' : 'USB-C';
}

/**
 * An enclosure, dock or card as a pasted listing describes it; what it leaves open stays not known.
 * @param id for the new part
 */
export function draftBridge(text: string, id: string): { part: Bridge; decoded: Decoded } {
  const decoded = decode(text);
  const { links, readings } = decoded;
  const nvme =
    readings.some((r) => r.kind === 'protocol' && /NVMe/.test(r.meaning)) || /\bm\.?2\b/i.test(text);
  const card =
    /\b(card|riser|pcie adapter)\b/i.test(text) ||
    (/\badapter\b/i.test(text) && links.every((l) => linkFamilyOf(l) === 'pcie'));
  const outer = links.filter((l) => isOutside(l));
  const pcie = links.filter((l) => linkFamilyOf(l) === 'pcie');
  const sata = !nvme || links.some((l) => linkFamilyOf(l) === 'sata');
  const bays =
    /(\d{1,2})[ -]?bays?\b/i.exec(decoded.text)?.[1] ?? (/\b(?:dual|double)\b/i.test(text) ? '2' : undefined);
  const large = /\b3\.5(?: ?"|-inch| ?in\b)?/i.test(decoded.text);
  const inner = [...(nvme ? [pcie.at(-1) ?? 'pcie3x4'] : []), ...(sata ? ['sata-6'] : [])];
  const part: Bridge = {
    id,
    ...namesIn(text),
    kind: card ? 'adapter' : /\bdock\b/i.test(text) ? 'dock' : 'enclosure',
    passThrough: card,
    socket: nvme ? 'M.2' : 'SATA',
    inner: card ? [pcie.at(-1) ?? 'pcie3x4'] : inner,
    plug: card ? 'PCIe slot' : plugIn(text, outer),
    outer: card ? [pcie.at(-1) ?? 'pcie3x4'] : outer.length > 0 ? outer : ['usb-5'],
    read: null,
    write: null,
    protocol: card ? null : /\buasp?\b/i.test(text) || nvme ? 'uas' : null,
    forms: nvme
      ? ['M.2 2230', 'M.2 2242', 'M.2 2260', 'M.2 2280']
      : large
        ? ['2.5-inch', '3.5-inch']
        : ['2.5-inch'],
    ...(bays ? { bays: Math.min(32, Math.max(1, Number(bays))) } : {}),
  };
  return { part, decoded };
}
