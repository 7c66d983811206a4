import { Box, Button, Typography } from '@mui/material';
import { format } from '@kymar/core/units';
import type { Cost, Fix } from '@kymar/core/choice';
import { changeBuild, type Placed } from '../state/placed';
import { Panel } from '../ui/panel';

const COST: Record<Cost, string> = {
  nothing: 'costs nothing',
  'a cable': 'costs a cable',
  'a hub': 'costs a hub',
  'an enclosure or card': 'costs an enclosure or card',
  'a drive': 'costs a drive',
};

const NOTHING = 'No single change of port, cable, enclosure or drive from the library makes it 5 % faster.';
const TRYING = 'Trying the other ports and the library …';

/** What helps where a finding leaves it to the search: its first. */
export function cheapest(list: readonly Fix[] | null): string {
  if (list === null) return TRYING;
  const [first] = list;
  if (!first) return NOTHING;
  const { words, flow, gain, cost } = first;
  const to = flow === null ? '' : `: ${format(flow, 'B/s')}`;
  return `${words}${to}${gain === null ? '' : `, ${format(gain, 'B/s')} more`} (${COST[cost]}).`;
}

/** Changes that unblock the path or make it faster, the cheapest first. */
export function Fixes({
  at,
  list,
  problem,
}: {
  at: Placed;
  list: readonly Fix[] | null;
  problem: string | null;
}) {
  return (
    <Panel title="Cheapest fix" aria-busy={list === null && problem === null}>
      {list?.length === 0 && <Typography variant="body2">{NOTHING}</Typography>}
      {list === null && (
        <Typography variant="body2" color="textSecondary">
          {problem ?? TRYING}
        </Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 }}>
        {list?.map(({ cost, words, flow, gain, build: better }) => (
          <Box
            component="li"
            key={cost}
            sx={{
              display: 'grid',
              gridTemplateColumns: 'minmax(0, 1fr) auto auto',
              gap: 1.5,
              alignItems: 'center',
            }}
          >
            <div>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                {words}
              </Typography>
              <Typography variant="caption" color="textSecondary">
                {COST[cost]}
              </Typography>
            </div>
            <Typography variant="body2" sx={{ textAlign: 'right' }}>
              {flow === null ? 'blocks less' : format(flow, 'B/s')}
              {gain !== null && (
                <Typography variant="caption" component="div" sx={{ color: 'primary.main' }}>
                  +{format(gain, 'B/s')}
                </Typography>
              )}
            </Typography>
            <Button size="small" aria-label={`Do it: ${words}`} onClick={() => changeBuild(at, () => better)}>
              Do it
            </Button>
          </Box>
        ))}
      </Box>
    </Panel>
  );
}
