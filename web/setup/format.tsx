import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { Estimate } from '@kymar/core/evidence';
import type { Situation } from '@kymar/core/forecast';
import { endOfPass, formatBySheet, readCheckpoint } from '../state/models';
import { formatSaid } from '@kymar/core/statements';
import type { Fitting, FormatPass } from '@kymar/core/job';
import { format, moment, timeAfter, timesAfter } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { asLocal, useNow } from './clock';
import { changeFitting, without } from './fitting';
import { Row, Stack } from '../ui/layout';

/** A pass in less than this share of the least that is forecast is questioned. */
const TOO_FAST = 0.6;

/** A full format that goes on: when it ends, from how far it has come. A straight line would be short. */
export function FormatTracker({
  at,
  fitting,
  situation,
}: {
  at: Placed;
  fitting: Fitting | undefined;
  situation: Situation;
}) {
  const pass = fitting?.format;
  const expected = formatBySheet(situation);
  const set = (format: FormatPass | undefined) => changeFitting(at, (f) => without(f, 'format', format));
  const start = () => set({ started: new Date().toISOString(), checkpoints: [] });
  const now = useNow();
  if (!pass)
    return expected === null ? null : (
      <Panel title="Full format">
        <Typography variant="body2" sx={{ mb: 1 }}>
          A full pass takes{' '}
          <Figure of={() => expected} said={formatSaid(at.place, { format: expected }).takes} />{' '}
          <Told of={formatSaid(at.place, { format: expected }).behind} />. Started now it is done{' '}
          <time>
            <b>{timeAfter(now, expected.expected)}</b> ({timesAfter(now, expected.low, expected.high)})
          </time>
          .
        </Typography>
        <Button variant="outlined" onClick={start}>
          It starts now
        </Button>
      </Panel>
    );
  return <Going place={at.place} pass={pass} set={set} expected={expected} />;
}

function Going({
  place,
  pass,
  set,
  expected,
}: {
  place: Placed['place'];
  pass: FormatPass;
  set(pass: FormatPass | undefined): void;
  expected: Estimate | null;
}) {
  const { started, checkpoints, ended } = pass;
  const [typed, setTyped] = useState('');
  const found = useMemo(() => endOfPass(pass), [pass]);
  const end = found && 'total' in found ? found : null;
  const begin = new Date(started);
  const read = typed.trim() === '' ? null : readCheckpoint(typed, started, new Date());
  const add = () => {
    if (!read?.ok) return;
    const sorted = [...checkpoints, read.checkpoint].sort((a, b) => (a.at < b.at ? -1 : 1));
    set({ ...pass, checkpoints: sorted });
    setTyped('');
  };
  const change = (i: number, value: string) => {
    const at = new Date(value);
    if (Number.isNaN(at.getTime())) return;
    set({ ...pass, checkpoints: checkpoints.map((c, k) => (k === i ? { ...c, at: at.toISOString() } : c)) });
  };
  // Beyond what is forecast even of the quickest: a start pressed late, a slip of the pen.
  const isTooFast = end !== null && expected !== null && end.total.high < expected.low * TOO_FAST;
  const total = end?.total ?? expected;
  return (
    <Panel title={ended ? 'Full format, done' : 'Full format, under way'}>
      <Stack>
        <TextField
          type="datetime-local"
          label="Started"
          value={asLocal(started)}
          onChange={(e) => {
            const at = new Date(e.target.value);
            if (!Number.isNaN(at.getTime())) set({ ...pass, started: at.toISOString() });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        {ended ? (
          <Typography>
            Done <time>{moment(new Date(ended))}</time>, after{' '}
            <Told of={formatSaid(place, { format: total }).takes} />.
          </Typography>
        ) : (
          total && (
            <Typography role="status">
              Done{' '}
              <time>
                <b>{timeAfter(begin, total.expected)}</b> ({timesAfter(begin, total.low, total.high)})
              </time>
              , <Figure of={() => total} said={formatSaid(place, { format: total }).takes} /> in all
              {checkpoints.length === 0 ? ', by its data sheet: a first checkpoint narrows it' : ''}.
              {end?.straight != null && (
                <>
                  {' '}
                  A straight line would say <time>{timeAfter(begin, end.straight)}</time>.
                </>
              )}
            </Typography>
          )
        )}
        {isTooFast && (
          <Alert severity="warning" variant="outlined">
            That would be faster than the disk and its path can be. Is the start right, or the share?
          </Alert>
        )}
        {found && 'problem' in found && (
          <Alert severity="error" variant="outlined">
            {found.problem}
          </Alert>
        )}
        {checkpoints.map((c, i) => (
          <Row key={i} align="center">
            <Typography
              variant="body2"
              sx={{ width: 56, textAlign: 'right', fontVariantNumeric: 'tabular-nums' }}
            >
              <span data-typed>{format(c.share, '%', 3)}</span>
            </Typography>
            <TextField
              type="datetime-local"
              label={`Checkpoint ${i + 1} at`}
              value={asLocal(c.at)}
              onChange={(e) => change(i, e.target.value)}
              size="small"
              sx={{ flex: 1 }}
            />
            <Button
              size="small"
              aria-label={`Remove checkpoint ${i + 1}`}
              onClick={() => set({ ...pass, checkpoints: checkpoints.filter((_, k) => k !== i) })}
            >
              Remove
            </Button>
          </Row>
        ))}
        {!ended && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
            <TextField
              label="It shows now"
              placeholder="31 %, turned to 62 % at 9:20"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              error={read?.ok === false}
              helperText={
                read === null
                  ? undefined
                  : read.ok
                    ? `${read.checkpoint.turned ? 'Turned to ' : ''}${format(read.checkpoint.share, '%')} at ${moment(new Date(read.checkpoint.at))}`
                    : read.problem
              }
              sx={{ flex: 1 }}
            />
            <Button variant="contained" disabled={!read?.ok} onClick={add} sx={{ mt: 0.25 }}>
              Add checkpoint
            </Button>
          </Box>
        )}
        <Row>
          {!ended && (
            <Button variant="outlined" onClick={() => set({ ...pass, ended: new Date().toISOString() })}>
              It is done
            </Button>
          )}
          <Button onClick={() => set(undefined)}>Forget it</Button>
        </Row>
      </Stack>
    </Panel>
  );
}
