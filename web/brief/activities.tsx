import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import type { Activity, Job } from '@kymar/core/job';
import { newId } from '../jobs/new';
import { FactField, NameField, QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';

/** Stands for the host's built-in drive at the other end. */
const BUILT_IN = '.';
const EMPTY = { value: null, source: { kind: 'unknown' } } as const;

/** What the customer does with the drive. */
export function Activities({ job, onActivities }: { job: Job; onActivities(list: Activity[]): void }) {
  const { activities } = job;
  const set = (id: string, part: Partial<Activity>) => onActivities(activities.map((a) => (a.id === id ? { ...a, ...part } : a)));
  const setEnd = ({ endpoint: _, ...activity }: Activity, end: string) => onActivities(activities.map((a) => (a.id === activity.id ? (end === BUILT_IN ? activity : { ...activity, endpoint: end }) : a)));
  const add = () => onActivities([...activities, { id: newId('activity'), kind: 'move', name: `Copy ${activities.length + 1}`, direction: 'write', bytes: EMPTY, files: EMPTY, perDay: EMPTY, wish: null }]);
  return (
    <Panel
      title="What it is used for"
      aside={
        <Button startIcon={<AddIcon />} onClick={add} disabled={activities.length >= 50}>
          Add an activity
        </Button>
      }
    >
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Type sizes and times as you would say them: 58,7 GB, 240k, 40 min, 1 a week. A range (120 to 320 GB) or “not known” is fine: the forecast widens and says so.
      </Typography>
      {activities.length === 0 && <Typography sx={{ py: 3 }}>Nothing yet. Add what the customer will do most: how much, how often, how long they will wait.</Typography>}
      <Box sx={{ display: 'grid', gap: 2 }}>
        {activities.map((activity) => (
          <Box key={activity.id} data-activity={activity.id} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.75, display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(6, minmax(0, 1fr))' }}>
            <NameField label="Activity" value={activity.name} onName={(name) => set(activity.id, { name })} sx={{ gridColumn: 'span 4' }} />
            <Box sx={{ gridColumn: 'span 2', display: 'flex', gap: 0.5 }}>
              <TextField select fullWidth label="Data goes" value={activity.direction} onChange={(e) => set(activity.id, { direction: e.target.value as Activity['direction'] })}>
                <MenuItem value="write">to the drive</MenuItem>
                <MenuItem value="read">from the drive</MenuItem>
              </TextField>
              <IconButton aria-label={`Remove ${activity.name}`} title="Remove (can be undone)" onClick={() => onActivities(activities.filter((a) => a.id !== activity.id))}>
                <DeleteOutlineIcon fontSize="small" />
              </IconButton>
            </Box>
            <FactField label="Size in one go" dimension="bytes" fact={activity.bytes} onFact={(bytes) => set(activity.id, { bytes })} sx={{ gridColumn: 'span 3' }} />
            <FactField label="Files" dimension="count" fact={activity.files} onFact={(files) => set(activity.id, { files })} sx={{ gridColumn: 'span 3' }} />
            <FactField label="How often" dimension="times" unit="per day" fact={activity.perDay} onFact={(perDay) => set(activity.id, { perDay })} sx={{ gridColumn: 'span 3' }} />
            <QuantityField label="Wanted within" dimension="time" optional value={activity.wish} onValue={(wish) => set(activity.id, { wish: wish === 0 ? null : wish })} helperText={activity.wish === null ? 'Empty: no wish' : undefined} sx={{ gridColumn: 'span 3' }} />
            {(job.host.endpoints?.length ?? 0) > 0 && (
              <TextField select label={activity.direction === 'write' ? 'Comes from' : 'Goes to'} value={activity.endpoint ?? BUILT_IN} onChange={(e) => setEnd(activity, e.target.value)} sx={{ gridColumn: '1 / -1' }}>
                <MenuItem value={BUILT_IN}>{job.host.storage.name}</MenuItem>
                {job.host.endpoints!.map(({ id, name }) => (
                  <MenuItem key={id} value={id}>
                    {name}
                  </MenuItem>
                ))}
              </TextField>
            )}
          </Box>
        ))}
      </Box>
    </Panel>
  );
}
