import { DeleteOutlineIcon } from '../ui/icons';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { explainMeasured } from '@kymar/core/measure';
import { doubtsOf, type Doubt, type Job, type Run } from '@kymar/core/job';
import { whereWords } from '../state/placed';
import { shortMoment } from '@kymar/core/units';
import { measuredSaid, refusedSaid, runSaid } from '@kymar/core/statements';
import type { Claim } from '@kymar/core/verdict';
import { useVerdict } from '../state/verdict';
import { changeJob } from '../state/jobs';
import { Figure } from '../ui/figure';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { EditDialog } from './edit';
import { FlowLine } from './flowline';
import { Stack } from '../ui/layout';

const SHOWN = 60;

/** The runs in the groups that may be taken together, with what they say so far. */
export function RunList() {
  const { job } = useJob();
  const claims = useVerdict(job)?.claims ?? [];
  const doubts = doubtsOf(job);
  const aside = (id: string, reason: string | null) =>
    changeJob(job.id, (j) => ({
      ...j,
      runs: j.runs.map((r) => {
        if (r.id !== id) return r;
        const { excluded: _, ...rest } = r;
        return reason === null ? rest : { ...rest, excluded: { at: new Date().toISOString(), reason } };
      }),
    }));
  const remove = (id: string) =>
    changeJob(job.id, (j) => ({ ...j, runs: j.runs.filter((r) => r.id !== id) }));
  const replace = (run: Run) =>
    changeJob(job.id, (j) => ({ ...j, runs: j.runs.map((r) => (r.id === run.id ? run : r)) }));
  if (job.runs.length === 0)
    return (
      <Panel title="Runs">
        <Typography>
          Nothing measured yet. Take at least three runs of each activity: same port, same cable, the drive
          cool, the source faster than the drive.
        </Typography>
      </Panel>
    );
  return (
    <Stack gap={2}>
      {claims.map((claim) => (
        <Group
          key={claim.key}
          job={job}
          claim={claim}
          doubts={doubts}
          onRemove={remove}
          onAside={aside}
          onEdit={replace}
        />
      ))}
    </Stack>
  );
}

