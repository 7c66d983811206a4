import { Box } from '@mui/material';
import { columnsOf } from '@kymar/core/catalog/library';
import { PART_KINDS, type PartKind, type PartOf } from '@kymar/core/catalog/parts';
import { FormFields, PAIRS, PartScope } from './form';

interface Props<K extends PartKind> {
  kind: K;
  part: PartOf[K];
  onPart(part: PartOf[K]): void;
  /** Keys that are set elsewhere. */
  without?: readonly string[];
}

/** All of a part's properties with their sources, each to be changed. What does not make a sound part is said and not taken over. */
export function PartSheet<K extends PartKind>({ kind, part, onPart, without = [] }: Props<K>) {
  const columns = columnsOf(kind).filter((c) => c.key !== 'id' && !without.includes(c.key));
  return (
    <Box sx={PAIRS}>
      <PartScope value={part}>
        <FormFields
          columns={columns}
          sources
          values={part}
          check={(next) => PART_KINDS[kind].safeParse(next).error?.issues[0] ?? null}
          put={(next) => onPart(next as PartOf[K])}
        />
      </PartScope>
    </Box>
  );
}
