import { Box, MenuItem, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { worked } from '@kymar/core/evidence';
import { ASSUMED_SCATTER, stopwatchError, withPerFile } from '@kymar/core/measure';
import { fitPerFile } from '@kymar/core/models/fits';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Panel } from '../ui/panel';
import { IntoJob } from './intojob';
import { Rows } from './rows';

interface Row {
  key: number;
  bytes: number;
  files: number;
  seconds: number;
}
/** Two presses of a thumb, s. */
const THUMB = stopwatchError();
const FIRST: Row[] = [
  { key: 0, bytes: 18e9, files: 1, seconds: 33 },
  { key: 1, bytes: 6.4e9, files: 21_000, seconds: 57 },
];
const WAYS = {
  'flash write': 'writing to solid state',
  'flash read': 'reading from solid state',
  'disk write': 'writing to a disk',
  'disk read': 'reading from a disk',
} as const;
type Way = keyof typeof WAYS;

/** What each file costs a host beside its bytes: from one large file and many small ones. */
export function PerFile() {
  const [rows, setRows] = useState(FIRST);
  const [way, setWay] = useState<Way>('flash write');
  const found = useMemo(() => {
    try {
      return fitPerFile(
        rows.map(({ bytes, files, seconds }) => ({
          bytes,
          files,
          seconds,
          error: Math.hypot(THUMB, ASSUMED_SCATTER * seconds),
        })),
      );
    } catch (error) {
      return (error as Error).message;
    }
  }, [rows]);
  const note = `fitted to ${rows.length} timings`;
  const figure = (name: string, unit: 's' | 'B/s') => () => {
    const fit = found as Exclude<typeof found, string>;
    return worked(name, unit === 's' ? fit.perFile : fit.rate, unit, {
      how: 'sampled',
      formula: 'time = bytes ÷ rate + files × per-file overhead',
      note:
        `Least squares without negative parts over ${rows.length} timings; ` +
        `their errors: two presses of a thumb and ${ASSUMED_SCATTER * 100} % from run to run (from memory).`,
      inputs: [],
    });
  };
  return (
    <Panel title="What does each file cost?">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Two copies over the same path: one large file, and many small ones. What a file costs belongs to the
        machine: it is the same for its other drives.
      </Typography>
      <Rows rows={rows} onRows={setRows} what="copy" widths="repeat(3, minmax(0, 1fr))" least={2} most={12}>
        {(row, i, set) => (
          <>
            <QuantityField
              label={`Copied ${i}`}
              dimension="bytes"
              value={row.bytes}
              onValue={(bytes) => bytes && set({ bytes })}
            />
            <QuantityField
              label={`Files ${i}`}
              dimension="count"
              value={row.files}
              onValue={(files) => files && set({ files })}
            />
            <QuantityField
              label={`Took ${i}`}
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
      ) : (
        <>
          <Typography sx={{ mt: 1 }} aria-live="polite">
            Each file costs <Figure of={figure('per-file overhead', 's')} /> (
            {unbroken(format(found.perFile.low, 's'))} to {unbroken(format(found.perFile.high, 's'))}); the
            bytes go at <Figure of={figure('rate of the bytes', 'B/s')} /> (
            {unbroken(format(found.rate.low, 'B/s'))} to {unbroken(format(found.rate.high, 'B/s'))}).
          </Typography>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1 }}>
            <TextField
              select
              label="That was"
              value={way}
              onChange={(e) => setWay(e.target.value as Way)}
              sx={{ minWidth: 220 }}
            >
              {(Object.entries(WAYS) as [Way, string][]).map(([key, words]) => (
                <MenuItem key={key} value={key}>
                  {words}
                </MenuItem>
              ))}
            </TextField>
            <IntoJob
              label="Take it over for a machine"
              of={({ machines }) =>
                machines.map(({ id, host }) => ({
                  name: host.name,
                  change: (job) => ({
                    ...job,
                    machines: job.machines.map((m) =>
                      m.id === id
                        ? { ...m, host: withPerFile(m.host, ...wayOf(way), found.perFile, note) }
                        : m,
                    ),
                  }),
                }))
              }
            />
          </Box>
        </>
      )}
    </Panel>
  );
}

const wayOf = (way: Way) => way.split(' ') as ['flash' | 'disk', 'read' | 'write'];
