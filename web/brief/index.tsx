import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { rebuild, type Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { useShop } from '../state/shop';
import { FactField, NameField } from '../ui/field';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { PartSheet } from '../ui/sheet';
import { Activities } from './activities';
import { NeedsPanel } from './needs';
import { Ports } from './ports';

/** What machine, what work, what wishes. */
export function Brief() {
  const { job } = useJob();
  const { hosts } = useShop();
  const set = (part: Partial<Job>) => changeJob(job.id, (j) => ({ ...j, ...part }));
  const setHost = (host: Job['host']) =>
    changeJob(job.id, (j) =>
      rebuild(j, {
        host,
        build:
          j.build &&
          (host.ports.some((p) => p.id === j.build!.port)
            ? j.build
            : { ...j.build, port: host.ports[0]!.id }),
      }),
    );
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 7fr)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Panel title="The job">
          <Box sx={{ display: 'grid', gap: 1.75, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
            <NameField
              label="Title"
              value={job.title}
              most={160}
              onName={(title) => set({ title })}
              sx={{ gridColumn: '1 / -1' }}
            />
            <TextField
              label="Customer"
              value={job.customer}
              onChange={(e) => set({ customer: e.target.value.slice(0, 160) })}
            />
            <TextField
              label="Due"
              type="date"
              value={job.due ?? ''}
              onChange={(e) => set({ due: e.target.value || null })}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <FactField
              label="Wanted to last, years"
              dimension="count"
              fact={job.serviceYears}
              onFact={(serviceYears) => set({ serviceYears })}
            />
            <TextField
              label="Note"
              multiline
              minRows={2}
              value={job.note}
              onChange={(e) => set({ note: e.target.value.slice(0, 4000) })}
              sx={{ gridColumn: '1 / -1' }}
            />
          </Box>
        </Panel>
        <Panel title="The machine">
          <Box sx={{ display: 'grid', gap: 1.75, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
            <TextField
              select
              label="Start from"
              value={hosts.some((h) => h.id === job.host.id) ? job.host.id : ''}
              onChange={(e) => setHost(hosts.find((h) => h.id === e.target.value)!)}
              helperText="Takes over its ports and built-in drive"
            >
              {hosts.map((host) => (
                <MenuItem key={host.id} value={host.id}>
                  {host.name}
                </MenuItem>
              ))}
            </TextField>
            <NameField label="Name" value={job.host.name} onName={(name) => setHost({ ...job.host, name })} />
            <TextField
              label="System"
              value={job.host.system}
              onChange={(e) => setHost({ ...job.host, system: e.target.value.slice(0, 120) })}
            />
            <NameField
              label="Built-in drive"
              value={job.host.storage.name}
              onName={(name) => setHost({ ...job.host, storage: { ...job.host.storage, name } })}
            />
            <FactField
              label="It reads at"
              dimension="rate"
              fact={job.host.storage.read}
              onFact={(read) => setHost({ ...job.host, storage: { ...job.host.storage, read } })}
            />
            <FactField
              label="It writes at"
              dimension="rate"
              fact={job.host.storage.write}
              onFact={(write) => setHost({ ...job.host, storage: { ...job.host.storage, write } })}
            />
          </Box>
          <Typography variant="h3" sx={{ mt: 2, mb: 0.75 }}>
            Ports and slots
          </Typography>
          <Ports host={job.host} used={job.build?.port ?? null} onHost={setHost} />
          <More host={job.host} onHost={setHost} />
        </Panel>
      </Box>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Activities job={job} onActivities={(activities) => set({ activities })} />
        <NeedsPanel job={job} onNeeds={(needs) => set({ needs })} />
      </Box>
    </Box>
  );
}

/** The rest of what is known of the machine: systems, firmware, uplinks, other ends, each port whole. Folded away until asked for. */
function More({ host, onHost }: { host: Job['host']; onHost(host: Job['host']): void }) {
  const [open, setOpen] = useState(false);
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Less of the machine' : 'More of the machine: systems, uplinks, other ends'}
      </Button>
      {open && (
        <Box sx={{ mt: 1.5 }}>
          <PartSheet kind="hosts" part={host} onPart={onHost} without={['name', 'system']} />
        </Box>
      )}
    </Box>
  );
}
