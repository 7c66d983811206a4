import { Table, TableBody, TableCell, TableHead, TableRow, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { ceilingOf, explainCeiling, explainPractical, LINKS, practicalOf } from '@kymar/core/links';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';

const mb = (rate: number) => (rate / 1e6).toLocaleString('en-GB', { maximumFractionDigits: rate < 100e6 ? 1 : 0 });

/** Every link of the table: hard ceiling and what good equipment reaches, each figure with its working. */
export function Interfaces() {
  const [search, setSearch] = useState('');
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = LINKS.filter((link) => words.every((w) => [link.name, link.family, ...(link.also ?? [])].join(' ').toLowerCase().includes(w)));
  return (
    <Panel title="Interfaces, MB/s" aside={<TextField label="Find" value={search} onChange={(e) => setSearch(e.target.value)} sx={{ width: 180 }} />}>
      {found.length === 0 && <Typography color="textSecondary">No interface is called “{search}”.</Typography>}
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Link</TableCell>
            <TableCell align="right">Ceiling</TableCell>
            <TableCell align="right">Reading</TableCell>
            <TableCell align="right">Writing</TableCell>
            <TableCell align="right">In nine of ten</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {found.map((link) => {
            const range = practicalOf(link, 'read');
            return (
              <TableRow key={link.id}>
                <TableCell>
                  {link.name}
                  {link.also && (
                    <Typography variant="caption" color="textSecondary" component="div">
                      {link.also.join(', ')}
                    </Typography>
                  )}
                </TableCell>
                <TableCell align="right">
                  <Figure of={() => explainCeiling(link)}>{mb(ceilingOf(link))}</Figure>
                </TableCell>
                <TableCell align="right">
                  <Figure of={() => explainPractical(link, 'read')}>{mb(range.expected)}</Figure>
                </TableCell>
                <TableCell align="right">
                  <Figure of={() => explainPractical(link, 'write')}>{mb(practicalOf(link, 'write').expected)}</Figure>
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {mb(range.low)} to {mb(range.high)}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Panel>
  );
}
