import { factWords, sourceWords } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import { isLife, kindOf, lifeOf, situationOf, settingOf } from '../forecast';
import { findings, type Finding } from '../fit';
import {
  briefAt,
  deviceName,
  directionOf,
  filesOf,
  machineNames,
  placeOf,
  placesOf,
  policyWords,
  setupOf,
  type Activity,
  type Job,
  type JobDevice,
  type Place,
  type Run,
} from '../job';
import { DIRECTIONS } from '../catalog/links';
import { nameOf } from '../catalog/parts';
import { format, formatProbability } from '../units';
import type { Verdict } from '../verdict';

/** A name in the run of a sentence: small at its start, unless it has capitals of its own. */
const midSentence = (name: string): string => (/\p{Lu}/u.test(name.slice(1)) ? name : name.toLowerCase());

/** A block of the handover: prose, a list, or a table whose numbers stand right. */
export type Block =
  | { kind: 'text'; text: string }
  | { kind: 'list'; items: string[] }
  | { kind: 'table'; head: string[]; numbers: boolean[]; rows: string[][] };

export interface Section {
  heading: string;
  /** Left out of the customer's copy. */
  shopOnly: boolean;
  blocks: Block[];
}

export interface HandoverDocument {
  title: string;
  line: string;
  sections: Section[];
}

const text = (words: string): Block => ({ kind: 'text', text: words });
const table = (head: string[], numbers: boolean[], rows: string[][]): Block => ({
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
 * @param own the shop's own ranges in place of what is assumed
 */
export function handover(job: Job, found: Verdict, own: OwnRanges = {}): HandoverDocument {
  const sections = [
    work(job),
    ...(job.devices.length > 0 ? job.devices.map((device) => fitted(job, device)) : [nothing]),
    promise(job),
    measurements(found),
    decision(job, found),
    ...job.devices.map((device) => life(job, device, own)),
    care(job),
    known(job, own),
    evidence(job, found),
  ];
  return {
    title: job.title,
    line: [job.customer, machineNames(job), `as of ${job.changed.slice(0, 10)}`].filter(Boolean).join(' · '),
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

const section = (heading: string, blocks: Block[], shopOnly = false): Section => ({
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
  const rows = job.activities.map((a) => [
    a.name,
    ...placed(a),
    directionOf(a) === 'write' ? 'to the drive' : 'from the drive',
    kindOf(a).size(a),
    a.kind === 'move' ? factWords(filesOf(a), 'count') : '',
    a.target === null ? 'no target' : format(a.target, 's'),
  ]);
  const where = several ? ['Where'] : [];
  return section('What it is for', [
    ...(job.note ? [text(job.note)] : []),
    ...(rows.length > 0
      ? [
          table(
            ['Activity', ...where, 'Direction', 'Size', 'Files', 'Target time'],
            [false, ...where.map(() => false), false, true, true, true],
            rows,
          ),
        ]
      : []),
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
  if (together > 1) items[0] = `${together} drives: ${drive.maker} ${drive.model}, ${capacity} each`;
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
        `Plug it in here: ${at.position} of the ${midSentence(host.name)}. Another port that looks the same may be slower.`,
      );
  }
  if (accessories.length > 0) items.push(`Small parts: ${accessories.map(nameOf).join(', ')}`);
  return section(heading, [{ kind: 'list', items }]);
}

function promise(job: Job): Section {
  const frozen = job.forecasts.at(-1);
  if (!frozen) return section('What was forecast', []);
  const rows = frozen.results.map((r) => {
    const figure = r.time ?? r.figure!;
    const [low, expected, high] = [figure.low, figure.expected, figure.high].map((v) =>
      format(v, figure.unit),
    );
    return [
      setupOf(frozen).activities.find((a) => a.id === r.activity)?.name ?? r.activity,
      figure.unit === 's' ? expected! : `${figure.because.name}: ${expected}`,
      `${low} to ${high}`,
      r.probability === null ? 'no target' : formatProbability(r.probability),
    ];
  });
  return section('What was forecast', [
    text(`Worked out and frozen on ${frozen.at.slice(0, 10)}, before anything was measured.`),
    table(['Activity', 'Expected', '90 % range', 'Target met'], [false, true, true, true], rows),
  ]);
}

function measurements({ claims }: Verdict): Section {
  const rows = claims
    .filter((c) => c.measured)
    .map((c) => {
      const { time, rate, runs } = c.measured!;
      const [value, unit] = time ? [time, 's' as const] : [rate!, 'B/s' as const];
      return [
        `${c.title}${c.simulated ? ' (simulated)' : ''}`,
        String(runs.length),
        format(value.expected, unit),
        `${format(value.low, unit)} to ${format(value.high, unit)}`,
        c.right.answer,
        c.target?.answer ?? 'no target',
      ];
    });
  return section(
    'How it measured',
    rows.length > 0
      ? [
          table(
            ['Activity', 'Runs', 'Measured', 'Known to within', 'Forecast right?', 'Target met?'],
            [false, true, true, true, false, false],
            rows,
          ),
        ]
      : [text('Nothing has been measured yet.')],
  );
}

function decision(job: Job, found: Verdict): Section {
  return section('Verdict', [
    text(found.words),
    ...found.doubts.map((words) => text(`Not as it was kept: ${words}`)),
    ...(job.decision
      ? [
          text(
            `${DECIDED[job.decision.kind]} on ${job.decision.at.slice(0, 10)}.${job.decision.words ? ` ${job.decision.words}` : ''}`,
          ),
        ]
      : []),
  ]);
}

function life(job: Job, device: JobDevice, own: OwnRanges): Section {
  const heading = headed(job, 'How long it lasts', device);
  // Its life counts all that it does, whichever of its machines one looks from.
  const place = placesOf(job).find((p) => p.device === device.id && briefAt(job, p)!.build);
  const situation = place && situationOf(briefAt(job, place)!, own);
  const found = situation && lifeOf(situation);
  if (!found) return section(heading, []);
  if (!isLife(found)) return section(heading, [text(found.problem)]);
  const { fromNew, allowed, rate } = found;
  if (!fromNew || !rate)
    return section(heading, [text('Nothing writes to it every day: its rating does not run out.')]);
  return section(heading, [
    text(
      `At ${format(rate.expected, 'B/day')} the rated writes last ${format(fromNew.low, 'years', 2)} ` +
        `to ${format(fromNew.high, 'years', 2)}; the rating allows ${format(allowed.expected, 'B/day')}. ` +
        'Other parts may fail earlier: the rating is no promise. A drive left without power ' +
        'for years can lose what it holds.',
    ),
  ]);
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
              'Eject it in the system before pulling the cable: when the copy window closes, the last data may still be in the host’s memory.',
            ]
          : []),
        'One drive is one copy. Keep another elsewhere.',
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

const SEVERITY = { blocks: 'Blocks', limits: 'Limits', caution: 'Caution', note: 'Note' } as const;

const policyOf = ({ policy }: Finding) =>
  policy ? ` Policy followed: ${policyWords(policy.id, policy.followed)}.` : '';

/** What was known of the builds when they were handed over: each finding once, whichever direction it shows in. */
function known(job: Job, own: OwnRanges): Section {
  const items = placesOf(job).flatMap((place) => {
    const situation = situationOf(briefAt(job, place)!, own);
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
      run.source,
      measureWords(run),
      pathWords(job, run),
      run.conditions.temperature === null ? '' : `${run.conditions.temperature} °C`,
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
  const blocks: Block[] = [];
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
