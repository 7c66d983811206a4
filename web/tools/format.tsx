import { Box, Typography } from '@mui/material';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Fact } from '@kymar/core/evidence';
import { formatEnd, fitZones } from '@kymar/core/models';
import type { Spread } from '@kymar/core/stats';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Calculator, tryOut } from './calculator';
import { ofDrives } from './drives';
import { IntoJob } from './intojob';

interface Row {
  key: number;
  /** 0 to 1. */
  share: number;
  /** s since the start. */
  elapsed: number;
}

/** When a full format of a disk ends, from how far it has come: inner tracks are slower, a straight line is short. */
export function FormatEndCalculator() {
  const [rows, setRows] = useState<Row[]>([{ key: 0, share: 0.31, elapsed: (5 * 60 + 35) * 60 }]);
  const settled = useDeferredValue(rows);
  const [capacity, setCapacity] = useState<number | null>(null);
  const zones = useMemo(() => {
    if (capacity === null || capacity <= 0) return null;
    const fit = tryOut(() =>
      fitZones(
        settled.map(({ share, elapsed }) => ({ share, elapsed })),
        capacity,
      ),
    );
    return typeof fit === 'string' ? null : fit;
  }, [settled, capacity]);
  const fact = ({ low, expected, high }: Spread): Fact => ({
    value: [low, expected, high],
    source: { kind: 'measured', note: `a pass over the disk, ${rows.length} checkpoints` },
  });
  const found = useMemo(
    () => tryOut(() => formatEnd(settled.map(({ share, elapsed }) => ({ share, elapsed })))),
    [settled],
  );
  const last = settled.reduce((a, b) => (b.elapsed > a.elapsed ? b : a), settled[0]!);
  return (
    <Calculator
      name="tools.format"
      title="When does the full format end?"
      about="from where a full format stands"
      asks={
        'Or a burn-in, or any other pass over the whole disk: how far it had come, and how long ' +
        'after the start. Whole per cent will do; more checkpoints narrow it.'
      }
      rows={rows}
      onRows={setRows}
      what="checkpoint"
      widths="130px minmax(0, 1fr)"
      least={1}
      most={12}
      next={() => ({ ...last, share: Math.min(1, last.share + 0.1), elapsed: last.elapsed * 1.4 })}
      entries={[
        { of: 'share', label: 'Done at #', dimension: 'percent', zero: true },
        { of: 'elapsed', label: 'After #', dimension: 'time', zero: true },
      ]}
      found={found}
    >
      {({ total, straight }) => (
        <Box sx={{ mt: 1 }} aria-live="polite">
          <Typography>
            Done <Figure of={total}>{unbroken(format(total.expected, 's'))}</Figure> after the start (90 %
            range {unbroken(format(total.low, 's'))} to {unbroken(format(total.high, 's'))}):{' '}
            {unbroken(format(Math.max(0, total.expected - last.elapsed), 's'))} from the last checkpoint.
          </Typography>
          <Typography variant="body2" color="textSecondary">
            A straight line would say {unbroken(format(straight, 's'))},{' '}
            {Math.round(Math.abs(1 - straight / total.expected) * 100)} %{' '}
            {straight < total.expected ? 'short' : 'long'}.
          </Typography>
          <QuantityField
            label="Capacity of the disk, if known"
            dimension="bytes"
            bare="TB"
            optional
            value={capacity}
            onValue={setCapacity}
            sx={{ mt: 1.5, width: 260 }}
          />
          {zones && (
            <Typography variant="body2" sx={{ mt: 1 }}>
              Its outer tracks then write {unbroken(format(zones.outer.expected, 'B/s'))} (
              {unbroken(format(zones.outer.low, 'B/s'))} to {unbroken(format(zones.outer.high, 'B/s'))}), the
              innermost {unbroken(format(zones.inner.expected, '%', 2))} of that (
              {unbroken(format(zones.inner.low, '%', 2))} to {unbroken(format(zones.inner.high, '%', 2))}).{' '}
              <IntoJob
                label="Use this value for a disk"
                of={ofDrives('disk', { write: fact(zones.outer), innermost: fact(zones.inner) })}
              />
            </Typography>
          )}
        </Box>
      )}
    </Calculator>
  );
}
