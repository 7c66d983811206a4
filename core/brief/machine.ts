import { decode } from '../catalog/decode';
import { linkById } from '../catalog/links';
import {
  canStandFor,
  readSystem,
  unknownHost,
  usualPort,
  withSystem,
  type Connector,
  type Host,
} from '../catalog/parts';
import type { Fact } from '../evidence';
import { parseQuantity } from '../units';
import { SPOKEN } from './sentence';

/** What a text tells of a machine. */
export interface MachineSaid {
  /** Null while it tells of no port: without one nothing can be connected. */
  host: Host | null;
  /** What was understood, in words, in the order said. */
  understood: string[];
  /** What was not. */
  unread: string[];
}

const MOST_PORTS = 64;

/** How many, before what is counted; `10 Gb/s` is none. */
const COUNT = new RegExp(
  String.raw`^\s*(\d{1,2}|${Object.keys(SPOKEN).join('|')})(?!\s*[gm]b)\s*(?:[x×]\s*|\s)(?=\S)`,
  'i',
);
/** A count may stand behind what it counts: `USB-A ×2`; behind PCIe it is lanes, and `2x2` is a mode. */
const COUNT_BEHIND = /(?<!pci.*)\s*(?:(?<!\d)[x×]\s?(\d)|\((\d)[x×]?\))\s*$/i;

const KINDS: readonly [NonNullable<Host['kind']>, RegExp][] = [
  ['laptop', /\b(?:laptop|notebook)\b/i],
  ['workstation', /\bworkstation\b/i],
  ['mini PC', /\bmini[ -]?pc\b/i],
  ['all-in-one', /\ball[ -]in[ -]one\b/i],
  ['server', /\bserver\b/i],
  ['tablet', /\btablet\b/i],
  ['desktop', /\b(?:desktop|tower|pc)\b/i],
];

const SHAPES: readonly [Connector, RegExp][] = [
  ['Mini DP', /\bmini[ -]?(?:dp|displayport)\b|\bthunderbolt ?[12]\b/i],
  ['Micro-B', /\bmicro[ -]?b\b/i],
  ['USB-C', /\b(?:usb[ -]?|type[ -])c\b|\bthunderbolt\b|\busb ?4\b|\b2x2\b/i],
  [
    'PCIe slot',
    /\bpci(?:e| express)\b.*\bslots?\b|\bslots?\b.*\bpci(?:e| express)\b|\bx(?:1|4|8|16) slots?\b/i,
  ],
  ['M.2', /\bm\.?2\b|\bnvme (?:slots?|sockets?)\b/i],
  ['SAS', /\bsas\b/i],
  ['SATA', /\bsata\b/i],
  ['Card', /\b(?:sd|cfexpress|card)[ -]?(?:card )?(?:reader|slot)\b|\buhs\b/i],
  ['USB-A', /\busb\b|\btype[ -]a\b/i],
];

const [USB_A, USB_C] = [/\b(?:usb|type)[ -]?a\b/i, /\b(?:usb|type)[ -]?c\b/i];

const SIDE = /\b(?:on (?:the|its) )?(left|right|front|back|rear|top|inside)(?: side)?\b/i;
const SIDE_NAMES: Record<string, string> = {
  left: 'Left side',
  right: 'Right side',
  front: 'Front',
  back: 'Back',
  rear: 'Back',
  top: 'Top',
  inside: 'Inside',
};

type Ports = Omit<Host['ports'][number], 'id' | 'position'>;

/** One sort of port in a part of the text: its shape, what it runs, how many; null where none is named. */
function portsIn(text: string): { port: Ports; many: number; side: string | null } | null {
  const ahead = COUNT.exec(text);
  const behind = ahead ? null : COUNT_BEHIND.exec(text);
  const rest = text.replace(COUNT, '').replace(behind ? COUNT_BEHIND : /$^/, '');
  const connector = SHAPES.find(([, words]) => words.test(rest))?.[0];
  // Two sorts in one part: which of them is how many is not told.
  if (!connector || (USB_A.test(rest) && USB_C.test(rest))) return null;
  const said = (ahead?.[1] ?? behind?.[1] ?? behind?.[2] ?? '1').toLowerCase();
  const many = SPOKEN[said] ?? Number(said);
  const edge = Number(/[x×] ?(16|8|4|1)\b/i.exec(rest)?.[1] ?? 16) as 1 | 4 | 8 | 16;
  const usual = usualPort(connector, edge);
  const fastest = decode(rest).links.find((id) => canStandFor(connector, id));
  const side = SIDE.exec(text)?.[1]?.toLowerCase();
  return {
    port: { ...usual, ...(fastest && { modes: [fastest] }) },
    many: Math.min(many, MOST_PORTS),
    side: side === undefined ? null : SIDE_NAMES[side]!,
  };
}

