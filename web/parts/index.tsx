import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { DataGrid } from '@mui/x-data-grid';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { safeRows, toRows, writeLibrary } from '@kymar/core/catalog/library';
import { PART_KINDS, nameOf, type PartKind, type Part, type PartOf } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { useJobs } from '../state/jobs';
import { asShipped, dropPart, originOf, putParts, useShop } from '../state/shop';
import { saveFile } from '../ui/files';
import { Panel } from '../ui/panel';
import { PartSheet } from '../ui/sheet';
import { gridColumns } from './columns';
import { matching } from './find';
import { PriceHistory } from './history';
import { setSetting, useSettings } from '../state/settings';
import { Importer } from './import';
import { LISTED, ListingDialog, type Listed } from './listing';
import { asCards } from '../ui/cards';
import { Row } from '../ui/layout';
import { useNarrow } from '../ui/narrow';

const NAMES: Record<PartKind, string> = {
  drives: 'Drives',
  bridges: 'Enclosures and cards',
  hubs: 'Hubs',
  cables: 'Cables',
  accessories: 'Small parts',
  hosts: 'Machines',
  prices: 'Prices',
};

const isListed = (kind: PartKind): kind is Listed => kind in LISTED;

/** The shop's library: every part with its data sheet, in and out as CSV. */
export function Parts() {
  const navigate = useNavigate();
  const { kind: named = 'drives', id } = useParams();
  const kind = (Object.hasOwn(PART_KINDS, named) ? named : 'drives') as PartKind;
  const shop = useShop();
  const held = useJobs((s) => s.parts);
  const [search, setSearch] = useState('');
  const safe = useSettings((s) => s.safeCells ?? false);
  const [pasting, setPasting] = useState(false);
  const all = shop[kind] as Part[];
  const list = useMemo(() => all.filter(matching(kind, search)), [all, kind, search]);
  const narrow = useNarrow();
  const columns = useMemo(() => {
    const all = gridColumns(kind, held);
    return narrow ? asCards(all) : all;
  }, [kind, held, narrow]);
  const part = all.find((p) => p.id === id) ?? null;
  const show = (k: PartKind, partId?: string) =>
    void navigate(partId ? `/parts/${k}/${partId}` : `/parts/${k}`);
  const table = () => toRows(kind, list as never[]);
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 2.5,
        maxWidth: 1680,
        width: '100%',
        mx: 'auto',
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: 'minmax(0, 1fr)',
        gridTemplateRows: 'auto auto 1fr',
      }}
    >
      <Row gap={1.5} align="center" wrap>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Parts
        </Typography>
        {isListed(kind) && <Button onClick={() => setPasting(true)}>Add from a listing</Button>}
        <Importer kind={kind} />
        <Button
          onClick={() =>
            saveFile(`${kind}.csv`, Papa.unparse(safe ? safeRows(table()) : table()), 'text/csv')
          }
        >
          {list.length === 0
            ? 'Save an empty CSV'
            : `Save ${list.length === all.length ? '' : 'these '}as CSV`}
        </Button>
        <FormControlLabel
          control={
            <Checkbox
              size="small"
              checked={safe}
              onChange={(e) => setSetting('safeCells', e.target.checked)}
            />
          }
          label="safe for spreadsheets"
          title="Cells that begin like a formula get an apostrophe; reading the file back takes it off again"
          slotProps={{ typography: { variant: 'body2' } }}
          sx={{ mr: 0 }}
        />
        <Button onClick={() => saveFile('library.kymar-parts.json', writeLibrary(shop), 'application/json')}>
          Save all
        </Button>
      </Row>
      <Row gap={1.5} align="center" wrap>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={kind}
          sx={{ overflowX: 'auto', maxWidth: '100%', '& > button': { whiteSpace: 'nowrap', flexShrink: 0 } }}
          onChange={(_, k: PartKind | null) => k && show(k)}
          aria-label="Kind of part"
        >
          {(Object.keys(PART_KINDS) as PartKind[]).map((k) => (
            <ToggleButton key={k} value={k} sx={{ px: 1.5, py: 0.5 }}>
              {NAMES[k]} ({shop[k].length})
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Box sx={{ flex: 1 }} />
        <TextField
          label="Find"
          slotProps={{ htmlInput: { 'data-find': true } }}
          placeholder="4tb qlc, gen 4, usb-c …"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          sx={{ width: 200 }}
        />
      </Row>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            lg: part ? 'minmax(0, 7fr) minmax(0, 6fr)' : 'minmax(0, 1fr)',
          },
          alignItems: 'start',
        }}
      >
        <DataGrid<PartOf[PartKind]>
          rows={list}
          columns={columns}
          columnVisibilityModel={
            part ? { link: false, form: kind !== 'drives', origin: false, end: false } : {}
          }
          density="compact"
          {...(narrow && { getRowHeight: () => 'auto' as const })}
          disableColumnMenu
          hideFooterSelectedRowCount
          hideFooter={list.length <= 100}
          rowSelectionModel={{ type: 'include', ids: new Set(part ? [part.id] : []) }}
          onRowClick={({ id }) => show(kind, String(id))}
          onCellKeyDown={({ id }, event) => event.key === 'Enter' && show(kind, String(id))}
          slots={{
            noRowsOverlay: () => (
              <Typography sx={{ p: 4, textAlign: 'center' }}>
                {all.length === 0
                  ? 'No parts of this kind. Import a CSV file, or bring back those in stock.'
                  : `Nothing here is called “${search}”.`}
              </Typography>
            ),
          }}
          sx={{
            height: 'calc(100vh - 176px)',
            minHeight: 320,
            bgcolor: 'background.paper',
            borderColor: 'divider',
            '& .MuiDataGrid-row': { cursor: 'pointer' },
            '& .MuiDataGrid-columnHeaderTitle': {
              fontWeight: 560,
              fontSize: '0.8125rem',
              color: 'text.secondary',
            },
          }}
        />
        {part && (
          <Panel
            title={nameOf(part)}
            aside={<Actions kind={kind} part={part} show={show} />}
            sx={{ maxHeight: 'calc(100vh - 176px)', overflow: 'auto' }}
          >
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
              Jobs hold their parts by value: what is changed here counts for builds chosen from now on. An
              empty field is not known.
            </Typography>
            <PartSheet key={part.id} kind={kind} part={part} onPart={(next) => putParts(kind, [next])} />
            {kind !== 'prices' && kind !== 'hosts' && <PriceHistory kind={kind} part={part} />}
          </Panel>
        )}
      </Box>
      {pasting && isListed(kind) && (
        <ListingDialog
          kind={kind}
          close={() => setPasting(false)}
          take={(next, price) => {
            putParts(kind, [next]);
            if (price) putParts('prices', [price]);
            setPasting(false);
            show(kind, next.id);
          }}
        />
      )}
    </Box>
  );
}

function Actions({
  kind,
  part,
  show,
}: {
  kind: PartKind;
  part: Part;
  show(kind: PartKind, id?: string): void;
}) {
  const origin = originOf(
    useJobs((s) => s.parts),
    kind,
    part.id,
  );
  const copy = () => {
    const id = newId(kind.slice(0, -1));
    putParts(kind, [
      {
        ...part,
        id,
        ...('name' in part ? { name: `${part.name} (copy)` } : { model: `${part.model} (copy)` }),
      },
    ]);
    show(kind, id);
  };
  return (
    <Box sx={{ display: 'flex' }}>
      {origin === 'changed' && (
        <Button size="small" onClick={() => asShipped(kind, part.id)}>
          As in stock
        </Button>
      )}
      <Button size="small" onClick={copy}>
        Copy
      </Button>
      <Button
        size="small"
        onClick={() => {
          dropPart(kind, part.id);
          show(kind);
        }}
      >
        Remove
      </Button>
      <Button size="small" onClick={() => show(kind)}>
        Close
      </Button>
    </Box>
  );
}
