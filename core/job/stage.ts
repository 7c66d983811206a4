import equal from 'fast-deep-equal';
import { keepsNeeds, setupOf } from './basis';
import { type FrozenForecast } from './frozen';
import type { Activity } from './kinds/activity';
import type { Job } from './job';
import { briefAt, placesOf } from './place';
import type { Setup } from './setup';

/** How a stage stands: what is to be done there next. */
type Standing = [state: 'open' | 'done' | 'attention', next: string];

/** What the stages of a job go by. */
interface Progress {
  job: Job;
  trouble: Trouble;
  /** Something is built; everything is. */
  built: boolean;
  whole: boolean;
  frozen: FrozenForecast | undefined;
  /** The frozen forecast is of something else than the job as it stands. */
  stale: boolean;
  /** There is a run that counts. */
  timed: boolean;
}

/** Every stage, in the order of the work. */
const TABLE = {
  brief: ({ job }) =>
    job.machines.length === 0
      ? ['open', 'Choose the machine']
      : job.activities.length === 0
        ? ['open', 'Describe the first activity']
        : job.activities.some(saysSomething)
          ? ['done', 'Change what the customer does']
          : ['open', 'Say how much the activity is'],
  choice: ({ whole }) => (whole ? ['done', 'Compare other builds'] : ['open', 'See what to buy']),
  path({ trouble, built, whole }) {
    if (trouble.blocked) return ['attention', 'Fix what blocks the path'];
    if (whole) return ['done', 'Try other parts'];
    return [
      'open',
      built ? 'Choose and connect what is still open' : 'Choose a drive and how it is connected',
    ];
  },
  forecast({ stale, frozen }) {
    if (stale) return ['attention', 'Freeze the changed forecast'];
    return frozen ? ['done', 'Read the frozen forecast'] : ['open', 'Freeze the forecast'];
  },
  setup: ({ job }) => setUp(job),
  bench: ({ timed }) => (timed ? ['done', 'Add another run'] : ['open', 'Time the first run']),
  verdict({ job, trouble, timed }) {
    if (!timed) return ['open', 'Needs a finished run'];
    if (isDecided(job)) return ['done', 'Read the verdict'];
    if (trouble.unmet) return ['attention', 'Find out why it falls short'];
    if (trouble.short) return ['attention', 'Find out why less came than was forecast'];
    return ['open', job.decision ? 'Decide anew: there are newer runs' : 'Decide'];
  },
  handover: ({ job }) => (job.decision ? ['done', 'Print or save the document'] : ['open', 'Decide first']),
} satisfies StageTable;

/** How each stage of a list stands. */
type StageTable<S extends string = string> = Record<S, (progress: Progress) => Standing>;

export type Stage = keyof typeof TABLE;
export const STAGES = Object.keys(TABLE) as Stage[];

export interface StageState<S extends string = Stage> {
  stage: S;
  state: Standing[0];
  /** The one next thing to do there. */
  next: string;
}

/** What a forecast asks of each place with work; fill and ambient temperature only where both sides kept them. */
const askedOf = (setup: Setup, withNeeds: boolean): unknown[] =>
  placesOf(setup)
    .map((place) => briefAt(setup, place)!)
    .filter((brief) => brief.activities.length > 0)
    .map(({ host, build, activities, needs }) => [
      host,
      build && { ...build, locked: undefined },
      // What it takes today is no part of what is forecast.
      activities.map(({ today: _, ...activity }) => activity),
      withNeeds ? [needs?.fill, needs?.ambient] : null,
    ]);

/** Whether a frozen forecast is of something else than the job as it stands. */
function isStale(job: Job, frozen: FrozenForecast, shopRanges: FrozenForecast['ranges'] = {}): boolean {
  const withNeeds = keepsNeeds(frozen);
  return (
    !equal(frozen.ranges ?? {}, shopRanges) ||
    !equal(askedOf(setupOf(frozen), withNeeds), askedOf(job, withNeeds))
  );
}

/** What the models find of a job. */
export interface Trouble {
  blocked: boolean;
  /** A target is missed. */
  unmet: boolean;
  /** A run fell short of what was forecast of it, whatever the targets say. */
  short?: boolean;
  /** The shop's own ranges. */
  shopRanges?: FrozenForecast['ranges'];
}

/**
 * Each stage's state from what the job holds; verdict and path trouble come in from the models that find it, the shop's own ranges from its settings.
 * @example
 * nextStage(stages(job, { blocked: false, unmet: true })).next; // 'Find out why it falls short'
 */
export const stages = (job: Job, trouble: Trouble): StageState[] => stagesOf(TABLE, job, trouble);

/** The same of any list of stages. */
export function stagesOf<S extends string>(
  table: StageTable<S>,
  job: Job,
  trouble: Trouble,
): StageState<S>[] {
  const frozen = job.forecasts.at(-1);
  const done = job.runs.filter((run) => run.ended === 'done' && !run.excluded);
  const builds = placesOf(job).map((place) => briefAt(job, place)!.build);
  const built = builds.some((build) => build !== null);
  const stale = built && frozen !== undefined && isStale(job, frozen, trouble.shopRanges);
  const timed = done.length > 0;
  const whole = built && builds.every((build) => build !== null);
  const progress = { job, trouble, built, whole, frozen, stale, timed };
  return (Object.keys(table) as S[]).map((stage) => {
    const [state, next] = table[stage](progress);
    return { stage, state, next };
  });
}

/** How far the devices are set up. What was timed already was fitted, whether somebody kept a list or not. */
function setUp(job: Job): Standing {
  const fittings = job.fittings ?? [];
  const going = fittings.some((f) => f.format && f.format.ended === undefined);
  const isThrough = (id: string) => fittings.some((f) => f.device === id && f.complete !== undefined);
  const built = job.devices.filter((d) => d.parts !== null);
  if (going) return ['open', 'A full format is under way'];
  if (built.length > 0 && built.every((d) => isThrough(d.id))) return ['done', 'Look at the checklist'];
  if (fittings.some((f) => f.steps.length > 0)) return ['open', 'Go on with the checklist'];
  return ['open', job.runs.length > 0 ? 'Tick off what was done' : 'Fit and format it'];
}

/** The stage to open a job at: the first that is not done; what was timed is beyond its checklist, ticked or not. */
export function nextStage(states: readonly StageState[]): StageState {
  const timed = states.some(({ stage, state }) => stage === 'bench' && state === 'done');
  const open = states.filter(({ stage, state }) => state !== 'done' && !(timed && stage === 'setup'));
  return open[0] ?? states.at(-1)!;
}

/** Whether anything is known of an activity but how often it happens. */
const saysSomething = ({ perDay: _, ...activity }: Activity): boolean =>
  Object.values(activity).some(
    (of) => typeof of === 'object' && of !== null && 'value' in of && of.value !== null,
  );

/** Whether it was decided after the last run that counts was made. */
function isDecided({ decision, runs }: Job): boolean {
  const { at } = decision ?? {};
  return at !== undefined && runs.every((run) => run.at <= at || run.source === 'simulated' || run.excluded);
}
