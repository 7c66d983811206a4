import equal from 'fast-deep-equal';
import { keepsNeeds, setupOf } from './basis';
import { type FrozenForecast } from './frozen';
import type { Job } from './job';
import { briefAt, placesOf } from './place';
import type { Setup } from './setup';

export const STAGES = [
  'brief',
  'choice',
  'path',
  'forecast',
  'setup',
  'bench',
  'verdict',
  'handover',
] as const;
export type Stage = (typeof STAGES)[number];

export interface StageState {
  stage: Stage;
  state: 'open' | 'done' | 'attention';
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
      activities,
      withNeeds ? [needs?.fill, needs?.ambient] : null,
    ]);

/** Whether a frozen forecast is of something else than the job as it stands. */
function isStale(job: Job, frozen: FrozenForecast, own: FrozenForecast['ranges'] = {}): boolean {
  const withNeeds = keepsNeeds(frozen);
  return (
    !equal(frozen.ranges ?? {}, own) || !equal(askedOf(setupOf(frozen), withNeeds), askedOf(job, withNeeds))
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
  own?: FrozenForecast['ranges'];
}

/** Each stage's state from what the job holds; verdict and path trouble come in from the models that find it, the shop's own ranges from its settings. */
export function stages(job: Job, trouble: Trouble): StageState[] {
  const frozen = job.forecasts.at(-1);
  const done = job.runs.filter((run) => run.ended === 'done' && !run.excluded);
  const builds = placesOf(job).map((place) => briefAt(job, place)!.build);
  const built = builds.some((build) => build !== null);
  const stale = built && frozen !== undefined && isStale(job, frozen, trouble.own);
  const at = (stage: Stage, state: StageState['state'], next: string): StageState => ({ stage, state, next });
  return [
    job.machines.length === 0
      ? at('brief', 'open', 'Choose the machine')
      : job.activities.length > 0
        ? at('brief', 'done', 'Change what the customer does')
        : at('brief', 'open', 'Describe the first activity'),
    built && builds.every((build) => build !== null)
      ? at('choice', 'done', 'Compare other builds')
      : at('choice', 'open', 'See what to buy'),
    trouble.blocked
      ? at('path', 'attention', 'Fix what blocks the path')
      : built && builds.every((build) => build !== null)
        ? at('path', 'done', 'Try other parts')
        : at(
            'path',
            'open',
            built ? 'Choose and connect what is still open' : 'Choose a drive and how it is connected',
          ),
    stale
      ? at('forecast', 'attention', 'Freeze the changed forecast')
      : frozen
        ? at('forecast', 'done', 'Read the frozen forecast')
        : at('forecast', 'open', 'Freeze the forecast'),
    setUp(job),
    done.length > 0 ? at('bench', 'done', 'Add another run') : at('bench', 'open', 'Time the first run'),
    done.length === 0
      ? at('verdict', 'open', 'Needs a finished run')
      : trouble.unmet
        ? at('verdict', 'attention', 'Find out why it falls short')
        : trouble.short
          ? at('verdict', 'attention', 'Find out why less came than was forecast')
          : job.decision
            ? at('verdict', 'done', 'Read the verdict')
            : at('verdict', 'open', 'Decide'),
    job.decision
      ? at('handover', 'done', 'Print or save the document')
      : at('handover', 'open', 'Decide first'),
  ];
}

/** How far the devices are set up. What was timed already was fitted, whether somebody kept a list or not. */
function setUp(job: Job): StageState {
  const at = (state: StageState['state'], next: string): StageState => ({ stage: 'setup', state, next });
  const fittings = job.fittings ?? [];
  const going = fittings.some((f) => f.format && f.format.ended === undefined);
  const isThrough = (id: string) => fittings.some((f) => f.device === id && f.complete !== undefined);
  const built = job.devices.filter((d) => d.parts !== null);
  if (going) return at('open', 'A full format is under way');
  if (built.length > 0 && built.every((d) => isThrough(d.id))) return at('done', 'Look at the checklist');
  if (job.runs.length > 0 && fittings.length === 0) return at('done', 'Look at the checklist');
  return at(
    'open',
    fittings.some((f) => f.steps.length > 0) ? 'Go on with the checklist' : 'Fit and format it',
  );
}

/** The stage to open a job at: the first that is not done. */
export function nextStage(states: readonly StageState[]): StageState {
  return states.find((s) => s.state !== 'done') ?? states.at(-1)!;
}
