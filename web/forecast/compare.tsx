import { Autocomplete, Box, Table, TableBody, TableCell, TableHead, TableRow, TextField, Typography } from '@mui/material';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { chance } from '@kymar/core/handover';
import type { Job } from '@kymar/core/job';
import { nameOf, type Drive } from '@kymar/core/parts';
import { format } from '@kymar/core/units';
import { alternatives } from '@kymar/core/whatif';
import { useShop } from '../state/parts';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';
import { comparisonOf, type Compared } from '../workers';

const Curves = lazy(() => import('./curves'));

/** Two to four drives on one move: time over size, and who is ahead up to where, in words. */
export function Compare({ job, activity }: { job: Job; activity: string }) {
  const { host, build, activities, needs } = job;
  const shop = useShop();
  const [chosen, setChosen] = useState<Drive[]>([]);
  const [found, setFound] = useState<Compared | null>(null);
  const own = build!.drive;
  // Each other drive with as little else changed as it takes to work.
  const builds = useMemo(() => {
    const choices = chosen.length > 0 ? alternatives({ host, build: build!, activities, needs }, shop, 'drive', 'write') : [];
    return [{ name: nameOf(own), build: build! }, ...chosen.map((drive) => ({ name: nameOf(drive), build: choices.find((c) => c.key === drive.id)?.build ?? { ...build!, drive } }))];
  }, [host, build, activities, needs, shop, chosen, own]);
  useEffect(() => {
    if (builds.length < 2) return;
    let current = true;
    void comparisonOf({ host, build, activities, needs }, activity, builds).then((c) => current && setFound(c));
    return () => {
      current = false;
    };
  }, [host, build, activities, needs, activity, builds]);
  const shown = builds.length > 1 && found?.activity.id === activity ? found : null;
  return (
    <Panel title="Against other drives">
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
        renderInput={(params) => <TextField {...params} label={`${nameOf(own)} against`} placeholder={chosen.length === 0 ? 'up to three drives of the library' : ''} />}
      />
      {!shown && chosen.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Where two drives look alike on the box, the size of the copy often decides: choose one to see up to which size which is ahead.
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
                  <TableCell align="right">In nine of ten</TableCell>
                  <TableCell align="right">Wish met</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {shown.builds.map((b) => (
                  <TableRow key={b.name}>
                    <TableCell sx={{ fontWeight: 600 }}>{b.name}</TableCell>
                    <TableCell align="right">{b.time ? <Figure of={b.time} /> : 'does not go in'}</TableCell>
                    <TableCell align="right">{b.time ? `${format(b.time.low, 's')} to ${format(b.time.high, 's')}` : ''}</TableCell>
                    <TableCell align="right">{b.probability === null ? '' : chance(b.probability)}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
            <Box component="ul" sx={{ pl: 2.25, mb: 0, '& li': { mb: 0.5 } }}>
              {shown.pairs.map((p) => (
                <Typography component="li" variant="body2" key={`${p.a} ${p.b}`}>
                  {p.words} At this activity’s own size {shown.builds[p.first >= 0.5 ? p.a : p.b]!.name} is the quicker {p.first === 0.5 ? 'as often as not' : `in ${format(Math.max(p.first, 1 - p.first), '%', 2)} of all cases`}.
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
          <Box sx={{ height: 230 }}>
            <Suspense fallback={null}>
              <Curves comparison={shown} />
            </Suspense>
          </Box>
        </Box>
      )}
    </Panel>
  );
}
