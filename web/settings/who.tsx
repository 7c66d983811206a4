import { TextField, Typography } from '@mui/material';
import { setSetting, useSettings } from '../state/settings';
import { QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';

const MOST = 120;

/** Who works at this bench: stands with what they time, look at and decide from now on. */
export function WhoPanel() {
  const technician = useSettings((s) => s.technician) ?? '';
  const shopHour = useSettings((s) => s.shopHour);
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
      <QuantityField
        label="An hour of the shop’s work costs"
        dimension="number"
        optional
        value={shopHour ?? null}
        onValue={(value) => setSetting('shopHour', value ?? 0)}
        helperText="In the currency of each job. Choice and the offer then add what fitting and timing cost."
        sx={{ mt: 2, width: 1 }}
      />
    </Panel>
  );
}
