import { Box, Button } from '@mui/material';
import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { writeJob, type Job } from '@kymar/core/job';
import { undo } from '../state/history';
import { useJobs } from '../state/jobs';
import { fileName, saveFile } from './files';
import { Notice } from './notice';

interface Props {
  /** What could not be shown, e.g. `The verdict`. */
  name: string;
  /** The job it shows: it can be saved to a file from here. */
  job?: Job | undefined;
  /** Another one is tried afresh. */
  watch?: readonly unknown[];
  children: ReactNode;
}

/** A part of the page that may fail without taking the rest with it. */
export function Guarded({ name, job, watch = [], children }: Props) {
  return (
    <ErrorBoundary
      resetKeys={[...watch, job]}
      fallbackRender={(props) => <Broken {...props} name={name} job={job} />}
    >
      {children}
    </ErrorBoundary>
  );
}

function Broken({ error, resetErrorBoundary, name, job }: FallbackProps & Pick<Props, 'name' | 'job'>) {
  const words = error instanceof Error ? error.message : String(error);
  return (
    <Notice severity="error" title={`${name} cannot be shown`} sx={{ m: 2 }}>
      {words} Everything you entered is kept. Undo the last edit, try again, or save the job to a file.
      <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        <Button size="small" variant="contained" onClick={resetErrorBoundary}>
          Try again
        </Button>
        <Button size="small" onClick={() => (undo(), resetErrorBoundary())}>
          Undo the last edit
        </Button>
        {job && (
          <Button
            size="small"
            onClick={() =>
              saveFile(
                fileName(job.title, 'kymar.json'),
                writeJob(useJobs.getState().jobs[job.id] ?? job),
                'application/json',
              )
            }
          >
            Save the job file
          </Button>
        )}
      </Box>
    </Notice>
  );
}
