import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useMemo } from 'react';
import { ASSUMPTIONS, type OwnRanges } from '@kymar/core/catalog/assumptions';
import type { LearnedRow, LearnedThumb, RecordKind } from '@kymar/core/calibration';
import { PRESS } from '@kymar/core/measure';
import { writeFact } from '@kymar/core/evidence';
import { counted, format } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useJobs } from '../state/jobs';
import { setSetting, useSettings } from '../state/settings';
import { inMs, unbroken } from '../ui/figure';
import { Fold } from '../ui/fold';
import { taughtBy } from '../workers';
import { Cells } from '../ui/cells';

const KIND: Record<RecordKind, string> = { writing: 'Writing', reading: 'Reading', loads: 'Load times' };
const NONE: OwnRanges = {};

/** The shop's own ranges without those that were learned: what is learned is not learned from again. */
function useEntered(): OwnRanges {
  const shopRanges = useSettings((s) => s.ownRanges);
  const learned = useSettings((s) => s.learned);
  return useMemo(
    () =>
      Object.fromEntries(Object.entries(shopRanges ?? NONE).filter(([id]) => learned?.[id] === undefined)),
    [shopRanges, learned],
  );
}

/** Jobs that teach something of a row: those whose time it decided, and those that show it to be no less. */
const teaching = ({ jobs, bounds }: LearnedRow): number => jobs + bounds;

/** Writes what was learned of some rows into the assumptions; frozen forecasts keep what they were frozen with. */
function use(rows: readonly LearnedRow[]): void {
  const { ownRanges = NONE, learned = {} } = useSettings.getState();
  const ranges = Object.fromEntries(rows.map(({ row, learned: range }) => [row, range]));
  setSetting('learned', { ...learned, ...Object.fromEntries(rows.map((row) => [row.row, teaching(row)])) });
  setSetting('ownRanges', { ...ownRanges, ...ranges });
}

/** Takes all that was learned out of the assumptions again. */
function switchOff(): void {
  const { ownRanges = NONE, learned = {} } = useSettings.getState();
  setSetting(
    'ownRanges',
    Object.fromEntries(Object.entries(ownRanges).filter(([id]) => learned[id] === undefined)),
  );
  setSetting('learned', undefined);
}

/** What accepted jobs teach of what Kymar assumes, beside the default; and how good the frozen forecasts were. */
export function TaughtPanel() {
  const jobs = useJobs((s) => s.jobs);
  const shopRanges = useEntered();
  const learned = useSettings((s) => s.learned) ?? {};
  const { data: found = null, problem } = useAnswer(taughtBy(jobs, shopRanges));
  const inUse = Object.keys(learned).length;
  const fresh = found?.rows.filter((row) => teaching(row) > 0 && learned[row.row] !== teaching(row)) ?? [];
  return (
    <Fold name="reference.taught" title="What your jobs teach" aria-busy={found === null}>
      {problem && (
        <Typography role="alert" color="error" variant="body2">
          {problem}
        </Typography>
      )}
      {found && found.rows.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          Nothing yet: a job teaches once it is measured as built and accepted, where one assumption decided
          the time.
        </Typography>
      )}
      {found && found.rows.length > 0 && (
        <>
          <Table size="small" aria-label="What your jobs teach">
            <TableHead>
              <TableRow>
                <TableCell>Assumption</TableCell>
                <TableCell align="right">Default</TableCell>
                <TableCell align="right">Yours</TableCell>
                <TableCell align="right">Jobs</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {found.rows.map((row) => (
                <Row key={row.row} row={row} inUse={learned[row.row]} />
              ))}
            </TableBody>
          </Table>
          <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
            {fresh.length > 1 && (
              <Button size="small" variant="outlined" onClick={() => use(fresh)}>
                Use all of them
              </Button>
            )}
            {inUse > 0 && (
              <Button size="small" onClick={switchOff}>
                Switch off what was learned
              </Button>
            )}
          </Box>
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
            Drawn towards the default as long as there are few jobs (it counts as three); a job far off the
            others is set aside. A link that did not decide carried as much all the same: where two jobs show
            it, its range begins no lower. Frozen forecasts keep what they were frozen with.
          </Typography>
        </>
      )}
      {found?.thumb && <ThumbRow found={found.thumb} />}
      {found && found.record.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
            How good the forecasts were
          </Typography>
          <Cells
            of={found.record}
            keyOf={({ kind }) => kind}
            label="How good the forecasts were"
            columns={({ left, right }) => [
              left('Kind', ({ kind }) => KIND[kind]),
              right('Measured', ({ count }) => count),
              right('Within the 90 % range', ({ held, count }) =>
                unbroken(`${held} of ${count} (${format(held / count, '%', 2)})`),
              ),
              right('Off by, in the middle', ({ error }) => unbroken(format(error, '%', 2))),
            ]}
          />
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
            Of everything measured on what it was frozen for, nothing left out.
          </Typography>
        </>
      )}
    </Fold>
  );
}

/** What times taken both by thumb and by counters say of the thumb. */
function ThumbRow({ found }: { found: LearnedThumb }) {
  const { late, spread, times, jobs } = found;
  const thumb = useSettings((s) => s.thumb);
  const isUsed = thumb?.spread === spread;
  // The middle of so many times is known no better than that.
  const isOff = Math.abs(late) > (2 * Math.SQRT2 * spread) / Math.sqrt(times);
  const off = isOff ? `, ${inMs(Math.abs(late))} too ${late > 0 ? 'long' : 'short'} in the middle` : '';
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', mt: 1.5 }}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {unbroken(
          `Your thumb: ± ${inMs(spread)} a press (default ± ${inMs(PRESS)})${off}, ` +
            `by ${counted(times, 'time')} in ${counted(jobs, 'job')} that the device’s counters took too.`,
        )}
      </Typography>
      {isUsed ? (
        <Typography variant="body2">in use</Typography>
      ) : (
        <Button
          size="small"
          onClick={() => setSetting('thumb', { lag: thumb?.lag ?? 0, spread, presses: 2 * times })}
        >
          Use it for my times
        </Button>
      )}
    </Box>
  );
}

function Row({ row: learned, inUse }: { row: LearnedRow; inUse: number | undefined }) {
  const { row, prior, learned: range, jobs, bounds, aside } = learned;
  const count = teaching(learned);
  const { name, on, unit } = ASSUMPTIONS[row];
  const words = ({ low, expected, high }: LearnedRow['prior']) => writeFact([low, expected, high], unit, 3);
  return (
    <TableRow>
      <TableCell>
        {name}
        {on && (
          <Typography variant="caption" color="textSecondary" component="div">
            {on}
          </Typography>
        )}
      </TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
        {words(prior)}
      </TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap', fontWeight: 620 }}>
        {count > 0 ? words(range) : ''}
      </TableCell>
      <TableCell align="right">
        {jobs}
        {aside > 0 && (
          <Typography variant="caption" color="textSecondary" component="div">
            {counted(aside, 'job')} set aside
          </Typography>
        )}
        {bounds > 0 && (
          <Typography variant="caption" color="textSecondary" component="div">
            no less in {bounds} more
          </Typography>
        )}
      </TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
        {inUse === count && count > 0 ? (
          'in use'
        ) : (
          <Button
            size="small"
            disabled={count === 0}
            aria-label={`Use what was learned of ${on ? `${name}, ${on}` : name}`}
            onClick={() => use([learned])}
          >
            {inUse ? `Update (in use: ${inUse})` : 'Use it'}
          </Button>
        )}
      </TableCell>
    </TableRow>
  );
}
