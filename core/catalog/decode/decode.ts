import { ceilingOf, linkById, practicalOf } from '../links';
import { format } from '../../units';
import { normal } from './normal';
import type { Decoded, Flag, NameReading } from './reading';
import { disagree, DECODE_RULES, USB_A_TOO_FAST } from './rules';

/** What a single text may weigh: a listing, not a book. */
export const LONGEST = 2000;

/**
 * Reads a name off a box, out of a listing or a spec sheet, or as it was said: links, protocol, form factor, plugs, rates, capacities, each with its
 * meaning, and tells what is ambiguous or cannot be. Never throws; what it does not know it leaves unread.
 */
export function decode(input: string): Decoded {
  const text = normal(input.slice(0, LONGEST));
  const readings: NameReading[] = [];
  const flags: Flag[] = [];
  let left = text;
  for (const { pattern, read } of DECODE_RULES) {
    for (const match of [...left.matchAll(pattern)]) {
      const found = read(match.slice(1), text);
      if (!found) continue;
      const { flags: told = [], ...reading } = found;
      readings.push({ ...reading, text: match[0].trim(), at: match.index });
      flags.push(...told);
      left =
        left.slice(0, match.index) +
        '\u0001'.repeat(match[0].length) +
        left.slice(match.index + match[0].length);
    }
  }
  readings.sort((a, b) => a.at - b.at);
  const named = settle(readings, text);
  const links = [...new Set(named.flatMap((r) => r.links ?? []))];
  const settled = flags.filter((f) => f.id !== 'speed-alone' || !agrees(readings, named));
  return {
    text,
    readings,
    unread: unreadIn(left),
    flags: unique([...settled, ...doubts(readings, links, text)]),
    links: links.sort(
      (a, b) => practicalOf(linkById(b), 'read').expected - practicalOf(linkById(a), 'read').expected,
    ),
  };
}

/** Words that say nothing of a part. */
const FILLING = new RegExp(
  `^(?:${[
    'up|to|with|and|or|for|the|an?|of|in|internal|external',
    'portable|drive|disk|ssd|hdd|solid|state|hard|new|any|speeds?|read',
    'write|seq|max|interface|type|warranty|case|box|enclosure|cable|adapter|dock',
    'lead|usb|pcie|sata|m\\.?2|[smtq]lc|[cs]mr|shingled',
    'are|is|same|used',
  ].join('|')})$`,
  'i',
);

/** What is left of a text once all that was understood is taken out, word by word. */
const unreadIn = (left: string): string[] =>
  left
    .split(/[\u0001\s,;|()/]+/)
    .map((word) => word.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, ''))
    .filter((word) => word !== '' && !FILLING.test(word));

const unique = (flags: readonly Flag[]): Flag[] =>
  flags.filter((f, i) => flags.findIndex((other) => other.id === f.id && other.words === f.words) === i);

/** A bare line rate beside a named link says the same twice, or settles which of an open name's links is meant. */
function settle(readings: readonly NameReading[], text: string): NameReading[] {
  const links = readings.filter((r) => r.kind === 'link' && r.links!.length > 0);
  const rates = links.filter((r) => isBareRate(r));
  const names = links.filter((r) => !isBareRate(r));
  if (names.length === 0) return links;
  // On a box for drives the bare rate is that of its own plug, beside what it takes inside.
  const outside =
    /\b(enclosure|dock|case|box|adapter)\b/i.test(text) &&
    names.every((n) => n.links!.every((id) => ['sata', 'pcie'].includes(linkById(id).family)));
  const settled = names.map((name) => {
    const common = rates
      .map((rate) => name.links!.filter((id) => rate.links!.includes(id)))
      .find((shared) => shared.length > 0);
    return common ? { ...name, links: common } : name;
  });
  if (outside)
    return [
      ...settled,
      ...rates
        .map((rate) => ({ ...rate, links: rate.links!.filter((id) => linkById(id).family === 'usb') }))
        .filter((rate) => rate.links.length > 0),
    ];
  return settled;
}

const isBareRate = (r: NameReading): boolean => /^[\d.,]+ ?G[bB]\/s$/.test(r.text);
const agrees = (readings: readonly NameReading[], named: readonly NameReading[]): boolean =>
  readings.some(isBareRate) && named.some((n) => !isBareRate(n));

/** A line that takes a plug for what runs behind it. */
const SAME_PLUG = (() => {
  const plug = String.raw`(?:usb[ -]?c|type[ -]?c)`;
  const link = String.raw`(?:thunderbolt|usb ?4|usb ?3(?:\.\d)?|\d+ ?Gb\/s)`;
  const equals = String.raw`(?:is|are|equals?|=|same as|same thing|aka|i\.e\.|means|so|basically|just|also (?:called|known))`;
  return new RegExp(
    `\\b${plug}\\b[^.;]{0,24}(?:\\b|\\s)${equals}(?:\\b|\\s)[^.;]{0,30}${link}|${link}[^.;]{0,24}(?:\\b|\\s)${equals}(?:\\b|\\s)[^.;]{0,30}\\b${plug}\\b`,
    'i',
  );
})();

