import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { edited, isTyped } from '@kymar/core/measure';
import type { Run } from '@kymar/core/job';
import { EntryScope, scopeOf } from '../ui/entries';
import { QuantityField } from '../ui/field';
import { ConditionFields, type Conditions } from './conditions';
import { useWrongAt } from './wrong';

/** A run edited: what a person typed or pressed, or only the conditions of what a clock said; why; what it said before stays. */
export function EditDialog({
  job,
  run,
  portable,
  close,
  take,
}: {
  job: string;
  run: Run;
  portable: boolean;
  close(): void;
  take(run: Run): void;
}) {
  const { measure } = run;
  const timed = measure.kind === 'timed' && isTyped(run) ? measure : null;
  const [bytes, setBytes] = useState(timed?.bytes ?? null);
  const [files, setFiles] = useState(timed?.files ?? null);
  const [seconds, setSeconds] = useState<number | null>(timed?.seconds ?? null);
  const { target: _t, memoryBacked: _m, look: _l, ...stated } = run.conditions;
  const [conditions, setConditions] = useState<Conditions>(stated);
  const [reason, setReason] = useState('');
  const wrong = useWrongAt(job, 'edit');
  const isLoad = timed?.bytes === null;
  const isWhole = timed === null || ((isLoad || (bytes ?? 0) >= 1) && (seconds ?? 0) > 0);
  const ready = reason.trim() !== '' && isWhole && wrong.length === 0;
  const put = () => {
    if (!ready) return;
    const figures = timed ? { measure: { bytes, files, seconds: seconds! } } : {};
    take(edited(run, { ...figures, conditions }, reason, new Date().toISOString()));
  };
  return (
    <Dialog open onClose={close} maxWidth="sm" fullWidth>
      <DialogTitle>Edit this run</DialogTitle>
      <DialogContent>
        <EntryScope value={scopeOf(job, 'bench', 'edit')}>
          <Typography variant="body2" sx={{ mb: 1.5 }}>
            {timed
              ? 'What it says now is kept with the reason.'
              : 'What a clock or a counter said stays as it is; its conditions can be edited. What it says now is kept with the reason.'}
          </Typography>
          {timed && (
            <Box
              sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1.5, mb: 1.5 }}
            >
              <QuantityField label="Time" dimension="time" value={seconds} onValue={setSeconds} />
              {!isLoad && (
                <>
                  <QuantityField label="Moved" dimension="bytes" value={bytes} onValue={setBytes} />
                  <QuantityField label="Files" dimension="count" optional value={files} onValue={setFiles} />
                </>
              )}
            </Box>
          )}
          <ConditionFields value={conditions} onValue={setConditions} portable={portable} />
          <TextField
            fullWidth
            label="Why"
            placeholder="a digit slipped, the lid was closed after all"
            value={reason}
            onChange={(e) => setReason(e.target.value.slice(0, 400))}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              put();
            }}
          />
        </EntryScope>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" disabled={!ready} onClick={put}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}
