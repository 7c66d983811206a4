const DIGITS: Record<string, string> = { zero: '0', one: '1', two: '2', three: '3', four: '4', five: '5', six: '6', seven: '7', eight: '8', nine: '9', ten: '10', twenty: '20', forty: '40', eighty: '80' };
const ROMAN: Record<string, string> = { i: '1', ii: '2', iii: '3', iv: '4' };

/** Replacements in order: spoken and typographic forms become the ones written in listings. Letters keep their case: b is not B. */
const STEPS: [RegExp, string | ((whole: string, ...groups: string[]) => string)][] = [
  [/[\u00a0\u2009\u202f]/g, ' '],
  [/[™®©]/g, ''],
  [/[×✕∗]/g, 'x'],
  [/[“”″]|''/g, '"'],
  [/[‐‑–—]/g, '-'],
  [new RegExp(`\\b(${Object.keys(DIGITS).join('|')})\\b`, 'gi'), (word) => DIGITS[word.toLowerCase()]!],
  [/(\d) ?point ?(\d)/gi, '$1.$2'],
  [/(\d) ?by ?(\d)/gi, '$1x$2'],
  [/\bby (\d)/gi, 'x$1'],
  [/\bpci[ -]?e(?:xpress)?\b/gi, 'PCIe'],
  [/\bpci express\b/gi, 'PCIe'],
  [/\bsata[ -]?(i{1,3}|iv)\b/gi, (_, roman) => `SATA rev ${ROMAN[roman!.toLowerCase()]}`],
  [/(?<![A-Za-z])gigabits?\b/gi, 'Gb'],
  [/(?<![A-Za-z])megabits?\b/gi, 'Mb'],
  [/(?<![A-Za-z])(?:gigabytes?|gigs?)\b/gi, 'GB'],
  [/(?<![A-Za-z])(?:megabytes?|megs?)\b/gi, 'MB'],
  [/(?<![A-Za-z])(?:terabytes?|teras?)\b/gi, 'TB'],
  [/(?<![A-Za-z])([GMT]i?[bB])(?:yte|it)?s? ?(?:\/ ?s(?:ec(?:ond)?)?|p\/?s|per sec(?:ond)?|a second)\b/g, '$1/s'],
  [/(?<![A-Za-z])([GMT])bit ?\/ ?s\b/g, '$1b/s'],
  [/(?<![A-Za-z])([gm])bps\b/g, (_, prefix) => `${prefix!.toUpperCase()}b/s`],
  [/\binch(?:es)?\b/gi, '"'],
  [/ {2,}/g, ' '],
];

/** Text of a box, a listing or hurried speech in the form listings are written in. */
export function normal(text: string): string {
  return STEPS.reduce((now, [from, to]) => now.replace(from, to as string), text).trim();
}
