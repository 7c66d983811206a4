import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import { Autocomplete, Box, Button, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import { directionOf, type Activity, type Job } from '@kymar/core/job';
import { newId } from '../jobs/new';
import { FactField, NameField, QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';
import { KindFields } from './kinds';

/** Stands for the host's built-in drive at the other end. */
const BUILT_IN = '.';
const EMPTY = { value: null, source: { kind: 'unknown' } } as const;

const KIND: Record<Activity['kind'], { words: string; wish: string | null }> = {
  move: { words: 'Move: a copy that ends', wish: 'Wanted within' },
  stream: { words: 'Stream: must not stall', wish: null },
  open: { words: 'Open: load, build, render', wish: 'Wanted within' },
  scratch: { words: 'Scratch: small and random', wish: 'Waiting a day, at most' },
  keep: { words: 'Keep: data that grows', wish: null },
};

/** An activity of a kind, with nothing known of it yet. */
function blank(kind: Activity['kind'], { id, name }: { id: string; name: string }): Activity {
  const common = { id, name, perDay: EMPTY, wish: null };
  switch (kind) {
    case 'move':
      return { ...common, kind, direction: 'write', bytes: EMPTY, files: EMPTY };
    case 'stream':
      return { ...common, kind, direction: 'write', rate: EMPTY, streams: 1, lasts: EMPTY, buffer: EMPTY };
    case 'open':
      return { ...common, kind, own: EMPTY, bytes: EMPTY, requests: EMPTY };
    case 'scratch':
      return {
        ...common,
        kind,
        operations: EMPTY,
        reads: 0.7,
        block: 4096,
        depth: 4,
        span: EMPTY,
        synchronous: false,
      };
    case 'keep':
      return { ...common, kind, now: EMPTY, growth: EMPTY };
  }
}

/** What the customer does with the drive. */
export function Activities({ job, onActivities }: { job: Job; onActivities(list: Activity[]): void }) {
  const { activities } = job;
  const put = (activity: Activity) =>
    onActivities(activities.map((a) => (a.id === activity.id ? activity : a)));
  const remove = (id: string) =>
    onActivities(
      activities
        .filter((a) => a.id !== id)
        .map(
          ({ besides, ...a }) =>
            ({
              ...a,
              ...(besides?.some((b) => b !== id) ? { besides: besides.filter((b) => b !== id) } : {}),
            }) as Activity,
        ),
    );
  const add = () =>
    onActivities([
      ...activities,
      blank('move', { id: newId('activity'), name: `Copy ${activities.length + 1}` }),
    ]);
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
        Type sizes and times as you would say them: 58,7 GB, 240k, 40 min, 1 a week. A range (120 to 320 GB)
        or “not known” is fine: the forecast widens and says so.
      </Typography>
      {activities.length === 0 && (
        <Typography sx={{ py: 3 }}>
          Nothing yet. Add what the customer will do most: how much, how often, how long they will wait.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 2 }}>
        {activities.map((activity) => (
          <Card
            key={activity.id}
            job={job}
            activity={activity}
            onActivity={put}
            onRemove={() => remove(activity.id)}
          />
        ))}
      </Box>
    </Panel>
  );
}

function Card({
  job,
  activity,
  onActivity,
  onRemove,
}: {
  job: Job;
  activity: Activity;
  onActivity(activity: Activity): void;
  onRemove(): void;
}) {
  const set = (part: Partial<Activity>) => onActivity({ ...activity, ...part } as Activity);
  const setEnd = (end: string) => {
    const { endpoint: _, ...rest } = activity;
    onActivity((end === BUILT_IN ? rest : { ...rest, endpoint: end }) as Activity);
  };
  const setBesides = (list: string[]) => {
    const { besides: _, ...rest } = activity;
    onActivity((list.length > 0 ? { ...rest, besides: list } : rest) as Activity);
  };
  const others = job.activities.filter(
    (a) => a.id !== activity.id && (a.kind === 'move' || a.kind === 'stream'),
  );
  const { wish } = KIND[activity.kind];
  const ends = job.host.endpoints ?? [];
  return (
    <Box
      data-activity={activity.id}
      sx={{
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 1.75,
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: 'repeat(6, minmax(0, 1fr))',
      }}
    >
      <NameField
        label="Activity"
        value={activity.name}
        onName={(name) => set({ name })}
        sx={{ gridColumn: 'span 3' }}
      />
      <Box sx={{ gridColumn: 'span 3', display: 'flex', gap: 0.5 }}>
        <TextField
          select
          fullWidth
          label="Kind"
          value={activity.kind}
          onChange={(e) =>
            onActivity({ ...blank(e.target.value as Activity['kind'], activity), perDay: activity.perDay })
          }
        >
          {(Object.keys(KIND) as Activity['kind'][]).map((kind) => (
            <MenuItem key={kind} value={kind}>
              {KIND[kind].words}
            </MenuItem>
          ))}
        </TextField>
        <IconButton aria-label={`Remove ${activity.name}`} title="Remove (can be undone)" onClick={onRemove}>
          <DeleteOutlineIcon fontSize="small" />
        </IconButton>
      </Box>
      <KindFields activity={activity} onActivity={onActivity} />
      {activity.kind !== 'keep' && activity.kind !== 'scratch' && (
        <FactField
          label="How often"
          dimension="times"
          unit="per day"
          fact={activity.perDay}
          onFact={(perDay) => set({ perDay })}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
      {wish && (
        <QuantityField
          label={wish}
          dimension="time"
          optional
          value={activity.wish}
          onValue={(v) => set({ wish: v === 0 ? null : v })}
          helperText={activity.wish === null ? 'Empty: no wish' : undefined}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
      {ends.length > 0 && activity.kind === 'move' && !activity.itself && (
        <TextField
          select
          label={directionOf(activity) === 'write' ? 'Comes from' : 'Goes to'}
          value={activity.endpoint ?? BUILT_IN}
          onChange={(e) => setEnd(e.target.value)}
          sx={{ gridColumn: others.length > 0 ? 'span 3' : '1 / -1' }}
        >
          <MenuItem value={BUILT_IN}>{job.host.storage.name}</MenuItem>
          {ends.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {others.length > 0 && activity.kind === 'move' && (
        <Autocomplete
          multiple
          size="small"
          options={others.map((a) => a.id)}
          value={(activity.besides ?? []).filter((id) => others.some((a) => a.id === id))}
          getOptionLabel={(id) => others.find((a) => a.id === id)?.name ?? id}
          onChange={(_, list) => setBesides(list.slice(0, 10))}
          renderInput={(params) => (
            <TextField
              {...params}
              label="While these go on"
              placeholder={activity.besides?.length ? '' : 'nothing else'}
            />
          )}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
    </Box>
  );
}
