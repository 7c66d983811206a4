import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { moneyWords } from '@kymar/core/units';
import { usualCurrency, wantedFrom } from '@kymar/core/choice';
import { deviceName, type Job } from '@kymar/core/job';
import { useSettings } from '../state/settings';
import { useShop } from '../state/shop';
import { Panel } from '../ui/panel';
import { choose, type PlacedDevice } from '../workers';
import { take } from './take';

type State =
  | { kind: 'none' | 'busy' }
  | { kind: 'problem'; words: string }
  | { kind: 'found'; list: readonly PlacedDevice[]; slowed: readonly string[] };

/** All devices of a job placed at once: each port used once, one budget for all. */
export function TogetherPanel({ job }: { job: Job }) {
  const shop = useShop();
  const shopRanges = useSettings((s) => s.ownRanges);
  const probability = useSettings((s) => s.sure);
  const rates = useSettings((s) => s.rates);
  const [state, setState] = useState<State>({ kind: 'none' });
  const currency = job.budget?.currency ?? usualCurrency(shop.prices);
  const devices = job.devices.flatMap(({ id }) => {
    const wanted = wantedFrom(job, id, shop, {
      shopRanges: shopRanges ?? {},
      probability,
      rates,
      portsFree: true,
    });
    return wanted ? [{ id, wanted }] : [];
  });
  if (devices.length < 2) return null;
  const budget = job.budget ? job.budget.amount / (job.budget.pieces ?? 1) : null;
  const search = () => {
    setState({ kind: 'busy' });
    choose
      .together(
        devices.map(({ wanted }) => wanted),
        devices.map(({ id }) => deviceName(job.devices, id)),
        shop,
        budget,
      )
      .then(
        ({ placed: list, slowed, problem }) =>
          setState(problem === null ? { kind: 'found', list, slowed } : { kind: 'problem', words: problem }),
        (error: Error) => setState({ kind: 'problem', words: error.message }),
      );
  };
  const total = state.kind === 'found' ? state.list.reduce((sum, { cost }) => sum + (cost ?? NaN), 0) : NaN;
  return (
    <Panel
      title="All devices together"
      aria-busy={state.kind === 'busy'}
      aside={
        <Button
          variant={state.kind === 'found' ? 'text' : 'outlined'}
          onClick={search}
          disabled={state.kind === 'busy'}
        >
          {state.kind === 'found' ? 'Search again' : 'Place all devices together'}
        </Button>
      }
    >
      {state.kind === 'none' && (
        <Typography variant="body2" color="textSecondary">
          Each device’s own answer may want the same port. Together each port is used once
          {budget === null ? '' : `, and all cost at most ${moneyWords(budget, currency)}`}.
        </Typography>
      )}
      {state.kind === 'busy' && (
        <Typography variant="body2" role="status" color="textSecondary">
          Searching for {devices.length} devices …
        </Typography>
      )}
      {state.kind === 'problem' && (
        <Typography variant="body2" role="alert" color="error">
          {state.words}
        </Typography>
      )}
      {state.kind === 'found' && (
        <>
          {state.list.map(({ words, where, money }, i) => (
            <Box
              key={devices[i]!.id}
              sx={{ display: 'grid', gridTemplateColumns: '170px minmax(0, 1fr) auto', gap: 1.5, py: 0.5 }}
            >
              <Typography variant="body2" color="textSecondary">
                {deviceName(job.devices, devices[i]!.id)}
              </Typography>
              <Typography variant="body2">
                <b>{words}</b>
                <br />
                {where.join('; ')}
              </Typography>
              <Typography variant="body2" sx={{ fontWeight: 600, textAlign: 'right' }}>
                {money}
              </Typography>
            </Box>
          ))}
          {state.slowed.map((words) => (
            <Typography key={words} variant="body2" color="textSecondary">
              {words}
            </Typography>
          ))}
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1 }}>
            <Typography sx={{ flex: 1, fontWeight: 640 }}>
              {Number.isNaN(total)
                ? 'In all: not every price is known'
                : `In all ${moneyWords(total, currency)}`}
            </Typography>
            <Button
              variant="contained"
              onClick={() =>
                take(
                  job,
                  state.list.map((one, i) => ({ ...one, ...devices[i]!, device: devices[i]!.id })),
                  shop,
                )
              }
            >
              Take them all
            </Button>
          </Box>
        </>
      )}
    </Panel>
  );
}
