import { Typography } from '@mui/material';
import { LEVELS } from '@kymar/core/practice';
import { moment } from '@kymar/core/units';
import { Panel } from '../ui/panel';
import { minutesWords } from './bench';
import { Cells } from '../ui/cells';
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
      <Cells
        of={record.slice(-MOST).reverse()}
        keyOf={({ at }) => at}
        columns={({ left, right }) => [
          left('When', ({ at }) => moment(at)),
          right('Level', ({ level }) => level),
          left('Named', ({ won }) => (won ? 'rightly' : 'wrongly')),
          right('Spent', ({ minutes }) => (minutes === 0 ? 'nothing' : minutesWords(minutes))),
          right('Shortest way', ({ best }) => (best === 0 ? 'nothing' : minutesWords(best))),
        ]}
      />
    </Panel>
  );
}
