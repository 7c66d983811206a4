import { Alert, Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { judgeLink, type Judged, type PluggedIn } from '@kymar/core/catalog/negotiated';
import { devices } from '../state/server';
import { Panel } from '../ui/panel';

const COLOR: Record<Judged['state'], string> = {
  held: 'error.main',
  full: 'success.main',
  open: 'text.secondary',
};

/** Storage plugged into this machine and what each link negotiated. */
export function Devices() {
  const [found, setFound] = useState<PluggedIn[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let current = true;
    devices().then(
      (list) => current && (setFound(list), setProblem(null)),
      (error: Error) => current && setProblem(error.message),
    );
    return () => {
      current = false;
    };
  }, [asked]);
  return (
    <Panel
      title="Plugged in here"
      aside={
        <Button size="small" onClick={() => setAsked(asked + 1)}>
          Look again
        </Button>
      }
    >
      {problem && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      {found?.length === 0 && (
        <Typography color="textSecondary">
          No USB, NVMe or SATA storage tells its link on this machine. Negotiated speeds are read on Linux;
          virtual disks have none.
        </Typography>
      )}
      <Box
        component="ul"
        sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1, maxHeight: 320, overflow: 'auto' }}
      >
        {found?.map((device) => {
          const { state, words } = judgeLink(device);
          return (
            <li key={`${device.bus}${device.id}`}>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                {device.name}
              </Typography>
              <Typography variant="body2" sx={{ color: COLOR[state] }}>
                {words}
              </Typography>
            </li>
          );
        })}
      </Box>
    </Panel>
  );
}
