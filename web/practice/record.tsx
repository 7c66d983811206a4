import { Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { LEVELS } from '@kymar/core/practice';
import { moment } from '@kymar/core/units';
import { Panel } from '../ui/panel';
import { minutesWords } from './bench';
import { usePractice } from './play';

/** As many rounds are shown, the newest first. */
const MOST = 12;
/** As many rounds make a stretch of the record. */
const STRETCH = 10;

/** The own record over time: each level's share, then round by round. */
export function Record() {
  const { record } = usePractice();
  if (record.length === 0) return null;
  const stretches = LEVELS.flatMap(({ id }) => {
    const own = record.filter((r) => r.level === id);
    if (own.length === 0) return [];
    const [first, last] = [own.slice(0, STRETCH), own.slice(-STRETCH)];
    const share = (list: typeof own) => `${list.filter((r) => r.won).length} of ${list.length}`;
    return [`Level ${id}: ${own.length > STRETCH ? `${share(first)} at first, ` : ''}${share(last)} lately`];
  });
  return (
    <Panel title="Your record">
      <Typography variant="body2" sx={{ mb: 1 }}>
        {stretches.join(' · ')}
      </Typography>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>When</TableCell>
            <TableCell align="right">Level</TableCell>
            <TableCell>Named</TableCell>
            <TableCell align="right">Spent</TableCell>
            <TableCell align="right">Shortest way</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {record
            .slice(-MOST)
            .reverse()
            .map((r) => (
              <TableRow key={r.at}>
                <TableCell>{moment(r.at)}</TableCell>
                <TableCell align="right">{r.level}</TableCell>
                <TableCell>{r.won ? 'rightly' : 'wrongly'}</TableCell>
                <TableCell align="right">{r.minutes === 0 ? 'nothing' : minutesWords(r.minutes)}</TableCell>
                <TableCell align="right">{r.best === 0 ? 'nothing' : minutesWords(r.best)}</TableCell>
              </TableRow>
            ))}
        </TableBody>
      </Table>
    </Panel>
  );
}
