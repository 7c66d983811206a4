import { isLinkId, linkById } from '../links';
import { DECIMAL, numeral } from '../../units';
import type { Pattern, ReadName } from './pattern';
import type { Flag } from './reading';
import { MONEY, SALE_RULES } from './sale';

const flag = (kind: Flag['kind'], id: string, words: string): Flag => ({ kind, id, words });
const names = (links: readonly string[]) => links.map((id) => linkById(id).name).join(', ');
const link = (links: string[], meaning = names(links), ...flags: Flag[]): ReadName => ({
  kind: 'link',
  links,
  meaning,
  flags,
});
const none = (what: string, id = 'no-such'): ReadName => ({
  kind: 'link',
  links: [],
  meaning: `${what}: there is no such thing`,
  flags: [flag('nonsense', id, `${what} does not exist.`)],
});
const open = (links: string[], id: string, words: string): ReadName =>
  link(links, `one of ${names(links)}`, flag('ambiguous', id, words));

const GEN: Record<string, string> = {
  '1': 'usb-5',
  '1x1': 'usb-5',
  '1x2': 'usb-5x2',
  '2': 'usb-10',
  '2x1': 'usb-10',
  '2x2': 'usb-20',
};
const GEN4: Record<string, string> = {
  '2x1': 'usb-10',
  '2x2': 'usb4-20',
  '2': 'usb4-20',
  '3x1': 'usb4-20',
  '3': 'usb4-40',
  '3x2': 'usb4-40',
  '4': 'usb4-80',
  '4x2': 'usb4-80',
};
const BY_SPEED: Record<string, string> = {
  '5': 'usb-5',
  '10': 'usb-10',
  '20': 'usb-20',
  '40': 'usb4-40',
  '80': 'usb4-80',
};
const gigabytes = (speed: string) =>
  flag(
    'nonsense',
    'bits-as-bytes',
    `"${speed} GB/s" is a link's ${speed} gigabits: at most ${numeral(Number(speed) / 8)} gigabytes a second.`,
  );

/** One pattern out of several, the first that fits; groups count on. */
const either = (...patterns: readonly RegExp[]): RegExp =>
  new RegExp(patterns.map((p) => p.source).join('|'), 'gi');

function keyMeaning(key: string): string {
  if (key.includes('+')) return `M.2 key ${key}: fits both sockets`;
  return `M.2 key ${key}: up to ×${key === 'M' ? 4 : 2} lanes or SATA`;
}

/** The same fault whether plug and speed stand together or apart. */
export const USB_A_TOO_FAST = flag(
  'nonsense',
  'usb-a-too-fast',
  'USB-A carries at most 10 Gb/s: two-lane modes need USB-C at both ends.',
);

/** A name and a speed that do not belong together. */
export const disagree = (name: string, speed: string): Flag =>
  flag('nonsense', 'speed-disagrees', `${name} does not run ${speed} Gb/s: name or speed is wrong.`);

/** Whole text says a drive is meant, whose rates are in megabytes. */
const DRIVE_WORDS = /\b(ssd|nvme|hdd|disk|drive|read|write|seq)/i;

/** Whole text says a line is meant, whose rate is in bits. */
const LINE_WORDS =
  /\b(ethernet|lan|network|nas|internet|fib(?:re|er)|broadband|wi-?fi|usb|port|cable|thunderbolt|hub)\b/i;
/** Rates of lines in megabits: no drive is meant by them alone. */
const LINE_RATES: Record<number, true> = {
  2500: true,
  10_000: true,
  20_000: true,
  40_000: true,
  80_000: true,
};

