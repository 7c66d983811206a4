import { Menu, MenuItem, Typography } from '@mui/material';
import { Link } from 'react-router';
import { rebuild, type Job } from '@kymar/core/job';
import type { Direction } from '@kymar/core/links';
import type { Joint, Path } from '@kymar/core/path';
import { format } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { alternatives, flowOf } from '../state/alternatives';

/** What else could stand at a joint, with what it would change, one click away. */
export default function AlternativesMenu({ anchor, job, path, joint, direction, close }: {
  anchor: HTMLElement;
  job: Job; path: Path; joint: Joint['id']; direction: Direction; close(): void }) {
  const now = path.flow?.[direction].expected ?? null;
  const list = alternatives(job, joint);
  return (
    <Menu open anchorEl={anchor} onClose={close} slotProps={{ paper: { sx: { border: 1, borderColor: 'divider', maxHeight: 420 } } }}>
      {list.length === 0 && (
        <MenuItem component={Link} to={`/jobs/${job.id}/brief`} onClick={close}>
          The other end is set in the brief
        </MenuItem>
      )}
      {list.map(({ key, name, build, taken }) => {
    const flow = flowOf(job, build, direction);
    const gain = flow !== null && now !== null ? flow - now : null;
    return (
      <MenuItem
        key={key}
        selected={taken}
        onClick={() => {
          changeJob(job.id, (j) => rebuild(j, { build }));
          close();
        }}
        sx={{ display: 'flex', gap: 3, justifyContent: 'space-between' }}
      >
        <span>{name}</span>
        <Typography component="span" variant="body2" color={flow === null ? 'error' : 'textSecondary'}>
          {flow === null ? 'nothing flows' : format(flow, 'B/s')}
          {gain !== null && Math.abs(gain) > 1e6 ? ` (${gain > 0 ? '+' : '−'}${format(Math.abs(gain), 'B/s')})` : ''}
        </Typography>
      </MenuItem>
    );
      })}
    </Menu>
  );
}
