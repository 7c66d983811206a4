import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { returnUntil } from '@kymar/core/fitting';
import { fromPasted } from '@kymar/core/models/health';
import type { Fitting, Job } from '@kymar/core/job';
import { calendarDay, format, shortMoment } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';
import { changeFitting, without } from './fitting';

const asDay = (iso: string) => calendarDay(new Date(`${iso}T12:00`));
const today = () => new Date().toLocaleDateString('sv-SE');

/** What is written down of this unit: its serial number, until when it can go back, and its health on day zero. */
export function Unit({ at, job, fitting }: { at: Placed; job: Job; fitting: Fitting | undefined }) {
  const { serial = '', bought = '', warrantyUntil = '', returnDays } = fitting ?? {};
  const set = <K extends keyof Fitting>(key: K, value: Fitting[K] | undefined) =>
    changeFitting(at, (f) => without(f, key, value));
  const last = fitting ? returnUntil(fitting) : null;
  const years = at.build?.drive.warrantyYears.value;
  const date = (label: string, value: string, key: 'bought' | 'warrantyUntil') => (
    <TextField
      type="date"
      label={label}
      value={value}
      onChange={(e) => set(key, e.target.value || undefined)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <Panel title="This unit">
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
        <TextField
          label="Serial number"
          value={serial}
          onChange={(e) => set('serial', e.target.value.slice(0, 120) || undefined)}
          sx={{ gridColumn: '1 / -1' }}
        />
        {date('Bought on', bought, 'bought')}
        <QuantityField
          label="Can go back within, days"
          dimension="count"
          optional
          value={returnDays ?? null}
          onValue={(days) => set('returnDays', days === null ? undefined : Math.round(days))}
        />
        {date('Warranty until', warrantyUntil, 'warrantyUntil')}
        <Typography variant="body2" color="textSecondary" sx={{ alignSelf: 'center' }}>
          {typeof years === 'number' ? `Its sheet says ${format(years, 'years')}.` : ''}
        </Typography>
      </Box>
      {last && (
        <Alert severity={last < today() ? 'info' : 'warning'} variant="outlined" sx={{ mt: 1.5 }}>
          {last < today()
            ? `It could go back until ${asDay(last)}.`
            : `It can go back until ${asDay(last)}: prove it before, and do not open what ends that right.`}
        </Alert>
      )}
      <Baseline at={at} job={job} fitting={fitting} />
    </Panel>
  );
}

/** The health page as it was on day zero, kept as it was pasted. */
function Baseline({ at, fitting }: { at: Placed; job: Job; fitting: Fitting | undefined }) {
  const [text, setText] = useState('');
  const had = fitting?.baseline;
  const told = text.trim() === '' ? null : fromPasted(text);
  const keep = () => {
    if (!told?.ok) return;
    const { written } = told.counters;
    changeFitting(at, (f) => ({
      ...f,
      baseline: { at: new Date().toISOString(), text: text.slice(0, 40_000), written },
    }));
    setText('');
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      {had && (
        <Typography variant="body2" sx={{ mb: 1 }}>
          Health on day zero, {shortMoment(had.at)}
          {had.written === null ? '' : `: ${format(had.written, 'B', 4)} written`}.{' '}
          <Button size="small" onClick={() => changeFitting(at, (f) => without(f, 'baseline', undefined))}>
            Remove
          </Button>
        </Typography>
      )}
      <TextField
        fullWidth
        multiline
        maxRows={6}
        label={had ? 'Paste a newer health page' : 'Health on day zero: paste the page'}
        value={text}
        onChange={(e) => setText(e.target.value)}
        error={told !== null && !told.ok}
        helperText={
          told === null
            ? 'Lines in the standards’ field names, as most tools print them'
            : told.ok
              ? 'Understood'
              : told.problem
        }
      />
      {told?.ok && (
        <Button variant="outlined" sx={{ mt: 1 }} onClick={keep}>
          Keep as the baseline
        </Button>
      )}
    </Box>
  );
}
