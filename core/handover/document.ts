import { factWords, middle, sourceWords } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import {
  caseOf,
  forecast,
  isLife,
  layoutOf,
  lasting,
  lifeOf,
  settingOf,
  situationAt,
  type LifeForecast,
  type Situation,
} from '../forecast';
import { deadPorts, findings, type Finding } from '../fit';
import { dataMembers, layoutWords, survives } from '../assembly';
import { fromPasted, healthAdvice, healthLines, holdsData, lacking } from '../models';
import {
  briefAt,
  fittingOf,
  deviceName,
  directionOf,
  doubtsOf,
  isAsked,
  isKept,
  lateFor,
  machineNames,
  placeOf,
  placesOf,
  policyWords,
  setupOf,
  type Activity,
  type FrozenForecast,
  type Job,
  type JobDevice,
  type Place,
  type Run,
} from '../job';
import { DIRECTIONS } from '../catalog/links';
import { nameOf } from '../catalog/parts';
import { counted, format, formatRange, moneyWords } from '../units';
import {
  befallenSaid,
  compareLoadTimes,
  feltSaid,
  frozenFigure,
  frozenSaid,
  judgedSaid,
  lifeSaid,
  costSaid,
  measuredSaid,
  seenWords,
  briefSaid,
  verdictSaid,
  type Statement,
} from '../statements';
import { LOOKS } from '../diagnosis';
import { warmthWords } from '../measure';
import { lastMeasured, type Claim, type Verdict } from '../verdict';

/** A name in the run of a sentence: small at its start, unless it has capitals of its own. */
const midSentence = (name: string): string => (/\p{Lu}/u.test(name.slice(1)) ? name : name.toLowerCase());

/** What stands in a document: words, or a statement that other places make too. */
export type Wording = string | Statement;

/** A block of the handover: prose, a list, or a table whose numbers stand right. */
export type DocumentBlock =
  | { kind: 'text'; text: Wording[] }
  | { kind: 'list'; items: Wording[] }
  | { kind: 'table'; head: string[]; numbers: boolean[]; rows: Wording[][] };

/** Wording as they are read. */
export const plainWords = (words: Wording): string => (typeof words === 'string' ? words : words.words);

export interface Section {
  heading: string;
  /** Left out of the customer's copy. */
  shopOnly: boolean;
  blocks: DocumentBlock[];
}

/** Whose copy: the customer's is plain; the shop's holds the evidence too. */
export type DocumentCopy = 'customer' | 'shop';

/** The sections of a copy. */
export const forCopy = ({ sections }: HandoverDocument, copy: DocumentCopy): Section[] =>
  sections.filter((s) => copy === 'shop' || !s.shopOnly);

export interface HandoverDocument {
  title: string;
  line: string;
  sections: Section[];
}

const text = (...words: (Wording | null | undefined)[]): DocumentBlock => ({
  kind: 'text',
  text: words.filter((w): w is Wording => Boolean(w)),
});
const table = (head: string[], numbers: boolean[], rows: Wording[][]): DocumentBlock => ({
  kind: 'table',
  head,
  numbers,
  rows,
});
const DECIDED = {
  accept: 'Accepted',
  change: 'To be changed',
  retest: 'To be measured again',
  return: 'Goes back',
} as const;

/**
 * The document handed over with a job: what was fitted, why, what was promised, how it measured, how to look after it.
 * Plain for the customer; the sections marked `shopOnly` hold the evidence for the shop's own copy.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export function handover(job: Job, found: Verdict, shopRanges: OwnRanges = {}): HandoverDocument {
  const sections = [
    work(job),
    ...(job.devices.length > 0 ? job.devices.map((device) => fitted(job, device)) : [nothing]),
    offered(job),
    note(job),
    promise(job, found),
    measurements(job, found),
    troubles(job, found),
    lookedAt(job),
    decision(job, found),
    ...job.devices.map((device) => ifOneFails(job, device)),
    ...job.devices.map((device) => copiesOf(job, device)),
    ...job.devices.map((device) => life(job, device, shopRanges)),
    ...job.devices.map((device) => health(job, device)),
    care(job),
    comeBack(job, found),
    onTheBench(found),
    known(job, shopRanges),
    evidence(job, found),
  ];
  return {
    title: job.title,
    line: [job.customer, job.contact, machineNames(job), `as of ${job.changed.slice(0, 10)}`]
      .filter(Boolean)
      .join(' · '),
    sections: sections.filter((s) => s.blocks.length > 0),
  };
}

/** A heading that names the device where there is more than one. */
const headed = (job: Job, heading: string, device: JobDevice): string =>
  job.devices.length > 1 ? `${heading}: ${deviceName(job.devices, device.id)}` : heading;

