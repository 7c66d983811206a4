import { TextField, Typography } from '@mui/material';
import { setSetting, useSettings } from '../state/settings';
import { Panel } from '../ui/panel';

const MOST = 120;

/** Who works at this bench: stands with what they time, look at and decide from now on. */
export function WhoPanel() {
  const technician = useSettings((s) => s.technician) ?? '';
  return (
    <Panel title="Who works here">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Your name stands with the runs, looks and decisions you make from now on, and in the handover.
      </Typography>
      <TextField
        label="Technician"
        value={technician}
        onChange={(e) => setSetting('technician', e.target.value.slice(0, MOST) || undefined)}
        fullWidth
      />
    </Panel>
  );
}
