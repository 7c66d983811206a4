import { Box, Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import { benchOf, checklist } from '@kymar/core/fitting';
import { fittingOf } from '@kymar/core/job';
import { useMemo } from 'react';
import { useSituation } from '../state/situation';
import { EntryScope, scopeOf } from '../ui/entries';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { Checklist } from './checklist';
import { Contents } from './contents';
import { FormatTracker } from './format';
import { Missing } from './missing';
import { OldDrivePanel } from './olddrive';
import { UnitPanel } from './unit';

/** Fitted right: the checklist made for this build, what is to be written down of the unit, a format that goes on, and what to do when it does not appear. */
export function SetupView() {
  const { job, at } = useJob();
  const situation = useSituation(at);
  const made = useMemo(
    () => situation && { steps: checklist(situation), bench: benchOf(situation) },
    [situation],
  );
  if (!at || !made)
    return (
      <Panel title="Nothing to fit yet" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>
          The checklist is made from the machine, the drive and how they are connected. Choose them first.
        </Typography>
        <Button component={Link} to={`/jobs/${job.id}/${at ? 'choice' : 'brief'}`} variant="contained">
          {at ? 'See what to buy' : 'Choose the machine'}
        </Button>
      </Panel>
    );
  const fitting = fittingOf(job, at.place.device);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 7fr) minmax(0, 5fr)' },
        alignItems: 'start',
        '@media print': { display: 'block' },
      }}
    >
      <Checklist at={at} title={job.title} steps={made.steps} fitting={fitting} situation={situation!} />
      <EntryScope value={scopeOf(job.id, 'setup', at.place.device)}>
        <Box className="no-print" sx={{ display: 'grid', gap: 2 }}>
          <UnitPanel at={at} job={job} fitting={fitting} />
          <FormatTracker at={at} fitting={fitting} situation={situation!} />
          <Contents key={`contents ${at.place.device}`} at={at} fitting={fitting} situation={situation!} />
          <OldDrivePanel key={`old ${at.place.device}`} job={job} device={at.place.device} />
          <Missing key={at.place.device} bench={made.bench} />
        </Box>
      </EntryScope>
    </Box>
  );
}
