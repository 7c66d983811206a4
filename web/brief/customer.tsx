import { Autocomplete, TextField, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { customersOf, sameCustomer, type Job } from '@kymar/core/job';
import { useJobs } from '../state/jobs';

/** As many other jobs of a customer are named. */
const MOST = 3;

/** Who the job is for and how to reach them: known from other jobs where it is somebody again. */
export function CustomerFields({ job, set }: { job: Job; set(part: Partial<Job>): void }) {
  const jobs = useJobs((s) => s.jobs);
  const known = useMemo(
    () => customersOf(Object.values(jobs).filter((other) => other.id !== job.id)),
    [jobs, job.id],
  );
  const again = known.find(({ name }) => sameCustomer(name, job.customer));
  const choose = (customer: string) => {
    const contact = known.find(({ name }) => sameCustomer(name, customer))?.contact;
    set({ customer: customer.slice(0, 160), ...(contact && !job.contact ? { contact } : {}) });
  };
  return (
    <>
      <Autocomplete
        freeSolo
        options={known.map(({ name }) => name)}
        inputValue={job.customer}
        value={job.customer}
        onInputChange={(_, customer, why) => why === 'input' && set({ customer: customer.slice(0, 160) })}
        onChange={(_, customer) => choose(customer ?? '')}
        renderInput={(params) => <TextField {...params} label="Customer" />}
      />
      <TextField
        label="Contact"
        value={job.contact ?? ''}
        onChange={(e) => set({ contact: e.target.value.slice(0, 200) || undefined })}
        placeholder={again?.contact || 'Telephone or mail'}
      />
      {again && (
        <Typography variant="body2" color="textSecondary" sx={{ gridColumn: '1 / -1', mt: -1 }}>
          Also theirs:{' '}
          {again.jobs.slice(0, MOST).map(({ id, title }, i) => (
            <span key={id}>
              {i > 0 && ', '}
              <Link to={`/jobs/${id}`} data-named>
                {title}
              </Link>
            </span>
          ))}
          {again.jobs.length > MOST && (
            <>
              {' '}
              and <Link to={`/jobs?find=${encodeURIComponent(again.name)}`}>others</Link>
            </>
          )}
          .
        </Typography>
      )}
    </>
  );
}
