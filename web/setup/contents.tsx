import { Button, FormControlLabel, Switch, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { Situation } from '@kymar/core/forecast';
import { middle, type Estimate } from '@kymar/core/evidence';
import { isKept, type Fitting } from '@kymar/core/job';
import { format, moment, rangeBehind, timeAfter, timesAfter } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { useAnswer } from '../state/gate';
import { holdsAtMost } from '../state/models';
import { QuantityField } from '../ui/field';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';
import { contentsFor } from '../workers';
import { asLocal, useNow } from './clock';
import { changeFitting, without } from './fitting';
import { Row, Stack } from '../ui/layout';

/** B that the work says are kept on it already; null where nobody said. */
function keptNow({ activities }: Situation): number | null {
  const known = activities.flatMap((a) => (isKept(a) ? (middle(a.now) ?? []) : []));
  return known.length > 0 ? known.reduce((sum, bytes) => sum + bytes, 0) : null;
}

/** How long so much takes to be moved over; undefined until it is known. */
function useTime(situation: Situation, bytes: number | null, verify: boolean): Estimate | null | undefined {
  return useAnswer(bytes ? contentsFor(situation, bytes, verify) : null).data;
}

/** The contents moved over: how long that takes, and when it will be over. */
export function Contents({
  at,
  fitting,
  situation,
}: {
  at: Placed;
  fitting: Fitting | undefined;
  situation: Situation;
}) {
  const going = fitting?.contents;
  const [said, setSaid] = useState<number | null>(() => keptNow(situation));
  const [compared, setCompared] = useState(true);
  const bytes = going?.bytes ?? said;
  const verify = going?.verify ?? compared;
  const time = useTime(situation, bytes, verify);
  const now = useNow();
  const usable = holdsAtMost(situation);
  const set = (contents: Fitting['contents']) => changeFitting(at, (f) => without(f, 'contents', contents));
  const begin = going ? new Date(going.started) : now;
  const seconds = going?.ended ? (Date.parse(going.ended) - Date.parse(going.started)) / 1000 : null;
  return (
    <Panel
      title={
        going ? (going.ended ? 'Contents moved over' : 'Contents on their way') : 'Moving the contents over'
      }
    >
      <Stack>
        {!going && (
          <Row gap={1.5} wrap>
            <QuantityField
              label="Contents"
              dimension="bytes"
              value={said}
              onValue={setSaid}
              sx={{ flex: 1, minWidth: 140 }}
            />
            <FormControlLabel
              control={<Switch checked={compared} onChange={(_, on) => setCompared(on)} />}
              label="read back and compared"
            />
          </Row>
        )}
        {going && !going.ended && (
          <TextField
            type="datetime-local"
            label="Started"
            value={asLocal(going.started)}
            onChange={(e) => {
              const started = new Date(e.target.value);
              if (!Number.isNaN(started.getTime())) set({ ...going, started: started.toISOString() });
            }}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        )}
        {bytes !== null && bytes > usable && (
          <Typography color="error">
            {format(bytes, 'B')} do not fit: {format(usable, 'B')} are usable.
          </Typography>
        )}
        {time === null && (
          <Typography color="error">Blocked as built: nothing gets onto it this way.</Typography>
        )}
        {time && (
          <Typography variant="body2" role="status">
            {format(bytes!, 'B')}
            {verify ? ', read back and compared,' : ''} {seconds === null ? 'take' : 'were to take'}{' '}
            <Figure of={() => time}>{format(time.expected, 's')}</Figure>
            {rangeBehind(time, 's')}
            {seconds === null ? '' : `; it took ${format(seconds, 's')}`}.{' '}
            {seconds === null && (
              <>
                {going ? 'Done' : 'Started now it is done'} <b>{timeAfter(begin, time.expected)}</b> (
                {timesAfter(begin, time.low, time.high)}).
              </>
            )}
            {going?.ended && ` Over ${moment(new Date(going.ended))}.`}
          </Typography>
        )}
        <Row>
          {!going && (
            <Button
              variant="outlined"
              disabled={!bytes || bytes > usable || !time}
              onClick={() => set({ bytes: bytes!, verify, started: new Date().toISOString() })}
            >
              The copy starts now
            </Button>
          )}
          {going && !going.ended && (
            <Button variant="contained" onClick={() => set({ ...going, ended: new Date().toISOString() })}>
              All is over
            </Button>
          )}
          {going && <Button onClick={() => set(undefined)}>Start anew</Button>}
        </Row>
      </Stack>
    </Panel>
  );
}
