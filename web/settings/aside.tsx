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
import { repairJob, type Job } from '@kymar/core/job';
import { jobRecords } from '../state/jobs';
import { partRecords } from '../state/parts';
import type { Aside } from '../state/records';
import { useStatus } from '../state/status';
import { fileName, saveFile } from '../ui/files';
import { Panel } from '../ui/panel';

const STORES = { jobs: jobRecords, parts: partRecords };

/** Records that cannot be used: they stand untouched, and can be exported, repaired or removed. */
export function AsidePanel() {
  const stores = useStatus((s) => s.stores);
  const [repairing, setRepairing] = useState<{ aside: Aside; job: Job; did: string[] } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const list = (['jobs', 'parts'] as const).flatMap((store) =>
    (stores[store]?.aside ?? []).map((aside) => ({ store, aside })),
  );
  if (list.length === 0) return null;
  const repair = (aside: Aside) => {
    const found = repairJob(aside.raw);
    if (found.ok) setRepairing({ aside, ...found.value });
    else
      setProblem(
        `${aside.key} cannot be repaired: ${found.problems[0]} Export it; a newer Kymar may read it.`,
      );
  };
  return (
    <Panel
      title={
        list.length === 1 ? 'A record that cannot be used' : `${list.length} records that cannot be used`
      }
      sx={{ gridColumn: '1 / -1' }}
    >
      <Typography variant="body2" sx={{ mb: 1 }}>
        They stand in the browser’s storage as they were, and nothing writes over them.
      </Typography>
      {problem && (
        <Alert severity="error" variant="outlined" onClose={() => setProblem(null)} sx={{ mb: 1 }}>
          {problem}
        </Alert>
      )}
      {list.map(({ store, aside }) => (
        <Box
          key={`${store}/${aside.key}`}
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            flexWrap: 'wrap',
            py: 0.75,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Box sx={{ flex: 1, minWidth: 240 }}>
            <Typography variant="body2" sx={{ fontWeight: 600 }}>
              {titleOf(aside)}
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
              {aside.problem}
            </Typography>
          </Box>
          <Button
            size="small"
            aria-label={`Export ${titleOf(aside)}`}
            onClick={() =>
              saveFile(
                fileName(titleOf(aside), 'json'),
                JSON.stringify(aside.raw, null, 2),
                'application/json',
              )
            }
          >
            Export
          </Button>
          {store === 'jobs' && !aside.newer && (
            <Button
              size="small"
              variant="outlined"
              aria-label={`Repair ${titleOf(aside)}`}
              onClick={() => repair(aside)}
            >
              Repair
            </Button>
          )}
          <Button
            size="small"
            color="error"
            aria-label={`Move ${titleOf(aside)} to the bin`}
            onClick={() => void STORES[store].drop(aside.key).catch((e: Error) => setProblem(e.message))}
          >
            To the bin
          </Button>
        </Box>
      ))}
      {repairing && (
        <Dialog open onClose={() => setRepairing(null)}>
          <DialogTitle>Repair “{repairing.job.title}”?</DialogTitle>
          <DialogContent>
            <Typography variant="body2">Then it can be opened again:</Typography>
            <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
              {repairing.did.slice(0, 20).map((words) => (
                <Typography component="li" variant="body2" key={words} sx={{ overflowWrap: 'anywhere' }}>
                  {words}
                </Typography>
              ))}
            </Box>
            <Typography variant="body2">The damaged record goes to the bin, as it is.</Typography>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setRepairing(null)}>Cancel</Button>
            <Button
              variant="contained"
              onClick={() => {
                void jobRecords
                  .repair(repairing.aside.key, repairing.job)
                  .catch((e: Error) => setProblem(e.message));
                setRepairing(null);
              }}
            >
              Repair it
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </Panel>
  );
}

function titleOf({ raw, key }: Aside): string {
  const title = typeof raw === 'object' && raw !== null && 'title' in raw ? raw.title : null;
  return typeof title === 'string' && title.trim() !== '' ? title.slice(0, 120) : key;
}