/** Where something is, by machine and, where there are several, by device. */
function whereOf(job: Job, { machine, device }: Place): string {
  const host = job.machines.find((m) => m.id === machine)?.host.name ?? machine;
  const what = deviceName(job.devices, device);
  return job.devices.length > 1 ? `${what}, on ${host}` : host;
}

const section = (heading: string, blocks: DocumentBlock[], shopOnly = false): Section => ({
  heading,
  shopOnly,
  blocks,
});

function work(job: Job): Section {
  const several = placesOf(job).length > 1;
  const placed = (a: Activity) => {
    const place = placeOf(job, a);
    return several && place ? [whereOf(job, place)] : [];
  };
  const rows = job.activities.map((a) => {
    const { size = '', files = '', often = '', target = '' } = briefSaid(a);
    const way = directionOf(a) === 'write' ? 'to the drive' : 'from the drive';
    return [a.name, ...placed(a), way, size, files, often, target];
  });
  const where = several ? ['Where'] : [];
  return section('What it is for', [
    ...(rows.length > 0
      ? [
          table(
            ['Activity', ...where, 'Direction', 'Size', 'Files', 'How often', 'Target time'],
            [false, ...where.map(() => false), false, true, true, true, true],
            rows,
          ),
        ]
      : []),
  ]);
}

/** The shop's own words about the job: for nobody else. */
const note = (job: Job): Section => section('The shop’s own note', job.note ? [text(job.note)] : [], true);

/** What else was on the table when it was chosen, and why this. */
function offered({ choices = [], devices }: Job): Section {
  const blocks = devices.flatMap(({ id }): DocumentBlock[] => {
    const taken = choices.findLast(({ device }) => device === id);
    if (!taken) return [];
    const money = taken.taken.cost === null ? '' : `, ${moneyWords(taken.taken.cost, taken.currency)}`;
    const others = taken.beside.filter(({ words }) => words !== taken.taken.words);
    return [
      text(`Chosen on ${taken.at.slice(0, 10)}: ${taken.taken.words}${money}.`, taken.reason),
      ...(others.length > 0
        ? [
            text('What else was looked at:'),
            { kind: 'list' as const, items: others.map(({ words, cost }) => `${words}: ${cost}`) },
          ]
        : []),
    ];
  });
  return section('Why this one', blocks);
}

/** What happens when a drive of several fails, how one notices, and what to do. */
function ifOneFails(job: Job, device: JobDevice): Section {
  const layout = device.parts && layoutOf(device.parts);
  const heading = headed(job, 'If a drive fails', device);
  if (!layout) return section(heading, []);
  const many = survives(layout);
  const items =
    many === 0
      ? [
          'All of it is lost, whichever drive it is: what matters must be on something else too.',
          'Several drives fail sooner than one.',
        ]
      : [
          `Nothing is lost: ${many === 1 ? 'one' : String(many)} may fail. It goes on, slower, and the next fault may be one too many.`,
          'A light, a sound or a message says so. Look at it once a week; one that is overlooked is how such arrays are lost.',
          'Pull nothing out. Note which bay it is, order the same drive or a larger one, and change that one alone: the others stay where they are.',
          'While it rebuilds, which takes hours to a day, copy off what matters first and work as little as you can.',
        ];
  return section(heading, [{ kind: 'list', items }]);
}

/** The copies that are planned, and what they lack of the usual rule. */
function copiesOf(job: Job, device: JobDevice): Section {
  const { copies = [], onlyCopy } = device.needs ?? {};
  const heading = headed(job, 'Copies of the data', device);
  if (copies.length === 0)
    return section(
      heading,
      onlyCopy
        ? [text('This is the only copy: whatever happens to it, the data are gone. Plan a second one.')]
        : [],
    );
  const lack = lacking(copies);
  const words = copies.map(
    ({ name, offSite, holds }) =>
      `${name}, ${offSite ? 'elsewhere' : 'here'}${holds && !holdsData({ holds }) ? `, ${holds}: it does not count` : ''}`,
  );
  return section(heading, [
    { kind: 'list', items: words },
    text(
      lack.length === 0
        ? 'That keeps the usual rule: three copies, on two kinds of media, one of them elsewhere.'
        : `What is missing: ${lack.join(' ')}`,
    ),
  ]);
}

