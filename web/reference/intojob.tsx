import { Button, Menu, MenuItem, Typography } from '@mui/material';
import { useState } from 'react';
import type { Job } from '@kymar/core/job';
import { changeJob, useJobs } from '../state/jobs';

/** A place of a job that a result can go to: what it is called, and the job with the result in it. */
export interface Into {
  name: string;
  change(job: Job): Job;
}

/** As many jobs are offered: those changed last. */
const MOST = 20;

/** Puts the result of a calculator into a job. */
export function IntoJob({ label, of }: { label: string; of(job: Job): Into[] }) {
  const jobs = useJobs((s) => s.jobs);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const offers = anchor
    ? Object.values(jobs)
        .filter((job) => !job.archived)
        .sort((a, b) => b.changed.localeCompare(a.changed))
        .slice(0, MOST)
        .flatMap((job) => of(job).map((into) => ({ job, ...into })))
    : [];
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>
        {label}
      </Button>
      {done && (
        <Typography component="span" variant="body2" role="status" sx={{ ml: 1 }}>
          {done}
        </Typography>
      )}
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {offers.length === 0 && <MenuItem disabled>No job has a place for it</MenuItem>}
        {offers.map(({ job, name, change }) => (
          <MenuItem
            key={`${job.id} ${name}`}
            onClick={() => {
              changeJob(job.id, change);
              setDone(`Taken over: ${name}, ${job.title}. Undo takes it back.`);
              setAnchor(null);
            }}
          >
            {name}, {job.title}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
