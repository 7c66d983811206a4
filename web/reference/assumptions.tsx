import {
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { useRef, useState } from 'react';
import {
  ASSUMPTION_IDS,
  ASSUMPTIONS,
  assumedRange,
  readRanges,
  writeRanges,
  type Assumption,
  type AssumptionId,
  type OwnRanges,
  type Use,
} from '@kymar/core/catalog/assumptions';
import { factSpread, parseFact, writeFact } from '@kymar/core/evidence';
import { counted, UNIT_OF, type Dimension, type Unit } from '@kymar/core/units';
import { setSetting, useSettings } from '../state/settings';
import { saveFile } from '../ui/files';
import { Notice } from '../ui/notice';
import { Fold } from '../ui/fold';

const USE: Record<Use, string> = {
  path: 'path',
  transfer: 'copies and streams',
  random: 'random access',
  loads: 'load times',
  heat: 'temperature',
  arrays: 'arrays',
  endurance: 'endurance',
  workload: 'workload',
  classes: 'which class a drive is of',
};
const FROM: Record<Assumption['source'], string> = { memory: 'from memory', practice: 'common practice' };
const NONE: OwnRanges = {};

/** How a range of a unit is typed. */
const dimensionOf = (unit: Unit): Dimension =>
  (Object.keys(UNIT_OF) as Dimension[]).find((d) => UNIT_OF[d] === unit) ?? 'number';

function keep(id: AssumptionId, range: OwnRanges[AssumptionId]): void {
  const { [id]: _, ...others } = useSettings.getState().ownRanges ?? NONE;
  setSetting('ownRanges', range ? { ...others, [id]: range } : others);
  const { [id]: __, ...learned } = useSettings.getState().learned ?? {};
  setSetting('learned', learned);
}

/** A row's own range as it is typed; what is not understood stays, marked, and is not taken. */
function Own({ id, shopRanges, close }: { id: AssumptionId; shopRanges: OwnRanges; close(): void }) {
  const { unit, name } = ASSUMPTIONS[id];
  const dimension = dimensionOf(unit);
  const { low, expected, high } = assumedRange(id, shopRanges);
  const [text, setText] = useState(writeFact([low, expected, high], unit));
  const read = parseFact(text, dimension);
  const value = read.ok ? read.value : null;
  const problem = read.ok ? (read.value === null ? 'Write low / expected / high.' : null) : read.problem;
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', py: 0.5 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (value === null) return;
        keep(id, factSpread(value));
        close();
      }}
    >
      <TextField
        autoFocus
        label={`Own range of ${name}: low / expected / high`}
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={problem !== null}
        helperText={problem ?? (read.ok ? read.understood : '')}
        sx={{ flex: 1 }}
      />
      <Button type="submit" disabled={problem !== null}>
        Use it
      </Button>
      <Button onClick={close}>Cancel</Button>
    </Box>
  );
}

function Row({ id, shopRanges }: { id: AssumptionId; shopRanges: OwnRanges }) {
  const [open, setOpen] = useState(false);
  const { name, unit, on, used, source } = ASSUMPTIONS[id];
  const { low, expected, high } = assumedRange(id, shopRanges);
  const mine = shopRanges[id] !== undefined;
  const jobs = useSettings((s) => s.learned?.[id]);
  const told = on ? `${name}, ${on}` : name;
  return (
    <>
      <TableRow data-assumption={id}>
        <TableCell>
          {name}
          <Typography variant="caption" color="textSecondary" component="div">
            {[on, used.map((use) => USE[use]).join(', ')].filter(Boolean).join(' · ')}
          </Typography>
        </TableCell>
        <TableCell
          align="right"
          data-head="Low / expected / high"
          sx={{ whiteSpace: 'nowrap', fontWeight: mine ? 600 : undefined }}
        >
          {writeFact([low, expected, high], unit, 3)}
        </TableCell>
        <TableCell>
          {jobs ? `learned from ${counted(jobs, 'job')}` : mine ? 'this shop’s own' : FROM[source]}
        </TableCell>
        <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
          {mine && (
            <Button
              size="small"
              aria-label={`Back to Kymar’s range of ${told}`}
              onClick={() => keep(id, undefined)}
            >
              Reset
            </Button>
          )}
          <Button size="small" aria-label={`Own range of ${told}`} onClick={() => setOpen(!open)}>
            Own
          </Button>
        </TableCell>
      </TableRow>
      {open && (
        <TableRow>
          <TableCell colSpan={4}>
            <Own id={id} shopRanges={shopRanges} close={() => setOpen(false)} />
          </TableCell>
        </TableRow>
      )}
    </>
  );
}

/** How many rows are shown before more are asked for. */
const SHOWN = 14;

/** Every range that stands in where nobody knows, with its source and where it goes in; a shop may put its own in its place. */
export function Assumptions() {
  const shopRanges = useSettings((s) => s.ownRanges) ?? NONE;
  const [search, setSearch] = useState('');
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = ASSUMPTION_IDS.filter((id) => {
    const { name, on = '', used } = ASSUMPTIONS[id];
    const text = [id, name, on, ...used.map((use) => USE[use])].join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const first = [...found.filter((id) => shopRanges[id]), ...found.filter((id) => !shopRanges[id])];
  const shown = all || words.length > 0 ? first : first.slice(0, SHOWN);
  const count = Object.keys(shopRanges).length;
  const load = async (chosen: File) => {
    const read = readRanges(await chosen.text());
    setProblem(read.ok ? null : read.problems.slice(0, 3).join(' '));
    if (read.ok) setSetting('ownRanges', { ...shopRanges, ...read.value });
  };
  return (
    <Fold
      name="reference.assumptions"
      title="What Kymar assumes"
      sx={{ '& td, & th': { px: 0.75 } }}
      aside={
        <TextField
          label="Look up"
          slotProps={{ htmlInput: { 'data-find': true } }}
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          sx={{ width: 180 }}
        />
      }
    >
      <Typography variant="body2" sx={{ mb: 1 }}>
        Where nobody says, these ranges stand in: what is on the market, and what practitioners reckon with.
        Put your shop’s own in their place; every working that uses one names it.
      </Typography>
      {problem && (
        <Notice severity="error" onClose={() => setProblem(null)}>
          {problem}
        </Notice>
      )}
      {found.length === 0 && (
        <Typography color="textSecondary">Nothing assumed is called “{search}”.</Typography>
      )}
      <Table size="small" data-cards>
        <TableHead>
          <TableRow>
            <TableCell>Assumption</TableCell>
            <TableCell align="right">Low / expected / high</TableCell>
            <TableCell>Source</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map((id) => (
            <Row key={id} id={id} shopRanges={shopRanges} />
          ))}
        </TableBody>
      </Table>
      <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        {shown.length < found.length && (
          <Button size="small" onClick={() => setAll(true)}>
            {found.length - shown.length} more
          </Button>
        )}
        <Button
          size="small"
          disabled={count === 0}
          onClick={() => saveFile('own-ranges.json', writeRanges(shopRanges), 'application/json')}
        >
          Export own ranges
        </Button>
        <Button size="small" onClick={() => file.current?.click()}>
          Import own ranges
        </Button>
        <Button size="small" disabled={count === 0} onClick={() => setSetting('ownRanges', {})}>
          Reset all
        </Button>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="File with own ranges"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            if (chosen) void load(chosen);
            event.target.value = '';
          }}
        />
      </Box>
    </Fold>
  );
}