const BOX = { enclosure: 'Enclosure', dock: 'Dock', adapter: 'Adapter' } as const;

const nothing: Section = section('What was fitted', [text('Nothing has been chosen yet.')]);

/** The parts of a device, and where it is plugged in on each of its machines. */
function fitted(job: Job, device: JobDevice): Section {
  const heading = headed(job, 'What was fitted', device);
  if (!device.parts) return section(heading, nothing.blocks);
  const { drive, bridge, together = 1, accessories = [] } = device.parts;
  const capacity = factWords(drive.capacity, 'B');
  const items = [
    `Drive: ${drive.maker} ${drive.model}${drive.model.includes(capacity) ? '' : `, ${capacity}`}`,
  ];
  const layout = layoutOf(device.parts);
  if (together > 1) items[0] = `${together} drives: ${drive.maker} ${drive.model}, ${capacity} each`;
  if (layout) {
    const size = middle(drive.capacity);
    const holds = size === null ? '' : `, ${format(size * dataMembers(layout), 'B')} for data`;
    items.push(`Put together as ${layoutWords(layout)}${holds}`);
  }
  if (drive.revision) items[0] += `, revision ${drive.revision}`;
  if (bridge) items.push(`${BOX[bridge.kind]}: ${nameOf(bridge)}`);
  const connections = job.connections.filter((c) => c.device === device.id);
  for (const { machine, cable, hops = [], port } of connections) {
    const { host } = job.machines.find((m) => m.id === machine)!;
    if (cable) items.push(`Cable: ${cable.name}, ${cable.length} m`);
    for (const { hub, port: at, cable: lead } of hops) {
      const position = hub.ports.find((p) => p.id === at)?.position ?? at;
      items.push(`Through: ${nameOf(hub)}, ${position}, with ${lead.name}`);
    }
    const at = host.ports.find((p) => p.id === port);
    if (at)
      items.push(
        ...deadPorts({ port: at, host }).map(
          (dead) => `Leave ${dead} empty: it is dead while ${at.position} is in use.`,
        ),
        `Plug it in here: ${at.position} of the ${midSentence(host.name)}. Another port that looks the same may be slower.`,
      );
  }
  if (accessories.length > 0) items.push(`Small parts: ${accessories.map(nameOf).join(', ')}`);
  return section(heading, [{ kind: 'list', items: [...items, ...unitOf(job, device)] }]);
}

/** The unit itself: its serial number, its file system, when it was bought. */
function unitOf(job: Job, { id, needs }: JobDevice): Wording[] {
  const fitting = fittingOf(job, id);
  const { serial, bought, warrantyUntil } = fitting ?? {};
  const { fileSystem, table: partitions, shorterLife } = needs ?? {};
  // What was ticked says what was really done.
  const done = ['partition', 'file-system', 'format', 'encrypt'].flatMap((step) => {
    const mark = fitting?.steps.find((s) => s.id === step);
    return mark?.said && mark.skipped === undefined ? [mark.said] : [];
  });
  return [
    ...(serial ? [`Serial number: ${serial}`] : []),
    ...done,
    ...(fileSystem && done.length === 0
      ? [`File system: ${fileSystem}${partitions ? `, ${partitions} partition table` : ''}`]
      : []),
    ...(bought ? [`Bought: ${bought}`] : []),
    ...(shorterLife ? [`May wear out before its service life is over: ${shorterLife}`] : []),
    ...(warrantyUntil ? [`Warranty until ${warrantyUntil}`] : []),
    ...befallenSaid(id, fitting ?? {}).log.flatMap(({ entry }) => entry ?? []),
  ];
}

