import { askedOf, type AskedColumn } from '../../units';
import { PART_KINDS, type PartKind } from '../parts';

/** The properties of a kind of part in the order of its schema. */
export const columnsOf = (kind: PartKind): readonly AskedColumn[] => askedOf(PART_KINDS[kind]);
