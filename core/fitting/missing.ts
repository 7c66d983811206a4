import type { StepFacts } from './step';

/** Why a drive does not appear. */
interface Cause {
  id: string;
  when(b: StepFacts): boolean;
  title: string;
  fix: string | ((b: StepFacts) => string);
}

const always = () => true;
const CAUSES: readonly Cause[] = [
  {
    id: 'power',
    when: always,
    title: 'It gets no power',
    fix: 'Its own supply, a Y-lead, another port; a 3.5-inch disk needs 12 V.',
  },
  {
    id: 'cable',
    when: (b) => b.cable !== null,
    title: 'The cable carries no data, or is broken',
    fix: 'Another one that is known to carry data at this speed: many only charge.',
  },
  {
    id: 'port',
    when: always,
    title: 'The port is off, or shares its lanes with another one',
    fix: (b) =>
      b.port.switchesOff?.length
        ? `Using ${b.port.position} switches others off, and the other way about: empty the one it shares with.`
        : 'Turn it on in the firmware, or empty the slot it shares its lanes with.',
  },
  {
    id: 'seat',
    when: (b) => !b.drive.sealed,
    title: 'It does not sit right',
    fix: 'Out and in again until it stops; standoff and screw; the lead until it clicks.',
  },
  {
    id: 'interface',
    when: (b) => b.bridge !== null || b.inside,
    title: 'Slot or enclosure speaks another interface than the drive',
    fix: 'M.2 may be NVMe, SATA or USB: look at the sheet of both, not at the shape.',
  },
  {
    id: 'size',
    when: (b) => b.bridge !== null && (b.capacity ?? 0) > 2 ** 32 * 512,
    title: 'It is too large for the enclosure',
    fix: 'An enclosure made for more than 2.2 TB.',
  },
  {
    id: 'blank',
    when: always,
    title: 'It has no partition yet',
    fix: 'In the system’s disk tool: make the partition table and one partition. That erases it.',
  },
  {
    id: 'unread',
    when: always,
    title: 'Its file system is not one this system reads',
    fix: 'Do not let the system “initialise” it. Read it where it was written, or with a driver for it.',
  },
  {
    id: 'letter',
    when: always,
    title: 'It has no letter, or is not mounted',
    fix: 'Give it a letter, or mount it, in the system’s disk tool.',
  },
  {
    id: 'system',
    when: (b) => b.nvme,
    title: 'System or firmware is too old for it',
    fix: 'Update both; for NVMe an older system needs a driver.',
  },
  {
    id: 'allowed',
    when: (b) =>
      b.path.constraints.some(
        (c) => c.link?.mode?.family === 'thunderbolt' || c.link?.mode?.family === 'usb4',
      ),
    title: 'The machine has not been told to trust it',
    fix: 'Confirm it in the system’s Thunderbolt settings, or set the security level in the firmware.',
  },
  {
    id: 'dead',
    when: always,
    title: 'The drive is defective',
    fix: 'Send it back while it can go back; nothing of value was on it yet.',
  },
];

/** Something that is looked at, and what each answer leaves. */
interface Look {
  id: string;
  ask: string;
  when(b: StepFacts): boolean;
  /** By answer: the causes that it leaves. */
  answers: readonly { id: string; words: string; leaves: readonly string[] }[];
}

const ALL = CAUSES.map(({ id }) => id);
const but = (...out: string[]) => ALL.filter((id) => !out.includes(id));

