import { Alert, Box, Button, LinearProgress, MenuItem, TextField, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { Label, RunRequest, Target } from '@kymar/core/measure';
import type { Job } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { format } from '@kymar/core/units';
import { beginRun, useRuns } from '../state/runs';
import { stopRun, targets } from '../state/server';
import { EntryScope, scopeOf, useWrongIn } from '../ui/entries';
import { QuantityField } from '../ui/field';
import { FlowLine } from './flowline';

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
  at: Placed | null;
  /** Where it is measured, by the place's key. */
  where: string;
  note: string;
  temperature: number | null;
}

/** Real sequential runs by the server, in one of the folders it was started with. */
export function RealBench({ job, at, where, note, temperature }: Props) {
  const [list, setList] = useState<Target[] | null>(null);
  // A refusal stays until it is read; that the folders cannot be looked at goes when they can.
  const [refused, setRefused] = useState<string | null>(null);
  const [unseen, setUnseen] = useState<string | null>(null);
  const [chosen, setChosen] = useState('');
  const [bytes, setBytes] = useState<number | null>(2e9);
  const [mode, setMode] = useState<RunRequest['mode']>('write-read');
  const [block, setBlock] = useState<RunRequest['block']>(1048576);
  const [under, setUnder] = useState<'job' | 'other'>('other');
  const all = useRuns((s) => s.going);
  const going =
    Object.values(all).find((g) => g.run.request.purpose?.job === job.id) ?? Object.values(all)[0] ?? null;
  const ended = going === null;

  useEffect(() => {
    let alive = true;
    targets().then(
      (found) => alive && (setList(found), setUnseen(null)),
      (error: Error) => alive && setUnseen(error.message),
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
      await beginRun({
        target: target!.id,
        mode,
        bytes: Math.round(bytes!),
        block,
        purpose: { job: job.id, place: under === 'job' ? where : null, note, temperature },
      });
    } catch (error) {
      setRefused((error as Error).message);
    }
  };

  const tbw = at?.build?.drive.tbw.value;
  const rating =
    under === 'job' && typeof tbw === 'number' && bytes
      ? ` That is ${format(bytes / tbw, '%', 2)} of this drive’s rating.`
      : '';
  const wrong = useWrongIn(scopeOf(job.id, 'bench', 'real'));
  const tooMuch = target && bytes !== null && bytes > target.room;
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
                  <QuantityField
                    label="Size"
                    dimension="bytes"
                    value={bytes}
                    onValue={setBytes}
                    {...(tooMuch ? { error: true } : {})}
                  />
                  <TextField
                    select
                    label="Do"
                    value={mode}
                    onChange={(e) => setMode(e.target.value as RunRequest['mode'])}
                  >
                    <MenuItem value="write">Write it</MenuItem>
                    <MenuItem value="write-read">Write it, then read it back</MenuItem>
                  </TextField>
                  <TextField
                    select
                    label="Request size"
                    value={block}
                    onChange={(e) => setBlock(Number(e.target.value) as RunRequest['block'])}
                  >
                    <MenuItem value={131072}>128 KiB</MenuItem>
                    <MenuItem value={1048576}>1 MiB</MenuItem>
                    <MenuItem value={4194304}>4 MiB</MenuItem>
                  </TextField>
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
                  One file, front to back, past the host’s memory where the file system allows it, with data
                  that does not compress; removed afterwards. Writes{' '}
                  {bytes === null ? '' : format(bytes, 'B')}.{rating}
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
                  target.problem !== null || bytes === null || bytes < 1 << 20 || tooMuch || wrong.length > 0
                }
                onClick={() => void start()}
              >
                Start the run
              </Button>
            )}
          </>
        )}
      </Box>
    </EntryScope>
  );
}