/** What of a forecast is to be said with it: frozen late, or not as it was kept. */
function doubtsAt(job: Job, frozen: FrozenForecast): DocumentBlock[] {
  const late = lateFor(job, frozen);
  const words = doubtsOf(job).filter(({ what, id }) => what === 'forecast' && id === frozen.id);
  return [
    ...(late > 0
      ? [text(`Late: ${counted(late, 'run was', 'runs were')} made before it. For those it proves nothing.`)]
      : []),
    ...words.map((doubt) => text(`Not as it was kept: ${doubt.words}`)),
  ];
}

/** What was frozen of each activity: that which its runs are held against, else the newest. */
function promise(job: Job, { claims }: Verdict): Section {
  const newest = job.forecasts.at(-1);
  if (!newest) return section('What was forecast', []);
  const held = claims.filter(isTheirs);
  // By its id: what a worker judged is another object.
  const frozenOf = (activity: string) =>
    held.findLast((c) => c.activity!.id === activity && c.forecast?.frozen)?.forecast?.frozen ?? newest;
  const promised = job.forecasts
    .map((frozen) => ({
      frozen,
      results: frozen.results.filter((r) => frozenOf(r.activity).id === frozen.id),
    }))
    .filter(({ results }) => results.length > 0);
  return section(
    'What was forecast',
    promised.flatMap(({ frozen, results }) => promisedBy(job, frozen, results)),
  );
}

function promisedBy(job: Job, frozen: FrozenForecast, results: FrozenForecast['results']): DocumentBlock[] {
  const doubts = doubtsAt(job, frozen);
  const rows = results.map((r) => {
    const { unit, because } = frozenFigure(r);
    const { expected = '', range = '', probability = 'no target' } = frozenSaid(frozen, r);
    const name = setupOf(frozen).activities.find((a) => a.id === r.activity)?.name ?? r.activity;
    return [unit === 's' ? name : `${name}, ${because.name}`, expected, range, probability];
  });
  return [
    text(
      `Worked out and frozen on ${frozen.at.slice(0, 10)}${doubts.length === 0 ? ', before anything was measured' : ''}.`,
    ),
    ...doubts,
    table(['Activity', 'Expected', '90 % range', 'Target met'], [false, true, true, true], rows),
  ];
}

/** Whether a claim is the customer's: their own work, really measured, as it is built. */
const isTheirs = ({ simulated, activity, measured }: Claim): boolean =>
  !simulated && activity !== null && measured?.runs[0]?.conditions.look === undefined;

/** Where a run was made: machine and port. */
function portOf(job: Job, { path }: Run): string {
  if (!path) return 'not described';
  if (!('machine' in path)) return `${path.host.name}, elsewhere`;
  const connection = job.connections.find((c) => c.machine === path.machine && c.device === path.device);
  const host = job.machines.find((m) => m.id === path.machine)?.host;
  const port = host?.ports.find((p) => p.id === connection?.port);
  return [whereOf(job, path), port?.position].filter(Boolean).join(', ');
}

/** The customer's own work: where it was measured, what came out against what was wanted, said openly. */
function measurements(job: Job, { claims }: Verdict): Section {
  const theirs = claims.filter((c) => c.measured && isTheirs(c));
  const rows = theirs.map((claim) => {
    const { middle: came = '', runs = '' } = measuredSaid(claim);
    const wanted = claim.activity!.target === null ? '' : (briefSaid(claim.activity!).target ?? '');
    return [
      claim.title,
      portOf(job, claim.measured!.runs[0]!),
      runs,
      came,
      wanted,
      judgedSaid(claim).target ?? '',
    ];
  });
  const short = theirs.filter((c) => c.target && c.target.answer !== 'yes');
  const missing = job.activities.filter(
    (a) => isAsked(a) && a.target !== null && !theirs.some((c) => c.activity!.id === a.id),
  );
  return section(
    'How it measured',
    rows.length > 0
      ? [
          table(
            ['Activity', 'Where', 'Runs', 'Measured', 'Wanted', 'Met?'],
            [false, false, true, true, true, false],
            rows,
          ),
          ...short.map((claim) =>
            text(
              `${claim.title}: ${claim.target!.answer === 'no' ? 'not met' : 'not proven'}.`,
              judgedSaid(claim).because,
            ),
          ),
          ...theirs.flatMap((claim) =>
            claim.today ? [text(`${claim.title}:`, judgedSaid(claim).today)] : [],
          ),
          ...theirs.flatMap((claim) => {
            const { processing } = judgedSaid(claim);
            return processing ? [text(`${claim.title}:`, processing)] : [];
          }),
          ...compareLoadTimes(job, claims).map((one, i) => {
            const { noticed, by } = feltSaid(one, i);
            return text(noticed, by);
          }),
          ...missing.map(({ name }) => text(`${name}: not measured.`)),
        ]
      : [text('Nothing has been measured yet.')],
  );
}

