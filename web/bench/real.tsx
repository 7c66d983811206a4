import { Alert, Box, Button, LinearProgress, MenuItem, TextField, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { create } from 'zustand';
import type { RealResult, RunEvent, RunRequest, Sample, Target } from '@kymar/core/bench';
import type { Job } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { stopRun, followRun, startRun, targets } from '../state/server';
import { QuantityField } from '../ui/field';
import { FlowLine } from './flowline';
import type { Taken } from '.';

interface Going {
  id: string;
  folder: string;
  direction: 'read' | 'write';
  samples: Sample[];
  total: number;
}

/** The run that goes on: it does so while other views are looked at, and is found again on coming back. */
const useGoing = create<{ going: Going | null }>(() => ({ going: null }));
const setGoing = (to: Going | null | ((now: Going | null) => Going | null)) => useGoing.setState(({ going }) => ({ going: typeof to === 'function' ? to(going) : to }));

/** Real sequential runs by the server, in one of the folders it was started with. */
export function RealBench({ job, onTaken }: { job: Job; onTaken(taken: Taken): void }) {
  const [list, setList] = useState<Target[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState('');
  const [bytes, setBytes] = useState<number | null>(2e9);
  const [mode, setMode] = useState<RunRequest['mode']>('write-read');
  const [block, setBlock] = useState<RunRequest['block']>(1048576);
  const [under, setUnder] = useState<'job' | 'other'>('other');
  const { going } = useGoing();
  const alive = useRef(true);

  const look = () =>
    targets().then(
      (found) => alive.current && (setList(found), setProblem(null)),
      (error: Error) => alive.current && setProblem(error.message),
    );
  useEffect(() => {
    alive.current = true;
    void look();
    return () => {
      alive.current = false;
    };
  }, []);
  const target = list?.find((t) => t.id === chosen) ?? list?.find((t) => !t.problem) ?? list?.[0];

  const hear = (event: RunEvent) => {
    if (event.type === 'progress') setGoing((g) => g && { ...g, direction: event.direction, total: event.total, samples: g.direction === event.direction ? [...g.samples, event] : [event] });
    else if (event.type === 'failed') setProblem(event.aborted ? null : event.problem);
    else event.results.forEach((result) => onTaken(takenOf(result, event.target, under, block)));
  };
  const start = async () => {
    setProblem(null);
    try {
      const { id } = await startRun({ target: target!.id, mode, bytes: Math.round(bytes!), block });
      setGoing({ id, folder: target!.folder, direction: 'write', samples: [], total: bytes! });
      await followRun(id, hear);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setGoing(null);
      void look();
    }
  };

  const tbw = job.build?.drive.tbw.value;
  const rating = under === 'job' && typeof tbw === 'number' && bytes ? ` That is ${format(bytes / tbw, '%', 2)} of this drive’s rating.` : '';
  const tooMuch = target && bytes !== null && bytes > target.room;
  const last = going?.samples.at(-1);
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      {problem && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      {!list && !problem && <Typography color="textSecondary">Looking at the folders …</Typography>}
      {target && (
        <>
          {!going && (
            <>
              <TextField select label="Folder" value={target.id} onChange={(e) => setChosen(e.target.value)} helperText={`${target.device ?? 'device not known'}, ${target.fileSystem ?? 'file system not known'}; room for ${format(target.room, 'B')}, ${format(target.reserve, 'B')} stay free`}>
                {list!.map((t) => (
                  <MenuItem key={t.id} value={t.id}>
                    {t.folder}
                  </MenuItem>
                ))}
              </TextField>
              {target.problem && (
                <Alert severity="warning" variant="outlined" action={<Button onClick={() => void look()}>Look again</Button>}>
                  {target.problem}
                </Alert>
              )}
              {target.labels.length > 0 && (
                <Alert severity="warning" variant="outlined">
                  This folder is {target.labels.join(' and ')}: {target.labels.includes('memory-backed') ? 'a run here measures memory, is kept under that name and never used.' : 'figures from here speak for more than the drive.'}
                </Alert>
              )}
              <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
                <QuantityField label="Size" dimension="bytes" value={bytes} onValue={setBytes} {...(tooMuch ? { error: true } : {})} />
                <TextField select label="Do" value={mode} onChange={(e) => setMode(e.target.value as RunRequest['mode'])}>
                  <MenuItem value="write">Write it</MenuItem>
                  <MenuItem value="write-read">Write it, then read it back</MenuItem>
                </TextField>
                <TextField select label="Request size" value={block} onChange={(e) => setBlock(Number(e.target.value) as RunRequest['block'])}>
                  <MenuItem value={131072}>128 KiB</MenuItem>
                  <MenuItem value={1048576}>1 MiB</MenuItem>
                  <MenuItem value={4194304}>4 MiB</MenuItem>
                </TextField>
                <TextField select label="The folder lies on" value={under} onChange={(e) => setUnder(e.target.value as 'job' | 'other')} disabled={!job.build}>
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
                One file, front to back, past the host’s memory where the file system allows it, with data that does not compress; removed afterwards. Writes {bytes === null ? '' : format(bytes, 'B')}.{rating}
              </Typography>
            </>
          )}
          {going ? (
            <>
              <FlowLine samples={going.samples} total={going.total} />
              <LinearProgress variant="determinate" value={last ? (100 * last.bytes) / going.total : 0} aria-label="Progress of the run" />
              <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
                <Typography role="status" sx={{ flex: 1 }}>
                  {going.direction === 'write' ? 'Writing' : 'Reading'} in {going.folder}: {format(last?.bytes ?? 0, 'B')} of {format(going.total, 'B')}
                  {last && last.t > 0.3 ? `, ${format(last.bytes / last.t, 'B/s')}` : ''}
                </Typography>
                <Button variant="outlined" color="error" onClick={() => void stopRun(going.id).catch((e: Error) => setProblem(e.message))}>
                  Stop and clean up
                </Button>
              </Box>
            </>
          ) : (
            <Button variant="contained" disabled={target.problem !== null || bytes === null || bytes < 1 << 20 || tooMuch} onClick={() => void start()}>
              Start the run
            </Button>
          )}
        </>
      )}
    </Box>
  );
}

/** A result as a run. Through the host's memory a figure means something only well above its size. */
function takenOf(result: RealResult, target: Target, under: 'job' | 'other', block: number): Taken {
  const { direction, bytes, seconds, samples, through } = result;
  const buffered = through === 'buffered' && bytes < 2 * target.memory;
  const note = [`${target.fileSystem ?? 'file system not known'}, ${through === 'direct' ? 'past the host’s memory' : 'through the host’s memory'}`, ...target.labels].join(', ');
  return {
    activity: null,
    direction,
    otherEnd: 'memory',
    source: 'real',
    measure: { kind: 'timed', bytes, files: 1, seconds, until: 'written', error: 0.001, correction: 0, laps: [], block, depth: 1 },
    samples: samples.slice(0, 2000),
    ...(under === 'other' ? { path: null } : {}),
    conditions: { note, target: target.folder, memoryBacked: target.labels.includes('memory-backed') || buffered },
  };
}
