import { MenuItem, TextField } from '@mui/material';

/** Which way the data goes. */
export function Way({
  value,
  onValue,
  sx,
  itself,
}: {
  value: string;
  onValue(value: string): void;
  sx: object;
  itself?: boolean;
}) {
  return (
    <TextField select label="Data goes" value={value} onChange={(e) => onValue(e.target.value)} sx={sx}>
      <MenuItem value="write">to the drive</MenuItem>
      <MenuItem value="read">from the drive</MenuItem>
      {itself && <MenuItem value="itself">from the drive to itself</MenuItem>}
    </TextField>
  );
}
