import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { counted, format } from '@kymar/core/units';
import { useJobs } from '../state/jobs';
import { setSetting, useSettings } from '../state/settings';
import { savedState, useStatus } from '../state/status';
import { Panel } from '../ui/panel';

/** How much this browser holds and may hold, and whether it promised to keep it. */
export function StoragePanel() {
  const { jobs, parts } = useJobs();
  const state = useStatus(savedState);
  const persisted = useSettings((s) => s.persisted);
  const [estimate, setEstimate] = useState<{ usage?: number; quota?: number } | null>(null);
  useEffect(() => {
    let alive = true;
    void navigator.storage?.estimate?.().then(
      (found) => alive && setEstimate(found),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [jobs, parts, state]);
  const ask = () =>
    void navigator.storage?.persist?.().then(
      (kept) => setSetting('persisted', kept),
      () => undefined,
    );
  const { usage, quota } = estimate ?? {};
  return (
    <Panel title="Storage">
      <Typography variant="body2">
        {counted(Object.keys(jobs).length, 'job')} and {counted(Object.keys(parts).length, 'part')} of your
        own, kept in this browser under {location.host}.{' '}
        {state === 'saved'
          ? 'All of it is stored.'
          : state === 'saving'
            ? 'Being stored …'
            : 'Not all of it is stored.'}
      </Typography>
      {usage !== undefined && quota !== undefined && quota > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <LinearProgress
            variant="determinate"
            value={Math.min(100, (100 * usage) / quota)}
            aria-label="Storage in use"
          />
          <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
            {format(usage, 'B')} in use of the {format(quota, 'B')} the browser allows.
          </Typography>
        </Box>
      )}
      <Typography variant="body2" sx={{ mt: 1.5 }}>
        {persisted
          ? 'The browser has promised not to clear it by itself.'
          : 'The browser may clear it when the disk runs full. A back-up keeps it safe.'}
      </Typography>
      {!persisted && (
        <Button size="small" variant="outlined" onClick={ask} sx={{ mt: 1 }}>
          Ask the browser to keep it
        </Button>
      )}
    </Panel>
  );
}
