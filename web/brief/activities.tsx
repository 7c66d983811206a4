import { AddIcon, DeleteOutlineIcon } from '../ui/icons';
import { Autocomplete, Box, Button, IconButton, TextField } from '@mui/material';
import {
  answerOf,
  deviceName,
  isAt,
  isMove,
  mustNotStall,
  placeOf,
  traitsOf,
  withActivity,
  type Activity,
  type Job,
} from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { newId } from '../state/id';
import { belongsTo, type Placed } from '../state/placed';
import { EntryScope, forgetEntries, scopeOf } from '../ui/entries';
import { FactField, NameField, QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';
import { OtherEnds } from './ends';
import { Pick } from '../ui/pick';
import { asksMore, blank, formOf, KindFields, moreOf, ACTIVITY_KINDS, UNKNOWN } from './kinds';
import { InOneLine } from './oneline';
import { FEW, Stack } from '../ui/layout';
import { NARROW } from '../ui/narrow';
import { More } from '../ui/fold';

/** What the customer does, and on which machine and device. */
export function Activities({ job, at }: { job: Job; at: Placed | null }) {
  const { activities } = job;
  const change = (list: Activity[]) => changeJob(job.id, (j) => ({ ...j, activities: list }));
  const put = (activity: Activity) => changeJob(job.id, (j) => withActivity(j, activity));
  const without = (id: string) =>
    activities
      .filter((a) => a.id !== id)
      .map(({ besides, ...a }): Activity => {
        const left = besides?.filter((b) => b !== id) ?? [];
        return { ...a, ...(left.length > 0 ? { besides: left } : {}) };
      });
  const add = () =>
    change([
      ...activities,
      blank('move', {
        id: newId('activity'),
        name: `Copy ${activities.length + 1}`,
        perDay: UNKNOWN,
        ...belongsTo(job, at),
      }),
    ]);
  return (
    <Panel
      title="1. What does the customer do?"
      aside={
        <Button startIcon={<AddIcon />} onClick={add} disabled={activities.length >= 50}>
          Add an activity
        </Button>
      }
    >
      <InOneLine job={job} at={at} />
      <Stack gap={2}>
        {activities.map((activity) => (
          <EntryScope key={activity.id} value={scopeOf(job.id, 'setup', activity.id)}>
            <Card
              job={job}
              activity={activity}
              onActivity={put}
              onSame={() => change([...activities, ...elsewhereToo(job, activity)])}
              onRemove={() => {
                forgetEntries(scopeOf(job.id, 'setup', activity.id));
                change(without(activity.id));
              }}
            />
          </EntryScope>
        ))}
      </Stack>
    </Panel>
  );
}

/** The same for each device that has no activity of its name. */
function elsewhereToo(job: Job, activity: Activity): Activity[] {
  const { besides: _, ...alone } = activity;
  return job.devices
    .map(({ id }): Activity => ({ ...alone, id: newId('activity'), device: id }))
    .filter(({ device }) =>
      job.activities.every((a) => a.name !== activity.name || placeOf(job, a)?.device !== device),
    )
    .slice(0, 50 - job.activities.length);
}

function Card({
  job,
  activity,
  onActivity,
  onSame,
  onRemove,
}: {
  job: Job;
  activity: Activity;
  onActivity(activity: Activity): void;
  onSame(): void;
  onRemove(): void;
}) {
  const set = (part: Partial<Activity>) => onActivity({ ...activity, ...part } as Activity);
  const setBesides = (list: string[]) => {
    const { besides: _, ...rest } = activity;
    onActivity(list.length > 0 ? { ...rest, besides: list } : rest);
  };
  const place = placeOf(job, activity);
  const others = job.activities.filter(
    (a) => a.id !== activity.id && (isMove(a) || mustNotStall(a)) && (place === null || isAt(job, a, place)),
  );
  const { target, often } = formOf(activity.kind);
  const more = [
    ...moreOf(activity),
    ...(activity.today === undefined ? [] : [`takes ${format(activity.today, 's')} today`]),
    ...(activity.endpoint === undefined ? [] : ['another end']),
    ...(activity.besides?.length ? ['while others go on'] : []),
  ];
  const host = job.machines.find((m) => m.id === place?.machine)?.host;
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
        [NARROW]: { ...FEW, '& > *': { gridColumn: 'auto !important' } },
      }}
    >
      <NameField
        label="Activity"
        value={activity.name}
        onName={(name) => set({ name })}
        sx={{ gridColumn: 'span 3' }}
      />
      <Box sx={{ gridColumn: 'span 3', display: 'flex', gap: 0.5 }}>
        <Pick
          label="Kind"
          value={activity.kind}
          options={ACTIVITY_KINDS.map((kind) => [kind, formOf(kind).words])}
          onValue={(v) => {
            forgetEntries(scopeOf(job.id, 'setup', activity.id));
            onActivity(blank(v, activity));
          }}
          fullWidth
        />
        <IconButton aria-label={`Remove ${activity.name}`} title="Remove (can be undone)" onClick={onRemove}>
          <DeleteOutlineIcon fontSize="small" />
        </IconButton>
      </Box>
      <KindFields activity={activity} onActivity={onActivity} part="first" />
      {often && (
        <FactField
          label="How often"
          dimension="times"
          unit="per day"
          fact={activity.perDay}
          onFact={(perDay) => set({ perDay })}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
      {target && (
        <QuantityField
          label={target}
          dimension="time"
          bare={traitsOf(activity).answer === 'wait' ? undefined : 'min'}
          optional
          value={activity.target}
          onValue={(v) => set({ target: v === 0 ? null : v })}
          helperText={activity.target === null ? 'Empty: no target' : undefined}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
      <Where job={job} activity={activity} onActivity={onActivity} />
      {elsewhereToo(job, activity).length > 0 && (
        <Button size="small" onClick={onSame} sx={{ gridColumn: '1 / -1', justifySelf: 'start' }}>
          {job.devices.length > 2 ? 'The other devices do the same' : 'The other device does the same'}
        </Button>
      )}
      {asksMore(activity) && (
        <More
          name="brief.activity"
          title="More of this activity"
          said={more.join(', ')}
          usual={more.length > 0}
        >
          <KindFields activity={activity} onActivity={onActivity} part="more" />
          {answerOf(activity).unit === 's' && (
            <QuantityField
              label="Takes today"
              dimension="time"
              bare={isMove(activity) ? 'min' : undefined}
              optional
              value={activity.today ?? null}
              onValue={(v) => {
                const { today: _, ...rest } = activity;
                onActivity(v ? { ...rest, today: v } : rest);
              }}
              helperText={activity.today === undefined ? 'Empty: not said' : undefined}
              sx={{ gridColumn: 'span 3' }}
            />
          )}
          {host && isMove(activity) && !activity.itself && (
            <OtherEnds host={host} move={activity} onMove={onActivity} />
          )}
          {others.length > 0 && isMove(activity) && (
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
        </More>
      )}
    </Box>
  );
}

/** On which device and machine it happens, where there is a choice. What stood at the other end belongs to the old machine. */
function Where({
  job,
  activity,
  onActivity,
}: {
  job: Job;
  activity: Activity;
  onActivity(activity: Activity): void;
}) {
  const at = placeOf(job, activity);
  const onMachine = (machine: string) => {
    const { endpoint: _, ...rest } = activity;
    if ('shares' in rest) delete rest.shares;
    onActivity({ ...rest, machine });
  };
  return (
    <>
      {job.devices.length > 1 && (
        <Pick
          label="Device"
          value={at?.device ?? job.devices[0]!.id}
          options={job.devices.map((d) => [d.id, deviceName(job.devices, d.id)])}
          onValue={(v) => onActivity({ ...activity, device: v })}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
      {job.machines.length > 1 && (
        <Pick
          label="Machine"
          value={at!.machine}
          options={job.machines.map(({ id, host }) => [id, host.name])}
          onValue={onMachine}
          sx={{ gridColumn: 'span 3' }}
        />
      )}
    </>
  );
}
