import { Box, TextField } from '@mui/material';
import type { Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { EntryScope, scopeOf } from '../ui/entries';
import { FactField, NameField } from '../ui/field';
import { useJob } from '../ui/job';
import { useSituation } from '../state/situation';
import { MoneyField } from '../ui/moneyfield';
import { Panel } from '../ui/panel';
import { WorthFindingOut } from '../ui/worth';
import { Activities } from './activities';
import { CustomerFields } from './customer';
import { DevicesPanel } from './devices';
import { Machines } from './machines';
import { PolicyPanel } from './needs';
import { DateField } from '../ui/date';
import { Columns, Stack } from '../ui/layout';

/** What machines, what devices, what work, what targets. */
export function BriefView() {
  const { job, at } = useJob();
  const situation = useSituation(at);
  const set = (part: Partial<Job>) => changeJob(job.id, (j) => ({ ...j, ...part }));
  return (
    <EntryScope value={scopeOf(job.id, 'setup')}>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 7fr)' },
          alignItems: 'start',
        }}
      >
        <Stack gap={2}>
          <Panel title="The job">
            <Columns of={2} gap={1.75}>
              <NameField
                label="Title"
                value={job.title}
                most={160}
                onName={(title) => set({ title })}
                sx={{ gridColumn: '1 / -1' }}
              />
              <CustomerFields job={job} set={set} />
              <DateField label="Due" value={job.due} onDay={(due) => set({ due })} />
              <FactField
                label="Service life, years"
                dimension="count"
                fact={job.serviceYears}
                onFact={(serviceYears) => set({ serviceYears })}
              />
              <MoneyField
                label="Budget"
                value={job.budget}
                placeholder="450, 400 for two"
                forSeveral
                onValue={(budget) => set({ budget })}
              />
              <TextField
                label="Note"
                multiline
                minRows={2}
                value={job.note}
                onChange={(e) => set({ note: e.target.value.slice(0, 4000) })}
                sx={{ gridColumn: '1 / -1' }}
              />
            </Columns>
            <WorthFindingOut situation={situation} brief />
          </Panel>
          <Machines job={job} />
        </Stack>
        <Stack gap={2}>
          <Activities job={job} />
          <DevicesPanel job={job} />
          <PolicyPanel job={job} />
        </Stack>
      </Box>
    </EntryScope>
  );
}
