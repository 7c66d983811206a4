import { decode, type Decoded } from '../decode';
import type { Cable, Connector } from '../parts';
import { linkFamilyOf, isOutside } from './listing';

/** `USB-C to A`, `type c to micro b`. */
const JOINS =
  /\b(?:usb[ -]?)?(?:type[ -]?)?(micro[ -]?b|[abc]) (?:to|-) (?:usb[ -]?)?(?:type[ -]?)?(micro[ -]?b|[abc])\b/i;
const endOf = (end: string): Connector =>
  /micro/i.test(end) ? 'Micro-B' : /a/i.test(end) ? 'USB-A' : /b/i.test(end) ? 'USB-B' : 'USB-C';

/**
 * A cable as a pasted listing describes it; without a length it is taken for one of a metre.
 * @param id for the new part
 */
export function draftCable(text: string, id: string): { part: Cable; decoded: Decoded } {
  const decoded = decode(text);
  const found = decoded.links.filter((l) => isOutside(l) || linkFamilyOf(l) === 'sata');
  const metres = /([\d.,]+) ?(m|cm|meters?|metres?|ft|feet)\b(?!\.)/i.exec(decoded.text);
  const unit = metres?.[2]!.toLowerCase() ?? 'm';
  const factor = unit === 'cm' ? 0.01 : unit.startsWith('f') ? 0.3048 : 1;
  const length = metres ? Number(metres[1]!.replace(',', '.')) * factor : 1;
  const watts = /(\d{2,3}) ?w\b/i.exec(text)?.[1];
  const named = JOINS.exec(text);
  const ends = named ? ([endOf(named[1]!), endOf(named[2]!)] as const) : (['USB-C', 'USB-C'] as const);
  const sata = found.length > 0 && found.every((l) => linkFamilyOf(l) === 'sata');
  const part: Cable = {
    id,
    name: text.trim().slice(0, 120) || 'Cable',
    ends: sata ? ['SATA', 'SATA'] : [...ends],
    // Without a speed on it a cable of USB-C is sure of USB 2.0 only.
    modes: found.length > 0 ? found : ['usb-2'],
    length: length > 0 && length < 100 ? length : 1,
    ...(watts ? { power: Number(watts) } : {}),
    ...(/\bactive\b/i.test(text) ? { active: true } : {}),
  };
  return { part, decoded };
}
