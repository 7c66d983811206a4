import equal from 'fast-deep-equal';
import type { FrozenForecast } from './frozen';
import type { Job } from './job';

export const STAGES = ['brief', 'path', 'forecast', 'bench', 'verdict', 'handover'] as const;
export type Stage = (typeof STAGES)[number];

export interface StageState {
  stage: Stage;
  state: 'open' | 'done' | 'attention';
  /** The one next thing to do there. */
  next: string;
}

/** Each stage's state from what the job holds; verdict and path trouble come in from the models that find it, the shop's own ranges from its settings. */
export function stages(
  job: Job,
  trouble: { blocked: boolean; unmet: boolean; own?: FrozenForecast['ranges'] },
): StageState[] {
  const frozen = job.forecasts.at(-1);
  const done = job.runs.filter((run) => run.ended === 'done' && !run.excluded);
  // Of the needs only what the forecast asks; older frozen forecasts did not keep them.
  const asked = (needs: Job['needs']) => (frozen?.needs === undefined ? null : [needs?.fill, needs?.ambient]);
  const forecastOf = (of: Pick<Job, 'host' | 'build' | 'activities' | 'needs'>) => [
    of.host,
    of.build,
    of.activities,
    asked(of.needs),
  ];
  const otherRanges = !equal(frozen?.ranges ?? {}, trouble.own ?? {});
  const changed = frozen && (otherRanges || !equal(forecastOf(frozen), forecastOf(job)));
  const stale = job.build !== null && changed === true;
  const at = (stage: Stage, state: StageState['state'], next: string): StageState => ({ stage, state, next });
  return [
    job.activities.length > 0
      ? at('brief', 'done', 'Change what the customer does')
      : at('brief', 'open', 'Describe the first activity'),
    trouble.blocked
      ? at('path', 'attention', 'Fix what blocks the path')
      : job.build
        ? at('path', 'done', 'Try other parts')
        : at('path', 'open', 'Choose a drive and how it is connected'),
    stale
      ? at('forecast', 'attention', 'Freeze the changed forecast')
      : frozen
        ? at('forecast', 'done', 'Read the frozen forecast')
        : at('forecast', 'open', 'Freeze the forecast'),
    done.length > 0 ? at('bench', 'done', 'Add another run') : at('bench', 'open', 'Time the first run'),
    done.length === 0
      ? at('verdict', 'open', 'Needs a finished run')
      : trouble.unmet
        ? at('verdict', 'attention', 'Find out why it falls short')
        : job.decision
          ? at('verdict', 'done', 'Read the verdict')
          : at('verdict', 'open', 'Decide'),
    job.decision
      ? at('handover', 'done', 'Print or save the document')
      : at('handover', 'open', 'Decide first'),
  ];
}

/** The stage to open a job at: the first that is not done. */
export function nextStage(states: readonly StageState[]): StageState {
  return states.find((s) => s.state !== 'done') ?? states.at(-1)!;
}
