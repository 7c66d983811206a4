import { parseFact, writeFact, type Fact } from '../evidence';
import { moneyWords, parseQuantity, UNIT_OF, type Dimension } from '../units';
import { readBudget, type Activity, type Budget, type DeviceNeeds } from '../job';

/** What one sentence says of a job. */
export interface Sentence {
  kind: Activity['kind'];
  name: string;
  /** Fields of the activity, of its kind. */
  given: Record<string, unknown>;
  needs: Partial<DeviceNeeds>;
  budget: Budget | null;
  serviceYears: Fact | null;
  /** The machine it names, by id, of those that were to choose from. */
  machine: string | null;
  /** What was understood, in the order it was looked for: what it is, and as what; null where its name says it all. */
  understood: { what: What; words: string | null }[];
  /** What was not, in the order typed. */
  unread: string[];
}

/** What a part of a sentence may say, and what it is called. */
const NAMES = {
  budget: 'budget',
  years: 'service life',
  rate: 'rate of each',
  streams: 'streams',
  growth: 'grows',
  each: 'each',
  bytes: 'size',
  files: 'files',
  target: 'target time',
  lasts: 'goes on for',
  today: 'takes today',
  perDay: 'how often',
  direction: 'goes',
  machine: 'machine',
  portable: 'portable',
  onlyCopy: 'only copy',
  still: 'no moving parts',
  quiet: 'quiet',
  noSupply: 'no power supply',
  bootDrive: 'boot drive',
  survives: 'survives',
  role: 'role',
} as const;
export type What = keyof typeof NAMES;
/** What the parts of a sentence are called. */
export const saidName = (what: What): string => NAMES[what];

const N = String.raw`(?:\d[\d.,'’]*(?: \d{3}(?!\d))*[½¼¾]?|[½¼¾])`;
const SIZE_UNIT = String.raw`\s?(?:[kmgtp]i?b(?:ytes?)?|gigs?|teras?|megs?|(?:kilo|mega|giga|tera|peta)bytes?)(?![a-z]|\/\s?s)`;
/** One size or a range of it; a sum of them. */
const ONE_SIZE = String.raw`${N}(?:\s?(?:to|-|–)\s?${N})?${SIZE_UNIT}`;
const SIZE = String.raw`${N}(?:(?:\s?(?:to|-|–|\+)\s?)${N}(?:${SIZE_UNIT})?)*${SIZE_UNIT}(?:\s?\+\s?${N}${SIZE_UNIT})*`;
const COUNT = String.raw`${N}\s?(?:k|m|thousand|million)?`;
const TIME_UNIT = String.raw`\s?(?:s|secs?|seconds?|m|mins?|minutes?|h|hrs?|hours?)(?![a-z])`;
const DURATION = String.raw`(?:\d+h\d\d|${N}${TIME_UNIT}(?:\s?\d+${TIME_UNIT})?|\d+:\d\d(?::\d\d)?|(?:half )?an hour|a minute)`;
const PERIOD = 'day|night|evening|morning|weekday|week|month|year';
const THINGS =
  'files?|images?|photos?|pictures?|scans?|clips?|songs?|recordings?|documents?|frames?|items?|objects?';

const MONEY = String.raw`(?:[€$£]\s?${N}|(?<![a-z])${N}\s?(?:[€$£]|(?:eur|euros?|usd|dollars|gbp|pounds|chf|francs)\b))`;
const PIECES = String.raw`(?:\s+for\s+(?:two|three|four|five|six|\d{1,3}(?! ?[a-z]))(?:\s+pieces?)?)?`;
const OFTEN = String.raw`(?:once|twice|${N} ?(?:x|×|times)?) ?(?:a|per|each|every) (?:day|week|month|year)`;

const EXACT: Record<string, string> = { 'half an hour': '30 min', 'an hour': '1 h', 'a minute': '1 min' };
/** Numbers as they are said. */
export const SPOKEN: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  eight: 8,
};

/** A fact as entered, and as what it was understood; null where it is none. */
function factIn(text: string, dimension: Dimension): { fact: Fact; words: string } | null {
  const read = parseFact(text, dimension);
  if (!read.ok || read.value === null) return null;
  return {
    fact: { value: read.value, source: { kind: 'entered' } },
    words: writeFact(read.value, UNIT_OF[dimension]),
  };
}
function secondsIn(text: string): number | null {
  const read = parseQuantity(EXACT[text.toLowerCase()] ?? text, 'time');
  return read.ok && read.value > 0 ? read.value : null;
}

