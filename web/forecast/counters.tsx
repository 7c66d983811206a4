import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { fromPasted } from '../state/models';
import type { DeviceNeeds } from '@kymar/core/job';
import { counterSaid } from '@kymar/core/statements';
import { Told } from '../ui/told';
import { calendarDay, format, parseQuantity, type Parsed } from '@kymar/core/units';
import { changeJob, useJobs } from '../state/jobs';
import type { Placed } from '../state/placed';

/** B written, out of a figure (a bare number in TB) or a pasted health page. */
function writtenIn(text: string): Parsed {
  const typed = parseQuantity(text, 'bytes', 'TB');
  if (typed.ok) return typed;
  const told = fromPasted(text);
  if (!told.ok) return text.includes('\n') || text.length > 40 ? told : typed;
  const { written } = told.counters;
  return written === null
    ? { ok: false, problem: 'These counters do not say how much was written.' }
    : { ok: true, value: written, understood: format(written, 'B', 4) };
}

const today = () => new Date().toLocaleDateString('sv-SE');

/** What the drive's own counter of written bytes showed, kept with the device: a used drive has less left, and tells how fast it goes. */
export function CountersOf({ at }: { at: Placed }) {
  const { counters = [], inUseSince = '' } = at.needs ?? {};
  const baseline = useJobs((s) => s.jobs[at.job]?.fittings)?.find(
    (f) => f.device === at.place.device,
  )?.baseline;
  const isBaseline = (c: (typeof counters)[number]) =>
    c.on === baseline?.at.slice(0, 10) && (baseline.written === null || c.written === baseline.written);
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [on, setOn] = useState(today);
  const read = text.trim() === '' ? null : writtenIn(text);
  const set = (part: Partial<Pick<DeviceNeeds, 'counters' | 'inUseSince'>>) =>
    changeJob(at.job, (job) => ({
      ...job,
      devices: job.devices.map((device) => {
        if (device.id !== at.place.device) return device;
        const needs = { ...device.needs, ...part };
        if (!needs.counters?.length) delete needs.counters;
        if (!needs.inUseSince) delete needs.inUseSince;
        return { ...device, needs };
      }),
    }));
  const add = () => {
    if (!read?.ok) return;
    set({
      counters: [...counters.filter((c) => c.on !== on && !isBaseline(c)), { on, written: read.value }].sort(
        (a, b) => (a.on < b.on ? -1 : 1),
      ),
    });
    setText('');
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Button size="small" aria-expanded={open || counters.length > 0} onClick={() => setOpen(!open)}>
        {counters.length > 0 ? 'Another reading of its counter' : 'It is used: enter what it has written'}
      </Button>
      {counters.length > 0 && (
        <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
          {counters.map((c) => (
            <Typography component="li" variant="body2" key={c.on}>
              <time>{calendarDay(c.on)}</time>: <Told of={counterSaid(at.place.device, c).counter} />{' '}
              {isBaseline(c) ? (
                '(day zero, from Set-up)'
              ) : (
                <Button
                  size="small"
                  aria-label={`Remove the reading of ${calendarDay(c.on)}`}
                  onClick={() =>
                    set({ counters: counters.filter((other) => other !== c && !isBaseline(other)) })
                  }
                >
                  Remove
                </Button>
              )}
            </Typography>
          ))}
        </Box>
      )}
      {open && (
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr', mt: 1 }}>
          <TextField
            label="Written so far, or its health page"
            placeholder="43 TB"
            multiline
            maxRows={4}
            value={text}
            onChange={(e) => setText(e.target.value.slice(0, 20_000))}
            error={read?.ok === false}
            helperText={read === null ? 'A bare number is TB' : read.ok ? read.understood : read.problem}
            sx={{ gridColumn: '1 / -1' }}
          />
          <TextField
            label="Read on"
            type="date"
            value={on}
            onChange={(e) => setOn(e.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            label="In use since, if known"
            type="date"
            value={inUseSince}
            onChange={(e) => set({ inUseSince: e.target.value || undefined })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button variant="outlined" disabled={!read?.ok || !on} onClick={add} sx={{ gridColumn: '1 / -1' }}>
            Keep this reading
          </Button>
        </Box>
      )}
    </Box>
  );
}
