import {
  Autocomplete,
  Box,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { Suspense, useState } from 'react';
import type { Activity } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { nameOf, type Drive } from '@kymar/core/catalog/parts';
import { format, formatProbability } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useShop } from '../state/shop';
import { useSituation } from '../state/situation';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';
import { comparisonOf } from '../workers';
import { patientLazy } from '../ui/lazy';
import { Opening } from '../ui/waiting';

const Curves = patientLazy(() => import('./curves'));

const HINT: Record<Activity['kind'], string> = {
  move: 'Where two drives look alike on the box, the size of the copy often decides: choose one to see up to which size which is ahead.',
  stream: 'Choose a drive to see whether it would stall more or less often.',
  open: 'Choose a drive to see whether the difference would be felt: often the processor takes most of the time.',
  scratch: 'Choose a drive to see how much less its user would wait.',
  keep: 'Choose a drive to see how much later it would be full.',
};

/** How often which of two is the quicker at the activity's own size. */
const quicker = (first: number, a: string, b: string): string =>
  first === 0.5
    ? 'At this activity’s own size either is as quick.'
    : `At this activity’s own size ${first > 0.5 ? a : b} is the quicker in ${formatProbability(Math.max(first, 1 - first))} of all cases.`;

/** Two to four drives on one activity: of a move time over size, and who is ahead up to where, in words. */
export function Compare({ at, activity }: { at: Placed; activity: Activity }) {
  const situation = useSituation(at);
  const shop = useShop();
  const [chosen, setChosen] = useState<Drive[]>([]);
  const own = at.build!.drive;
  const { data: found, problem } = useAnswer(
    situation && chosen.length > 0 ? comparisonOf(situation, shop, activity.id, chosen) : null,
  );
  const shown = found ?? null;
  return (
    <Panel title={`Compare with other drives: ${activity.name}`}>
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
          {HINT[activity.kind]}
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
            <Table size="small">
              <TableHead>
                <TableRow>
                  <TableCell>Drive</TableCell>
                  <TableCell align="right">Expected</TableCell>
                  <TableCell align="right">90 % range</TableCell>
                  <TableCell align="right">
                    {activity.kind === 'stream' ? 'No stall' : activity.target === null ? '' : 'Target met'}
                  </TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {shown.builds.map((b) => (
                  <TableRow key={b.name}>
                    <TableCell sx={{ fontWeight: 600 }}>{b.name}</TableCell>
                    <TableCell align="right">
                      {b.figure ? <Figure of={b.figure} /> : 'does not go in'}
                    </TableCell>
                    <TableCell align="right">
                      {b.figure
                        ? `${format(b.figure.low, b.figure.unit)} to ${format(b.figure.high, b.figure.unit)}`
                        : ''}
                    </TableCell>
                    <TableCell align="right">
                      {b.probability === null ? '' : formatProbability(b.probability)}
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
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
              <Suspense fallback={<Opening />}>
                <Curves comparison={shown} />
              </Suspense>
            </Box>
          )}
        </Box>
      )}
    </Panel>
  );
}
