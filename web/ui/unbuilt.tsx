import { Box, Button, Typography } from '@mui/material';
import { Link, useLocation } from 'react-router';
import type { Job } from '@kymar/core/job';
import { counted } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { useStatus } from '../state/status';
import { discard, useWatch } from '../state/watch';
import { Row } from './layout';
import { Panel } from './panel';

/** Of a job that this browser does not keep, or cannot open. */
export function NoSuchJob({ id }: { id: string }) {
  const { watch } = useWatch();
  const aside = useStatus((s) => s.stores.jobs?.aside.find((a) => a.key === id));
  if (aside)
    return (
      <Box component="main" sx={{ p: 4 }}>
        <Typography variant="h1">This job cannot be opened</Typography>
        <Typography sx={{ my: 1.5 }}>It is kept untouched. {aside.problem}</Typography>
        <Button component={Link} to="/settings" variant="contained">
          Repair or export it
        </Button>
      </Box>
    );
  return (
    <Box component="main" sx={{ p: 4 }}>
      <Typography variant="h1">No such job</Typography>
      <Typography sx={{ my: 1.5 }}>
        This browser keeps no job “{id}”. It may have been removed, or belong to another browser.
      </Typography>
      <Row wrap>
        <Button component={Link} to="/jobs" variant="contained">
          See all jobs
        </Button>
        <Button component={Link} to="/settings" variant="outlined">
          Look in the bin
        </Button>
        {watch?.job === id && <Button onClick={discard}>Discard its clock</Button>}
      </Row>
    </Box>
  );
}

export function NoMachine({ job }: { job: Job }) {
  return (
    <Panel title="No machine yet" sx={{ maxWidth: 640 }}>
      <Typography sx={{ mb: 2 }}>
        Everything here depends on the machine: its ports, its system, its built-in drive.
      </Typography>
      <Button component={Link} to={`/jobs/${job.id}/brief`} variant="contained">
        Choose the machine
      </Button>
    </Panel>
  );
}

/** In the place of the strip: what is missing for a path, and where it begins. */
export function Unbuilt({ job, at }: { job: Job; at: Placed | null }) {
  const isChoosing = useLocation().pathname.endsWith('/choice');
  const connects = at !== null && (isChosen(job, at) || isChoosing);
  const to = at === null ? 'brief' : connects ? 'path' : 'choice';
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        minHeight: 72,
        px: 2,
        mb: 1,
        borderRadius: 1,
        bgcolor: 'sunken',
        border: '1px dashed',
        borderColor: 'divider',
      }}
    >
      <Typography color="textSecondary" sx={{ flex: 1 }}>
        {at
          ? [
              isChosen(job, at) ? 'It is not connected here yet' : 'No drive is chosen yet',
              `so there is no path to draw: ${at.host.name} has ${counted(at.host.ports.length, 'port')}.`,
            ].join(', ')
          : 'No machine is chosen yet, so there is no path to draw.'}
      </Typography>
      <Button component={Link} to={`/jobs/${job.id}/${to}${at?.search ?? ''}`} variant="contained">
        {at !== null && isChosen(job, at) ? 'Connect it' : TO_BUILD[to]}
      </Button>
    </Box>
  );
}

/** Where a path begins, by the stage that leads there. */
const TO_BUILD = {
  brief: 'Choose the machine',
  choice: 'See what to buy',
  path: 'Put parts together',
} as const;

/** Whether parts are chosen for the device of a place. */
const isChosen = (job: Job, { place }: Placed): boolean =>
  job.devices.some((d) => d.id === place.device && d.parts !== null);
