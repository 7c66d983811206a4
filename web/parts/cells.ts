import type { GridColDef } from '@mui/x-data-grid';
import { middle, type Fact } from '@kymar/core/evidence';
import { linkById } from '@kymar/core/catalog/links';
import { nameOf, type PartKind, type Part, type PartOf } from '@kymar/core/catalog/parts';
import { format, numeral } from '@kymar/core/units';

const links = (modes: readonly string[]) => modes.map((id) => linkById(id).name).join(', ');
export const text = <P extends Part>(
  field: string,
  headerName: string,
  of: (part: P) => string,
  width?: number,
): GridColDef<P> => ({
  field,
  headerName,
  valueGetter: (_, part) => of(part),
  ...(width ? { width } : { flex: 1, minWidth: field === 'name' ? 180 : 120 }),
});
const mega = <P extends Part>(
  field: string,
  headerName: string,
  of: (part: P) => Fact | null | undefined,
  width = 96,
): GridColDef<P> => ({
  field,
  headerName,
  width,
  type: 'number',
  valueGetter: (_, part) => middle(of(part)),
  valueFormatter: (value: number | null) => (value === null ? '?' : numeral(value / 1e6, 0)),
});
const size = <P extends Part>(
  field: string,
  headerName: string,
  of: (part: P) => Fact | null | undefined,
  width = 96,
): GridColDef<P> => ({
  field,
  headerName,
  width,
  type: 'number',
  valueGetter: (_, part) => middle(of(part)),
  valueFormatter: (value: number | null) => (value === null ? '?' : format(value, 'B')),
});

const OF: { [K in PartKind]: GridColDef<PartOf[K]>[] } = {
  drives: [
    text(
      'kind',
      'Kind',
      (d) => (d.media === 'disk' ? `${d.recording ?? ''} disk`.trim() : (d.cell ?? 'flash')),
      88,
    ),
    text('form', 'Form', (d) => d.form, 112),
    text('link', 'Link', (d) => links(d.modes), 128),
    size('capacity', 'Capacity', (d) => d.capacity),
    mega('read', 'Reads, MB/s', (d) => d.read, 104),
    mega('write', 'Writes, MB/s', (d) => d.write, 108),
  ],
  bridges: [
    text('kind', 'Kind', (b) => b.kind, 96),
    text('takes', 'Takes', (b) => `${b.socket}, ${links(b.inner)}`, 190),
    text('gives', 'Towards the host', (b) => `${b.plug}, ${links(b.outer)}`, 230),
    text('bays', 'Bays', (b) => String(b.bays ?? '?'), 60),
  ],
  prices: [
    text('of', 'Of', (price) => price.of, 220),
    text('on', 'On', (price) => price.on, 104),
    {
      field: 'amount',
      headerName: 'Price',
      width: 96,
      type: 'number',
      valueFormatter: (value: number) => value.toFixed(2),
    },
    text('currency', 'Currency', (price) => price.currency, 84),
    text('per', 'For', (price) => String(price.per ?? 1), 56),
    text('seller', 'Seller', (price) => price.seller ?? '', 150),
  ],
  hubs: [
    text('kind', 'Kind', (h) => h.kind, 80),
    text('up', 'Towards the host', (h) => `${h.plug}, ${links(h.up)}`, 240),
    text('ports', 'Ports', (h) => String(h.ports.length), 70),
  ],
  cables: [
    text('ends', 'Ends', (c) => c.ends.join(' to '), 180),
    text('modes', 'Carries', (c) => links(c.modes)),
    text('length', 'Length, m', (c) => String(c.length), 90),
  ],
  accessories: [
    text('kind', 'Kind', (a) => a.kind, 160),
    text('forms', 'For', (a) => a.forms?.join(', ') ?? 'any'),
  ],
  hosts: [
    text('kind', 'Kind', (h) => h.kind ?? '?', 110),
    text('system', 'System', (h) => h.system, 130),
    text('year', 'Built in', (h) => String(h.year ?? '?'), 80),
    text('ports', 'Ports', (h) => String(h.ports.length), 70),
    text('end', 'Built-in drive', (h) => h.storage.name),
  ],
};

/** What the list of a kind shows of each part itself. */
export const cellsOfPart = <K extends PartKind>(kind: K): GridColDef<PartOf[K]>[] => [
  text<PartOf[K]>('name', 'Name', nameOf),
  ...OF[kind],
];