/** The cheapest look first. */
const LOOKS: readonly Look[] = [
  {
    id: 'light',
    ask: 'Does it light up, spin or get warm?',
    when: always,
    answers: [
      { id: 'yes', words: 'Yes', leaves: but('power') },
      { id: 'no', words: 'No', leaves: ['power', 'cable', 'port', 'seat', 'dead'] },
      { id: 'unknown', words: 'Cannot tell', leaves: ALL },
    ],
  },
  {
    id: 'listed',
    ask: 'Does the system’s disk tool list it?',
    when: always,
    answers: [
      { id: 'blank', words: 'Yes, as empty or unallocated', leaves: ['blank', 'unread'] },
      { id: 'partition', words: 'Yes, with a partition', leaves: ['unread', 'letter'] },
      { id: 'size', words: 'Yes, with a wrong size', leaves: ['size'] },
      { id: 'no', words: 'No', leaves: but('blank', 'unread', 'letter') },
    ],
  },
  {
    id: 'owner',
    ask: 'Was anything written on it before?',
    when: always,
    answers: [
      { id: 'yes', words: 'Yes', leaves: but('blank') },
      { id: 'no', words: 'No, it is new', leaves: but('unread') },
    ],
  },
  {
    id: 'other port',
    ask: 'On another port, with another cable: is it there?',
    when: (b) => !b.inside,
    answers: [
      { id: 'yes', words: 'Yes', leaves: ['cable', 'port', 'power'] },
      { id: 'no', words: 'No', leaves: but('cable', 'port') },
    ],
  },
  {
    id: 'same cable',
    ask: 'With the first cable on the other port: is it there?',
    when: (b) => b.cable !== null && !b.inside,
    answers: [
      { id: 'yes', words: 'Yes', leaves: but('cable') },
      { id: 'no', words: 'No', leaves: but('port') },
    ],
  },
  {
    id: 'box',
    ask: 'Does the device list show the enclosure or card, only without a drive in it?',
    when: (b) => b.bridge !== null,
    answers: [
      { id: 'yes', words: 'Yes', leaves: ['seat', 'interface', 'size', 'dead', 'power'] },
      { id: 'no', words: 'No', leaves: but('interface', 'size') },
    ],
  },
  {
    id: 'seated',
    ask: 'Taken out and put in again until it stops: is it there?',
    when: (b) => !b.drive.sealed,
    answers: [
      { id: 'yes', words: 'Yes', leaves: ['seat'] },
      { id: 'no', words: 'No', leaves: but('seat') },
    ],
  },
  {
    id: 'other machine',
    ask: 'On another, newer machine: is it there?',
    when: always,
    answers: [
      { id: 'yes', words: 'Yes', leaves: ['port', 'system', 'allowed', 'power', 'unread', 'letter'] },
      { id: 'no', words: 'No', leaves: ['dead', 'seat', 'interface', 'size', 'cable', 'power', 'blank'] },
    ],
  },
  {
    id: 'other drive',
    ask: 'Does another drive that works appear in its place?',
    when: always,
    answers: [
      {
        id: 'yes',
        words: 'Yes',
        leaves: ['dead', 'interface', 'size', 'system', 'blank', 'unread', 'letter'],
      },
      { id: 'no', words: 'No', leaves: but('dead', 'size') },
    ],
  },
];

/** What was answered so far: an answer's id by the look's. */
export type MissingAnswers = Readonly<Record<string, string>>;

/** How a search stands. */
export interface Search {
  causes: { id: string; title: string; fix: string }[];
  /** The cheapest look that can still tell causes apart; null when none can. */
  next: { id: string; ask: string; answers: { id: string; words: string }[] } | null;
}

/**
 * Why a drive does not appear, as far as the answers tell. Answers that leave nothing contradict each other: then all causes are there again but those of
 * the last answer's.
 */
export function searchMissing(bench: StepFacts, answers: MissingAnswers): Search {
  const asked = LOOKS.filter(({ id }) => id in answers);
  const start = CAUSES.filter((c) => c.when(bench));
  let left = start;
  for (const look of asked) {
    const leaves = look.answers.find((a) => a.id === answers[look.id])?.leaves ?? ALL;
    const next = left.filter(({ id }) => leaves.includes(id));
    left = next.length > 0 ? next : start.filter(({ id }) => leaves.includes(id));
  }
  const tells = (look: Look) =>
    look.when(bench) &&
    !(look.id in answers) &&
    look.answers.some(({ leaves }) => {
      const stay = left.filter(({ id }) => leaves.includes(id)).length;
      return stay > 0 && stay < left.length;
    });
  const next = left.length > 1 ? LOOKS.find(tells) : undefined;
  return {
    causes: left.map(({ id, title, fix }) => ({
      id,
      title,
      fix: typeof fix === 'function' ? fix(bench) : fix,
    })),
    next: next
      ? {
          id: next.id,
          ask: next.ask,
          // An answer that leaves nothing of what is possible is none here.
          answers: next.answers
            .filter(({ leaves }) => left.some(({ id }) => leaves.includes(id)))
            .map(({ id, words }) => ({ id, words })),
        }
      : null,
  };
}

/** What an honest person would answer if a cause were the one: for checks of the search. */
export const truthfulAnswers = (lookId: string, cause: string): string[] =>
  LOOKS.find(({ id }) => id === lookId)!
    .answers.filter(({ leaves }) => leaves.includes(cause))
    .map(({ id }) => id);
