import { format } from '../../../units';
import { steadyIn, STEADY_RULE } from '../../steady';
import { scatteredRun } from '../random/runs';
import type { WayToMeasure } from '../way';

/** The mean of the rounds that are as one another, else of the last ones, which it says. */
export const STEADY_WAY: WayToMeasure<'steady', 'settled'> = {
  ends: 'settled',
  runs(came) {
    const { rounds, seconds } = came.end;
    const steady = steadyIn(rounds);
    const last = rounds.slice(-STEADY_RULE.window);
    const perSecond = steady?.mean ?? last.reduce((sum, r) => sum + r, 0) / last.length;
    const round = `of ${rounds.length} rounds of ${format(seconds, 's', 2)}`;
    const note = steady
      ? `steady from round ${steady.from + 1} ${round}`
      : `not steady in any five ${round}: the mean of the last`;
    const { block } = came.kept.request;
    let moved = 0;
    const samples = rounds.map((r, i) => ({ t: (i + 1) * seconds, bytes: (moved += r * seconds * block) }));
    return [{ ...scatteredRun(came, perSecond, note), samples: [{ t: 0, bytes: 0 }, ...samples] }];
  },
};
