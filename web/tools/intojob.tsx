import {
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Menu,
  MenuItem,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { factWords } from '@kymar/core/evidence';
import type { Job } from '@kymar/core/job';
import type { TakenOver } from '@kymar/core/measure';
import { changeJob, useJobs } from '../state/jobs';
import { unbroken } from '../ui/figure';

/** A place of a job that a result can go to: what it is called, and what would go there in place of what. */
export interface Into {
  name: string;
  takes: readonly TakenOver[];
}
type Offer = Into & { job: Job };

/** As many jobs are offered: those changed last. */
const MOST = 20;

/** Whether something stands there that somebody entered or measured: it is replaced only when asked for. */
const stands = ({ was }: TakenOver): boolean => was !== null && was.value !== null;

/** Puts the result of a calculator into a job, once it is said what goes there and what it replaces. */
export function IntoJob({ label, of }: { label: string; of(job: Job): Into[] }) {
  const jobs = useJobs((s) => s.jobs);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [asked, setAsked] = useState<Offer | null>(null);
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
        {offers.map((offer) => (
          <MenuItem
            key={`${offer.job.id} ${offer.name}`}
            onClick={() => {
              setAsked(offer);
              setAnchor(null);
            }}
          >
            {offer.name}, {offer.job.title}
          </MenuItem>
        ))}
      </Menu>
      {asked && (
        <What
          offer={asked}
          onClose={() => setAsked(null)}
          onTaken={(taken) => {
            changeJob(asked.job.id, (job) => taken.reduce((j, { into }) => into(j), job));
            setDone(`Taken over: ${asked.name}, ${asked.job.title}. Undo takes it back.`);
            setAsked(null);
          }}
        />
      )}
    </>
  );
}

function What({
  offer: { name, job, takes },
  onClose,
  onTaken,
}: {
  offer: Offer;
  onClose(): void;
  onTaken(taken: TakenOver[]): void;
}) {
  const [chosen, setChosen] = useState(() => takes.map((one) => !stands(one)));
  const taken = takes.filter((_, i) => chosen[i]);
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>
        {name}, {job.title}
      </DialogTitle>
      <DialogContent>
        {takes.map((one, i) => (
          <FormControlLabel
            key={one.label}
            sx={{ display: 'flex', alignItems: 'start', mb: 1 }}
            control={
              <Checkbox
                size="small"
                checked={chosen[i]}
                onChange={(_, on) => setChosen(chosen.map((was, k) => (k === i ? on : was)))}
              />
            }
            label={
              <>
                {one.label}: <strong>{unbroken(factWords(one.now, one.unit))}</strong>
                <Typography variant="body2" color="textSecondary">
                  {stands(one)
                    ? `replaces ${unbroken(factWords(one.was!, one.unit))}`
                    : 'nothing stands there yet'}
                </Typography>
              </>
            }
          />
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={taken.length === 0} onClick={() => onTaken(taken)}>
          Use these values
        </Button>
      </DialogActions>
    </Dialog>
  );
}