type Found = { words: string | null } & (
  | { given: Record<string, unknown> }
  | { needs: Partial<DeviceNeeds> }
  | { budget: Budget }
  | { serviceYears: Fact }
);

/** One part of a sentence: how it is written and what it says; null where it says nothing after all. */
interface Clause {
  what: What;
  pattern: RegExp;
  read(groups: string[]): Found | null;
}

const clause = (what: What, pattern: string, read: Clause['read']): Clause => ({
  what,
  pattern: new RegExp(pattern, 'i'),
  read,
});
const fact = (what: What, pattern: string, dimension: Dimension): Clause =>
  clause(what, pattern, ([text = '']) => {
    const read = factIn(text, dimension);
    return read && { given: { [what]: read.fact }, words: read.words };
  });
const time = (what: 'target' | 'today', pattern: string): Clause =>
  clause(what, pattern, ([text = '']) => {
    const value = secondsIn(text);
    return value === null ? null : { given: { [what]: value }, words: writeFact(value, 's') };
  });
const growth = (pattern: string): Clause =>
  clause('growth', pattern, ([text = '']) => {
    const read = factIn(text, 'perDay');
    return read && { given: { growth: read.fact }, words: text };
  });
const need = (what: What & keyof DeviceNeeds, pattern: string): Clause =>
  clause(what, pattern, () => ({ needs: { [what]: true }, words: null }));

