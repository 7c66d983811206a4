import { Box, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { worked } from '@kymar/core/evidence';
import { ASSUMED_SCATTER, stopwatchError, intoMachine } from '@kymar/core/measure';
import { fitPerFile } from '@kymar/core/models';
import { format } from '@kymar/core/units';
import { Figure, unbroken } from '../ui/figure';
import { Calculator, tryOut } from './calculator';
import { IntoJob } from './intojob';
import { Pick } from '../ui/pick';

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
  const found = useMemo(
    () =>
      tryOut(() =>
        fitPerFile(
          rows.map(({ bytes, files, seconds }) => ({
            bytes,
            files,
            seconds,
            error: Math.hypot(THUMB, ASSUMED_SCATTER * seconds),
          })),
        ),
      ),
    [rows],
  );
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
    <Calculator
      name="tools.perfile"
      title="What does each file cost?"
      about="from copies of many files"
      asks="Two copies over the same path: one large file, and many small ones. What a file costs belongs to the machine: it is the same for its other drives."
      rows={rows}
      onRows={setRows}
      what="copy"
      widths="repeat(3, minmax(0, 1fr))"
      least={2}
      most={12}
      entries={[
        { of: 'bytes', label: 'Copied #', dimension: 'bytes' },
        { of: 'files', label: 'Files #', dimension: 'count' },
        { of: 'seconds', label: 'Took #', dimension: 'time' },
      ]}
      found={found}
    >
      {({ perFile, rate }) => (
        <>
          <Typography sx={{ mt: 1 }} aria-live="polite">
            Each file costs <Figure of={figure('per-file overhead', 's')} /> (
            {unbroken(format(perFile.low, 's'))} to {unbroken(format(perFile.high, 's'))}); the bytes go at{' '}
            <Figure of={figure('rate of the bytes', 'B/s')} /> ({unbroken(format(rate.low, 'B/s'))} to{' '}
            {unbroken(format(rate.high, 'B/s'))}).
          </Typography>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1 }}>
            <Pick label="That was" value={way} words={WAYS} onValue={setWay} sx={{ minWidth: 220 }} />
            <IntoJob
              label="Use this value for a machine"
              of={(job) =>
                job.machines.map(({ id, host }) => ({
                  name: host.name,
                  takes: intoMachine(job, id, ...wayOf(way), {
                    value: [perFile.low, perFile.expected, perFile.high],
                    source: { kind: 'measured', note },
                  }),
                }))
              }
            />
          </Box>
        </>
      )}
    </Calculator>
  );
}

const wayOf = (way: Way) => way.split(' ') as ['flash' | 'disk', 'read' | 'write'];
