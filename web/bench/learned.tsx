import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { learnedFrom, takenOver, withLearned, type Learned } from '@kymar/core/measure';
import { factWords } from '@kymar/core/evidence';
import type { Job } from '@kymar/core/job';
import { learnedSaid } from '@kymar/core/statements';
import { changeJob } from '../state/jobs';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';

/** What stands where it would go, and is replaced. */
const replaced = (job: Job, learned: Learned): string => {
  const list = takenOver(job, learned).flatMap(({ label, unit, was }) =>
    was !== null && was.value !== null ? [`${label.toLowerCase()}, ${factWords(was, unit)}`] : [],
  );
  return list.length === 0 ? '' : `It replaces ${list.join('; ')}.`;
};

/** Fits to the job's own runs, each of which can be taken over. */
export function LearnedPanel({ job }: { job: Job }) {
  const list = useMemo(() => learnedFrom(job), [job]);
  if (list.length === 0) return null;
  return (
    <Panel title="What these runs teach">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
        {list.map((learned, i) => {
          const { teaches, into } = learnedSaid(job, learned, i);
          return (
            <Box
              component="li"
              key={i}
              sx={{
                display: 'grid',
                gridTemplateColumns: 'minmax(0, 1fr) auto',
                gap: 1,
                alignItems: 'center',
              }}
            >
              <Typography variant="body2">
                <Told of={teaches} /> <span data-typed>{replaced(job, learned)}</span>
              </Typography>
              <Button
                size="small"
                aria-label={`Use this value for ${into}`}
                onClick={() => changeJob(job.id, (j) => withLearned(j, learned))}
              >
                Use this value
              </Button>
            </Box>
          );
        })}
      </Box>
      <Typography variant="caption" color="textSecondary">
        Forecasts then go by it; a frozen one stays as it was.
      </Typography>
    </Panel>
  );
}