/** In the order they are looked for: what could be taken for something else goes first. */
const CLAUSES: readonly Clause[] = [
  clause(
    'budget',
    String.raw`(?:\b(?:budget|for|under|up to|at most|max(?:imum)?|not over|costs?)\b:?\s*)*(${MONEY}${PIECES})`,
    ([text = '']) => {
      const budget = readBudget(text, 'EUR');
      if (!budget) return null;
      const { amount, currency, pieces } = budget;
      return { budget, words: moneyWords(amount, currency) + (pieces ? ` for ${pieces}` : '') };
    },
  ),
  clause(
    'years',
    String.raw`(?:\b(?:for|lasts?|must last|over|at least)\s+)*(${N}) years?\b`,
    ([text = '']) => {
      const read = factIn(text, 'count');
      return read && { serviceYears: read.fact, words: `${read.words} years` };
    },
  ),
  fact(
    'rate',
    String.raw`(?:\bat\s+)?(${N}\s?(?:(?:[kmg]i?b|[kmg]bits?)\s?(?:\/\s?s(?:ec)?|ps| (?:per|a) second)|[kmg]bps))(?![a-z])(?:\s+each\b)?`,
    'rate',
  ),
  clause(
    'streams',
    String.raw`\b(\d{1,3}|one|two|three|four|five|six|eight) (?:streams?|cameras?|channels?)\b`,
    ([text = '']) => {
      const streams = SPOKEN[text.toLowerCase()] ?? Number(text);
      return streams > 0 ? { given: { streams }, words: String(streams) } : null;
    },
  ),
  growth(
    String.raw`(?:\b(?:that |which |it )?(?:grows?|growing)(?: by)?\s+)(${ONE_SIZE} ?(?:a|per|each|every|\/) ?(?:day|week|month|year))\b`,
  ),
  growth(String.raw`(?:\+ ?)?(${ONE_SIZE} ?(?:a|per|\/) ?(?:month|year))\b(?: more)?`),
  fact('each', String.raw`(?:\b(?:of|at)\s+)?(${SIZE})\s+(?:each|apiece)\b`, 'bytes'),
  fact('bytes', String.raw`(${SIZE})`, 'bytes'),
  fact('files', String.raw`(?:\b(?:in|as)\s+)?(${COUNT} (?:${THINGS}))\b`, 'count'),
  time(
    'today',
    String.raw`(?:\b(?:takes|took|needs|now|today)\b[ :]*(?:it )?(?:takes )?)(${DURATION})(?:\s+(?:today|now))?`,
  ),
  time(
    'target',
    String.raw`(?:\b(?:done|in)\s+)?\b(?:in|within|under|below|at most|max(?:imum)?|no (?:more|longer) than|less than)\s+(${DURATION})`,
  ),
  clause('lasts', String.raw`\bfor\s+(${DURATION})(?:\s+(?:on end|without a break))?`, ([text = '']) => {
    const value = secondsIn(text);
    if (value === null) return null;
    return { given: { lasts: { value, source: { kind: 'entered' } } }, words: writeFact(value, 's') };
  }),
  fact(
    'perDay',
    String.raw`\b(${OFTEN}|(?:every|each) (?:hour|${PERIOD})|daily|nightly|hourly|weekly|monthly|yearly|weekdays|just once|once|one-off)\b`,
    'times',
  ),
  clause('perDay', String.raw`(?:\b(?:a|per) |\/ ?)(${PERIOD})\b`, ([text = '']) => {
    const read = factIn(`every ${text}`, 'times');
    return read && { given: { perDay: read.fact }, words: read.words };
  }),
  clause(
    'direction',
    String.raw`\b(?:(?:copied|copy|read|fetched|restored?) )?(?:back )?(?:from|off) (?:the |it\b)(?:drive|disk|ssd)?`,
    () => ({ given: { direction: 'read' }, words: 'from the drive' }),
  ),
  need(
    'portable',
    String.raw`\b(?:(?:onto |on |to )?(?:something |a )?portable(?: drive| disk| ssd)?|carried about|to carry|travels|on the road|in (?:the|a) bag)\b`,
  ),
  need('onlyCopy', String.raw`\b(?:(?:the |an )?only copy|nowhere else)\b`),
  need('still', String.raw`\bno moving parts\b`),
  need('quiet', String.raw`\b(?:quiet|silent)(?:ly)?\b`),
  need('noSupply', String.raw`\b(?:no (?:own )?power supply|without (?:a )?power supply|bus[- ]powered)\b`),
  need('bootDrive', String.raw`\b(?:boot drive|system drive|boots? from it)\b`),
  clause(
    'survives',
    String.raw`\bsurvives? (?:the loss of |losing )?(?:any )?(one|two|1|2)(?: failed)?(?: drives?| disks?)\b`,
    ([text = '']) => {
      const survives = (SPOKEN[text.toLowerCase()] ?? Number(text)) === 2 ? 2 : 1;
      return { needs: { survives }, words: survives === 2 ? 'two failed drives' : 'one failed drive' };
    },
  ),
  clause(
    'role',
    String.raw`\b(?:as (?:an? )?|for (?:an? |the )?)?(archive|backup|library)\b`,
    ([text = '']) => {
      const role = text.toLowerCase() as 'archive' | 'backup' | 'library';
      return { needs: { role }, words: role };
    },
  ),
];

/** Words that say nothing by themselves. */
const EMPTY = new Set(
  (
    'a an and are as at be but by can keep keeps copies copied copy disk done drive each for from gets has have i in into is it its ' +
    'may must need needs of off on onto or our so something ssd that the their them then this to up want wants we with'
  ).split(' '),
);
/** What stands where a part was understood: no letter that a pattern knows. */
const TAKEN = '\u0001';

/** Which kind of work a sentence tells of. */
function kindOf(given: Record<string, unknown>, text: string): Activity['kind'] {
  if (given['rate'] !== undefined) return 'stream';
  if (given['growth'] !== undefined) return 'keep';
  if (/\b(?:opens?|opening|loads?|loading|launch|compiles?|builds?|renders?|starts? up)\b/i.test(text))
    return 'open';
  return 'move';
}

/** What may be said of a kind: what it is called where nobody says, its fields, which of them a size is, and whether what it is done to stands behind that. */
interface Sayable {
  name: string;
  fields: readonly string[];
  size: string;
  isNamedBehind?: true;
}
const SAYABLE: Record<Activity['kind'], Sayable> = {
  move: { name: 'Copy', fields: ['bytes', 'files', 'perDay', 'target', 'today', 'direction'], size: 'bytes' },
  stream: { name: 'Recording', fields: ['rate', 'streams', 'lasts', 'perDay', 'direction'], size: 'bytes' },
  open: { name: 'Load', fields: ['bytes', 'perDay', 'target', 'today'], size: 'bytes', isNamedBehind: true },
  keep: { name: 'Data kept', fields: ['now', 'growth'], size: 'now' },
  scratch: { name: 'Scratch', fields: [], size: 'bytes' },
};

