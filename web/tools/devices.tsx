import { Alert, Box, Button, Typography } from '@mui/material';
import { judgeLink, type Judged } from '@kymar/core/catalog/negotiated';
import { useAnswer } from '../state/gate';
import { PLUGGED } from '../state/here';
import { Fold } from '../ui/fold';

const COLOR: Record<Judged['state'], string> = {
  held: 'error.main',
  full: 'success.main',
  open: 'text.secondary',
};

/** Storage plugged into this machine and what each link negotiated. */
export function PluggedDevices() {
  const { data: found, problem, again } = useAnswer(PLUGGED);
  return (
    <Fold
      name="tools.devices"
      about="storage, and what each link negotiated"
      title="Plugged in here"
      aside={
        <Button size="small" onClick={again}>
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
    </Fold>
  );
}
