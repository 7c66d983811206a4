import { mustNotStall, traitsOf } from '@kymar/core/job';
import { Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { DataGrid, type GridColDef, type GridSortModel } from '@mui/x-data-grid';
import { useMemo, useState } from 'react';
import { activitiesOf, type BuildRow, type Wanted, type Weights } from '@kymar/core/choice';
import { figureSaid, rowSaid, type Statement } from '@kymar/core/statements';
import { numeral } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { saveFile } from '../ui/files';
import { Fold } from '../ui/fold';
import { Told } from '../ui/told';
import { choose, type Asked } from '../workers';
import { asCards } from '../ui/cards';
import { Row } from '../ui/layout';
import { useNarrow } from '../ui/narrow';

const PAGE = 50;
const NONE: { rows: BuildRow[]; total: number } = { rows: [], total: 0 };

const right = (
  field: string,
  headerName: string,
  width: number,
  said: (row: BuildRow) => Statement | undefined,
): GridColDef<BuildRow> => ({
  field,
  headerName,
  width,
  align: 'right',
  headerAlign: 'right',
  renderCell: ({ row }) => <Told of={said(row)} />,
});

/** What the table shows of each build. */
function columnsOf(wanted: Wanted): GridColDef<BuildRow>[] {
  const { currency } = wanted;
  return [
    {
      field: 'words',
      headerName: 'Build',
      flex: 1,
      minWidth: 400,
      renderCell: ({ row }) => (
        <span data-named>{row.built ? <b>{row.words} (in the job)</b> : row.words}</span>
      ),
    },
    {
      field: 'port',
      headerName: 'Port',
      width: 190,
      renderCell: ({ row }) => <span data-named>{row.port}</span>,
    },
    right('cost', currency === null ? 'Cost' : `Cost, ${currency}`, 96, (row) => rowSaid(row).cost),
    ...activitiesOf(wanted).flatMap((activity, i): GridColDef<BuildRow>[] =>
      traitsOf(activity).answer === 'room'
        ? []
        : [
            right(
              `figure-${i}`,
              mustNotStall(activity) ? `${activity.name}, times` : activity.name,
              156,
              (row) => figureSaid(row, activity, i).figure,
            ),
          ],
    ),
    {
      ...right('score', 'Score', 92, () => undefined),
      // By the weights that are set above it: no figure of the job.
      renderCell: ({ row }) => <span data-typed>{numeral(row.score, 1)}</span>,
    },
    { ...right('misses', 'Misses', 170, (row) => rowSaid(row).misses), align: 'left', headerAlign: 'left' },
    right('years', 'Rating, years', 108, (row) => rowSaid(row).years),
    right('usable', 'Usable', 92, (row) => rowSaid(row).usable),
    right('perTB', currency === null ? 'Per TB' : `${currency} per TB`, 96, (row) => rowSaid(row).perTB),
    right('steady', 'Even', 92, (row) => rowSaid(row).steady),
  ];
}

/** Every build that works, from the worker that found them: sorted, filtered, ticked to compare, saved as CSV. */
export function Builds({
  turn,
  wanted,
  weights,
  chosen,
  onChoose,
  ticked,
  onTick,
}: {
  turn: number;
  wanted: Wanted;
  weights: Weights;
  chosen: string | null;
  onChoose(id: string): void;
  ticked: readonly string[];
  onTick(ids: string[]): void;
}) {
  const [sort, setSort] = useState<GridSortModel>([{ field: 'score', sort: 'desc' }]);
  const [page, setPage] = useState(0);
  const [only, setOnly] = useState<Asked['only']>('all');
  const [text, setText] = useState('');
  const narrow = useNarrow();
  const columns = useMemo(() => (narrow ? asCards(columnsOf(wanted)) : columnsOf(wanted)), [narrow, wanted]);
  const asked = useMemo<Asked>(() => {
    const [by] = sort;
    return {
      weights,
      sort: by?.sort ? { field: by.field, sort: by.sort } : null,
      only,
      text,
      from: page * PAGE,
      count: PAGE,
    };
  }, [weights, sort, only, text, page]);
  const got = useAnswer(choose.rows(turn, asked)).data ?? NONE;
  const save = async () =>
    saveFile('builds.csv', await choose.csv({ ...asked, from: 0, count: Infinity }), 'text/csv');
  return (
    <Fold
      name="choice.builds"
      title="All builds that work"
      about="sort, filter, tick two to four to compare"
      aside={
        <Row gap={1.5} align="center" wrap>
          <ToggleButtonGroup
            size="small"
            exclusive
            value={only}
            onChange={(_, next: Asked['only'] | null) => {
              if (!next) return;
              setOnly(next);
              setPage(0);
            }}
            aria-label="Which builds"
          >
            <ToggleButton value="all">All</ToggleButton>
            <ToggleButton value="meets">Meet every target</ToggleButton>
            <ToggleButton value="edge">On the line</ToggleButton>
          </ToggleButtonGroup>
          <TextField
            label="Find a build"
            slotProps={{ htmlInput: { 'data-find': true } }}
            placeholder="tlc 2 tb usb4"
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setPage(0);
            }}
            sx={{ width: 180 }}
          />
          <Button onClick={() => void save()}>Save as CSV</Button>
        </Row>
      }
    >
      <DataGrid<BuildRow>
        rows={got.rows}
        rowCount={got.total}
        columns={columns}
        density="compact"
        {...(narrow && { getRowHeight: () => 'auto' as const })}
        paginationMode="server"
        sortingMode="server"
        disableColumnFilter
        columnHeaderHeight={48}
        pageSizeOptions={[PAGE]}
        paginationModel={{ page, pageSize: PAGE }}
        onPaginationModelChange={(model) => setPage(model.page)}
        sortModel={sort}
        onSortModelChange={(next) => {
          setSort(next);
          setPage(0);
        }}
        checkboxSelection
        disableRowSelectionOnClick
        keepNonExistentRowsSelected
        rowSelectionModel={{ type: 'include', ids: new Set(ticked) }}
        onRowSelectionModelChange={({ type, ids }) => {
          if (type !== 'include') return;
          // Those ticked before keep their order.
          const kept = ticked.filter((id) => ids.has(id));
          onTick([...kept, ...[...ids].map(String).filter((id) => !ticked.includes(id))]);
        }}
        onRowClick={({ id }) => onChoose(String(id))}
        onCellKeyDown={({ id, field }, event) =>
          event.key === 'Enter' && field !== '__check__' && onChoose(String(id))
        }
        getRowClassName={({ id }) => (id === chosen ? 'chosen' : '')}
        slots={{
          noRowsOverlay: () => (
            <Typography sx={{ p: 4, textAlign: 'center' }}>
              {text === '' ? 'No build does.' : `No build is called “${text}”.`}
            </Typography>
          ),
        }}
        sx={{
          height: 420,
          borderColor: 'divider',
          '& .MuiDataGrid-row': { cursor: 'pointer' },
          '& .chosen': { bgcolor: 'sunken', boxShadow: 'inset 3px 0 var(--mui-palette-primary-main)' },
          '& .MuiDataGrid-columnHeaderTitle': {
            fontWeight: 560,
            fontSize: '0.8125rem',
            color: 'text.secondary',
            whiteSpace: 'normal',
            lineHeight: 1.2,
          },
          // All at once would be more than can stand side by side.
          '& .MuiDataGrid-columnHeaderCheckbox .MuiCheckbox-root': { visibility: 'hidden' },
        }}
      />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
        Tick two to four to see them side by side. A column’s menu hides it or brings others back.
      </Typography>
    </Fold>
  );
}
