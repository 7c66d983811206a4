import { Alert, Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { TargetLabel, RunTarget } from '@kymar/core/measure';
import type { Activity, Job } from '@kymar/core/job';
import type { Placed } from '../../state/placed';
import { format } from '@kymar/core/units';
import { beginRun, useRuns } from '../../state/runs';
import { useAnswer } from '../../state/gate';
import { SOURCES, TARGETS } from '../../state/here';
import { EntryScope, scopeOf } from '../../ui/entries';
import type { Conditions } from '../conditions';
import { purposeOf } from '../purpose';
import { useWrongAt } from '../wrong';
import { GoingRun, Queue } from './going';
import { Pick } from '../../ui/pick';
import { SchemaForm } from '../../ui/form';
import {
  withValues,
  requestOf,
  sized,
  valuesOf,
  WAYS,
  writesOf,
  type Choices,
  type MeasuringWay,
  type WayId,
} from './ways';
import { Columns, Stack } from '../../ui/layout';

const LABEL: Record<TargetLabel, string> = {
  'memory-backed': 'it lies in memory: a run here measures memory, is kept under that name and never used',
  'cached-through':
    'it is a file served as a disk, with the host’s memory before it: a run here measures memory and is never used',
  network: 'it lies on a network: figures speak for the network too',
  compressed: 'what is written is compressed on the way: figures speak for the processor too',
  encrypted: 'what is written is encrypted on the way: figures speak for the processor too',
  'not followed':
    'what it lies on cannot be followed down to a device: figures may speak for more than a drive',
};

interface Props {
  job: Job;
  /** B that a test of the protocol asks for; null: nobody does. */
  size: number | null;
  at: Placed | null;
  /** Where it is measured, by the place's key. */
  where: string;
  /** What real work stands for. */
  activity: Activity | null;
  conditions: Conditions;
}

/** The server's folders, looked at anew whenever a run ends. */
function useFolders(ended: boolean) {
  const { data: list = null, problem, again } = useAnswer({ ...TARGETS, about: [ended] });
  const { data: from = NONE, again: lookFrom } = useAnswer({ ...SOURCES, about: [ended] });
  const look = () => {
    again();
    lookFrom();
  };
  // A refusal stays until it is read; that the folders cannot be looked at goes when they can.
  return { list, from, unseen: problem, look };
}
const NONE: RunTarget[] = [];

/** Real runs by the server, in one of the folders it was started with. */
export function RealBench({ job, size, at, where, activity, conditions }: Props) {
  const [refused, setRefused] = useState<string | null>(null);
  const [target, setTarget] = useState('');
  const [chosen, setChosen] = useState<Choices>(() => sized(size));
  const [read, setRead] = useState('');
  const [mode, setMode] = useState<WayId>('write-read');
  const [under, setUnder] = useState<'job' | 'other'>(size === null ? 'other' : 'job');
  const all = Object.values(useRuns((s) => s.going)).filter((g) => g.total !== null);
  const queue = all.filter((g) => g.waiting !== null);
  const working = all.filter((g) => g.waiting === null);
  const going = working.find((g) => g.run.request.purpose?.job === job.id) ?? working[0] ?? null;
  const { list, from, unseen, look } = useFolders(going === null);
  const wrong = useWrongAt(job.id, 'real');
  const place = list?.find((t) => t.id === target) ?? list?.find((t) => !t.problem) ?? list?.[0];
  const way: MeasuringWay = WAYS[mode];
  const source = from.find((f) => f.id === read) ?? from[0];
  const request = place ? requestOf(way, chosen, place, source) : null;
  const writes = writesOf(way, request);

  const start = async () => {
    setRefused(null);
    try {
      const purpose = purposeOf(
        {
          job: job.id,
          place: under === 'job' ? where : null,
          ...(way.isWork ? { activity: activity?.id ?? null } : {}),
        },
        conditions,
      );
      await beginRun({ ...request!, purpose, ...(going ? { queue: true } : {}) });
    } catch (error) {
      setRefused((error as Error).message);
    }
  };

  return (
    <EntryScope value={scopeOf(job.id, 'bench', 'real')}>
      <Stack>
        {refused && (
          <Alert severity="error" variant="outlined" onClose={() => setRefused(null)}>
            {refused}
          </Alert>
        )}
        {unseen && (
          <Alert severity="warning" variant="outlined" action={<Button onClick={look}>Look again</Button>}>
            {unseen}
          </Alert>
        )}
        {!list && !unseen && <Typography color="textSecondary">Looking at the folders …</Typography>}
        {going && <GoingRun going={going} onProblem={setRefused} />}
        <Queue list={queue} onProblem={setRefused} />
        {place && (
          <>
            {going && <Typography variant="h3">Next</Typography>}
            <FolderField list={list!} place={place} onChoose={setTarget} look={look} />
            <Columns of={2}>
              <Pick
                label="Do"
                value={mode}
                options={(Object.keys(WAYS) as WayId[]).map((id) => [id, WAYS[id].label])}
                onValue={setMode}
              />
              {way.source && (
                <Pick
                  label={way.source}
                  value={source?.id ?? ''}
                  options={from.map((f) => [f.id, f.folder])}
                  onValue={setRead}
                  helperText={
                    source ? (source.problem ?? undefined) : 'Start Kymar with --source and a folder'
                  }
                />
              )}
              <SchemaForm
                key={mode}
                of={way.request}
                values={valuesOf(way, chosen)}
                onValues={(values) => setChosen(withValues(way, chosen, values))}
                unsaid=""
                refuse={(key, value) =>
                  key === 'bytes' && (value as number) > place.room
                    ? `${format(value as number, 'B')} do not fit: room is for ${format(place.room, 'B')}`
                    : null
                }
              />
              <Pick
                label="The folder lies on"
                value={under}
                options={[
                  ['other', 'some other drive'],
                  ['job', 'this job’s drive, where chosen above'],
                ]}
                onValue={(v) => setUnder(v)}
                disabled={!at?.build}
              />
            </Columns>
            <Cost way={way} writes={writes} place={place} tbw={under === 'job' ? ratingOf(at) : null} />
            <Button
              variant={going ? 'outlined' : 'contained'}
              disabled={
                place.problem !== null || request === null || (writes ?? 0) > place.room || wrong.length > 0
              }
              onClick={() => void start()}
            >
              {going ? 'Put it into the queue' : way.start}
            </Button>
          </>
        )}
      </Stack>
    </EntryScope>
  );
}

/** B that a drive is rated for; null where that is not one number. */
function ratingOf(at: Placed | null): number | null {
  const tbw = at?.build?.drive.tbw.value;
  return typeof tbw === 'number' ? tbw : null;
}

/** What a way does, what it writes, and what share of the drive's rating that is. */
function Cost({
  way,
  writes,
  place,
  tbw,
}: {
  way: MeasuringWay;
  writes: number | null;
  place: RunTarget;
  tbw: number | null;
}) {
  const rating =
    tbw !== null && writes ? ` That is ${format(writes / tbw, '%', 2)} of this drive’s rating.` : '';
  return (
    <>
      {writes !== null && writes > place.room && (
        <Alert severity="warning" variant="outlined">
          {format(writes, 'B')} do not fit: room is for {format(place.room, 'B')}.
        </Alert>
      )}
      <Typography variant="body2" color="textSecondary">
        {way.says} {writes ? `Writes ${format(writes, 'B')}.${rating}` : ''}
      </Typography>
    </>
  );
}

function FolderField({
  list,
  place,
  onChoose,
  look,
}: {
  list: readonly RunTarget[];
  place: RunTarget;
  onChoose(id: string): void;
  look(): void;
}) {
  const { way, room, reserve, problem, labels } = place;
  return (
    <>
      <Pick
        label="Folder"
        value={place.id}
        options={list.map((t) => [t.id, t.folder])}
        onValue={onChoose}
        helperText={`${way || 'device not known'}; room for ${format(room, 'B')}, ${format(reserve, 'B')} stay free`}
      />
      {problem && (
        <Alert severity="warning" variant="outlined" action={<Button onClick={look}>Look again</Button>}>
          {problem}
        </Alert>
      )}
      {labels.length > 0 && (
        <Alert severity="warning" variant="outlined">
          This folder lies on {way || 'something unknown'}: {labels.map((label) => LABEL[label]).join('; ')}.
        </Alert>
      )}
    </>
  );
}
