import type { GridColDef } from '@mui/x-data-grid';
import type { PartKind, PartOf } from '@kymar/core/catalog/parts';
import type { Held } from '../state/jobs';
import { originOf } from '../state/shop';
import { cellsOfPart, text } from './cells';

const ORIGIN = { shipped: 'in stock', changed: 'in stock, changed', own: 'own' } as const;

/** What the list of a kind shows. */
export function gridColumns<K extends PartKind>(kind: K, held: Held): GridColDef<PartOf[K]>[] {
  return [
    ...cellsOfPart(kind),
    text<PartOf[K]>('origin', 'From', (part) => ORIGIN[originOf(held, kind, part.id)], 120),
  ];
}
