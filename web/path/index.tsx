import { Box, Button, Typography } from '@mui/material';
import { withBuild, type Job } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { stateOf } from '@kymar/core/fit';
import { connected, firstBuild } from '@kymar/core/choice';
import { findingsOf, settingAt } from '../state/derived';
import { useFixes } from '../state/fixes';
import { changeJob } from '../state/jobs';
import { shopNow } from '../state/shop';
import { useSituation } from '../state/situation';
import { useJob, usePlace } from '../ui/job';
import { Panel } from '../ui/panel';
import { ArrayPanel } from './array';
import { BuildPanel } from './build';
import { DriveSheet } from './drive';
import { Findings } from './findings';
import { Segments } from './segments';
import { Fixes } from './fixes';
import { Plugged } from './plugged';
import { Stack } from '../ui/layout';

/** What to begin with at a place: the device that is chosen already, connected; else any that works. */
function started(job: Job, at: Placed) {
  const parts = job.devices.find((d) => d.id === at.place.device)?.parts;
  return parts ? connected(at, parts, shopNow()) : firstBuild(at, shopNow());
}

/** The path segment by segment, what it carries, what stands in the way, and other parts beside what is. */
export function PathView() {
  const { job, direction } = useJob();
  const at = usePlace();
  const setting = settingAt(at, direction);
  const situation = useSituation(at);
  const { list: fixes, problem } = useFixes(at, direction);
  if (!at.build || !setting)
    return (
      <Panel title="Choose the parts" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>
          Start with any build and change it part by part; the strip above shows at once what it does.
        </Typography>
        <Button
          variant="contained"
          onClick={() => changeJob(job.id, (j) => withBuild(j, at.place, started(j, at)))}
        >
          Put a first build together
        </Button>
      </Panel>
    );
  const { path } = setting;
  const list = findingsOf(setting);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 9fr) minmax(0, 10fr)' },
        alignItems: 'start',
      }}
    >
      <Stack gap={2}>
        <BuildPanel path={path} />
        <Fixes at={at} direction={direction} list={fixes} problem={problem} />
        <Plugged at={at} path={path} />
        <DriveSheet drive={at.build.drive} at={at} />
      </Stack>
      <Stack gap={2}>
        <Findings
          job={job}
          at={at.place}
          direction={direction}
          list={list}
          state={stateOf(setting, list)}
          fixes={fixes}
        />
        {situation && <ArrayPanel at={at.place} path={path} situation={situation} />}
        <Segments at={at.place} path={path} direction={direction} />
      </Stack>
    </Box>
  );
}
