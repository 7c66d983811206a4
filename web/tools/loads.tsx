import { Box, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { asTold, type Fact } from '@kymar/core/evidence';
import { isLoad, withActivity, type Load } from '@kymar/core/job';
import { stopwatchError, type TakenOver } from '@kymar/core/measure';
import { type Spread } from '@kymar/core/stats';
import {
  fitLoad,
  fitted,
  noticeable,
  type LoadDevice,
  type LoadFit,
  type LoadTiming,
} from '@kymar/core/models';
import { format, type Unit } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Calculator, tryOut } from './calculator';
import { IntoJob } from './intojob';

const FELT = { yes: 'felt', no: 'not felt', unclear: 'at the edge of what is felt' };

/** A person's two presses, s; a load is timed by thumb. */
const THUMB = stopwatchError();
const FIRST: (LoadTiming & { key: number })[] = [
  { key: 0, rate: 120e6, latency: 12e-3, seconds: 174, error: THUMB },
  { key: 1, rate: 500e6, latency: 150e-6, seconds: 26.6, error: THUMB },
  { key: 2, rate: 2800e6, latency: 90e-6, seconds: 20.3, error: THUMB },
];

/** Ends of a range, where it has some width. */
const range = ({ low, high }: Spread, unit: 's' | 'B' | '%') => {
  const [from, to] = [low, high].map((end) => unbroken(format(end, unit)));
  return from === to ? '' : ` (${from} to ${to})`;
};

/** What a load is made of, from its times on three devices or more of one host: what no drive can shorten, and what it can. */
export function Loads() {
  const [rows, setRows] = useState(FIRST);
  const [bytes, setBytes] = useState<number | null>(null);
  const [requests, setRequests] = useState<number | null>(null);
  const [written, setWritten] = useState<number | null>(null);
  const [on, setOn] = useState<LoadDevice>({ rate: 950e6, latency: 130e-6 });
  const counted = useMemo(
    () => (bytes === null || requests === null ? null : { bytes, requests, written: written ?? undefined }),
    [bytes, requests, written],
  );
  const found = useMemo(() => tryOut(() => fitLoad(rows, counted)), [rows, counted]);
  const there = typeof found === 'string' ? null : found.on(on);
  const about = (seconds: number) => ({
    low: seconds - 2 * THUMB,
    expected: seconds,
    high: seconds + 2 * THUMB,
  });
  const part = (name: string, value: Spread, unit: 's' | 'B' | 'count' | '%') =>
    fitted(name, value, unit, found as LoadFit, rows.length);
  const fact = ({ low, expected, high }: Spread): Fact => ({
    value: [low, expected, high],
    source: { kind: 'measured', note: `fitted to ${rows.length} timings` },
  });
  const sorted = [...rows].sort((a, b) => a.seconds - b.seconds);
  const best = sorted.slice(0, 2);
  return (
    <Calculator
      name="tools.loads"
      title="What is a load waiting for?"
      about="from several loads on several drives"
      asks={
        'The same program on the same host, started cold from several devices: what each reads at, ' +
        'how long one small request takes, how long the load took. Three tell what it is made of, four where it also ' +
        'writes (a render, a build, an export); fewer tell bounds.'
      }
      rows={rows}
      onRows={setRows}
      what="device"
      widths="repeat(4, minmax(0, 1fr))"
      least={1}
      most={12}
      entries={[
        { of: 'rate', label: 'Device # reads at', dimension: 'rate' },
        { of: 'latency', label: 'One request #', dimension: 'time' },
        { of: 'writing', label: 'Writes at #', dimension: 'rate', optional: true },
        { of: 'seconds', label: 'Loaded in #', dimension: 'time' },
      ]}
      more={
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1, mt: 1 }}>
          <QuantityField
            label="Loads, if counted"
            dimension="bytes"
            bare="GB"
            optional
            value={bytes}
            onValue={setBytes}
          />
          <QuantityField
            label="Reads, if counted"
            dimension="count"
            optional
            value={requests}
            onValue={setRequests}
          />
          <QuantityField
            label="Writes, if counted"
            dimension="bytes"
            bare="GB"
            optional
            value={written}
            onValue={setWritten}
          />
          <QuantityField
            label="Another reads at"
            dimension="rate"
            value={on.rate}
            onValue={(rate) => rate && setOn({ ...on, rate })}
          />
          <QuantityField
            label="One request there"
            dimension="time"
            value={on.latency}
            onValue={(latency) => latency && setOn({ ...on, latency })}
          />
          <QuantityField
            label="Another writes at"
            dimension="rate"
            optional
            value={on.writing ?? null}
            onValue={(writing) => setOn({ ...on, writing: writing ?? undefined })}
          />
        </Box>
      }
      found={found}
    >
      {(fit) => (
        <>
          <Typography sx={{ mt: 1 }} aria-live="polite">
            Processing takes <Figure of={part('processing time', fit.own, 's')} />
            {range(fit.own, 's')}: no drive shortens that. It loads{' '}
            <Figure of={part('bytes it loads', fit.bytes, 'B')} />
            {range(fit.bytes, 'B')} in{' '}
            <Figure of={part('dependent reads', fit.requests, 'count')}>
              {unbroken(format(Math.round(fit.requests.expected), 'count'))}
            </Figure>{' '}
            dependent reads
            {fit.written && (
              <>
                {' '}
                and writes <Figure of={part('bytes it writes', fit.written, 'B')} />
                {range(fit.written, 'B')}
              </>
            )}
            . On the slowest device storage is <Figure of={part('share that is storage', fit.storage, '%')} />
            {range(fit.storage, '%')} of the time.{' '}
            {there && `On the other device: ${unbroken(format(there.expected, 's'))}${range(there, 's')}. `}
            {best.length === 2 &&
              `Between the two quickest the difference is ${FELT[noticeable(about(best[0]!.seconds), about(best[1]!.seconds))]} ` +
                '(the greater of 0.3 s and 20 %, common practice).'}
            {fit.misses > 1
              ? ` The fit misses the timings by ${format(fit.misses, 's')}: something else differed between them.`
              : ''}
          </Typography>
          <IntoJob
            label="Use this value for an activity"
            of={({ activities }) =>
              activities
                .filter(isLoad)
                .map((activity) => ({
                  name: activity.name,
                  takes: [
                    into(activity, 'Processing', 's', 'processing', fact(fit.own)),
                    into(activity, 'Loads', 'B', 'bytes', fact(fit.bytes)),
                    into(activity, 'Dependent reads', 'count', 'dependentReads', fact(fit.requests)),
                    ...(fit.written ? [into(activity, 'Writes', 'B', 'written', fact(fit.written))] : []),
                  ],
                }))
            }
          />
        </>
      )}
    </Calculator>
  );
}

const into = (
  activity: Load,
  label: string,
  unit: Unit,
  field: 'processing' | 'bytes' | 'dependentReads' | 'written',
  fitted: Fact,
): TakenOver => {
  const now = asTold(fitted);
  return {
    label,
    unit,
    was: activity[field] ?? null,
    now,
    into: (job) => {
      const there = job.activities.find(({ id }) => id === activity.id);
      return there && isLoad(there) ? withActivity(job, { ...there, [field]: now }) : job;
    },
  };
};