/** What was wrong on the way, and what put it right. */
function troubles(job: Job, { claims }: Verdict): Section {
  const { found = [] } = job;
  const blocks = found.map(({ title, fix, at }, i) => {
    const until = found[i + 1]?.at ?? '9999';
    const lines = job.activities.flatMap((a) => {
      const own = job.runs.filter((r) => r.activity === a.id && r.source !== 'simulated');
      // As it was built then, and as it was last measured: what was changed to find the cause is another thing.
      const asBuilt = own.filter((r) => r.excluded && r.at <= at && r.conditions.look === undefined);
      const before = lastMeasured(asBuilt)?.time;
      const since = claims.find(
        (c) =>
          c.activity?.id === a.id && isTheirs(c) && c.measured?.runs.some((r) => r.at > at && r.at < until),
      )?.measured?.time;
      if (!before || !since) return [];
      return [`${a.name}: ${format(before.expected, 's')} before, ${format(since.expected, 's')} since.`];
    });
    return text([`${at.slice(0, 10)}: ${title}.`, fix, ...lines].join(' '));
  });
  return section('What was wrong and put right', blocks);
}

/** Who did it, behind what was done. */
const byWords = ({ by }: { by?: string | undefined }): string => (by ? ` by ${by}` : '');

/** What was looked at to find a cause, and what was seen. */
function lookedAt({ looks = [] }: Job): Section {
  const items = looks.map(({ look, seen, at, by }) => {
    const title = LOOKS.find(({ id }) => id === look)?.title ?? look;
    return `${at.slice(0, 10)}${byWords({ by })}: ${title}: ${seenWords(seen)}`;
  });
  return section('What was looked at', items.length > 0 ? [{ kind: 'list', items }] : [], true);
}

/** The shop's own figures: synthetic ones, rehearsals, tests to find a cause, and what was forecast of each. */
function onTheBench({ claims }: Verdict): Section {
  const rows = claims
    .filter((c) => c.measured)
    .map((c) => {
      const { middle: came = '', range = '', runs = '' } = measuredSaid(c);
      const { right = '', target = 'no target' } = judgedSaid(c);
      return [`${c.title}${c.simulated ? ' (rehearsal)' : ''}`, runs, came, range, right, target];
    });
  return section(
    'On the bench',
    rows.length > 0
      ? [
          table(
            ['Measured', 'Runs', 'Middle', 'Known to within', 'Forecast right?', 'Target met?'],
            [false, true, true, true, false, false],
            rows,
          ),
        ]
      : [],
    true,
  );
}

function decision(job: Job, found: Verdict): Section {
  return section('Verdict', [
    text(verdictSaid(found).words),
    ...found.doubts.map((words) => text(`Not as it was kept: ${words}`)),
    ...(job.decision
      ? [
          text(
            `${DECIDED[job.decision.kind]} on ${job.decision.at.slice(0, 10)}${byWords(job.decision)}.${job.decision.words ? ` ${job.decision.words}` : ''}`,
          ),
        ]
      : []),
  ]);
}

function life(job: Job, device: JobDevice, shopRanges: OwnRanges): Section {
  const heading = headed(job, 'How long it lasts', device);
  // Its life counts all that it does, whichever of its machines one looks from.
  const place = placesOf(job).find((p) => p.device === device.id && briefAt(job, p)!.build);
  const situation = place && situationAt(job, place, shopRanges);
  if (!situation) return section(heading, []);
  const found = lifeOf(situation);
  const fitting = fittingOf(job, device.id);
  const { cost } = costSaid(device.id, fitting?.paid, found && lasting(situation, found), years(job));
  const { risk } = befallenSaid(device.id, fitting ?? {});
  return section(heading, [
    ...(found ? [enduring(place, situation, found)] : []),
    ...(cost ? [text(cost)] : []),
    ...(risk ? [text(risk)] : []),
    ...filling(situation, job),
  ]);
}

