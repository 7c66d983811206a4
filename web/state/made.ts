import {
  runOfCopy,
  runOfProbe,
  runOfRandom,
  runOfSteady,
  runOfWatch,
  runsOfPasses,
  runsOfReal,
  type EndEvent,
  type KeptRun,
  type Purpose,
} from '@kymar/core/measure';
import type { Job, Run } from '@kymar/core/job';

/** The runs that what the server measured comes to. */
export function madeOf(
  run: KeptRun,
  event: Exclude<EndEvent, { type: 'failed' }>,
  purpose: Purpose,
  path: Run['path'],
  job: Job,
): Run[] {
  const { request } = run;
  if (event.type === 'watched') {
    const activity = job.activities.find((a) => a.id === purpose.activity) ?? null;
    return [runOfWatch(run, event, purpose, path, activity)];
  }
  if (event.type === 'probed') return [runOfProbe(run, event, purpose, path)];
  if (event.type === 'copied') return [runOfCopy(run, event, purpose, path)];
  if (event.type === 'scattered')
    return request.kind === 'random' ? [runOfRandom({ ...run, request }, event, purpose, path)] : [];
  if (event.type === 'settled')
    return request.kind === 'steady' ? [runOfSteady({ ...run, request }, event, purpose, path)] : [];
  if (event.type === 'passed')
    return request.kind === 'files' || request.kind === 'read'
      ? runsOfPasses({ ...run, request }, event, purpose, path)
      : [];
  return request.kind === 'sequential' ? runsOfReal({ ...run, request }, event, purpose, path) : [];
}
