import { Typography } from '@mui/material';
import type { HealthCounters } from '@kymar/core/models';
import { healthAdvice, healthLines } from '@kymar/core/statements';
import { Cells } from './cells';

/** A drive's counters as they were read, and what a technician says of them. */
export function HealthRead({ counters }: { counters: HealthCounters }) {
  return (
    <>
      {healthAdvice(counters).map(({ severity, words }) => (
        <Typography
          key={words}
          variant="body2"
          role="alert"
          sx={{ fontWeight: 600, color: severity === 'stop' ? 'error.main' : 'warning.main' }}
        >
          {words}
        </Typography>
      ))}
      <Cells
        of={healthLines(counters)}
        keyOf={({ key }) => key}
        heads={false}
        sx={{ maxWidth: 520, mb: 1.5 }}
        columns={({ left, right }) => [
          { ...left('', ({ label }) => label), isName: true },
          right('', ({ words }) => words, { fontWeight: 600 }),
        ]}
      />
    </>
  );
}