const years = (job: Job): number | null => middle(job.serviceYears);

function enduring(place: Place, situation: Situation, found: LifeForecast): DocumentBlock {
  if (!isLife(found)) return text(found.problem);
  const told = lasting(situation, found);
  if (!told) return text('Nothing writes to it every day: its rating does not run out.');
  const { sentence, covers, allowed } = lifeSaid(place, { life: found, lasting: told, workload: null });
  return text(
    sentence,
    covers,
    ...(allowed ? ['The rating allows', allowed, 'of writing.'] : []),
    'Other parts may fail earlier: the rating is no promise. A drive left without power for years can lose what it holds.',
  );
}

/** What the drive counted on day zero, as it was read, and what is to be said of it. */
function health(job: Job, device: JobDevice): Section {
  const heading = headed(job, 'Health on day zero', device);
  const baseline = fittingOf(job, device.id)?.baseline;
  const told = baseline && fromPasted(baseline.text);
  if (!baseline || !told?.ok) return section(heading, []);
  const items = healthLines(told.counters).map(({ label, words }) => `${label}: ${words}`);
  return section(heading, [
    text(`Read on ${baseline.at.slice(0, 10)}.`),
    ...healthAdvice(told.counters).map(({ words }) => text(words)),
    { kind: 'list', items },
  ]);
}

/** When it is full, against how long it is wanted for. */
function filling(situation: Situation, job: Job): DocumentBlock[] {
  const wanted = years(job);
  return situation.activities.filter(isKept).map((a) => {
    const { low, expected, high } = forecast(caseOf(situation, a.id)).figure;
    if (!Number.isFinite(expected)) return text(`${a.name}: it does not fill up.`);
    const range = Number.isFinite(high)
      ? formatRange({ low, high }, 'years')
      : `${format(low, 'years')} to never`;
    const short =
      wanted !== null && expected < wanted
        ? ` That is before the ${format(wanted, 'years', 2)} it is wanted for: plan a larger one, or thin it out.`
        : '';
    return text(`${a.name}: full in about ${format(expected, 'years', 2)} (${range}).${short}`);
  });
}

function care(job: Job): Section {
  if (job.connections.length === 0) return section('How to look after it', []);
  const external = job.connections.some((c) => c.cable !== null);
  const inside = job.connections.some((c) => c.cable === null);
  return section('How to look after it', [
    {
      kind: 'list',
      items: [
        ...(external
          ? [
              'Eject it in the system before pulling the cable: when the copy window closes, the last data may still be ' +
                `in the host’s memory. ${ejecting(job)}`,
            ]
          : []),
        'One drive is one copy. Keep three of what matters, on two kinds of media, one of them elsewhere.',
        'Formatting destroys what is on it: stop and ask first.',
        'Keep some space free: a nearly full drive has less cache and writes slower.',
        ...(external ? ['It gets warm in use; do not wrap or cover it.'] : []),
        ...(inside
          ? [
              'Opening the machine: mains unplugged, static discharged, and the maker’s instructions come first.',
            ]
          : []),
      ],
    },
  ]);
}