function Group({
  job,
  claim,
  doubts,
  onRemove,
  onAside,
  onEdit,
}: {
  job: Job;
  claim: Claim;
  doubts: Doubt[];
  onRemove(id: string): void;
  onAside(id: string, reason: string | null): void;
  onEdit(run: Run): void;
}) {
  const [asking, setAsking] = useState<string | null>(null);
  const [editing, setEditing] = useState<Run | null>(null);
  const { measured, impossible } = claim;
  const said = measuredSaid(claim);
  const runs = [...(measured?.runs ?? []), ...impossible.map((i) => i.run)];
  const last = runs.findLast((r) => r.samples.length > 2);
  const first = runs[0]!;
  const where = whereWords(job, first);
  return (
    <Panel title={[claim.title, claim.simulated && 'simulated', where].filter(Boolean).join(', ')}>
      {measured?.scattered && (
        <Typography variant="body2" sx={{ mb: 1, color: 'warning.main', fontWeight: 560 }}>
          Too scattered to judge: look at what differs between them, and set aside what was disturbed.
        </Typography>
      )}
      {measured && !measured.scattered && (
        <Typography variant="body2" sx={{ mb: 1 }}>
          {measured.time ? (
            <>
              <Figure of={() => explainMeasured(measured, 's')} said={said.middle} />
              {said.range && (
                <>
                  {' '}
                  (<Told of={said.range} />)
                </>
              )}
              {said.rate && ', '}
            </>
          ) : null}
          {measured.rate && <Figure of={() => explainMeasured(measured, 'B/s')} said={said.rate} />};{' '}
          <Told of={said.how} />
        </Typography>
      )}
      {last && last.measure.kind === 'timed' && last.measure.bytes !== null && (
        <FlowLine samples={last.samples} total={last.measure.bytes} height={64} />
      )}
      <Table size="small" data-cards>
        <TableHead>
          <TableRow>
            <TableCell>Taken</TableCell>
            <TableCell align="right">Time</TableCell>
            <TableCell align="right">MB/s</TableCell>
            <TableCell>Remarks</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {runs.slice(-SHOWN).map((run) => (
            <TableRow key={run.id}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <time>{shortMoment(run.at)}</time>
              </TableCell>
              <TableCell align="right" data-head="Time" sx={{ whiteSpace: 'nowrap' }}>
                <Told of={runSaid(run).time} />
              </TableCell>
              <TableCell align="right" data-head="MB/s">
                <Told of={runSaid(run).rate} />
              </TableCell>
              <TableCell>
                <Typography variant="caption">
                  <Told of={runSaid(run).remarks} />
                  {measured?.far.includes(run.id) && ', far from the others: look at it'}
                </Typography>
                {run.edited?.map(({ at, reason, was }) => (
                  <Typography key={at} variant="caption" component="div" color="textSecondary">
                    <time>Edited {shortMoment(at)}</time>: <span data-typed>{reason}</span>. Before:{' '}
                    <span data-typed>{was}</span>.
                  </Typography>
                ))}
                {doubts
                  .filter((d) => d.what === 'run' && d.id === run.id)
                  .map((d) => (
                    <Typography key={d.words} variant="caption" component="div" color="error">
                      {d.words}
                    </Typography>
                  ))}
                {impossible
                  .filter((i) => i.run === run)
                  .map((i) => (
                    <Typography key={run.id} variant="caption" component="div" color="error">
                      <Told of={refusedSaid(run, i.words).refused} />
                    </Typography>
                  ))}
              </TableCell>
              <TableCell sx={{ p: 0, whiteSpace: 'nowrap' }}>
                <Button
                  size="small"
                  aria-label={`Edit the run of ${run.at.slice(0, 16).replace('T', ' ')}`}
                  onClick={() => setEditing(run)}
                  sx={{ minWidth: 0 }}
                >
                  Edit
                </Button>
                <Button
                  size="small"
                  aria-label={`${run.excluded ? 'Use' : 'Set aside'} the run of ${run.at.slice(0, 16).replace('T', ' ')}`}
                  onClick={() => (run.excluded ? onAside(run.id, null) : setAsking(run.id))}
                  sx={{ minWidth: 0 }}
                >
                  {run.excluded ? 'Use it' : 'Set aside'}
                </Button>
                <IconButton
                  size="small"
                  aria-label={`Remove the run of ${run.at.slice(0, 16).replace('T', ' ')}`}
                  title="Remove (can be undone)"
                  onClick={() => onRemove(run.id)}
                >
                  <DeleteOutlineIcon fontSize="small" />
                </IconButton>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {editing && (
        <EditDialog
          job={job.id}
          run={editing}
          portable={job.machines.some(({ host }) => host.kind === 'laptop')}
          close={() => setEditing(null)}
          take={(run) => {
            onEdit(run);
            setEditing(null);
          }}
        />
      )}
      {asking && (
        <AsideDialog
          close={() => setAsking(null)}
          take={(reason) => {
            onAside(asking, reason);
            setAsking(null);
          }}
        />
      )}
      {runs.length > SHOWN && (
        <Typography variant="caption" color="textSecondary">
          The last {SHOWN} of {runs.length} runs are listed; all of them count.
        </Typography>
      )}
    </Panel>
  );
}

/** A run is set aside with its reason: it stays in the file, and the reason with it. */
function AsideDialog({ close, take }: { close(): void; take(reason: string): void }) {
  const [reason, setReason] = useState('');
  const ready = reason.trim() !== '';
  return (
    <Dialog open onClose={close} maxWidth="xs" fullWidth>
      <DialogTitle>Set this run aside</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1.5 }}>
          It stays in the job and is shown with its reason, and no figure is made from it.
        </Typography>
        <TextField
          autoFocus
          fullWidth
          label="Why"
          placeholder="the lid was open, another copy was running"
          value={reason}
          onChange={(e) => setReason(e.target.value.slice(0, 400))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !ready) return;
            // The rest of the press belongs to what gets the focus next.
            event.preventDefault();
            take(reason.trim());
          }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" disabled={!ready} onClick={() => take(reason.trim())}>
          Set aside
        </Button>
      </DialogActions>
    </Dialog>
  );
}
