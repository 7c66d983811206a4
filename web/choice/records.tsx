import { Box, Typography } from '@mui/material';
import { moneyWords } from '@kymar/core/choice/search';
import type { Job } from '@kymar/core/job';
import { moment, numeral } from '@kymar/core/units';
import { Panel } from '../ui/panel';

/** What was chosen for a device, the newest first, with what stood beside. */
export function Records({ job, device }: { job: Job; device: string }) {
  const records = (job.choices ?? []).filter((record) => record.device === device).reverse();
  if (records.length === 0) return null;
  return (
    <Panel title="Chosen so far">
      {records.slice(0, 10).map(({ id, at, taken, currency, beside, works, meets, fallen, prices }) => (
        <Box component="details" key={id} sx={{ '& summary': { cursor: 'pointer' }, mb: 0.5 }}>
          <Typography component="summary" variant="body2">
            {moment(new Date(at))}: <b>{taken.words}</b>, {moneyWords(taken.cost, currency)}
          </Typography>
          <Box sx={{ pl: 2, typography: 'caption', color: 'text.secondary' }}>
            {beside.map((other) => (
              <div key={other.words}>
                Beside: {other.words}, {other.cost}
              </div>
            ))}
            <div>
              {numeral(works)} builds worked, {numeral(meets)} met every target.
            </div>
            {fallen.slice(0, 6).map(({ words, count }) => (
              <div key={words}>
                {words}: {numeral(count)}
              </div>
            ))}
            {prices.map(({ of, on, each, seller }) => (
              <div key={of}>
                {of.split('/')[1]}: {moneyWords(each, currency)} on {on}
                {seller ? `, ${seller}` : ''}
              </div>
            ))}
          </Box>
        </Box>
      ))}
    </Panel>
  );
}
