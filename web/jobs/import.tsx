import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readJob, type Job } from '@kymar/core/job';
import { putJobs, useJobs } from '../state/jobs';
import { newId } from './new';

interface Importing {
  /** A sound job that waits for a yes, because one with its id is there. */
  waiting: Job | null;
  problems: string[];
  take(files: FileList | null): Promise<void>;
  accept(job: Job): void;
  dismiss(): void;
}

/** Reads a job file; nothing is changed before it is sound and, where a job would be replaced, accepted. */
export function useImport(): Importing {
  const navigate = useNavigate();
  const [waiting, setWaiting] = useState<Job | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const dismiss = () => {
    setWaiting(null);
    setProblems([]);
  };
  const accept = (job: Job) => {
    dismiss();
    putJobs([job]);
    void navigate(`/jobs/${job.id}/brief`);
  };
  const take = async (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    const read = readJob(await file.text().catch(() => ''));
    if (!read.ok) return setProblems(read.problems.map((p) => `${file.name}: ${p}`));
    setProblems([]);
    const mine = useJobs.getState().jobs[read.value.id];
    if (!mine) accept(read.value);
    else setWaiting(read.value);
  };
  return { waiting, problems, take, accept, dismiss };
}

const when = (at: string) => new Date(at).toLocaleString('en-GB');

export function ImportDialog({ waiting, accept, dismiss }: Importing) {
  const mine = useJobs((s) => (waiting ? s.jobs[waiting.id] : undefined));
  if (!waiting || !mine) return null;
  const line = (job: Job) => `revision ${job.revision}, changed ${when(job.changed)}, ${job.runs.length} runs, ${job.forecasts.length} frozen forecasts`;
  const same = JSON.stringify(mine) === JSON.stringify(waiting);
  return (
    <Dialog open onClose={dismiss}>
      <DialogTitle>“{mine.title}” is here already</DialogTitle>
      <DialogContent>
        <Typography variant="body2">Here: {line(mine)}.</Typography>
        <Typography variant="body2" sx={{ mb: 1 }}>
          In the file: {line(waiting)}.
        </Typography>
        <Typography variant="body2">{same ? 'They are the same.' : 'Replacing can be undone.'}</Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={dismiss}>Keep mine</Button>
        <Button onClick={() => accept({ ...waiting, id: newId('job'), title: `${waiting.title} (imported)` })}>Keep both</Button>
        <Button variant="contained" onClick={() => accept({ ...waiting, revision: Math.max(mine.revision, waiting.revision) + 1 })}>
          Replace
        </Button>
      </DialogActions>
    </Dialog>
  );
}
