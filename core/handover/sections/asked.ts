import {
  directionOf,
  doubtsOf,
  lateFor,
  placeOf,
  placesOf,
  setupOf,
  type Activity,
  type FrozenForecast,
  type Job,
} from '../../job';
import { counted } from '../../units';
import { frozenFigure, frozenSaid, briefSaid } from '../../statements';
import type { Verdict } from '../../verdict';
import {
  type DocumentBlock,
  type Section,
  textBlock,
  tableBlock,
  section,
  whereOf,
  isTheirs,
} from '../block';

export function work(job: Job): Section {
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
          tableBlock(
            ['Activity', ...where, 'Direction', 'Size', 'Files', 'How often', 'Target time'],
            [false, ...where.map(() => false), false, true, true, true, true],
            rows,
          ),
        ]
      : []),
  ]);
}

/** The shop's own words about the job: for nobody else. */
export const note = (job: Job): Section =>
  section('The shop’s own note', job.note ? [textBlock(job.note)] : [], true);

/** What of a forecast is to be said with it: frozen late, or not as it was kept. */
function doubtsAt(job: Job, frozen: FrozenForecast): DocumentBlock[] {
  const late = lateFor(job, frozen);
  const words = doubtsOf(job).filter(({ what, id }) => what === 'forecast' && id === frozen.id);
  return [
    ...(late > 0
      ? [
          textBlock(
            `Late: ${counted(late, 'run was', 'runs were')} made before it. For those it proves nothing.`,
          ),
        ]
      : []),
    ...words.map((doubt) => textBlock(`Not as it was kept: ${doubt.words}`)),
  ];
}

/** What was frozen of each activity: that which its runs are held against, else the newest. */
export function promise(job: Job, { claims }: Verdict): Section {
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
    textBlock(
      `Worked out and frozen on ${frozen.at.slice(0, 10)}${doubts.length === 0 ? ', before anything was measured' : ''}.`,
    ),
    ...doubts,
    tableBlock(['Activity', 'Expected', '90 % range', 'Target met'], [false, true, true, true], rows),
  ];
}
