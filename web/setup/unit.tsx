import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { returnUntil } from '@kymar/core/fitting';
import { fromPasted, linesOf, readHealth } from '../state/models';
import { RETURN_DAYS, type Fitting, type Job } from '@kymar/core/job';
import { calendarDay, format, shortMoment } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { useAnswer } from '../state/gate';
import { WATCHABLE } from '../state/here';
import { QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';
import { BefallenLog } from './befallen';
import { Told } from '../ui/told';
import { unitSaid } from '@kymar/core/statements';
import { changeFitting, without } from './fitting';
import { MoneyField } from '../ui/moneyfield';
import { HealthField, HealthRead } from '../ui/health';
import { Pick } from '../ui/pick';
import { DateField } from '../ui/date';
import { Columns } from '../ui/layout';

const asDay = (iso: string) => calendarDay(new Date(`${iso}T12:00`));
const today = () => new Date().toLocaleDateString('sv-SE');

/** What is written down of this unit: its serial number, until when it can go back, and its health on day zero. */
export function UnitPanel({ at, job, fitting }: { at: Placed; job: Job; fitting: Fitting | undefined }) {
  const { serial = '', bought = '', paid, warrantyUntil = '', returnDays } = fitting ?? {};
  const set = <K extends keyof Fitting>(key: K, value: Fitting[K] | undefined) =>
    changeFitting(at, (f) => without(f, key, value));
  const last = fitting ? returnUntil(fitting) : null;
  const date = (label: string, value: string, key: 'bought' | 'warrantyUntil') => (
    <DateField label={label} value={value} onDay={(day) => set(key, day ?? undefined)} />
  );
  return (
    <Panel title="This unit">
      <Columns of={2}>
        <TextField
          label="Serial number"
          value={serial}
          onChange={(e) => set('serial', e.target.value.slice(0, 120) || undefined)}
          sx={{ gridColumn: '1 / -1' }}
        />
        <FromHere onSerial={(found) => set('serial', found)} />
        {date('Bought on', bought, 'bought')}
        <MoneyField
          label="Price paid"
          value={paid}
          usual={job.budget?.currency}
          onValue={(price) => set('paid', price)}
        />
        <QuantityField
          label="Can go back within, days"
          dimension="count"
          optional
          refuse={(days) => (days > RETURN_DAYS ? `At most ${format(RETURN_DAYS, 'count')}.` : null)}
          value={returnDays ?? null}
          onValue={(days) => set('returnDays', days === null ? undefined : Math.round(days))}
        />
        {date('Warranty until', warrantyUntil, 'warrantyUntil')}
        <Typography variant="body2" color="textSecondary" sx={{ alignSelf: 'center' }}>
          <Told of={unitSaid(at.place.device, at.build?.drive, fitting).sheet} />
        </Typography>
      </Columns>
      {returnDays !== undefined && !bought && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          The days count from the day it was bought: enter that too.
        </Typography>
      )}
      {last && (
        <Alert severity={last < today() ? 'info' : 'warning'} variant="outlined" sx={{ mt: 1.5 }}>
          {last < today()
            ? `It could go back until ${asDay(last)}.`
            : `It can go back until ${asDay(last)}: prove it before, and do not open what ends that right.`}
        </Alert>
      )}
      <Box sx={{ mt: 1.5 }}>
        <BefallenLog at={at} fitting={fitting} />
      </Box>
      <Baseline at={at} job={job} fitting={fitting} />
    </Panel>
  );
}

/** The serial number as a drive in this machine says it. */
function FromHere({ onSerial }: { onSerial(serial: string): void }) {
  const list = (useAnswer(WATCHABLE).data ?? []).filter(({ serial }) => serial);
  if (list.length === 0) return null;
  return (
    <Pick<string>
      label="Or read it from a drive in this machine"
      value=""
      options={list.map(({ name, size, serial }) => [
        serial!,
        `${name}${size === null ? '' : `, ${format(size, 'B', 3)}`}: ${serial}`,
      ])}
      onValue={onSerial}
      sx={{ gridColumn: '1 / -1' }}
    />
  );
}

/** The health page as it was on day zero, kept as it was pasted. */
function Baseline({ at, fitting }: { at: Placed; job: Job; fitting: Fitting | undefined }) {
  const [text, setText] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const open = async (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    const words = await file.text();
    const found = readHealth(new Uint8Array(await file.arrayBuffer()), words);
    if (picker.current) picker.current.value = '';
    setRefused(found.ok ? null : `${file.name}: ${found.problem}`);
    // Of a raw page what it says, in the standards' words: a person can read it, and so can Kymar.
    if (found.ok) setText(found.counters.from === 'pasted text' ? words : linesOf(found.counters));
  };
  const had = fitting?.baseline;
  const kept = had && fromPasted(had.text);
  const told = text.trim() === '' ? null : fromPasted(text);
  const keep = () => {
    if (!told?.ok) return;
    const { written, percentageUsed: wear } = told.counters;
    changeFitting(at, (f) => ({
      ...f,
      baseline: {
        at: new Date().toISOString(),
        text: text.slice(0, 40_000),
        written,
        ...(wear === null ? {} : { wear }),
      },
    }));
    setText('');
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      {had && (
        <Typography variant="body2" sx={{ mb: 1 }}>
          Health on day zero, <time>{shortMoment(had.at)}</time>
          {had.written !== null && ': '}
          <Told of={unitSaid(at.place.device, at.build?.drive, fitting).written} />.{' '}
          <Button size="small" onClick={() => changeFitting(at, (f) => without(f, 'baseline', undefined))}>
            Remove
          </Button>
        </Typography>
      )}
      {kept?.ok && <HealthRead counters={kept.counters} of={at.place.device} />}
      <HealthField
        label={had ? 'Paste a newer health page' : 'Health on day zero: paste the page'}
        text={text}
        told={told}
        onText={(page) => {
          setText(page);
          setRefused(null);
        }}
      />
      {refused && (
        <Typography variant="body2" color="error" sx={{ mt: 0.5 }}>
          {refused}
        </Typography>
      )}
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="Health page as a file"
        onChange={(e) => void open(e.target.files)}
      />
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        {told?.ok && (
          <Button variant="outlined" onClick={keep}>
            Keep as the baseline
          </Button>
        )}
        <Button onClick={() => picker.current?.click()}>Open a raw page</Button>
      </Box>
    </Box>
  );
}