/** In order: longer and surer names first; what one has read the next does not see. */
export const DECODE_RULES: Pattern[] = [
  {
    pattern: either(
      /\b(?:sustained|post-?cache|(?:after|past|behind|beyond) (?:the )?cache|steady[- ]state)[a-z :=,-]{0,24}?([\d.,]*\d) ?([GM])B\/s/,
      /([\d.,]*\d) ?([GM])B\/s ?,? ?\(?(?:sustained|post-?cache|(?:after|past|behind|beyond) (?:the )?cache|steady[- ]state)\b/,
    ),
    read([n1, p1, n2, p2]) {
      const value = number((n1 ?? n2)!) * DECIMAL[(p1 ?? p2)!.toUpperCase() as 'G' | 'M'];
      return {
        kind: 'sustained',
        value,
        meaning: `sustained writing (post-cache) ${numeral(value / 1e6, 1)} MB/s`,
      };
    },
  },
  {
    pattern: either(
      /([\d.,]*\d) ?([GT])B (?:of )?(?:(?:dynamic|static|hybrid|write|p?slc|pseudo-?slc) ?)*(?:slc|cache)\b/,
      /\b(?:slc|write|dynamic)[- ]?cache[a-z :=,-]{0,16}?([\d.,]*\d) ?([GT])B\b/,
    ),
    read([n1, p1, n2, p2]) {
      const value = number((n1 ?? n2)!) * DECIMAL[(p1 ?? p2)!.toUpperCase() as 'G' | 'T'];
      return { kind: 'cache', value, meaning: `SLC cache of ${numeral(value / 1e9, 1)} GB` };
    },
  },
  {
    pattern: either(
      /([\d.,]*\d) ?(T|P)B ?W(?:ritten)?\b/,
      /\b(?:tbw|endurance|rated writes)[a-z :=,()-]{0,12}?([\d.,]*\d) ?(?:(T|P)B)?\b/,
      /([\d.,]*\d) ?(T|P)B (?:endurance|rated|written)\b/,
    ),
    read(groups) {
      const [n, unit] = [groups[0] ?? groups[2] ?? groups[4], groups[1] ?? groups[3] ?? groups[5]];
      const value = number(n!) * ((unit ?? 'T').toUpperCase() === 'P' ? 1e15 : 1e12);
      return { kind: 'tbw', value, meaning: `rated for ${numeral(value / 1e12)} TB written` };
    },
  },
  {
    pattern: either(
      /\b(\d{1,2})[ -]?(?:years?|yrs?|y)\b[a-z ]{0,12}(?:warranty|guarantee)\b/,
      /\b(?:warranty|guarantee)[a-z :=,-]{0,8}?(\d{1,2}) ?(?:years?|yrs?|y)?\b/,
      // Years of nothing else, in a line of figures.
      /(?<!\b(?:used|for|after|in|of|over) )\b(\d{1,2}) ?(?:years?|yrs?|y)\b(?! ?(?:old|used?|of use|ago))/,
    ),
    read([a, b, c]) {
      const value = Number(a ?? b ?? c);
      return value > 0 && value <= 15
        ? { kind: 'warranty', value, meaning: `warranty of ${value} years` }
        : null;
    },
  },
  {
    pattern: /([\d.,]*\d) ?(?:DWPD|drive writes? (?:per|a) day)\b/gi,
    read([n]) {
      const value = number(n!);
      return value > 0 && value <= 100
        ? { kind: 'dwpd', value, meaning: `rated for ${numeral(value)} drive writes per day` }
        : null;
    },
  },
  {
    pattern: /([\d.,]*\d) ?([km])? ?IOPS\b/gi,
    read([n, prefix]) {
      const value = number(n!) * ({ k: 1e3, m: 1e6 }[prefix?.toLowerCase() ?? ''] ?? 1);
      return { kind: 'iops', value, meaning: `${numeral(value)} operations a second` };
    },
  },
  {
    pattern:
      /\b(?:(dram[ -]?less|no dram|without dram|hmb)|(?:with |[\d.,]+ ?[GM]B )?(?:dram|ddr\d?l?)(?: ?cache| ?buffer)?)\b/gi,
    read: ([without]) => ({
      kind: 'map',
      value: without ? 0 : 1,
      meaning: without
        ? 'mapping table in host memory (HMB) or on the flash itself'
        : 'mapping table in DRAM',
    }),
  },
  {
    pattern: /\b(?:backwards?|downwards?)[- ]?compatible (?:with|to) [^;|\n]*/gi,
    read: () => ({ kind: 'protocol', meaning: 'what it also works with, slower: not what it runs at best' }),
  },
  {
    pattern: /\b(10|20|40|80) ?G[bB] thunderbolt\b(?! ?\d)/gi,
    read: ([speed]) =>
      ({
        '10': link(['tb-1']),
        '20': link(['tb-2']),
        '40': open(
          ['usb4-40', 'tb-3'],
          'thunderbolt-alone',
          '"Thunderbolt" at 40 Gb/s is version 3 or 4: only the later one also carries USB4.',
        ),
        '80': link(['usb4-80']),
      })[speed!]!,
  },
  {
    pattern:
      /\b(5|10|20|40|80) ?G[bB] usb(?: ?-?c)? (?:port|hub|cable|enclosure|dock|box|link|connection|interface|socket|case|lead)s?\b/gi,
    read: ([speed]) => link([BY_SPEED[speed!]!]),
  },
  {
    pattern: /\busb ?4(?:\.0)? ?(?:v(?:ersion)? ?2(?:\.0)?)? ?(?:gen ?(\d)(?: ?x ?(\d))?)/gi,
    read: ([gen, lanes]) =>
      GEN4[`${gen}${lanes ? `x${lanes}` : ''}`]
        ? link([GEN4[`${gen}${lanes ? `x${lanes}` : ''}`]!])
        : none(`USB4 Gen ${gen}${lanes ? `×${lanes}` : ''}`),
  },
  {
    pattern:
      /\busb ?4(?:\.0)? ?(v(?:ersion)? ?2(?:\.0)?)?(?: ?[(,@-]? ?(20|40|80) ?(G[bB]?)(?:\/s)?)?(?![\d.])/gi,
    read: ([version, speed, unit]) =>
      speed
        ? link(
            [{ '20': 'usb4-20', '40': 'usb4-40', '80': 'usb4-80' }[speed]!],
            undefined,
            ...(unit === 'GB' ? [gigabytes(speed)] : []),
          )
        : version
          ? link(['usb4-80'])
          : open(
              ['usb4-40', 'usb4-20'],
              'usb4-alone',
              '"USB4" alone may run 20 or 40 Gb/s, and need not tunnel PCIe: look for the number.',
            ),
  },
  {
    pattern:
      /(?:\b(?:superspeed )?usb ?-?c? ?(3(?:\.\d)?)?|(?<![\d.])(3\.[0-9])) ?[(,]? ?gen(?:eration)? ?(\d)(?: ?x ?(\d))?\b/gi,
    read: ([a, b, gen, lanes]) => usbGen(a ?? b, gen!, lanes),
  },
  {
    pattern: /\bgen(?:eration)? ?(\d)(?: ?x ?(\d))? ?,? ?(?:usb ?)?(3\.[0-9])\b/gi,
    read: ([gen, lanes, version]) => usbGen(version, gen!, lanes),
  },
  {
    pattern: /\bgen(?:eration)? ?([12])(?: ?x ?([12]))?\b/gi,
    read: ([gen, lanes], all) =>
      /usb|superspeed/i.test(all) && !/pcie|nvme/i.test(all) ? usbGen(undefined, gen!, lanes) : null,
  },
  {
    pattern:
      /\b(?:superspeed )?(?:usb|superspeed) ?-?(?:c\b|(a)\b|type-?c\b|(type-?a)\b)? ?(3(?:\.\d)?)? ?[(,@-]? ?(5|10|20|40|80) ?(G[bB]?)(?:\/s)?\b/gi,
    read: ([a, typeA, version, speed, unit]) =>
      link(
        [BY_SPEED[speed!]!],
        undefined,
        ...(version === '3.0' && speed !== '5' ? [disagree('USB 3.0', speed!)] : []),
        ...(unit === 'GB' ? [gigabytes(speed!)] : []),
        ...((a ?? typeA) && Number(speed) > 10 ? [USB_A_TOO_FAST] : []),
      ),
  },
  {
    pattern: /\bsuperspeed ?(?:\+|plus)(?: ?(?:usb ?)?(10|20) ?Gb(?:\/s)?)?/gi,
    read: ([speed]) => link([BY_SPEED[speed ?? '10']!]),
  },
  {
    pattern:
      /\busb ?-?([1-9](?:\.\d)?)\b(?! ?(?:ports\b|port (?:hub|dock|charger|splitter|card|adapter)|x))/gi,
    read: ([version]) => usbVersion(version!),
  },
  { pattern: /\bsuperspeed(?: usb)?\b/gi, read: () => link(['usb-5']) },
  { pattern: /\bhi-?speed(?: usb)?\b|\b480 ?Mb\/s/gi, read: () => link(['usb-2']) },
  {
    pattern: /\b(?:thunderbolt|tbt|tb) ?(\d) ?[/&+] ?(?:thunderbolt ?|tb ?)?(\d)\b/gi,
    read: ([a, b]) => link([...new Set([...(thunderbolt(a).links ?? []), ...(thunderbolt(b).links ?? [])])]),
  },
  {
    pattern:
      /\b(?:thunderbolt|tbolt|tbt)(?: ?(?:v(?:ersion)? ?)?(\d))?\b|(?<![\d.] ?)\btb ?([1-9])\b(?![\d.]| ?[tg]b)/gi,
    read: ([a, b]) => thunderbolt(a ?? b),
  },
  {
    pattern: either(
      /\bPCIe ?(?:v(?:ersion)? ?)?(?:gen(?:eration)? ?)?(\d)(?:\.\d)? ?[,(]? ?(?:x ?(\d{1,2})|(\d{1,2}) ?lanes?)\b/,
      /\b(?:PCIe ?)?x ?(\d{1,2})\b[ ,(]+(?:slot ?)?(?:PCIe ?|gen(?:eration)? ?|PCIe ?gen ?)(\d)(?:\.\d)?\b/,
      /\bPCIe ?x ?(\d{1,2})\b[ ,(]+(\d)(?:\.\d)\b/,
      /\bgen(?:eration)? ?(\d) ?x ?(\d{1,2})\b/,
    ),
    read: ([g1, l1, l2, l3, g2, l4, g3, g4, l5], all) =>
      // Generation and lanes alone may be those of USB 3.2.
      g4 && l5 && `${g4}x${l5}` in GEN && !/pcie|nvme|slot|card/i.test(all)
        ? usbGen(undefined, g4, l5)
        : pcie(g1 ?? g2 ?? g3 ?? g4!, l1 ?? l2 ?? l3 ?? l4 ?? l5),
  },
  {
    pattern:
      /\bPCIe ?(?:v(?:ersion)? ?)?(?:gen(?:eration)? ?)?(\d)(?:\.\d)?\b|\bgen(?:eration)? ?(\d)(?:\.0)? ?(?=nvme|ssd|m\.2)|\bgen(?:eration)? ?([3-6])\b/gi,
    read: ([a, b, c], all) =>
      (a ?? b ?? (/nvme|m\.?2|pcie|ssd/i.test(all) ? c : undefined)) ? pcie((a ?? b ?? c)!, undefined) : null,
  },
  {
    pattern: /(?<![\d.])([1-6])\.0 ?x ?(\d{1,2})\b/gi,
    read: ([gen, lanes], all) => (/PCIe/i.test(all) ? pcie(gen!, lanes) : null),
  },
  {
    pattern: /\bPCIe ?x ?(\d{1,2})\b/gi,
    read: ([lanes]) =>
      open(
        ['pcie3', 'pcie4', 'pcie5'].map((g) => `${g}x${lanes}`).filter(isLinkId),
        'generation-unsaid',
        'Lanes without a generation: each doubles the rate.',
      ),
  },
  {
    pattern: /\be?sata ?(?:rev(?:ision)? ?\d?(?:\.0)?)?[ (,-]*(1\.5|3|6) ?G(?:[bB](?:\/s)?)?\b/gi,
    read: ([speed]) => link([`sata-${speed}`]),
  },
  {
    pattern: /\bsata ?[-\/]?(150|300|600)\b/gi,
    read: ([speed]) => link([{ '150': 'sata-1.5', '300': 'sata-3', '600': 'sata-6' }[speed!]!]),
  },
  {
    pattern: /\be?sata ?(rev(?:ision)? ?)?([1-9])(?:\.0)?\b(?!\.\d| ?x)/gi,
    read([sure, revision]) {
      if (revision === '3')
        return sure
          ? link(['sata-6'])
          : link(
              ['sata-6'],
              undefined,
              flag('note', 'sata-3', '"SATA 3" is the third revision, 6 Gb/s; some mean 3 Gb/s by it.'),
            );
      return { '1': link(['sata-1.5']), '2': link(['sata-3']) }[revision!] ?? none(`SATA ${revision}`);
    },
  },
  { pattern: /(?<![\d.])(1\.5|3|6) ?G(?:b(?:\/s)?)? e?sata\b/gi, read: ([speed]) => link([`sata-${speed}`]) },
  {
    pattern: /\be?sata\b/gi,
    read: () =>
      open(
        ['sata-6', 'sata-3'],
        'sata-alone',
        '"SATA" alone: 6 Gb/s in anything recent, 3 Gb/s in old machines.',
      ),
  },
  {
    pattern: /\bsas ?-?(?:(12|6) ?G(?:b(?:\/s)?)?|([23])(?:\.\d)?)\b/gi,
    read: ([speed, revision]) => link([speed === '12' || revision === '3' ? 'sas-12' : 'sas-6']),
  },
  { pattern: /\b(6|12) ?G(?:b(?:\/s)?)? (?:nl-?)?sas\b/gi, read: ([speed]) => link([`sas-${speed}`]) },
  {
    pattern: /\b(?:nl-?)?sas\b/gi,
    read: () =>
      open(['sas-12', 'sas-6'], 'sas-alone', '"SAS" alone: 12 Gb/s in recent machines, 6 in older ones.'),
  },
  { pattern: /\busb ?-?(?:type[ -]?)?c ?(3\.[012])\b(?! ?gen)/gi, read: ([version]) => usbVersion(version!) },
  {
    pattern: /\bmicro[ -]?b(?: ?(3\.[01]))?\b/gi,
    read: ([version]) =>
      version
        ? { ...usbVersion('3.0'), meaning: 'wide Micro-B plug, USB 5 Gb/s' }
        : { kind: 'connector', meaning: 'Micro-B: a plug of USB 2.0, or wide of USB 5 Gb/s' },
  },
  {
    pattern: /\bnvme\b/gi,
    read: () => ({ kind: 'protocol', meaning: 'NVMe: the drive speaks over PCIe lanes' }),
  },
  {
    pattern: either(
      /\b(10|2\.5|1) ?(?:GbE|G[bB] ethernet|GBASE-?T|gigabit ethernet|G[bB]? ?(?:ethernet|lan|network|nas|nic))\b/,
      /\b(10|2\.5|1) ?Gb\/s (?:ethernet|lan|network|nas)\b/,
      /\b(?:network|lan|nas)[a-z ]{0,12} Gb\b/,
      /\bgigabit (?:ethernet|lan|nas|network)\b/,
      /\bGb (?:ethernet|lan|nas|network)\b/,
    ),
    read: ([a, b]) => link([`eth-${a ?? b ?? '1'}`]),
  },
  {
    pattern: /\buhs[ -]?(ii|i|2|1)\b/gi,
    read: ([version]) => link([/^(ii|2)$/i.test(version!) ? 'uhs-2' : 'uhs-1']),
  },
  {
    pattern: /\bcfexpress(?: ?\d\.\d)?(?: ?(?:card )?type ?-?(a|b|c)| ?(b))?\b/gi,
    read: ([type, short]) =>
      (type ?? short ?? 'b').toLowerCase() === 'b'
        ? link(
            ['cfexpress-b'],
            undefined,
            ...((type ?? short)
              ? []
              : [
                  flag(
                    'ambiguous',
                    'cfexpress-type',
                    'Types A, B and C differ in lanes; B is the usual one.',
                  ),
                ]),
          )
        : null,
  },
  { pattern: /\bm\.?2\b(?: ?(?:type )?(22\d{2,3}))?(?! ?\.)/gi, read: ([size]) => m2(size) },
  {
    pattern: /(?<![\d,.])22(30|42|60|80|110)\b(?! ?(?:MB|GB|rpm))/g,
    read: ([length]) => ({ kind: 'form', meaning: `M.2 board, 22 mm wide and ${length} mm long` }),
  },
  {
    pattern: /\b(b ?\+ ?m|[bm])[ -]?keye?d?\b|\bkey ?(b ?\+ ?m|[bm])\b/gi,
    read: ([a, b]) => ({ kind: 'form', meaning: keyMeaning((a ?? b)!.replace(/ /g, '').toUpperCase()) }),
  },
  {
    pattern: /\b([23][.,]5) ?-?(?:"|in\b)/gi,
    read([written]) {
      const size = written!.replace(',', '.');
      return {
        kind: 'form',
        meaning: `${size}-inch drive${size === '3.5' ? ': needs 12 V beside 5 V' : ''}`,
      };
    },
  },
  { pattern: /\b(u\.2|u\.3|msata)\b/gi, read: ([form]) => ({ kind: 'form', meaning: `${form} form` }) },
  {
    pattern: /\busb[ -]?(?:type[ -]?)?c\b|\btype[ -]?c\b|\bc to c\b/gi,
    read: () => ({ kind: 'connector', meaning: 'USB-C: the shape of a plug' }),
  },
  {
    pattern: /\busb[ -]?(?:type[ -]?)?a\b|\btype[ -]?a\b/gi,
    read: () => ({ kind: 'connector', meaning: 'USB-A: a plug that carries at most 10 Gb/s' }),
  },
  {
    pattern: /([\d.,]*\d) ?([GM])(i?)(b|B)\/s/g,
    read: ([number, prefix, binary, unit], all) =>
      rate(number!, prefix as 'G' | 'M', binary === 'i', unit!, all),
  },
  {
    pattern: /([\d.,]*\d) ?([TG])(b|B)\b(?!\/)/gi,
    read: ([number, prefix, unit], all) =>
      capacity(number!, prefix!.toUpperCase() as 'T' | 'G', prefix === 'T' && unit === 'b', all),
  },
  {
    pattern: either(
      /\b(4,?200|5,?400|5,?700|5,?900|7,?200|10,?000|10k|15,?000|15k) ?(?:rpm|u?\/min|upm)\b/,
      /(?<![\d.])(5\.4|7\.2|10|15)k\b/,
      /(?<![\d.,])(5,?400|7,?200)\b(?! ?(?:[MGT]i?B|IOPS))/,
    ),
    read: ([turns, thousands, bare], all) =>
      turns || /hdd|disk|sas|sata|spin/i.test(all)
        ? spindle(
            thousands
              ? Number(thousands) * 1000
              : Number((turns ?? bare)!.replace(',', '').replace('k', '000')),
          )
        : null,
  },
  {
    pattern: /(?<![\d.,])(\d{2,3}) ?MB\b(?!\/)/g,
    read: ([number], all) =>
      /\bssd\b/i.test(all) && !/cache|buffer|dram/i.test(all)
        ? {
            kind: 'capacity',
            value: Number(number) * 1e6,
            meaning: `${number} MB`,
            flags: [
              flag(
                'nonsense',
                'capacity-too-small',
                `No drive of ${number} MB is sold: ${number} GB is meant.`,
              ),
            ],
          }
        : { kind: 'buffer', value: Number(number) * 1e6, meaning: `buffer of ${number} MB in the drive` },
  },
  ...SALE_RULES,
];

const spindle = (turns: number): ReadName => ({
  kind: 'spindle',
  value: turns,
  meaning: `hard disk at ${numeral(turns)} rpm`,
});

/** USB 3 by generation and lanes; only version 3.2 has two lanes. */
function usbGen(version: string | undefined, gen: string, lanes: string | undefined): ReadName {
  const key = `${gen}${lanes ? `x${lanes}` : ''}`;
  const id = GEN[key];
  if (!id || (version && !/^3(\.[012])?$/.test(version)))
    return none(`USB ${version ?? '3.2'} Gen ${key.replace('x', '×')}`);
  const early = lanes === '2' && version !== undefined && version !== '3.2';
  return link(
    [id],
    undefined,
    ...(early
      ? [flag('note', 'early-version', 'Two lanes came with version 3.2; the name mixes versions.')]
      : []),
  );
}

function usbVersion(version: string): ReadName {
  switch (version) {
    case '1.0':
    case '1.1':
    case '1':
      return { kind: 'link', links: [], meaning: 'USB 1: 12 Mb/s at most, of no use for storage' };
    case '2':
    case '2.0':
      return link(['usb-2']);
    case '3.0':
      return link(['usb-5']);
    case '3':
      return open(
        ['usb-5', 'usb-10', 'usb-20'],
        'usb-3-alone',
        '"USB 3" alone may run 5, 10 or 20 Gb/s: look for the number or the generation.',
      );
    case '3.1':
      return open(
        ['usb-5', 'usb-10'],
        'usb-3.1-alone',
        '"USB 3.1" alone is Gen 1 (5 Gb/s) or Gen 2 (10 Gb/s).',
      );
    case '3.2':
      return open(
        ['usb-5', 'usb-10', 'usb-20'],
        'usb-3.2-alone',
        '"USB 3.2" alone is three things: 5, 10 or 20 Gb/s.',
      );
    default:
      return none(`USB ${version}`);
  }
}

function thunderbolt(version: string | undefined): ReadName {
  const links: Record<string, string> = {
    '1': 'tb-1',
    '2': 'tb-2',
    '3': 'tb-3',
    '4': 'usb4-40',
    '5': 'usb4-80',
  };
  if (version === undefined)
    return open(
      ['usb4-40', 'tb-3', 'usb4-80'],
      'thunderbolt-alone',
      '"Thunderbolt" without a number: 10 to 80 Gb/s, and two kinds of plug.',
    );
  return links[version] ? link([links[version]]) : none(`Thunderbolt ${version}`);
}

function pcie(gen: string, lanes: string | undefined): ReadName {
  if (!isLinkId(`pcie${gen}x1`)) return none(`PCIe ${gen}`);
  if (lanes === undefined)
    return link(
      [`pcie${gen}x4`, `pcie${gen}x2`],
      `PCIe gen ${gen}, lanes not said (×4 for most drives)`,
      flag('ambiguous', 'lanes-unsaid', 'A generation without lanes: drives have ×4, some ×2.'),
    );
  return isLinkId(`pcie${gen}x${lanes}`)
    ? link([`pcie${gen}x${lanes}`])
    : none(`PCIe ×${lanes}`, 'no-such-lanes');
}

const LENGTHS = ['2230', '2242', '2260', '2280', '22110'];

function m2(size: string | undefined): ReadName {
  if (size && !LENGTHS.includes(size))
    return {
      kind: 'form',
      meaning: `M.2 ${size}: no usual length`,
      flags: [
        flag('nonsense', 'no-such-length', `M.2 ${size} is no usual size; there are ${LENGTHS.join(', ')}.`),
      ],
    };
  return {
    kind: 'form',
    meaning: `M.2${size ? ` ${size}, 22 mm wide and ${size.slice(2)} mm long` : ''}: a shape, not an interface`,
  };
}

const number = (text: string): number =>
  Number(/^\d{1,3}([.,]\d{3})+$/.test(text) ? text.replace(/[.,]/g, '') : text.replace(',', '.'));

function rate(text: string, prefix: 'G' | 'M', binary: boolean, unit: string, all: string): ReadName | null {
  const value = number(text);
  if (!(value > 0)) return null;
  const bytes = value * (binary ? (prefix === 'G' ? 2 ** 30 : 2 ** 20) : DECIMAL[prefix]);
  const bare = String(value);
  if (unit === 'B' && prefix === 'G' && bare in BY_SPEED && !/PCIe|nvme|gen ?[45]/i.test(all))
    return { ...link([BY_SPEED[bare]!], `a ${bare} Gb/s link`), flags: [gigabytes(bare)] };
  if (unit === 'b' && prefix === 'G') return gigabits(bare, bytes / 8, all);
  const isLine = LINE_WORDS.test(all) || (value in LINE_RATES && !DRIVE_WORDS.test(all));
  if (unit === 'b' && value >= 100 && value !== 480 && (DRIVE_WORDS.test(all) || (value >= 1500 && !isLine)))
    return {
      kind: 'rate',
      value: bytes,
      meaning: `${text} megabytes a second, written as megabits`,
      flags: [
        flag(
          'nonsense',
          'bytes-as-bits',
          `"${text} Mb/s" would be ${numeral(value / 8, 0)} MB/s: drives are sold in megabytes, so MB/s is meant.`,
        ),
      ],
    };
  const perSecond = unit === 'b' ? bytes / 8 : bytes;
  if (perSecond > 30e9)
    return {
      kind: 'rate',
      value: perSecond,
      meaning: `${numeral(perSecond / 1e9, 1)} gigabytes a second`,
      flags: [
        flag(
          'nonsense',
          'rate-too-high',
          `No drive moves ${numeral(perSecond / 1e9, 0)} GB/s: ${text} MB/s is meant.`,
        ),
      ],
    };
  return {
    kind: 'rate',
    value: perSecond,
    meaning: `${numeral(perSecond / 1e6, 1)} MB/s${unit === 'b' ? ', given in bits' : ''}`,
  };
}

/** A line rate without a name: which links run at it. */
function gigabits(speed: string, bytes: number, all: string): ReadName {
  const links: Record<string, string[]> = {
    '1': ['eth-1'],
    '2.5': ['eth-2.5'],
    '1.5': ['sata-1.5'],
    '3': ['sata-3'],
    '5': ['usb-5'],
    '6': ['sata-6'],
    '12': ['sas-12'],
    '10': ['usb-10', 'tb-1', 'eth-10'],
    '20': ['usb-20', 'usb4-20', 'tb-2'],
    '40': ['usb4-40', 'tb-3'],
    '80': ['usb4-80'],
  };
  const usb = links[speed]?.filter((id) => id.startsWith('usb')) ?? [];
  const found = /usb/i.test(all) && usb.length > 0 ? usb : links[speed];
  if (!found)
    return Number(speed) > 240
      ? {
          kind: 'rate',
          value: bytes,
          meaning: `${speed} gigabits a second`,
          flags: [
            flag(
              'nonsense',
              'rate-too-high',
              `No drive or link of this trade runs ${speed} Gb/s: ${speed} MB/s is meant.`,
            ),
          ],
        }
      : { kind: 'rate', value: bytes, meaning: `${numeral(bytes / 1e6)} MB/s, given in bits` };
  return found.length === 1
    ? link(found)
    : open(
        found,
        'speed-alone',
        `${speed} Gb/s without a name: ${names(found)} all run at it. Ask which it is: a port of one need not take devices of another.`,
      );
}

function capacity(text: string, prefix: 'T' | 'G', bits: boolean, all: string): ReadName | null {
  const value = number(text);
  if (!(value > 0)) return null;
  // Of a cable or a hub it is the speed.
  if (
    prefix === 'G' &&
    String(value) in BY_SPEED &&
    /\b(cable|hub|port|dock|lead)\b/i.test(all) &&
    !/\b(ssd|drive|disk|hdd|stick|card|memory|tb|storage)\b/i.test(all)
  )
    return link([BY_SPEED[String(value)]!]);
  const bytes = value * DECIMAL[prefix];
  const words = `${text} ${prefix}B`;
  const flags: Flag[] = [];
  if (bits) flags.push(flag('nonsense', 'capacity-in-bits', `"${text} Tb" is terabits; ${words} is meant.`));
  const disk = /\b(hdd|hard ?dis[ck]|hard drive|rpm|3\.5)/i.test(all);
  if (
    prefix === 'G' &&
    (disk
      ? value < 80
      : value < 30 &&
        (DRIVE_WORDS.test(all) || MONEY.test(all)) &&
        !/ram|memory|dram|ddr|stick|card/i.test(all))
  )
    flags.push(
      flag(
        'nonsense',
        'capacity-too-small',
        `No ${disk ? 'disk' : 'drive'} of ${words} is sold: ${text} TB is meant.`,
      ),
    );
  if (prefix === 'T' && value > 200)
    flags.push(flag('nonsense', 'capacity-too-large', `No drive of ${words} is sold: ${text} GB is meant.`));
  return { kind: 'capacity', value: bytes, meaning: words, flags };
}
