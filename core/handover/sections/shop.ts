import { sourceWords } from '../../evidence';
import type { OwnRanges } from '../../catalog/assumptions';
import { settingOf, situationAt } from '../../forecast';
import { findings, type Finding } from '../../fit';
import { placesOf, policyWords, type Job, type Run } from '../../job';
import { DIRECTIONS } from '../../catalog/links';
import { nameOf } from '../../catalog/parts';
import { format } from '../../units';
import { judgedSaid, measuredSaid, seenWords } from '../../statements';
import { LOOKS } from '../../diagnosis';
import { warmthWords } from '../../measure';
import type { Verdict } from '../../verdict';
import { type DocumentBlock, type Section, textBlock, tableBlock, section, whereOf, byWords } from '../block';

/** What was looked at to find a cause, and what was seen. */
export function looksSection({ looks = [] }: Job): Section {
  const items = looks.map(({ look, seen, at, by }) => {
    const title = LOOKS.find(({ id }) => id === look)?.title ?? look;
    return `${at.slice(0, 10)}${byWords({ by })}: ${title}: ${seenWords(seen)}`;
  });
  return section('What was looked at', items.length > 0 ? [{ kind: 'list', items }] : [], true);
}

/** The shop's own figures: synthetic ones, rehearsals, tests to find a cause, and what was forecast of each. */
export function onTheBench({ claims }: Verdict): Section {
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
          tableBlock(
            ['Measured', 'Runs', 'Middle', 'Known to within', 'Forecast right?', 'Target met?'],
            [false, true, true, true, false, false],
            rows,
          ),
        ]
      : [],
    true,
  );
}

const SEVERITY = { blocks: 'Blocks', limits: 'Limits', caution: 'Caution', note: 'Note' } as const;

const policyOf = ({ policy }: Finding) =>
  policy ? ` Policy followed: ${policyWords(policy.id, policy.followed)}.` : '';

/** What was known of the builds when they were handed over: each finding once, whichever direction it shows in. */
export function known(job: Job, shopRanges: OwnRanges): Section {
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

export function evidence(job: Job, { claims }: Verdict): Section {
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
      tableBlock(
        ['Run (UTC)', 'Taken by', 'Reading', 'Path', 'Warmth', 'Conditions'],
        [false, false, true, false, true, false],
        rows,
      ),
    );
  for (const claim of claims)
    for (const { run, words } of claim.impossible)
      blocks.push(textBlock(`Not used, ${run.at.slice(0, 16).replace('T', ' ')}: ${words}`));
  if (sources.length > 0) blocks.push({ kind: 'list', items: sources });
  if (frozen)
    blocks.push(
      textBlock(`Forecast frozen ${frozen.at}, model ${frozen.model}, content hash ${frozen.hash}.`),
    );
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