/** How one ejects, by the systems it is used with. */
function ejecting(job: Job): string {
  const families = new Set(job.machines.flatMap((m) => m.host.systems?.map(({ family }) => family) ?? []));
  return [
    families.has('Windows') ? 'On Windows: the icon for removing hardware, at the clock.' : '',
    families.has('macOS') ? 'On macOS: the eject mark next to its name.' : '',
    families.has('Linux') ? 'On Linux: the eject mark next to its name, or unmount it.' : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** A time so many times what was measured here is worth a visit [common practice, no source]. */
const SLOWER = 1.33;

/** When the customer should bring it back. */
function comeBack(job: Job, { claims }: Verdict): Section {
  if (job.connections.length === 0) return section('When to come back', []);
  // What fell short is no measure of how it should be.
  const isSound = ({ right, target }: Claim) => right.answer !== 'short' && target?.answer !== 'no';
  const timed = claims.filter(
    (c) => isTheirs(c) && isSound(c) && c.measured?.time && Number.isFinite(c.measured.time.high),
  );
  const since = job.decision?.at ?? job.changed;
  const wanted = years(job);
  return section('When to come back', [
    {
      kind: 'list',
      items: [
        ...timed.map(
          ({ title, measured }) =>
            `${title} takes longer than ${format(measured!.time!.expected * SLOWER, 's', 2)}, more than once.`,
        ),
        'It drops off, the system reports errors, or a file does not open: copy off what matters first, and stop using it.',
        'It is more than four fifths full.',
        'Once a year, to have its own counters read.',
        ...(wanted === null
          ? []
          : [
              `At the latest in ${Number(since.slice(0, 4)) + Math.round(wanted)}: it is planned for ${format(wanted, 'years', 2)}.`,
            ]),
      ],
    },
  ]);
}

const SEVERITY = { blocks: 'Blocks', limits: 'Limits', caution: 'Caution', note: 'Note' } as const;

const policyOf = ({ policy }: Finding) =>
  policy ? ` Policy followed: ${policyWords(policy.id, policy.followed)}.` : '';

/** What was known of the builds when they were handed over: each finding once, whichever direction it shows in. */
function known(job: Job, shopRanges: OwnRanges): Section {
  const items = placesOf(job).flatMap((place) => {
    const situation = situationAt(job, place, shopRanges);
    if (!situation) return [];
    const all = DIRECTIONS.flatMap((d) => findings(settingOf(situation, d))).filter(
      (f) => f.severity !== 'note',
    );
    const where = placesOf(job).length > 1 ? ` (${whereOf(job, place)})` : '';
    return all
      .filter((f, i) => all.findIndex((other) => other.id === f.id) === i)
      .map((f) => `${SEVERITY[f.severity]}: ${f.title}${where}. ${f.reason}${policyOf(f)}`);
  });
  return section('Findings', items.length > 0 ? [{ kind: 'list', items }] : [], true);
}

/** Where a run was made, in a cell. */
function pathWords(job: Job, { path }: Run): string {
  if (!path) return 'not described';
  return 'machine' in path ? whereOf(job, path) : `${path.host.name}, elsewhere`;
}

function evidence(job: Job, { claims }: Verdict): Section {
  const frozen = job.forecasts.at(-1);
  const rows = claims
    .flatMap((c) => c.measured?.runs ?? [])
    .map((run) => [
      run.at.slice(0, 16).replace('T', ' '),
      `${run.source}${byWords(run)}`,
      measureWords(run),
      pathWords(job, run),
      warmthWords(run).join(', '),
      run.conditions.note,
    ]);
  const sources = job.devices.flatMap(({ parts }) => {
    if (!parts) return [];
    const { capacity, rest, cache } = parts.drive;
    const of = job.devices.length > 1 ? `, ${nameOf(parts.drive)}` : '';
    return [
      `Capacity${of}: ${sourceWords(capacity.source)}`,
      `Sustained writing${of}: ${sourceWords(rest.source)}`,
      `Cache${of}: ${sourceWords(cache.source)}`,
    ];
  });
  const blocks: DocumentBlock[] = [];
  if (rows.length > 0)
    blocks.push(
      table(
        ['Run (UTC)', 'Taken by', 'Reading', 'Path', 'Warmth', 'Conditions'],
        [false, false, true, false, true, false],
        rows,
      ),
    );
  for (const claim of claims)
    for (const { run, words } of claim.impossible)
      blocks.push(text(`Not used, ${run.at.slice(0, 16).replace('T', ' ')}: ${words}`));
  if (sources.length > 0) blocks.push({ kind: 'list', items: sources });
  if (frozen)
    blocks.push(text(`Forecast frozen ${frozen.at}, model ${frozen.model}, content hash ${frozen.hash}.`));
  return section('Evidence', blocks, true);
}

function measureWords({ measure }: Run): string {
  if (measure.kind === 'rate') return `${measure.shown} (as shown)`;
  if (measure.kind === 'bound')
    return [
      measure.atLeast === null ? '' : `over ${format(measure.atLeast, 's')}`,
      measure.atMost === null ? '' : `under ${format(measure.atMost, 's')}`,
    ]
      .filter(Boolean)
      .join(', ');
  const of = measure.bytes === null ? '' : ` for ${format(measure.bytes, 'B')}`;
  return `${format(measure.seconds, 's', 4)}${of}${measure.until === 'bar' ? ', until the progress bar was full' : ''}`;
}
