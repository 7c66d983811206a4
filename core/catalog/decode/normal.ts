const UNITS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
const SPOKEN = new RegExp(
  `\\b(?:${[...UNITS, ...TENS.filter(Boolean)].join('|')})(?:[ -](?:and )?(?:${[...UNITS, ...TENS.filter(Boolean), 'hundred', 'thousand'].join('|')}))*\\b`,
  'gi',
);

/**
 * Numbers as they are said: `seven thousand two hundred`, `fifty four hundred`, `twenty two` are one number each; `three two` are two, as in the
 * version of a standard.
 */
function spoken(words: string): string {
  const list = words
    .toLowerCase()
    .split(/[ -]+/)
    .filter((w) => w !== 'and');
  const found: string[] = [];
  let [total, part, open] = [0, 0, false];
  const close = () => {
    if (open) found.push(String(total + part));
    [total, part, open] = [0, 0, false];
  };
  for (const word of list) {
    const unit = UNITS.indexOf(word);
    const ten = TENS.indexOf(word) * 10;
    if (word === 'hundred') part *= 100;
    else if (word === 'thousand') [total, part] = [(total + part) * 1000, 0];
    else if (unit >= 0) {
      // Only after a round number does a unit belong to it.
      if (open && part % 100 !== 0 && !(part % 10 === 0 && part % 100 >= 20 && unit < 10)) close();
      else if (open && part === 0 && total === 0) close();
      part += unit;
      open = true;
    } else {
      if (open && part % 100 !== 0) close();
      part += ten;
      open = true;
    }
  }
  close();
  return found.join(' ');
}
const ROMAN: Record<string, string> = { i: '1', ii: '2', iii: '3', iv: '4' };

/** Replacements in order: spoken and typographic forms become the ones written in listings. Letters keep their case: b is not B. */
const STEPS: [RegExp, string | ((whole: string, ...groups: string[]) => string)][] = [
  [/[\u00a0\u2009\u202f]/g, ' '],
  [/[™®©]/g, ''],
  [/[×✕∗]/g, 'x'],
  [/[“”″]|''/g, '"'],
  [/[‐‑–—]/g, '-'],
  [SPOKEN, spoken],
  [/(\d) ?point ?(\d)/gi, '$1.$2'],
  [/(\d) ?(?:by|times) ?(\d)/gi, '$1x$2'],
  [/(\d) and a half\b/gi, '$1.5'],
  [/\bcf ?express\b/gi, 'CFexpress'],
  [/\busb ?3\.2 ([12]x[12])\b/gi, 'USB 3.2 Gen $1'],
  [/(\d) ?gbit\b(?! ?\/)/gi, '$1 Gb'],
  // Said of a plug or a link, a gig is a gigabit a second.
  [
    /(?<=(?:usb|thunderbolt|type[ -]?c|\btb ?\d)[^;]*)\b(5|10|20|40|80) ?gigs?\b(?! ?(?:a sec|per|\/|ssd|drive|disk|stick|card|of|ethernet|lan|nas|network))/gi,
    '$1 Gb/s',
  ],
  [/(?<=\d ?)gigs? (?:a|per) sec(?:ond)?\b/gi, 'Gb/s'],
  [/(?<=\d ?)gigabits?\b(?! ?(?:\/|per|a sec|p\/?s|ethernet|lan|nas|network|nic))/gi, 'Gb/s'],
  [/\bby (\d)/gi, 'x$1'],
  [/\b(usb(?:[ -]?c)?) ?3 ([012])\b/gi, '$1 3.$2'],
  [/\b(usb ?3(?:\.\d)?|3\.[012]|pcie|pci[ -]?e) ?G ?(\d)(?!\d|b|\.)/gi, '$1 Gen $2'],
  [/\busb ?"(3\.[012])"/gi, 'USB $1'],
  [/(?<=\d ?)mb\/s/g, 'MB/s'],
  [/(?<=\d ?)gb\/s/g, 'Gb/s'],
  [/\bserial ata\b/gi, 'SATA'],
  [/\brev(?:ision)?\. ?(?=\d)/gi, 'rev '],
  [
    /(\d)([TGM])o\b|(\d) ([GM])[oO]\b|(\d)([TGM])O\b/g,
    (_, a, b, c, d, e, f) => `${a || c || e} ${b || d || f}B`,
  ],
  [/\bpci[ -]?e(?:xpress)?\b/gi, 'PCIe'],
  [/\bpci express\b/gi, 'PCIe'],
  [/\bsata[ -]?(i{1,3}|iv)\b/gi, (_, roman) => `SATA rev ${ROMAN[roman.toLowerCase()]}`],
  [/(?<![A-Za-z])gigabits?\b/gi, 'Gb'],
  [/(?<![A-Za-z])megabits?\b/gi, 'Mb'],
  [/(?<![A-Za-z])(?:gigabytes?|gigs?)\b/gi, 'GB'],
  [/(?<![A-Za-z])(?:megabytes?|megs?)\b/gi, 'MB'],
  [/(?<![A-Za-z])(?:terabytes?|teras?)\b/gi, 'TB'],
  [
    /(?<![A-Za-z])([GMT]i?[bB])(?:yte|it)?s? ?(?:\/ ?s(?:ec(?:ond)?)?|p\/?s|per sec(?:ond)?|a second)\b/g,
    '$1/s',
  ],
  [/(?<![A-Za-z])([GMT])bit ?\/ ?s\b/g, '$1b/s'],
  [/(?<![A-Za-z])([gm])bps\b/g, (_, prefix) => `${prefix.toUpperCase()}b/s`],
  // Two figures that share a unit are two.
  [/(\d[\d.,]*) ?\/ ?(\d[\d.,]*) ?([MG]B\/s)/g, '$1 $3, $2 $3'],
  [/(\d[\d.,]*[kKmM]?) ?\/ ?(\d[\d.,]*[kKmM]?) ?IOPS\b/gi, '$1 IOPS, $2 IOPS'],
  [/\binch(?:es)?\b/gi, '"'],
  [/ {2,}/g, ' '],
];

/** Text of a box, a listing or hurried speech in the form listings are written in. */
export function normal(text: string): string {
  return STEPS.reduce((now, [from, to]) => now.replace(from, to as string), text).trim();
}
