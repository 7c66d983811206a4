import { Box, Typography } from '@mui/material';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Fact } from '@kymar/core/evidence';
import { formatEnd } from '@kymar/core/models/disks';
import { fitZones } from '@kymar/core/models/fits';
import type { Spread } from '@kymar/core/stats';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Panel } from '../ui/panel';
import { ofDrives } from './drives';
import { IntoJob } from './intojob';
import { Rows } from './rows';

interface Row {
  key: number;
  /** 0 to 1. */
  share: number;
  /** s since the start. */
  elapsed: number;
}

/** When a full format of a disk ends, from how far it has come: inner tracks are slower, a straight line is short. */
export function FormatEnd() {
  const [rows, setRows] = useState<Row[]>([{ key: 0, share: 0.31, elapsed: (5 * 60 + 35) * 60 }]);
  const settled = useDeferredValue(rows);
  const [capacity, setCapacity] = useState<number | null>(null);
  const zones = useMemo(() => {
    if (capacity === null || capacity <= 0) return null;
    try {
      return fitZones(
        settled.map(({ share, elapsed }) => ({ share, elapsed })),
        capacity,
      );
    } catch {
      return null;
    }
  }, [settled, capacity]);
  const fact = ({ low, expected, high }: Spread): Fact => ({
    value: [low, expected, high],
    source: { kind: 'measured', note: `a pass over the disk, ${rows.length} checkpoints` },
  });
  const found = useMemo(() => {
    try {
      return formatEnd(settled.map(({ share, elapsed }) => ({ share, elapsed })));
    } catch (error) {
      return (error as Error).message;
    }
  }, [settled]);
  const last = settled.reduce((a, b) => (b.elapsed > a.elapsed ? b : a), settled[0]!);
  return (
    <Panel title="When does the full format end?">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Or a burn-in, or any other pass over the whole disk: how far it had come, and how long after the
        start. Whole per cent will do; more checkpoints narrow it.
      </Typography>
      <Rows
        rows={rows}
        onRows={setRows}
        what="checkpoint"
        widths="130px minmax(0, 1fr)"
        least={1}
        most={12}
        next={() => ({ ...last, share: Math.min(1, last.share + 0.1), elapsed: last.elapsed * 1.4 })}
      >
        {(row, i, set) => (
          <>
            <QuantityField
              label={`Done at ${i}`}
              dimension="percent"
              value={row.share}
              onValue={(share) => share !== null && set({ share })}
            />
            <QuantityField
              label={`After ${i}`}
              dimension="time"
              value={row.elapsed}
              onValue={(elapsed) => elapsed !== null && set({ elapsed })}
            />
          </>
        )}
      </Rows>
      {typeof found === 'string' ? (
        <Typography color="error" role="alert">
          {found}
        </Typography>
      ) : (
        <Box sx={{ mt: 1 }} aria-live="polite">
          <Typography>
            Done <Figure of={found.total}>{unbroken(format(found.total.expected, 's'))}</Figure> after the
            start (90 % range {unbroken(format(found.total.low, 's'))} to{' '}
            {unbroken(format(found.total.high, 's'))}):{' '}
            {unbroken(format(Math.max(0, found.total.expected - last.elapsed), 's'))} from the last
            checkpoint.
          </Typography>
          <Typography variant="body2" color="textSecondary">
            A straight line would say {unbroken(format(found.straight, 's'))},{' '}
            {Math.round(Math.abs(1 - found.straight / found.total.expected) * 100)} %{' '}
            {found.straight < found.total.expected ? 'short' : 'long'}.
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
                label="Take it over for a disk"
                of={ofDrives('disk', (drive) => ({
                  ...drive,
                  write: fact(zones.outer),
                  innermost: fact(zones.inner),
                }))}
              />
            </Typography>
          )}
        </Box>
      )}
    </Panel>
  );
}
