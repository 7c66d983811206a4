import { findings } from '@kymar/core/fit';
import { Box, Button, Typography } from '@mui/material';
import { rebuild } from '@kymar/core/job';
import { stateOf } from '@kymar/core/fit';
import { firstBuild } from '@kymar/core/choice/whatif';
import { findingsBy, settingOfJob } from '../state/derived';
import { changeJob } from '../state/jobs';
import { shopNow } from '../state/shop';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { BuildPanel } from './build';
import { DriveSheet } from './drive';
import { Findings } from './findings';
import { Joints } from './joints';
import { Fixes } from './fixes';
import { Plugged } from './plugged';

/** The path joint by joint, what it carries, what stands in the way, and other parts beside what is. */
export function PathView() {
  const { job, direction } = useJob();
  const setting = settingOfJob(job, direction);
  if (!job.build || !setting)
    return (
      <Panel title="Choose the parts" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>
          Start with any build and change it joint by joint; the strip above shows at once what it does.
        </Typography>
        <Button
          variant="contained"
          onClick={() => changeJob(job.id, (j) => rebuild(j, { build: firstBuild(j, shopNow()) }))}
        >
          Put a first build together
        </Button>
      </Panel>
    );
  const { path } = setting;
  const list = findingsBy(findings, setting);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 9fr) minmax(0, 10fr)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 2 }}>
        <BuildPanel path={path} />
        <Fixes job={job} direction={direction} />
        <Plugged job={job} path={path} />
        <DriveSheet drive={job.build.drive} job={job.id} />
      </Box>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Findings job={job} list={list} state={stateOf(setting, list)} />
        <Joints path={path} direction={direction} />
      </Box>
    </Box>
  );
}