/** Several names said to be one. */
const ONE_AND_THE_SAME = /\b(?:the same|identical|one thing|equal)\b/i;

/** Whether links that a text calls one and the same are. */
function sameness(readings: readonly NameReading[], text: string): Flag | null {
  const named = readings.filter(({ kind, links }) => kind === 'link' && (links?.length ?? 0) > 0);
  if (named.length < 2 || !ONE_AND_THE_SAME.test(text)) return null;
  const meanings = new Set(named.map(({ links }) => links!.join()));
  const each = named.map(({ text: said, meaning }) => `${said} is ${meaning}`).join(', ');
  return meanings.size === 1
    ? { kind: 'note', id: 'same-link', words: `They are the same: ${named[0]!.meaning}.` }
    : { kind: 'nonsense', id: 'not-the-same', words: `They are not the same: ${each}.` };
}

/** Faults that only show when all of the text is taken together. */
function doubts(readings: readonly NameReading[], links: readonly string[], text: string): Flag[] {
  const same = sameness(readings, text);
  const flags: Flag[] = same ? [same] : [];
  const has = (kind: NameReading['kind'], pattern: RegExp) =>
    readings.some((r) => r.kind === kind && pattern.test(r.meaning));
  const family = (id: string) => linkById(id).family;
  const nvme = has('protocol', /NVMe/);
  const sataOnly = links.length > 0 && links.every((id) => family(id) === 'sata');
  const either =
    /\b(dual|combo|both)\b|nvme ?(&|and|\/|or|\+) ?(?:ngff |m\.2 )?sata|sata ?(&|and|\/|or|\+) ?(?:m\.2 )?nvme/i.test(
      text,
    );
  if (nvme && sataOnly && !either)
    flags.push({
      kind: 'nonsense',
      id: 'nvme-over-sata',
      words: 'NVMe runs over PCIe lanes, not over SATA: one of the two is wrong.',
    });
  if (has('form', /^M\.2/) && !nvme && links.length === 0)
    flags.push({
      kind: 'ambiguous',
      id: 'm2-alone',
      words: '"M.2" is a shape: behind it may be PCIe, SATA or USB.',
    });
  if (nvme && links.length === 0)
    flags.push({
      kind: 'ambiguous',
      id: 'nvme-alone',
      words: '"NVMe" says PCIe, yet neither generation nor lanes.',
    });
  if (has('connector', /USB-C/) && links.length === 0)
    flags.push({
      kind: 'ambiguous',
      id: 'usb-c-alone',
      words: '"USB-C" is a plug: it says nothing of the speed.',
    });
  if (
    has('connector', /USB-A/) &&
    links.some((id) => ['usb-20', 'usb4-20', 'usb4-40', 'usb4-80', 'tb-3'].includes(id))
  )
    flags.push(USB_A_TOO_FAST);
  if (has('spindle', /disk/) && (nvme || links.some((id) => family(id) === 'pcie')))
    flags.push({ kind: 'nonsense', id: 'spinning-nvme', words: 'A disk that turns does not speak NVMe.' });
  if (SAME_PLUG.test(text))
    flags.push({
      kind: 'note',
      id: 'same-plug',
      words: 'The same plug is not the same speed: behind USB-C may run anything from 480 Mb/s to 80 Gb/s.',
    });
  const outside = /\b(enclosure|dock|case|box|adapter)\b/i.test(text);
  const named = readings.filter((r) => r.kind === 'link' && r.links!.length > 0 && !isBareRate(r));
  for (const bare of readings.filter((r) => r.kind === 'link' && r.links!.length > 0 && isBareRate(r)))
    if (!outside && named.length === 1 && !named[0]!.links!.some((id) => bare.links!.includes(id)))
      flags.push(disagree(named[0]!.text, /^[\d.,]+/.exec(bare.text)![0]));
  const ceiling = Math.max(0, ...links.map((id) => ceilingOf(linkById(id))));
  for (const { kind, value } of readings)
    if (kind === 'rate' && value && ceiling > 0 && value > ceiling * 1.001)
      flags.push({
        kind: 'nonsense',
        id: 'faster-than-link',
        words:
          `${format(value, 'B/s')} do not pass ${linkById(links.reduce((a, b) => (ceilingOf(linkById(b)) > ceilingOf(linkById(a)) ? b : a))).name}, ` +
          `whose ceiling is ${format(ceiling, 'B/s')}.`,
      });
  return flags;
}
