import { Typography } from '@mui/material';
import { memo } from 'react';
import { sourceWords, typedOver, type Fact } from '@kymar/core/evidence';
import { PART_KINDS, type Drive } from '@kymar/core/catalog/parts';
import { issuesOf } from '@kymar/core/text';
import type { Dimension, Unit } from '@kymar/core/units';
import { EntryScope, scopeOf } from '../ui/entries';
import { FactField } from '../ui/field';
import { changeBuild, type Placed } from '../state/placed';
import { Pick } from '../ui/pick';
import { Panel } from '../ui/panel';
import { Columns } from '../ui/layout';

type Property = 'capacity' | 'read' | 'write' | 'rest' | 'cache' | 'tbw' | 'warrantyYears';
const FIELDS: [Property, string, Dimension, Unit?][] = [
  ['capacity', 'Capacity', 'bytes'],
  ['read', 'Reads at', 'rate'],
  ['write', 'Writes at, in cache', 'rate'],
  ['rest', 'Sustained writing', 'rate'],
  ['cache', 'Cache takes', 'bytes'],
  ['tbw', 'Rated writes (TBW)', 'bytes'],
  ['warrantyYears', 'Warranty, years', 'count'],
];

/** Says what the schema of a drive has against it with a value in it. */
const refusedBy = (made: (value: Fact['value']) => Drive) => (value: Fact['value']) => {
  const read = PART_KINDS.drives.safeParse(made(value));
  return read.success ? null : `${issuesOf(read.error)[0]!.message}.`.replace(/\.\.$/, '.');
};

function withRevision({ revision: _, ...drive }: Drive, name: string): Drive {
  return name === '' ? drive : { ...drive, revision: name };
}

/** The drive's figures with their sources; what is typed here counts as entered by hand, for this job only. Drawn anew only when the drive changes. */
export const DriveSheet = memo(function DriveSheet({ drive, at }: { drive: Drive; at: Placed }) {
  const onDrive = (changed: Drive) => changeBuild(at, (b) => ({ ...b, drive: changed }));
  return (
    <Panel title={`Figures of ${drive.maker} ${drive.model}`}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Change what you know better. An unknown figure stands for the range of what is on the market.
      </Typography>
      <EntryScope value={scopeOf(at.job, 'setup', at.place.device, drive.id)}>
        <Columns of={2}>
          {drive.revisions && (
            <Pick
              label="Revision of this unit"
              value={drive.revision ?? ''}
              options={[
                ['', 'not known'],
                ...drive.revisions.map(({ name, known }) => [name, `${name}, told by ${known}`] as const),
              ]}
              onValue={(v) => onDrive(withRevision(drive, v))}
              helperText={
                drive.revisions.find((r) => r.name === drive.revision)?.known ??
                'Not known: the forecast spans them all'
              }
            />
          )}
          {FIELDS.map(([property, label, dimension, unit]) => (
            <FactField
              key={property}
              label={label}
              dimension={dimension}
              {...(unit ? { unit } : {})}
              {...(property === 'tbw' ? { bare: 'TB' } : {})}
              fact={drive[property]}
              onFact={(fact: Fact) => onDrive({ ...drive, [property]: fact })}
              refuse={refusedBy((value) => ({ ...drive, [property]: typedOver(drive[property], value) }))}
              helperText={sourceWords(drive[property].source)}
            />
          ))}
        </Columns>
      </EntryScope>
    </Panel>
  );
});
