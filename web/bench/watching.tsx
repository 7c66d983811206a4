import { Alert, Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { WATCH, type Watchable } from '@kymar/core/measure';
import { isLoad, isMove, type Activity, type Job } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { useForecast } from '../state/forecast';
import type { Placed } from '../state/placed';
import { beginRun, useRuns, type Going } from '../state/runs';
import { useAnswer } from '../state/gate';
import { WATCHABLE } from '../state/here';
import { finishRun, stopRun } from '../state/server';
import { useSituation } from '../state/situation';
import { EntryScope, scopeOf } from '../ui/entries';
import { QuantityField } from '../ui/field';
import type { Conditions } from './conditions';
import { FlowLine } from './flowline';
import { purposeOf } from './purpose';
import { Pick } from '../ui/pick';
import { useWrongAt } from './wrong';
import { Columns, Row, Stack } from '../ui/layout';

interface Props {
  job: Job;
  at: Placed | null;
  activity: Activity | null;
  /** Where it is measured, by the place's key. */
  where: string;
  conditions: Conditions;
}

const asWhole = (value: number | readonly number[] | null | undefined): number | null =>
  typeof value === 'object' ? (value?.[1] ?? null) : (value ?? null);

/** Work by whatever program, timed by what the device itself counts: begun and ended without a thumb. */
export function Watching({ job, at, activity, where, conditions }: Props) {
  const { data: list = null, problem: unseen, again: look } = useAnswer(WATCHABLE);
  const [refused, setRefused] = useState<string | null>(null);
  const problem = refused ?? unseen;
  const [chosen, setChosen] = useState('');
  const [still, setStill] = useState<number | null>(WATCH.still);
  const all = useRuns((s) => s.going);
  const watches = Object.values(all).filter((g) => g.run.request.kind === 'watch');
  const going = watches.find((g) => g.run.request.purpose?.job === job.id) ?? watches[0] ?? null;
  const device = list?.find((d) => d.id === chosen) ?? list?.[0] ?? null;
  const wrong = useWrongAt(job.id, 'watch');
  const begin = () =>
    beginRun({
      kind: 'watch',
      device: device!.id,
      still: still!,
      purpose: purposeOf(
        { job: job.id, activity: activity?.id ?? null, place: where === 'none' ? null : where },
        conditions,
      ),
    }).then(
      () => setRefused(null),
      (error: Error) => setRefused(error.message),
    );
  return (
    <EntryScope value={scopeOf(job.id, 'bench', 'watch')}>
      <Stack>
        {problem && (
          <Alert severity="warning" variant="outlined" action={<Button onClick={look}>Look again</Button>}>
            {problem}
          </Alert>
        )}
        {going ? (
          <Shown going={going} at={at} activity={activity} onProblem={setRefused} />
        ) : (
          <>
            {!list && !problem && <Typography color="textSecondary">Looking for devices …</Typography>}
            {list?.length === 0 && (
              <Alert severity="info" variant="outlined">
                This system offers no counters of its devices. Start Kymar with --bench or --source and the
                folder the work goes to: then its growth is watched.
              </Alert>
            )}
            {device && (
              <>
                <Columns of="minmax(0, 2fr) minmax(0, 1fr)">
                  <Pick
                    label="Device"
                    value={device.id}
                    options={list!.map((d) => [
                      d.id,
                      `${d.name}${d.size === null ? '' : `, ${format(d.size, 'B')}`}`,
                    ])}
                    onValue={setChosen}
                    helperText={underWords(device)}
                  />
                  <QuantityField
                    label="Over when still for"
                    dimension="time"
                    bare="s"
                    value={still}
                    onValue={setStill}
                  />
                </Columns>
                <Typography variant="body2" color="textSecondary">
                  {isLoad(activity)
                    ? 'Open the project in its program: the clock starts with the first bytes read. Say when it is open.'
                    : 'Copy with whatever program the customer uses: the clock starts with the first bytes and stops when all is written and memory ' +
                      'is flushed. Nobody presses anything.'}
                </Typography>
                <Button
                  variant="contained"
                  disabled={still === null || still < 1 || still > 120 || wrong.length > 0}
                  onClick={() => void begin()}
                >
                  Watch {device.name}
                </Button>
              </>
            )}
          </>
        )}
      </Stack>
    </EntryScope>
  );
}

function underWords({ how, folders }: Watchable): string {
  if (how === 'growth') return 'No counters here: how this folder grows is watched instead';
  return folders.length > 0 ? `Under ${folders.join(', ')}` : 'None of Kymar’s folders lies on it';
}

const STATE = {
  waiting: 'Waiting for the first bytes',
  moving: 'Under way',
  flushing: 'All handed over, memory still holds some of it',
  over: 'Over',
} as const;

/** A watch as it goes on, held against the forecast's course. */
function Shown({
  going,
  at,
  activity,
  onProblem,
}: {
  going: Going;
  at: Placed | null;
  activity: Activity | null;
  onProblem(words: string): void;
}) {
  const { run, watching, samples, direction } = going;
  const situation = useSituation(at);
  const { sheet } = useForecast(situation);
  const isOwn = activity !== null && run.request.purpose?.activity === activity.id;
  const stretches =
    (isOwn && sheet?.activities.find((a) => a.activity.id === activity.id)?.course?.stretches) || [];
  const course = stretches.flatMap(({ taken, rate, seconds }) => [
    { bytes: taken, rate },
    { bytes: taken + rate * seconds, rate },
  ]);
  const last = samples.at(-1);
  const size = isOwn && isMove(activity) ? asWhole(activity.bytes.value) : null;
  const total = Math.max(size ?? 0, last?.bytes ?? 0, 1);
  const began = watching !== null && watching.state !== 'waiting';
  const refuse = (error: Error) => onProblem(error.message);
  return (
    <>
      <Box
        sx={{
          textAlign: 'center',
          bgcolor: 'sunken',
          borderRadius: 1,
          py: 1.5,
          border: 1,
          borderColor: began ? 'primary.main' : 'divider',
        }}
      >
        <Box
          role="timer"
          aria-label="Time since the first bytes"
          sx={{
            fontSize: 'clamp(2.2rem, 5vw, 3.6rem)',
            fontWeight: 600,
            lineHeight: 1.1,
            fontVariantNumeric: 'tabular-nums',
          }}
        >
          {began ? format(watching.t, 's', 3) : '0 s'}
        </Box>
        <Typography variant="body2" color="textSecondary" role="status">
          {watching ? STATE[watching.state] : 'Beginning'}, {run.folder}
        </Typography>
      </Box>
      {began && last && (
        <>
          <FlowLine samples={samples} total={total} course={course} />
          <Typography sx={{ fontVariantNumeric: 'tabular-nums' }}>
            {format(last.bytes, 'B', 3)} {direction === 'write' ? 'written' : 'read'}
            {size === null ? '' : ` of ${format(size, 'B')}`}
            {last.t > 0.5 ? `, ${format(last.bytes / last.t, 'B/s')} on average` : ''}
            {watching.state === 'flushing' && watching.pending !== null
              ? `; ${format(watching.pending, 'B', 2)} still in memory: eject or sync, or wait`
              : ''}
          </Typography>
          {course.length > 0 && (
            <Typography variant="caption" color="textSecondary">
              Dashed: the forecast for these parts.
            </Typography>
          )}
        </>
      )}
      <Row>
        <Button
          variant="contained"
          sx={{ flex: 1 }}
          onClick={() => void finishRun(run.id).catch(refuse)}
          disabled={!began}
        >
          {isLoad(activity) ? 'It is open now' : 'It is over now'}
        </Button>
        <Button variant="outlined" color="error" onClick={() => void stopRun(run.id).catch(refuse)}>
          Stop watching
        </Button>
      </Row>
    </>
  );
}
