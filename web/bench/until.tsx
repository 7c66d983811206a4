import { MenuItem, TextField } from '@mui/material';

export type Until = 'bar' | 'written';

/** What a person's clock was stopped at. The two differ by what the host's memory still holds. */
export const UntilField = ({ value, onValue }: { value: Until; onValue(until: Until): void }) => (
  <TextField select label="Stopped when" value={value} onChange={(e) => onValue(e.target.value as Until)}>
    <MenuItem value="bar">the bar was full</MenuItem>
    <MenuItem value="written">safe to eject</MenuItem>
  </TextField>
);
