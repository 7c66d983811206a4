import { Alert, Box, Button, LinearProgress, MenuItem, TextField, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { Label, RandomRequest, SequentialRequest, Target } from '@kymar/core/measure';
import type { Activity, Job } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { format } from '@kymar/core/units';
import { beginRun, useRuns } from '../state/runs';
import { sources, stopRun, targets } from '../state/server';
import { EntryScope, scopeOf } from '../ui/entries';
import { QuantityField } from '../ui/field';
import type { Conditions } from './conditions';
import { FlowLine } from './flowline';
import { purposeOf } from './purpose';
import { useWrongAt } from './wrong';

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

const BLOCKS = [
  [4096, '4 KiB'],
  [16384, '16 KiB'],
  [65536, '64 KiB'],
  [131072, '128 KiB'],
] as const;
const DEPTHS = [1, 2, 4, 8, 16, 32].map((depth) => [depth, String(depth)] as const);
const MIXES = [
  [1, 'all reads'],
  [0.7, '70 % reads, 30 % writes'],
  [0, 'all writes'],
] as const;

function choice(
  label: string,
  value: number,
  options: readonly (readonly [number, string])[],
  onChoose: (value: number) => void,
) {
  return (
    <TextField select label={label} value={value} onChange={(e) => onChoose(Number(e.target.value))}>
      {options.map(([option, words]) => (
        <MenuItem key={option} value={option}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface Props {
  job: Job;
  /** B that a test of the protocol asks for; null: nobody does. */
  size: number | null;
  at: Placed | null;
  /** Where it is measured, by the place's key. */
  where: string;
  /** What a copy stands for. */
  activity: Activity | null;
  conditions: Conditions;
}

/** Real sequential runs by the server, in one of the folders it was started with. */
export function RealBench({ job, size, at, where, activity, conditions }: Props) {
  const [list, setList] = useState<Target[] | null>(null);
  // A refusal stays until it is read; that the folders cannot be looked at goes when they can.
  const [refused, setRefused] = useState<string | null>(null);
  const [unseen, setUnseen] = useState<string | null>(null);
  const [chosen, setChosen] = useState('');
  const [bytes, setBytes] = useState<number | null>(size ?? 2e9);
  const [mode, setMode] = useState<SequentialRequest['mode'] | 'probe' | 'random' | 'copy'>('write-read');
  const [from, setFrom] = useState<Target[]>([]);
  const [chosenFrom, setChosenFrom] = useState('');
  const source = from.find((s) => s.id === chosenFrom) ?? from[0];
  // Of small requests: size, how many under way, share that reads, for how long.
  const [small, setSmall] = useState<RandomRequest['block']>(4096);
  const [depth, setDepth] = useState(1);
  const [reads, setReads] = useState(1);
  const [lasts, setLasts] = useState<number | null>(20);
  /** s that a probe may take. */
  const [minutes, setMinutes] = useState<number | null>(20 * 60);
  const [block, setBlock] = useState<SequentialRequest['block']>(1048576);
  const [under, setUnder] = useState<'job' | 'other'>(size === null ? 'other' : 'job');
  const all = useRuns((s) => s.going);
  const real = Object.values(all).flatMap((g) => (g.total === null ? [] : [{ ...g, total: g.total }]));
  const going = real.find((g) => g.run.request.purpose?.job === job.id) ?? real[0] ?? null;
  const ended = going === null;

  useEffect(() => {
    let alive = true;
    targets().then(
      (found) => alive && (setList(found), setUnseen(null)),
      (error: Error) => alive && setUnseen(error.message),
    );
    sources().then(
      (found) => alive && setFrom(found),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [ended]);
  const look = () =>
    void targets().then(
      (found) => (setList(found), setUnseen(null)),
      (error: Error) => setUnseen(error.message),
    );
  const target = list?.find((t) => t.id === chosen) ?? list?.find((t) => !t.problem) ?? list?.[0];

  const start = async () => {
    setRefused(null);
    try {
      const purpose = purposeOf(
        {
          job: job.id,
          place: under === 'job' ? where : null,
          ...(mode === 'copy' ? { activity: activity?.id ?? null } : {}),
        },
        conditions,
      );
      if (mode === 'copy')
        return await beginRun({ kind: 'copy', source: source!.id, target: target!.id, purpose });
      const of = { target: target!.id, bytes: Math.round(bytes!) };
      const how =
        mode === 'probe'
          ? { kind: 'probe' as const, seconds: minutes! }
          : mode === 'random'
            ? { kind: 'random' as const, block: small, depth, reads, seconds: lasts! }
            : { kind: 'sequential' as const, mode, block };
      await beginRun({ ...of, ...how, purpose });
    } catch (error) {
      setRefused((error as Error).message);
    }
  };

  const tbw = at?.build?.drive.tbw.value;
  const rating =
    under === 'job' && typeof tbw === 'number' && bytes
      ? ` That is ${format(bytes / tbw, '%', 2)} of this drive’s rating.`
      : '';
  const wrong = useWrongAt(job.id, 'real');
  const tooMuch = target && bytes !== null && bytes > target.room;
  const least = { probe: 1 << 30, random: 1 << 26, write: 1 << 20, 'write-read': 1 << 20, copy: 0 }[mode];
  const isTimed =
    mode === 'probe'
      ? minutes !== null && minutes >= 10
      : mode !== 'random' || (lasts !== null && lasts >= 1 && lasts <= 3600);
  const last = going?.samples.at(-1);
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
        {target && (
          <>
            {!going && (
              <>
                <TextField
                  select
                  label="Folder"
                  value={target.id}
                  onChange={(e) => setChosen(e.target.value)}
                  helperText={`${target.way || 'device not known'}; room for ${format(target.room, 'B')}, ${format(target.reserve, 'B')} stay free`}
                >
                  {list!.map((t) => (
                    <MenuItem key={t.id} value={t.id}>
                      {t.folder}
                    </MenuItem>
                  ))}
                </TextField>
                {target.problem && (
                  <Alert
                    severity="warning"
                    variant="outlined"
                    action={<Button onClick={look}>Look again</Button>}
                  >
                    {target.problem}
                  </Alert>
                )}
                {target.labels.length > 0 && (
                  <Alert severity="warning" variant="outlined">
                    This folder lies on {target.way || 'something unknown'}:{' '}
                    {target.labels.map((label) => LABEL[label]).join('; ')}.
                  </Alert>
                )}
                <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
                  {mode === 'copy' ? (
                    <TextField
                      select
                      label="Folder that is copied"
                      value={source?.id ?? ''}
                      onChange={(e) => setChosenFrom(e.target.value)}
                      helperText={
                        source ? (source.problem ?? undefined) : 'Start Kymar with --source and a folder'
                      }
                    >
                      {from.map((f) => (
                        <MenuItem key={f.id} value={f.id}>
                          {f.folder}
                        </MenuItem>
                      ))}
                    </TextField>
                  ) : (
                    <QuantityField
                      label={mode === 'probe' ? 'Writes at most' : 'Size'}
                      dimension="bytes"
                      value={bytes}
                      onValue={setBytes}
                      {...(tooMuch ? { error: true } : {})}
                    />
                  )}
                  <TextField
                    select
                    label="Do"
                    value={mode}
                    onChange={(e) => setMode(e.target.value as typeof mode)}
                  >
                    <MenuItem value="write">Write it</MenuItem>
                    <MenuItem value="write-read">Write it, then read it back</MenuItem>
                    <MenuItem value="random">Random reads and writes</MenuItem>
                    <MenuItem value="copy">Copy a folder, read back and compared</MenuItem>
                    <MenuItem value="probe">Probe: cache, sustained rate, recovery</MenuItem>
                  </TextField>
                  {mode === 'copy' ? null : mode === 'random' ? (
                    <>
                      {choice('Block size', small, BLOCKS, (v) => setSmall(v as RandomRequest['block']))}
                      {choice('Queue depth', depth, DEPTHS, setDepth)}
                      {choice('Mix', reads, MIXES, setReads)}
                      <QuantityField label="For" dimension="time" bare="s" value={lasts} onValue={setLasts} />
                    </>
                  ) : mode === 'probe' ? (
                    <QuantityField
                      label="Takes at most"
                      dimension="time"
                      value={minutes}
                      onValue={setMinutes}
                    />
                  ) : (
                    <TextField
                      select
                      label="Request size"
                      value={block}
                      onChange={(e) => setBlock(Number(e.target.value) as SequentialRequest['block'])}
                    >
                      <MenuItem value={131072}>128 KiB</MenuItem>
                      <MenuItem value={1048576}>1 MiB</MenuItem>
                      <MenuItem value={4194304}>4 MiB</MenuItem>
                    </TextField>
                  )}
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
                {tooMuch && (
                  <Alert severity="warning" variant="outlined">
                    {format(bytes, 'B')} do not fit: room is for {format(target.room, 'B')}.
                  </Alert>
                )}
                <Typography variant="body2" color="textSecondary">
                  {mode === 'probe'
                    ? 'Writes until the end of the cache was seen and the rate behind it is known, rests half a minute and writes on to see ' +
                      'how much came back; ends sooner where it has spent what it may. Removed afterwards. '
                    : mode === 'copy'
                      ? 'Every file as it is, hashed on the way, until all is written; then read back past the host’s memory and compared. ' +
                        'The copy is removed, its manifest can be saved. '
                      : mode === 'random'
                        ? 'A file is laid out, then blocks of it are asked for anywhere, past the host’s memory where the file system allows it; ' +
                          'how many a second, and how long each took. Removed afterwards. '
                        : 'One file, front to back, past the host’s memory where the file system allows it, with data that does not compress; ' +
                          'removed afterwards. '}
                  {mode === 'copy'
                    ? ''
                    : `Writes ${mode === 'probe' ? 'at most ' : ''}${bytes === null ? '' : format(bytes, 'B')}.${rating}`}
                </Typography>
              </>
            )}
            {going ? (
              <>
                <FlowLine samples={going.samples} total={going.total} />
                <LinearProgress
                  variant="determinate"
                  value={last ? (100 * last.bytes) / going.total : 0}
                  aria-label="Progress of the run"
                />
                <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
                  <Typography role="status" sx={{ flex: 1 }}>
                    {going.direction === 'write' ? 'Writing' : 'Reading'} in {going.run.folder}:{' '}
                    {format(last?.bytes ?? 0, 'B')} of {format(going.total, 'B')}
                    {last && last.t > 0.3 ? `, ${format(last.bytes / last.t, 'B/s')}` : ''}
                  </Typography>
                  <Button
                    variant="outlined"
                    color="error"
                    onClick={() => void stopRun(going.run.id).catch((e: Error) => setRefused(e.message))}
                  >
                    Stop and clean up
                  </Button>
                </Box>
              </>
            ) : (
              <Button
                variant="contained"
                disabled={
                  target.problem !== null ||
                  (mode === 'copy' && (source === undefined || source.problem !== null)) ||
                  bytes === null ||
                  bytes < least ||
                  tooMuch ||
                  wrong.length > 0 ||
                  !isTimed
                }
                onClick={() => void start()}
              >
                {mode === 'probe' ? 'Probe it' : 'Start the run'}
              </Button>
            )}
          </>
        )}
      </Box>
    </EntryScope>
  );
}
