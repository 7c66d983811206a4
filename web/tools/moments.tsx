import { Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { worked, type Fact } from '@kymar/core/evidence';
import { fitCache } from '@kymar/core/models';
import type { Spread } from '@kymar/core/stats';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Fold } from '../ui/fold';
import { IntoJob } from './intojob';
import { ofDrives } from './drives';
import { Rows } from './rows';

interface Row {
  key: number;
  bytes: number;
  seconds: number;
}
/** A glance at a progress window is good to about so many s, and its clock to about 1 %. */
const GLANCE = 1;
const FIRST: Row[] = [
  { key: 0, bytes: 30e9, seconds: 35 },
  { key: 1, bytes: 60e9, seconds: 71 },
  { key: 2, bytes: 110e9, seconds: 228 },
  { key: 3, bytes: 160e9, seconds: 421 },
];

/** Cache and both speeds from how far one copy had come at several moments, or from copies of several sizes. */
export function CacheFromMoments() {
  const [rows, setRows] = useState(FIRST);
  const found = useMemo(() => {
    try {
      return fitCache(
        rows.map(({ bytes, seconds }) => ({ bytes, seconds, error: Math.hypot(GLANCE, 0.01 * seconds) })),
      );
    } catch (error) {
      return (error as Error).message;
    }
  }, [rows]);
  const note = `fitted to ${rows.length} moments`;
  const figure = (name: string, value: Spread, unit: 'B' | 'B/s') => () =>
    worked(name, value, unit, {
      how: 'sampled',
      formula: 'time = bytes up to the cache ÷ fast + the rest ÷ slow',
      note: `Every size of cache tried over ${rows.length} moments, each good to about ${GLANCE} s and 1 %.`,
      inputs: [],
    });
  const fact = ({ low, expected, high }: Spread): Fact => ({
    value: [low, expected, high],
    source: { kind: 'measured', note },
  });
  return (
    <Fold name="tools.moments" about="from what a display showed at moments" title="Where did the cache end?">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        How far one long copy had come at several moments, or how long copies of several sizes took.
      </Typography>
      <Rows
        rows={rows}
        onRows={setRows}
        what="moment"
        widths="repeat(2, minmax(0, 1fr))"
        least={3}
        most={24}
        next={(last) => ({ ...last, bytes: last.bytes * 1.3, seconds: last.seconds * 1.4 })}
      >
        {(row, i, set) => (
          <>
            <QuantityField
              label={`Moved by moment ${i}`}
              dimension="bytes"
              value={row.bytes}
              onValue={(bytes) => bytes && set({ bytes })}
            />
            <QuantityField
              label={`Moment ${i}`}
              dimension="time"
              value={row.seconds}
              onValue={(seconds) => seconds && set({ seconds })}
            />
          </>
        )}
      </Rows>
      {typeof found === 'string' ? (
        <Typography color="error" role="alert">
          {found}
        </Typography>
      ) : found.knee ? (
        <>
          <Typography sx={{ mt: 1 }} aria-live="polite">
            The cache took <Figure of={figure('cache', found.cache, 'B')} /> (
            {unbroken(format(found.cache.low, 'B'))} to {unbroken(format(found.cache.high, 'B'))}) at{' '}
            <Figure of={figure('rate in the cache', found.fast, 'B/s')} />; past it,{' '}
            <Figure of={figure('sustained writing', found.slow, 'B/s')} /> (
            {unbroken(format(found.slow.low, 'B/s'))} to {unbroken(format(found.slow.high, 'B/s'))}).
          </Typography>
          <IntoJob
            label="Use this value for a drive"
            of={ofDrives('flash', { cache: fact(found.cache), rest: fact(found.slow) })}
          />
        </>
      ) : (
        <Typography sx={{ mt: 1 }} aria-live="polite">
          No end of a cache is seen: it takes {unbroken(format(found.cache.low, 'B'))} at least, at{' '}
          {unbroken(format(found.fast.expected, 'B/s'))} all the way.
        </Typography>
      )}
    </Fold>
  );
}