/** What was given, as the fields of a kind: so many of so much each are a size. */
function asFields(kind: Activity['kind'], all: Record<string, unknown>): Record<string, unknown> {
  const given = { ...all };
  const [each, files] = [given['each'] as Fact | undefined, given['files'] as Fact | undefined];
  if (each && files && given['bytes'] === undefined) given['bytes'] = times(each, files);
  const { fields, size } = SAYABLE[kind];
  if (given['bytes'] !== undefined) given[size] = given['bytes'];
  return Object.fromEntries(Object.entries(given).filter(([key]) => fields.includes(key)));
}
export function times(a: Fact, b: Fact): Fact {
  const points = ({ value }: Fact) => (Array.isArray(value) ? value : [value!, value!, value!]);
  const [low, mid, high] = points(a).map((v, i) => v * points(b)[i]!) as [number, number, number];
  return { value: low === high ? mid : [low, mid, high], source: { kind: 'entered' } };
}

/**
 * Reads what a customer wants as one says it in a line: how much, how often, how long it may take, on which machine, what it may cost.
 * @param machines to choose from, told by their names
 * @returns what was understood and, word for word, what was not; null where nothing of work was
 * @example readSentence('200 GB in 15000 files every night in 10 min onto something portable, 250 EUR')
 */
export function readSentence(
  text: string,
  machines: readonly { id: string; name: string }[] = [],
): Sentence | null {
  let rest = text.slice(0, 1000).replaceAll(TAKEN, ' ');
  const take = (at: number, length: number) => {
    rest = rest.slice(0, at) + TAKEN.repeat(length) + rest.slice(at + length);
  };
  const said: Pick<Sentence, 'needs' | 'budget' | 'serviceYears' | 'machine' | 'understood'> = {
    needs: {},
    budget: null,
    serviceYears: null,
    machine: null,
    understood: [],
  };
  const given: Record<string, unknown> = {};
  for (const { id, name } of [...machines].sort((a, b) => b.name.length - a.name.length)) {
    const at = said.machine === null ? rest.toLowerCase().indexOf(name.toLowerCase()) : -1;
    if (at < 0 || name === '') continue;
    take(at, name.length);
    said.machine = id;
    said.understood.push({ what: 'machine', words: name });
  }
  const done = new Set<What>();
  for (const { what, pattern, read } of CLAUSES) {
    const match = done.has(what) ? null : pattern.exec(rest);
    const found = match && read(match.slice(1));
    if (!match || !found) continue;
    done.add(what);
    take(match.index, match[0].length);
    said.understood.push({ what, words: found.words });
    if ('given' in found) Object.assign(given, found.given);
    else if ('needs' in found) Object.assign(said.needs, found.needs);
    else if ('budget' in found) said.budget = found.budget;
    else said.serviceYears = found.serviceYears;
  }
  const kind = kindOf(given, text);
  const fields = asFields(kind, given);
  if (Object.keys(fields).length === 0) return null;
  const { name, unread } = nameIn(rest, kind);
  return { kind, name, given: fields, ...said, unread };
}

/** What stands before the first part that was understood is what it is called; what is left behind was not read. */
function nameIn(rest: string, kind: Activity['kind']): { name: string; unread: string[] } {
  const first = rest.indexOf(TAKEN);
  const words = (part: string) =>
    part.split(new RegExp(`[\\s,;:.()${TAKEN}]+`)).filter((word) => word !== '');
  const before = words(rest.slice(0, first));
  while (before.length > 0 && EMPTY.has(before.at(-1)!.toLowerCase())) before.pop();
  const unread = rest
    .slice(first)
    .split(new RegExp(`[,;.()${TAKEN}]+`))
    .map((piece) => piece.trim())
    .filter((piece) => words(piece).some((word) => !EMPTY.has(word.toLowerCase())));
  // "Opens a 12 GB plan": what it opens stands behind how much that is.
  if (SAYABLE[kind].isNamedBehind && before.length === 1 && unread.length > 0) before.push(unread.shift()!);
  const name = before.join(' ').slice(0, 100);
  return { name: name === '' ? SAYABLE[kind].name : name[0]!.toUpperCase() + name.slice(1), unread };
}
