import { Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { Direction } from '@kymar/core/catalog/links';
import { format } from '@kymar/core/units';
import { tried, type Cost, type Fix } from '@kymar/core/choice/whatif';
import { changeBuild, type Placed } from '../state/placed';
import { useShop } from '../state/shop';
import { useSituation } from '../state/situation';
import { Panel } from '../ui/panel';
import { fixesOf } from '../workers';

const COST: Record<Cost, string> = {
  nothing: 'costs nothing',
  'a cable': 'costs a cable',
  'a hub': 'costs a hub',
  'an enclosure or card': 'costs an enclosure or card',
  'a drive': 'costs a drive',
};

/** Changes that unblock the path or make it faster, the cheapest first. Worked out beside the page once it has come to rest. */
export function Fixes({ at, direction }: { at: Placed; direction: Direction }) {
  const shop = useShop();
  const [found, setFound] = useState<{ for: unknown; direction: Direction; list: Fix[] } | null>(null);
  const situation = useSituation(at);
  useEffect(() => {
    if (!situation) return;
    let current = true;
    const ask = () =>
      void fixesOf(situation, tried(shop, direction), direction).then(
        (list) => current && setFound({ for: situation, direction, list }),
      );
    const timer = setTimeout(ask, 150);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [situation, shop, direction]);
  const list = found?.for === situation && found.direction === direction ? found.list : null;
  return (
    <Panel title="Cheapest fix" aria-busy={list === null}>
      {list?.length === 0 && (
        <Typography variant="body2">
          No single change of port, cable, enclosure or drive from the library makes it 5 % faster.
        </Typography>
      )}
      {list === null && (
        <Typography variant="body2" color="textSecondary">
          Trying the other ports and the library …
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
