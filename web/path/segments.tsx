import {
  MenuItem,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { useMemo, useState } from 'react';
import type { Direction } from '@kymar/core/catalog/links';
import {
  buildPath,
  crowdWords,
  explainFlow,
  reasonOf,
  type ConstraintId,
  type Path,
  type Requests,
} from '@kymar/core/build/path';
import { format, numeral } from '@kymar/core/units';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';

/** How requests can come; the first is a system's copy, which keeps a path full. */
const REQUESTS: { words: string; requests: Requests | null }[] = [
  { words: 'as a copy sends them', requests: null },
  { words: '1 MiB, one at a time', requests: { block: 2 ** 20, depth: 1 } },
  { words: '128 KiB, 4 at a time', requests: { block: 2 ** 17, depth: 4 } },
  { words: '4 KiB, 32 at a time', requests: { block: 4096, depth: 32 } },
  { words: '4 KiB, one at a time', requests: { block: 4096, depth: 1 } },
];

const ROLE: Partial<Record<ConstraintId, string>> = {
  media: 'the drive itself, cache fresh',
  bridge: 'as the enclosure’s chip is stated',
  other: 'what stands at the other end of the copy',
  system: 'its share of the slowest link',
  array: 'what makes them one has its own cost; made by the system, redundancy crosses the link too',
};
const mb = (rate: number) => numeral(rate / 1e6, rate < 100e6 ? 1 : 0);

/** Each segment's ceiling, practical range and negotiated mode, what decides and what would decide next. */
export function Segments({ path, direction }: { path: Path; direction: Direction }) {
  const [chosen, setChosen] = useState(0);
  const { requests } = REQUESTS[chosen]!;
  const at = useMemo(() => (requests ? buildPath({ ...path.parts, requests }) : path), [path, requests]);
  const flow = at.flow?.[direction].expected ?? 0;
  const bottleneck = path.bottleneck?.[direction];
  return (
    <Panel
      title={`What each part allows, ${direction === 'read' ? 'reading' : 'writing'}`}
      aside={
        at.flow && (
          <Typography variant="body2">
            Flow:{' '}
            <Figure of={() => explainFlow(at, direction)}>
              {format(at.flow[direction].expected, 'B/s')}
            </Figure>
          </Typography>
        )
      }
    >
      <Table size="small" sx={{ '& td, & th': { px: 0.75 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Part and how it runs</TableCell>
            <TableCell align="right">Ceiling, MB/s</TableCell>
            <TableCell align="right">Expected, MB/s</TableCell>
            <TableCell align="right">90 % range, MB/s</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {path.constraints.map((constraint) => {
            const rate = constraint.rate[direction];
            const narrowest = constraint === bottleneck?.slowest;
            return (
              <TableRow
                key={constraint.id}
                sx={
                  narrowest ? { '& td': { color: 'var(--mui-palette-narrow)', fontWeight: 600 } } : undefined
                }
              >
                <TableCell>
                  {constraint.name}
                  {narrowest && ' · narrowest'}
                  <Typography variant="caption" color="textSecondary" component="div">
                    {[
                      constraint.link ? reasonOf(constraint.link) : ROLE[constraint.id],
                      constraint.shared?.[direction] && `shared: ${crowdWords(constraint.shared[direction])}`,
                    ]
                      .filter(Boolean)
                      .join('; ')}
                  </Typography>
                </TableCell>
                <TableCell align="right">
                  {constraint.ceiling === null ? 'none' : mb(constraint.ceiling)}
                </TableCell>
                <TableCell align="right">
                  <Figure of={() => constraint.explain(direction)}>{mb(rate.expected)}</Figure>
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {mb(rate.low)} to {mb(rate.high)}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {bottleneck?.next && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Without {bottleneck.constraint.name}, {bottleneck.next.name} would decide, at{' '}
          {format(bottleneck.next.rate.expected, 'B/s')}.
        </Typography>
      )}
      {path.flow && (
        <TextField
          select
          label="Requests come"
          value={chosen}
          onChange={(e) => setChosen(Number(e.target.value))}
          sx={{ mt: 1.5, width: 260 }}
          helperText={
            requests
              ? `Flow so: ${format(flow, 'B/s')}, ${format(Math.round(flow / requests.block), 'count')} a second`
              : 'large blocks, several under way'
          }
        >
          {REQUESTS.map(({ words }, i) => (
            <MenuItem key={words} value={i}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Panel>
  );
}
