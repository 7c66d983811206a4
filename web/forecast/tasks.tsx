import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { JobSheet } from '@kymar/core/forecast';
import { taskSaid } from '@kymar/core/statements';
import type { DeviceNeeds } from '@kymar/core/job';
import { moment, timeAfter, timesAfter } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import type { Placed } from '../state/placed';
import { Pick } from '../ui/pick';
import { Fold } from '../ui/fold';
import { Told } from '../ui/told';

/** What is done first, on the clock: when each task is done if they start at a moment and follow one another. */
export function Tasks({ at, forecast }: { at: Placed; forecast: JobSheet }) {
  const { tasks, format: whole } = forecast;
  const [now] = useState(() => new Date());
  const { starts, formatFirst } = at.needs ?? {};
  const { pass } = at;
  // What goes on has its own beginning.
  const start = new Date(pass?.started ?? starts ?? now);
  const set = (part: Partial<Pick<DeviceNeeds, 'starts' | 'formatFirst'>>) =>
    changeJob(at.job, (job) => ({
      ...job,
      devices: job.devices.map((device) => {
        if (device.id !== at.place.device) return device;
        const needs = { ...device.needs, ...part };
        if (needs.starts === undefined) delete needs.starts;
        if (needs.formatFirst === undefined) delete needs.formatFirst;
        return { ...device, needs };
      }),
    }));
  if (tasks.length === 0 && !whole) return null;
  const last = tasks.at(-1);
  return (
    <Fold name="forecast.tasks" title="On the clock" about="when each is done">
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: whole ? '3fr 2fr' : '1fr', mb: 1 }}>
        <TextField
          type="datetime-local"
          label="Starts"
          value={starts ?? ''}
          onChange={(e) => set({ starts: e.target.value || undefined })}
          slotProps={{ inputLabel: { shrink: true } }}
          helperText={starts === undefined ? `empty: now, ${moment(now)}` : undefined}
        />
        {whole && (
          <Pick
            label="First"
            value={formatFirst ? 'full' : 'no'}
            options={[
              ['no', 'no full format'],
              ['full', 'full format'],
            ]}
            onValue={(v) => set({ formatFirst: v === 'full' || undefined })}
          />
        )}
      </Box>
      <Box component="ol" sx={{ m: 0, pl: 2.25, '& li': { mb: 0.75 } }}>
        {tasks.map((task) => (
          <Typography component="li" variant="body2" key={task.activity ?? 'format'}>
            <Told of={taskSaid(at.place, task).task} />: done{' '}
            <time>
              <b>{timeAfter(start, task.done.expected)}</b> (
              {timesAfter(start, task.done.low, task.done.high)})
            </time>
          </Typography>
        ))}
      </Box>
      {last && tasks.length > 1 && (
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          Started <time>{moment(start)}</time>: all done <time>{timeAfter(start, last.done.expected)}</time>.
        </Typography>
      )}
    </Fold>
  );
}