const sizeIn = (text: string | undefined): number | null => {
  const read = text === undefined ? null : parseQuantity(text, 'bytes');
  return read?.ok ? read.value : null;
};
const SIZE = String.raw`(\d+(?:[.,]\d+)?\s?[gt]b)`;
const MEMORY = new RegExp(
  String.raw`${SIZE}\s+(?:of )?(?:ram|memory|ddr\d|lpddr\d)|\b(?:ram|memory)\b[: ]+${SIZE}`,
  'i',
);
const BUILT_IN = new RegExp(
  String.raw`${SIZE}(?:\s+(?:nvme|sata|pcie|m\.2|internal|built[ -]in|solid|state|hard|ssd|hdd|disk|drive|flash|emmc))+\b`,
  'i',
);
const YEAR = /^(?:built(?: in)?|from|model)?\s*\(?(19[89]\d|20[0-4]\d)\)?$/i;
const entered = (value: number): Fact => ({ value, source: { kind: 'entered' } });

/** What stands between two things that are told. */
const BETWEEN = /[\n;·•|]|,(?!\d)|\s\+\s|\s(?:and|plus|with)\s|\s(?=\d{1,2}\s?[x×]\s?[a-z])/i;
const HEADING = /^(?:ports?|interfaces?|connections?|system|os|storage)\s*:\s*/i;

/** Each thing by itself, also where memory or the drive stands in the run of others: nothing beside it is taken with it. */
const partsOf = (lines: readonly string[]): string[] =>
  lines
    .flatMap((line) =>
      [MEMORY, BUILT_IN].reduce((text, what) => text.replace(what, '\n$&\n'), line).split('\n'),
    )
    .map((part) => part.trim().replace(HEADING, '').trim())
    .filter(Boolean);

/** So many ports as were told, as far as a machine may have them, each with an id and a place. */
function portsOf(
  { port, many, side }: NonNullable<ReturnType<typeof portsIn>>,
  there: Host['ports'],
): Host['ports'] {
  const first = there.filter((p) => p.connector === port.connector).length;
  return Array.from({ length: Math.max(0, Math.min(many, MOST_PORTS - there.length)) }, (_, i) => ({
    ...port,
    id: `port-${there.length + i + 1}`,
    position: `${side ? `${side}, ` : ''}${port.connector} ${first + i + 1}`,
  }));
}

/**
 * Reads what a machine tells of itself, its sheet or somebody's words: ports, slots, system, memory, built-in drive, kind and year, one to each line
 * or comma. What stands first and is none of these is its name.
 * @param id of the machine
 */
export function readMachine(text: string, id: string): MachineSaid {
  let host = unknownHost(id, '');
  const understood: string[] = [];
  const unread: string[] = [];
  for (const part of partsOf(text.slice(0, 4000).split(BETWEEN))) {
    const kind = KINDS.find(([, words]) => words.test(part))?.[0];
    if (kind && !host.kind) host = { ...host, kind };
    const [memory, year, builtIn] = [MEMORY.exec(part), YEAR.exec(part)?.[1], BUILT_IN.exec(part)];
    const found = memory || year || builtIn ? null : portsIn(part);
    if (memory) {
      host = { ...host, memory: entered(sizeIn(memory[1] ?? memory[2])!) };
      understood.push(part);
    } else if (year) {
      host = { ...host, year: Number(year) };
      understood.push(`built in ${year}`);
    } else if (builtIn) {
      const capacity = entered(sizeIn(builtIn[1])!);
      host = { ...host, storage: { ...host.storage, name: part.slice(0, 120), capacity } };
      understood.push(`built in: ${part}`);
    } else if (found) {
      host = { ...host, ports: [...host.ports, ...portsOf(found, host.ports)] };
      understood.push(`${found.many} × ${found.port.connector}, ${linkById(found.port.modes[0]!).name}`);
    } else if (readSystem(part)) {
      host = withSystem(host, part.slice(0, 120));
      understood.push(part);
    } else if (host.name === '' && host.ports.length === 0) {
      host = { ...host, name: part.slice(0, 120) };
      understood.push(part);
    } else if (kind) understood.push(part);
    else unread.push(part);
  }
  if (host.name === '')
    host = { ...host, name: host.kind ? `The customer’s ${host.kind}` : 'The customer’s machine' };
  return { host: host.ports.length > 0 ? host : null, understood, unread };
}
