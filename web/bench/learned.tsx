import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { learnedFrom, takenOver, withLearned, type Learned } from '@kymar/core/measure';
import { factWords } from '@kymar/core/evidence';
import { deviceName, type Job } from '@kymar/core/job';
import { format, rangeBehind } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { Panel } from '../ui/panel';

/** What the runs teach of the machine or the drive, and where it goes when it is taken over. */
function words(job: Job, learned: Learned): { text: string; into: string } {
  const { machine, device } = learned.place;
  if (learned.kind === 'per file') {
    const name = job.machines.find((m) => m.id === machine)?.host.name ?? 'the machine';
    const { perFile } = learned.fit;
    const doing = learned.direction === 'write' ? 'writing' : 'reading';
    return {
      text: `Each file costs ${name} ${format(perFile.expected, 's')} when ${doing}${rangeBehind(perFile, 's')}, whichever drive it is.`,
      into: name,
    };
  }
  const name = deviceName(job.devices, device);
  const { cache, slow } = learned.fit;
  return {
    text:
      `The cache of ${name} took ${format(cache.expected, 'B')}${rangeBehind(cache, 'B')}; ` +
      `past it, it writes ${format(slow.expected, 'B/s')}${rangeBehind(slow, 'B/s')}.`,
    into: name,
  };
}

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
          const { text, into } = words(job, learned);
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
                {text} {replaced(job, learned)}
              </Typography>
              <Button
                size="small"
                aria-label={`Take it over for ${into}`}
                onClick={() => changeJob(job.id, (j) => withLearned(j, learned))}
              >
                Take it over
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
