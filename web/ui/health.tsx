import { TextField, Typography } from '@mui/material';
import type { HealthCounters, ToldHealth } from '@kymar/core/models';
import { healthSaid } from '@kymar/core/statements';
import { Cells } from './cells';
import { Told } from './told';

/** A health page, pasted: what was understood of it stands below. */
export function HealthField({
  label,
  text,
  told,
  onText,
}: {
  label: string;
  text: string;
  /** What it says; null while nothing is pasted. */
  told: ToldHealth | null;
  onText(text: string): void;
}) {
  const said = told?.ok ? 'Understood' : told?.problem;
  return (
    <TextField
      fullWidth
      multiline
      maxRows={6}
      label={label}
      value={text}
      onChange={(e) => onText(e.target.value)}
      error={told?.ok === false}
      helperText={said ?? 'Lines in the standards’ field names, as most tools print them'}
    />
  );
}

/** A drive's counters as they were read, and what a technician says of them. @param of whose page it is */
export function HealthRead({ counters, of }: { counters: HealthCounters; of: string }) {
  const { lines, advice } = healthSaid(counters, of);
  return (
    <>
      {advice.map(({ severity, advice: words }) => (
        <Typography
          key={words!.id}
          variant="body2"
          role="alert"
          sx={{ fontWeight: 600, color: severity === 'stop' ? 'error.main' : 'warning.main' }}
        >
          <Told of={words} />
        </Typography>
      ))}
      <Cells
        of={lines}
        keyOf={({ key }) => key}
        heads={false}
        sx={{ maxWidth: 520, mb: 1.5 }}
        columns={({ left, right }) => [
          { ...left('', ({ label }) => label), isName: true },
          right('', ({ counts }) => <Told of={counts} />, { fontWeight: 600 }),
        ]}
      />
    </>
  );
}
