import { format } from '../../../units';
import { passedRuns } from '../files/runs';
import type { WayToMeasure } from '../way';

export const READ_WAY: WayToMeasure<'read', 'passed'> = {
  ends: 'passed',
  runs: (came) =>
    passedRuns(
      came,
      (files) =>
        `all ${format(files, 'count')} files of ${came.end.target.folder}, directory maybe in memory`,
      came.purpose.activity ?? null,
    ),
};
