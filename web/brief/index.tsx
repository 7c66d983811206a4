import { Box, TextField } from '@mui/material';
import type { Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { EntryScope, scopeOf } from '../ui/entries';
import { FactField, NameField } from '../ui/field';
import { Fold } from '../ui/fold';
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

const TOP = { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 2fr) minmax(0, 3fr) minmax(0, 3fr)' };
const QUESTIONS = { xs: 'minmax(0, 1fr)', md: 'minmax(0, 7fr) minmax(0, 5fr)' };

/** Three questions, and behind folds all else: what machines, what devices, what work, what targets. */
export function BriefView() {
  const { job, at } = useJob();
  const situation = useSituation(at);
  const set = (part: Partial<Job>) => changeJob(job.id, (j) => ({ ...j, ...part }));
  const isUsual = job.serviceYears.source.kind === 'practice';
  return (
    <EntryScope value={scopeOf(job.id, 'setup')}>
      <Stack gap={2}>
        <Box
          sx={{
            display: 'grid',
            gap: 1.75,
            gridTemplateColumns: TOP,
            '& .MuiOutlinedInput-root': { bgcolor: 'background.paper' },
          }}
        >
          <NameField label="Title" value={job.title} most={160} onName={(title) => set({ title })} />
          <DateField label="Due" value={job.due} onDay={(due) => set({ due })} />
          <CustomerFields job={job} set={set} />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: QUESTIONS, alignItems: 'start' }}>
          <Stack gap={2}>
            <Activities job={job} at={at} />
            <WorthFindingOut situation={situation} brief />
          </Stack>
          <Stack gap={2}>
            <Machines job={job} />
            <Panel title="3. What may it cost?">
              <Columns of={2} gap={1.75}>
                <MoneyField
                  label="Budget"
                  value={job.budget}
                  placeholder="450, 400 for two"
                  forSeveral
                  onValue={(budget) => set({ budget })}
                />
                <FactField
                  label="Service life, years"
                  dimension="count"
                  fact={job.serviceYears}
                  onFact={(serviceYears) => set({ serviceYears })}
                  helperText={isUsual ? 'Usual, nobody said' : undefined}
                />
              </Columns>
            </Panel>
          </Stack>
        </Box>
        <DevicesPanel job={job} />
        <PolicyPanel job={job} />
        <Fold name="brief.note" title="Note" said={job.note.split('\n')[0]!.slice(0, 120)}>
          <TextField
            label="Note"
            fullWidth
            multiline
            minRows={2}
            value={job.note}
            onChange={(e) => set({ note: e.target.value.slice(0, 4000) })}
          />
        </Fold>
      </Stack>
    </EntryScope>
  );
}
