import { sourceWords, type Fact } from '../evidence';
import { isLife, situationOf, type JobForecast } from '../forecast';
import { findings, type Finding } from '../fit';
import { directionOf, filesOf, policyWords, type Activity, type Job } from '../job';
import { DIRECTIONS } from '../catalog/links';
import { nameOf } from '../catalog/parts';
import { format, formatProbability, type Unit } from '../units';
import type { Verdict } from '../verdict';
import { settingOf } from '../choice/whatif';

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
 */
export function handover(
  job: Job,
  forecast: Pick<JobForecast, 'life'> | null,
  found: Verdict,
): HandoverDocument {
  const sections = [
    work(job),
    fitted(job),
    promise(job),
    measurements(found),
    decision(job, found),
    life(forecast, job),
    care(job),
    known(job),
    evidence(job, found),
  ];
  return {
    title: job.title,
    line: [job.customer, job.host.name, `as of ${job.changed.slice(0, 10)}`].filter(Boolean).join(' · '),
    sections: sections.filter((s) => s.blocks.length > 0),
  };
}

const section = (heading: string, blocks: Block[], shopOnly = false): Section => ({
  heading,
  shopOnly,
  blocks,
});

const factWords = (fact: Fact, unit: Unit): string =>
  fact.value === null
    ? 'not known'
    : Array.isArray(fact.value)
      ? `${format(fact.value[1], unit)} (${format(fact.value[0], unit)} to ${format(fact.value[2], unit)})`
      : format(fact.value, unit);

function work(job: Job): Section {
  const rows = job.activities.map((a) => [
    a.name,
    directionOf(a) === 'write' ? 'to the drive' : 'from the drive',
    sizeOf(a),
    a.kind === 'move' ? factWords(filesOf(a), 'count') : '',
    a.wish === null ? 'no wish' : format(a.wish, 's'),
  ]);
  return section('What it is for', [
    ...(job.note ? [text(job.note)] : []),
    ...(rows.length > 0
      ? [
          table(
            ['Activity', 'Direction', 'Size', 'Files', 'Wanted within'],
            [false, false, true, true, true],
            rows,
          ),
        ]
      : []),
  ]);
}

/** What an activity is about, in one cell. */
function sizeOf(a: Activity): string {
  switch (a.kind) {
    case 'move':
      return factWords(a.bytes, 'B');
    case 'stream':
      return `${a.streams} × ${factWords(a.rate, 'B/s')}`;
    case 'open':
      return factWords(a.bytes, 'B');
    case 'scratch':
      return `${factWords(a.operations, 'count')} operations a day`;
    case 'keep':
      return `${factWords(a.now, 'B')}, growing by ${factWords(a.growth, 'B/day')}`;
  }
}

const BOX = { enclosure: 'Enclosure', dock: 'Dock', adapter: 'Adapter' } as const;

function fitted(job: Job): Section {
  if (!job.build) return section('What was fitted', [text('Nothing has been chosen yet.')]);
  const { drive, bridge, cable, port, hops = [], together = 1, accessories = [] } = job.build;
  const at = job.host.ports.find((p) => p.id === port);
  const capacity = factWords(drive.capacity, 'B');
  const items = [
    `Drive: ${drive.maker} ${drive.model}${drive.model.includes(capacity) ? '' : `, ${capacity}`}`,
  ];
  if (together > 1) items[0] = `${together} drives: ${drive.maker} ${drive.model}, ${capacity} each`;
  if (drive.revision) items[0] += `, revision ${drive.revision}`;
  if (bridge) items.push(`${BOX[bridge.kind]}: ${nameOf(bridge)}`);
  if (cable) items.push(`Cable: ${cable.name}, ${cable.length} m`);
  for (const hop of hops)
    items.push(
      `Through: ${nameOf(hop.hub)}, ${hop.hub.ports.find((p) => p.id === hop.port)?.position ?? hop.port}, with ${hop.cable.name}`,
    );
  if (accessories.length > 0) items.push(`Small parts: ${accessories.map(nameOf).join(', ')}`);
  if (at)
    items.push(
      `Plug it in here: ${at.position} of the ${job.host.name.toLowerCase()}. Another port that looks the same may be slower.`,
    );
  return section('What was fitted', [{ kind: 'list', items }]);
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
      frozen.activities.find((a) => a.id === r.activity)?.name ?? r.activity,
      figure.unit === 's' ? expected! : `${figure.because.name}: ${expected}`,
      `${low} to ${high}`,
      r.probability === null ? 'no wish' : formatProbability(r.probability),
    ];
  });
  return section('What was forecast', [
    text(`Worked out and frozen on ${frozen.at.slice(0, 10)}, before anything was measured.`),
    table(['Activity', 'Expected', 'In nine cases of ten', 'Wish met'], [false, true, true, true], rows),
  ]);
}

