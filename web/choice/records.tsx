import { Box, Typography } from '@mui/material';
import { costToday } from '@kymar/core/choice';
import type { Job } from '@kymar/core/job';
import { moment, moneyWords, numeral } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { useSettings } from '../state/settings';
import { useShop } from '../state/shop';
import { QuantityField } from '../ui/field';
import { Fold } from '../ui/fold';

/** What was chosen for a device, the newest first, with what stood beside. */
export function ChoiceHistory({ job, device }: { job: Job; device: string }) {
  const shop = useShop();
  const rates = useSettings((s) => s.rates);
  const records = (job.choices ?? []).filter((record) => record.device === device).reverse();
  if (records.length === 0) return null;
  return (
    <Fold name="choice.records" title="Chosen so far">
      {records
        .slice(0, 10)
        .map(({ id, at, taken, currency, beside, works, meets, fallen, prices, alert }) => (
          <Box component="details" key={id} sx={{ '& summary': { cursor: 'pointer' }, mb: 0.5 }}>
            <Typography component="summary" variant="body2">
              {moment(new Date(at))}: <b>{taken.words}</b>, {moneyWords(taken.cost, currency)}
            </Typography>
            {taken.cost !== null && currency !== null && prices.length > 0 && (
              <Today
                was={taken.cost}
                now={costToday(prices, shop.prices, currency, rates)}
                currency={currency}
                alert={alert ?? null}
                onAlert={(below) =>
                  changeJob(job.id, (j) => ({
                    ...j,
                    choices: (j.choices ?? []).map((r) => (r.id === id ? { ...r, alert: below } : r)),
                  }))
                }
              />
            )}
            <Box sx={{ pl: 2, typography: 'caption', color: 'text.secondary' }}>
              {beside.map((other) => (
                <div key={other.words}>
                  Beside: {other.words}, {other.cost}
                  {other.why ? `. ${other.why}` : ''}
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
              {prices.map(({ of, on, each, count = 1, seller }) => (
                <div key={of}>
                  {count > 1 ? `${count} × ` : ''}
                  {of.split('/')[1]}: {moneyWords(each, currency)} on {on}
                  {seller ? `, ${seller}` : ''}
                </div>
              ))}
            </Box>
          </Box>
        ))}
    </Fold>
  );
}

/** What the same parts cost today, and from when on somebody wants to know. */
function Today({
  was,
  now,
  currency,
  alert,
  onAlert,
}: {
  was: number;
  now: number | null;
  currency: string;
  alert: number | null;
  onAlert(below: number | null): void;
}) {
  const isBelow = alert !== null && now !== null && now < alert;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', pl: 2, py: 0.75, flexWrap: 'wrap' }}>
      <Typography
        variant="body2"
        role={isBelow ? 'status' : undefined}
        sx={{ flex: 1, fontWeight: isBelow ? 640 : undefined, color: isBelow ? 'success.main' : undefined }}
      >
        {now === null
          ? 'Not all of its parts have a price today.'
          : isBelow
            ? `Below ${moneyWords(alert, currency)}: the same parts cost ${moneyWords(now, currency)} today, ${moneyWords(was, currency)} when chosen.`
            : `The same parts today: ${moneyWords(now, currency)}, ${now === was ? 'as when chosen' : `${moneyWords(was, currency)} when chosen`}.`}
      </Typography>
      <QuantityField
        label={`Tell me below, ${currency}`}
        dimension="number"
        optional
        value={alert}
        onValue={onAlert}
        sx={{ width: 150 }}
      />
    </Box>
  );
}
