import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { jobPlaces, type Job } from '@kymar/core/job';
import { counted, moment } from '@kymar/core/units';
import { putJobs, useJobs } from '../state/jobs';
import { useStatus } from '../state/status';
import { read, type FileRead } from '../workers';
import { Pick } from '../ui/pick';
import { newId } from '../state/id';

interface Importing {
  /** Files that were read and wait for a yes. */
  found: FileRead[];
  reading: boolean;
  take(files: FileList | null): Promise<void>;
  dismiss(): void;
}

/** Reads job files beside the page; nothing is changed before it is sound and accepted. */
export function useImport(): Importing {
  const navigate = useNavigate();
  const [found, setFound] = useState<FileRead[]>([]);
  const [reading, setReading] = useState(false);
  const dismiss = () => setFound([]);
  const take = async (files: FileList | null) => {
    if (!files || files.length === 0) return;
    setReading(true);
    const list = await read
      .jobs([...files])
      .catch((error: Error): FileRead[] => [
        { file: files[0]!.name, job: null, problems: [error.message], doubts: [] },
      ]);
    setReading(false);
    const [only] = list;
    // One sound job that is not here yet needs no question.
    if (list.length === 1 && only?.job && only.doubts.length === 0 && stateOf(only.job) === 'new') {
      putJobs([only.job], `import of “${only.job.title}”`);
      return void navigate(`/jobs/${only.job.id}/brief`);
    }
    setFound(list);
  };
  return { found, reading, take, dismiss };
}

const inStorage = (id: string): boolean =>
  useStatus.getState().stores.jobs?.aside.some((a) => a.key === id) ?? false;

/** How a job from a file stands to what is here. A record that cannot be read here is never written over. */
function stateOf(job: Job): 'new' | 'same' | 'differs' | 'hidden' {
  const mine = useJobs.getState().jobs[job.id];
  if (!mine) return inStorage(job.id) ? 'hidden' : 'new';
  return jobPlaces(mine, job).length === 0 ? 'same' : 'differs';
}

type Answer = 'take' | 'replace' | 'both' | 'leave';
const CHOICES: Record<ReturnType<typeof stateOf>, Answer[]> = {
  new: ['take', 'leave'],
  same: ['leave', 'both'],
  differs: ['leave', 'both', 'replace'],
  hidden: ['leave', 'both'],
};
const SAID: Record<Answer, string> = {
  take: 'Add it',
  replace: 'Replace mine',
  both: 'Keep both',
  leave: 'Skip it',
};
const STATE = {
  new: 'new here',
  same: 'here already, the same',
  differs: 'here already, and different',
  hidden: 'here already, in a form this Kymar cannot read',
} as const;

const when = (at: string) => moment(at);
const line = (job: Job) =>
  `revision ${job.revision}, changed ${when(job.changed)}, ${counted(job.runs.length, 'run')}, ${counted(job.forecasts.length, 'frozen forecast')}`;

/** What files would bring, job by job, and what is to be done with each. */
export function ImportDialog({ found, dismiss }: Pick<Importing, 'found' | 'dismiss'>) {
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<Record<number, Answer>>({});
  if (found.length === 0) return null;
  const choiceOf = (i: number, job: Job): Answer => chosen[i] ?? CHOICES[stateOf(job)][0]!;
  const sound = found.flatMap((f, i) => (f.job ? [{ ...f, job: f.job, i }] : []));
  const wanted = sound.filter(({ i, job }) => choiceOf(i, job) !== 'leave');
  const accept = () => {
    const jobs = wanted.map(({ i, job }): Job => {
      const choice = choiceOf(i, job);
      const mine = useJobs.getState().jobs[job.id];
      if (choice === 'both')
        return { ...job, id: newId('job'), title: `${job.title.slice(0, 148)} (imported)` };
      return mine ? { ...job, revision: Math.max(mine.revision, job.revision) + 1 } : job;
    });
    putJobs(jobs, jobs.length === 1 ? `import of “${jobs[0]!.title}”` : `import of ${jobs.length} jobs`);
    dismiss();
    setChosen({});
    if (jobs.length === 1) void navigate(`/jobs/${jobs[0]!.id}/brief`);
  };
  const close = () => {
    setChosen({});
    dismiss();
  };
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>
        {sound.length === 0
          ? 'Nothing can be imported'
          : found.length === 1
            ? `“${sound[0]!.job.title}”`
            : `${found.length} files`}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {found.map((f, i) => (
          <FileRow
            key={i}
            read={f}
            choice={f.job ? choiceOf(i, f.job) : 'leave'}
            onChoice={(choice) => setChosen({ ...chosen, [i]: choice })}
          />
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{sound.length === 0 ? 'Close' : 'Cancel'}</Button>
        {sound.length > 0 && (
          <Button variant="contained" disabled={wanted.length === 0} onClick={accept}>
            {wanted.length === 0 ? 'Nothing chosen' : `Import ${wanted.length === 1 ? 'it' : wanted.length}`}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const MOST = 8;

function FileRow({
  read: { file, job, problems, doubts },
  choice,
  onChoice,
}: {
  read: FileRead;
  choice: Answer;
  onChoice(choice: Answer): void;
}) {
  const mine = useJobs((s) => (job ? s.jobs[job.id] : undefined));
  if (!job)
    return (
      <Alert severity="error" variant="outlined">
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          {file}: not imported
        </Typography>
        {problems.slice(0, MOST).map((problem) => (
          <Typography key={problem} variant="body2">
            {problem}
          </Typography>
        ))}
        {problems.length > MOST && <Typography variant="body2">and {problems.length - MOST} more</Typography>}
      </Alert>
    );
  const state = stateOf(job);
  const places = mine ? jobPlaces(mine, job) : [];
  return (
    <Box
      sx={{
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 1.5,
        display: 'grid',
        gap: 1,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) 170px' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600 }}>{job.title}</Typography>
        <Typography variant="body2" color="textSecondary">
          {file}, {STATE[state]}
        </Typography>
        {mine && <Typography variant="body2">Here: {line(mine)}.</Typography>}
        <Typography variant="body2">In the file: {line(job)}.</Typography>
        {places.length > 0 && (
          <Typography variant="body2" color="textSecondary">
            Different: {places.slice(0, MOST).join(', ')}
            {places.length > MOST ? ` and ${places.length - MOST} more` : ''}.
          </Typography>
        )}
        {doubts.slice(0, MOST).map((words) => (
          <Typography key={words} variant="body2" color="error">
            {words}
          </Typography>
        ))}
      </Box>
      <Pick
        label="What to do"
        value={choice}
        options={CHOICES[state].map((c) => [c, SAID[c]])}
        onValue={onChoice}
      />
    </Box>
  );
}
