import { decode, type Decoded } from '../decode';
import type { Fact } from '../../evidence';
import { formFactor, type Drive } from '../parts';
import { ceilingOf, linkById } from '../links';
import { format, YEAR_DAYS } from '../../units';
import { isOutside } from './listing';

const NONE: Fact = { value: null, source: { kind: 'unknown' } };
const listed = (value: number): Fact => ({ value, source: { kind: 'sheet', note: 'listing' } });

/** A drive read off a listing, and what the listing was read as. */
export interface DriveDraft {
  drive: Drive;
  decoded: Decoded;
}

/** What a part is called whose listing does not begin with a name. */
const UNNAMED = 'Unnamed';

/** Maker and model: what a listing begins with before anything of it is a figure or an interface, and how much it holds. */
function namesOf({ text, readings }: Decoded, capacity: number | undefined, kind: string) {
  const end = readings[0]?.at ?? text.length;
  const [maker, ...model] = text
    .slice(0, end)
    .split(/[\s,]+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word))
    .slice(0, 5);
  const size = capacity ? format(capacity, 'B') : '';
  return {
    maker: maker?.slice(0, 40) ?? UNNAMED,
    model: ([...model, size].join(' ').trim() || kind).slice(0, 80),
    ...(maker === undefined && size ? { model: `${size} ${kind}` } : {}),
  };
}

/**
 * A drive as a pasted listing describes it; what the listing leaves open stays not known, and its doubts come along.
 * @param id for the new part
 */
export function draftDrive(text: string, id: string): DriveDraft {
  const decoded = decode(text);
  const meaning = (kind: string, pattern: RegExp) =>
    decoded.readings
      .filter((r) => r.kind === kind)
      .map((r) => pattern.exec(r.meaning))
      .find((m) => m !== null);
  const value = (kind: string) =>
    decoded.readings.filter((r) => r.kind === kind && r.value !== undefined).map((r) => r.value!);
  const disk = value('spindle').length > 0 || /\b(hdd|hard (disk|drive))\b/i.test(text);
  const nvme = meaning('protocol', /NVMe/) !== undefined;
  const usb = decoded.links.filter(isOutside);
  const sealed = usb.length > 0 && !nvme;
  const m2 = /\bm\.?2\b/i.test(text) || nvme;
  const length = meaning('form', /(\d+) mm long/)?.[1];
  const inches = meaning('form', /^(2\.5|3\.5)-inch/)?.[1];
  const form = sealed
    ? 'external'
    : m2
      ? `M.2 22${length ?? '80'}`
      : inches === '3.5'
        ? '3.5-inch'
        : inches === '2.5' || !disk
          ? '2.5-inch, 7 mm'
          : '3.5-inch';
  // One link where the listing settles it; where it leaves several open, the slowest that its rate passes.
  const rates = value('rate').sort((a, b) => b - a);
  const sure =
    decoded.links.findLast((id) => ceilingOf(linkById(id)) >= (rates[0] ?? 0)) ?? decoded.links.at(-1);
  const fallback = sealed ? 'usb-5' : nvme ? 'pcie3x4' : 'sata-6';
  const [capacity] = value('capacity');
  const [cache, rest, tbw, warranty] = (['cache', 'sustained', 'tbw', 'warranty'] as const).map(
    (kind) => value(kind)[0],
  );
  // A rating by the day is one of all its warranty's days.
  const [dwpd] = value('dwpd');
  const rated = tbw ?? (dwpd && capacity && warranty ? dwpd * capacity * warranty * YEAR_DAYS : undefined);
  const iops = value('iops').sort((a, b) => b - a);
  const [map] = value('map');
  const cell = /\b(SLC|MLC|TLC|QLC)\b/i.exec(text)?.[1]?.toUpperCase() as Drive['cell'] | undefined;
  const [rpm] = value('spindle');
  const drive: Drive = {
    id,
    ...namesOf(decoded, capacity, disk ? 'disk' : nvme ? 'NVMe SSD' : 'SSD'),
    media: disk ? 'disk' : 'flash',
    form: formFactor(form) ? form : 'M.2 2280',
    plug: sealed ? 'USB-C' : m2 ? 'M.2' : 'SATA',
    modes: [sure ?? fallback],
    cell: disk ? null : (cell ?? null),
    capacity: capacity ? listed(capacity) : NONE,
    read: rates[0] ? listed(rates[0]) : NONE,
    write: rates[1] ? listed(rates[1]) : NONE,
    rest: rest ? listed(rest) : NONE,
    cache: cache ? listed(cache) : NONE,
    tbw: rated ? listed(rated) : NONE,
    warrantyYears: warranty ? listed(warranty) : NONE,
    ...(iops[0] ? { randomRead: listed(iops[0]) } : {}),
    ...(iops[1] ? { randomWrite: listed(iops[1]) } : {}),
    ...(map === undefined || disk
      ? {}
      : { map: map === 1 ? ('DRAM' as const) : nvme ? ('HMB' as const) : ('none' as const) }),
    ...(sealed ? { sealed: true } : {}),
    ...(rpm ? { rpm } : {}),
    ...(/\bSMR\b|shingled/i.test(text)
      ? { recording: 'SMR' as const }
      : /\bCMR\b/i.test(text)
        ? { recording: 'CMR' as const }
        : {}),
  };
  return { drive, decoded };
}
