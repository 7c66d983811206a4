import { Autocomplete, Box, TextField, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import { mustNotStall, portsTaken, traitsOf, type Activity, type Job } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { nameOf, type Drive } from '@kymar/core/catalog/parts';
import { formatProbability, formatRange } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useShop } from '../state/shop';
import { useSituation } from '../state/situation';
import { Figure } from '../ui/figure';
import { Fold } from '../ui/fold';
import { comparisonOf } from '../workers';
import { patientLazy } from '../ui/lazy';
import { Cells } from '../ui/cells';
import { OpeningView } from '../ui/waiting';

const Curves = patientLazy(() => import('./curves'));

/** How often which of two is the quicker at the activity's own size. */
const quicker = (first: number, a: string, b: string): string =>
  first === 0.5
    ? 'At this activity’s own size either is as quick.'
    : `At this activity’s own size ${first > 0.5 ? a : b} is the quicker in ${formatProbability(Math.max(first, 1 - first))} of all cases.`;

/** Two to four drives on one activity: of a move time over size, and who is ahead up to where, in words. */
export function Compare({ job, at, activity }: { job: Job; at: Placed; activity: Activity }) {
  const situation = useSituation(at);
  const shop = useShop();
  const [chosen, setChosen] = useState<Drive[]>([]);
  const own = at.build!.drive;
  const { data: found, problem } = useAnswer(
    situation && chosen.length > 0
      ? comparisonOf(situation, shop, activity.id, chosen, portsTaken(job, at.place))
      : null,
  );
  const shown = found ?? null;
  return (
    <Fold name="forecast.compare" title={`Compare with other drives: ${activity.name}`}>
      <Autocomplete
        multiple
        size="small"
        options={shop.drives.filter((d) => d.id !== own.id)}
        value={chosen}
        getOptionLabel={nameOf}
        getOptionKey={(d) => d.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        getOptionDisabled={() => chosen.length >= 3}
        onChange={(_, list) => setChosen(list.slice(0, 3))}
        renderInput={(params) => (
          <TextField
            {...params}
            label={`${nameOf(own)} against`}
            placeholder={chosen.length === 0 ? 'up to three drives of the library' : ''}
          />
        )}
      />
      {!shown && chosen.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {traitsOf(activity).words.compare}
        </Typography>
      )}
      {problem && chosen.length > 0 && (
        <Typography variant="body2" color="error" role="alert" sx={{ mt: 1 }}>
          {problem}
        </Typography>
      )}
      {shown && (
        <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5, '& td, & th': { whiteSpace: 'nowrap' } }}>
          <Box>
            <Cells
              of={shown.builds}
              keyOf={({ name }) => name}
              columns={({ left, right }) => [
                left('Drive', ({ name }) => name, { fontWeight: 600 }),
                right('Expected', ({ figure }) => (figure ? <Figure of={figure} /> : 'does not go in')),
                right('90 % range', ({ figure }) => (figure ? formatRange(figure, figure.unit) : '')),
                right(
                  mustNotStall(activity) ? 'No stall' : activity.target === null ? '' : 'Target met',
                  ({ probability }) => (probability === null ? '' : formatProbability(probability)),
                ),
              ]}
            />
            <Box component="ul" sx={{ pl: 2.25, mb: 0, '& li': { mb: 0.5 } }}>
              {shown.pairs.map((p) => (
                <Typography component="li" variant="body2" key={`${p.a} ${p.b}`}>
                  {shown.pairs.length > 1 && (
                    <Box component="span" sx={{ fontWeight: 600 }}>
                      {shown.builds[p.a]!.name} and {shown.builds[p.b]!.name}:{' '}
                    </Box>
                  )}
                  {p.words}{' '}
                  {p.first !== null && quicker(p.first, shown.builds[p.a]!.name, shown.builds[p.b]!.name)}
                </Typography>
              ))}
              {shown.builds
                .filter((b) => b.blocked.length > 0)
                .map((b) => (
                  <Typography component="li" variant="body2" key={b.name} color="error">
                    {b.name}: {b.blocked[0]}.
                  </Typography>
                ))}
            </Box>
          </Box>
          {shown.builds.some((b) => b.curve) && (
            <Box sx={{ height: 230 }}>
              <Suspense fallback={<OpeningView />}>
                <Curves comparison={shown} />
              </Suspense>
            </Box>
          )}
        </Box>
      )}
    </Fold>
  );
}
