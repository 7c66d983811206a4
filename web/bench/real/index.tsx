import { Alert, Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { Label, Target } from '@kymar/core/measure';
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
import { FIRST, WAYS, type Choices, type Way, type WayId } from './ways';

const LABEL: Record<Label, string> = {
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
const NONE: Target[] = [];

/** Real runs by the server, in one of the folders it was started with. */
export function RealBench({ job, size, at, where, activity, conditions }: Props) {
  const [refused, setRefused] = useState<string | null>(null);
  const [target, setTarget] = useState('');
  const [chosen, setChosen] = useState<Choices>(() => ({ ...FIRST, bytes: size ?? FIRST.bytes }));
  const [mode, setMode] = useState<WayId>('write-read');
  const [under, setUnder] = useState<'job' | 'other'>(size === null ? 'other' : 'job');
  const all = Object.values(useRuns((s) => s.going)).filter((g) => g.total !== null);
  const queue = all.filter((g) => g.waiting !== null);
  const working = all.filter((g) => g.waiting === null);
  const going = working.find((g) => g.run.request.purpose?.job === job.id) ?? working[0] ?? null;
  const { list, from, unseen, look } = useFolders(going === null);
  const wrong = useWrongAt(job.id, 'real');
  const place = list?.find((t) => t.id === target) ?? list?.find((t) => !t.problem) ?? list?.[0];
  const way: Way = WAYS[mode];
  const around = place && { target: place, sources: from, activity };
  const request = around ? way.request(chosen, around) : null;

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
      <Box sx={{ display: 'grid', gap: 1.5 }}>
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
        {place && around && (
          <>
            {going && <Typography variant="h3">Next</Typography>}
            <FolderField list={list!} place={place} onChoose={setTarget} look={look} />
            <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
              <TextField select label="Do" value={mode} onChange={(e) => setMode(e.target.value as WayId)}>
                {Object.entries(WAYS).map(([id, { label }]) => (
                  <MenuItem key={id} value={id}>
                    {label}
                  </MenuItem>
                ))}
              </TextField>
              <way.Fields
                key={mode}
                chosen={chosen}
                choose={(change) => setChosen((had) => ({ ...had, ...change }))}
                around={around}
              />
              <TextField
                select
                label="The folder lies on"
                value={under}
                onChange={(e) => setUnder(e.target.value as 'job' | 'other')}
                disabled={!at?.build}
              >
                <MenuItem value="other">some other drive</MenuItem>
                <MenuItem value="job">this job’s drive, where chosen above</MenuItem>
              </TextField>
            </Box>
            <Cost way={way} chosen={chosen} place={place} tbw={under === 'job' ? ratingOf(at) : null} />
            <Button
              variant={going ? 'outlined' : 'contained'}
              disabled={place.problem !== null || request === null || wrong.length > 0}
              onClick={() => void start()}
            >
              {going ? 'Put it into the queue' : way.start}
            </Button>
          </>
        )}
      </Box>
    </EntryScope>
  );
}

/** B that a drive is rated for; null where that is not one number. */
function ratingOf(at: Placed | null): number | null {
  const tbw = at?.build?.drive.tbw.value;
  return typeof tbw === 'number' ? tbw : null;
}

/** What a way does, what it writes, and what share of the drive's rating that is. */
function Cost({ way, chosen, place, tbw }: { way: Way; chosen: Choices; place: Target; tbw: number | null }) {
  const writes = way.writes(chosen);
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
  list: readonly Target[];
  place: Target;
  onChoose(id: string): void;
  look(): void;
}) {
  const { way, room, reserve, problem, labels } = place;
  return (
    <>
      <TextField
        select
        label="Folder"
        value={place.id}
        onChange={(e) => onChoose(e.target.value)}
        helperText={`${way || 'device not known'}; room for ${format(room, 'B')}, ${format(reserve, 'B')} stay free`}
      >
        {list.map((t) => (
          <MenuItem key={t.id} value={t.id}>
            {t.folder}
          </MenuItem>
        ))}
      </TextField>
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
