import { Box, Typography } from '@mui/material';
import { sourceWords, type Fact } from '@kymar/core/evidence';
import type { Drive } from '@kymar/core/parts';
import type { Dimension, Unit } from '@kymar/core/units';
import { FactField } from '../ui/field';
import { Panel } from '../ui/panel';

type Property = 'capacity' | 'read' | 'write' | 'rest' | 'cache' | 'tbw' | 'warrantyYears';
const FIELDS: [Property, string, Dimension, Unit?][] = [
  ['capacity', 'Capacity', 'bytes'],
  ['read', 'Reads at', 'rate'],
  ['write', 'Writes at, in cache', 'rate'],
  ['rest', 'Writes at, cache used up', 'rate'],
  ['cache', 'Cache takes', 'bytes'],
  ['tbw', 'Rated writes (TBW)', 'bytes'],
  ['warrantyYears', 'Warranty, years', 'count'],
];

/** The drive's figures with their sources; what is typed here counts as entered by hand, for this job only. */
export function DriveSheet({ drive, onDrive }: { drive: Drive; onDrive(drive: Drive): void }) {
  return (
    <Panel title={`Figures of ${drive.maker} ${drive.model}`}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Change what you know better. An unknown figure stands for the range of what is on the market.
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
        {FIELDS.map(([property, label, dimension, unit]) => (
          <FactField key={property} label={label} dimension={dimension} {...(unit ? { unit } : {})} fact={drive[property]} onFact={(fact: Fact) => onDrive({ ...drive, [property]: fact })} helperText={sourceWords(drive[property].source)} />
        ))}
      </Box>
    </Panel>
  );
}