function measurements({ claims }: Verdict): Section {
  const rows = claims
    .filter((c) => c.measured)
    .map((c) => {
      const { time, rate, runs } = c.measured!;
      const [value, unit] = time ? [time, 's' as const] : [rate, 'B/s' as const];
      return [
        `${c.title}${c.simulated ? ' (simulated)' : ''}`,
        String(runs.length),
        format(value.expected, unit),
        `${format(value.low, unit)} to ${format(value.high, unit)}`,
        c.right.answer,
        c.wish?.answer ?? 'no wish',
      ];
    });
  return section(
    'How it measured',
    rows.length > 0
      ? [
          table(
            ['Activity', 'Runs', 'Measured', 'Known to within', 'Forecast right?', 'Wish met?'],
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

function life(forecast: Pick<JobForecast, 'life'> | null, job: Job): Section {
  if (!forecast || !job.build) return section('How long it lasts', []);
  if (!isLife(forecast.life)) return section('How long it lasts', [text(forecast.life.problem)]);
  const { fromNew, allowed, rate } = forecast.life;
  if (!fromNew || !rate)
    return section('How long it lasts', [
      text('Nothing writes to it every day: its rating does not run out.'),
    ]);
  return section('How long it lasts', [
    text(
      `At ${format(rate.expected, 'B/day')} the rated writes last ${format(fromNew.low, 'years', 2)} ` +
        `to ${format(fromNew.high, 'years', 2)}; the rating allows ${format(allowed.expected, 'B/day')}. ` +
        'Other parts may fail earlier: the rating is no promise. A drive left without power ' +
        'for years can lose what it holds.',
    ),
  ]);
}

function care(job: Job): Section {
  if (!job.build) return section('How to look after it', []);
  const external = job.build.cable !== null;
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
        ...(external
          ? ['It gets warm in use; do not wrap or cover it.']
          : [
              'Opening the machine: mains unplugged, static discharged, and the maker’s instructions come first.',
            ]),
      ],
    },
  ]);
}

const SEVERITY = { blocks: 'Blocks', limits: 'Limits', caution: 'Caution', note: 'Note' } as const;

const policyOf = ({ policy }: Finding) =>
  policy ? ` Policy followed: ${policyWords(policy.id, policy.followed)}.` : '';

/** What was known of the build when it was handed over: each finding once, whichever direction it shows in. */
function known(job: Job): Section {
  const situation = situationOf(job);
  if (!situation) return section('Findings', []);
  const all = DIRECTIONS.flatMap((d) => findings(settingOf(situation, d))).filter(
    (f) => f.severity !== 'note',
  );
  const items = all
    .filter((f, i) => all.findIndex((other) => other.id === f.id) === i)
    .map((f) => `${SEVERITY[f.severity]}: ${f.title}. ${f.reason}${policyOf(f)}`);
  return section('Findings', items.length > 0 ? [{ kind: 'list', items }] : [], true);
}

function evidence(job: Job, { claims }: Verdict): Section {
  const frozen = job.forecasts.at(-1);
  const rows = claims
    .flatMap((c) => c.measured?.runs ?? [])
    .map((run) => [
      run.at.slice(0, 16).replace('T', ' '),
      run.source,
      measureWords(run),
      run.path === 'customer' ? 'customer’s' : run.path ? run.path.host.name : 'not described',
      run.conditions.temperature === null ? '' : `${run.conditions.temperature} °C`,
      run.conditions.note,
    ]);
  const sources = job.build
    ? [
        `Capacity: ${sourceWords(job.build.drive.capacity.source)}`,
        `Writing after the cache: ${sourceWords(job.build.drive.rest.source)}`,
        `Cache: ${sourceWords(job.build.drive.cache.source)}`,
      ]
    : [];
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

function measureWords({ measure }: Job['runs'][number]): string {
  if (measure.kind === 'rate') return `${measure.shown} (as shown)`;
  if (measure.kind === 'bound')
    return [
      measure.atLeast === null ? '' : `over ${format(measure.atLeast, 's')}`,
      measure.atMost === null ? '' : `under ${format(measure.atMost, 's')}`,
    ]
      .filter(Boolean)
      .join(', ');
  return `${format(measure.seconds, 's', 4)} for ${format(measure.bytes, 'B')}${measure.until === 'bar' ? ', until the progress bar was full' : ''}`;
}
