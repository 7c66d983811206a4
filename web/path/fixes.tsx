import { Box, Button, Typography } from '@mui/material';
import type { Direction } from '@kymar/core/catalog/links';
import type { Fix } from '@kymar/core/choice';
import { fixSaid, type Statement } from '@kymar/core/statements';
import { changeBuild, type Placed } from '../state/placed';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';

const NOTHING =
  'No single change of port, cable, enclosure or drive from the library makes it a twentieth faster.';
const TRYING = 'Trying the other ports and the library …';

/** What helps where a finding leaves it to the search: its first. */
export function Cheapest({
  list,
  said,
}: {
  list: readonly Fix[] | null;
  said(fix: Fix): Statement | undefined;
}) {
  if (list === null) return TRYING;
  const [first] = list;
  return first ? <Told of={said(first)} /> : NOTHING;
}

/** Changes that unblock the path or make it faster, the cheapest first. */
export function Fixes({
  at,
  direction,
  list,
  problem,
}: {
  at: Placed;
  direction: Direction;
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
        {list?.map((fix) => (
          <Box
            component="li"
            key={fix.cost}
            sx={{
              display: 'grid',
              gridTemplateColumns: 'minmax(0, 1fr) auto auto',
              gap: 1.5,
              alignItems: 'center',
            }}
          >
            <div>
              <Typography variant="body2" sx={{ fontWeight: 600 }} data-named>
                {fix.words}
              </Typography>
              <Typography variant="caption" color="textSecondary">
                <Told of={fixSaid(at.place, fix, direction).price} />
              </Typography>
            </div>
            <Typography variant="body2" sx={{ textAlign: 'right' }}>
              <Told of={fixSaid(at.place, fix, direction).flow} />
              <Typography variant="caption" component="div" sx={{ color: 'primary.main' }}>
                <Told of={fixSaid(at.place, fix, direction).gain} />
              </Typography>
            </Typography>
            <Button
              size="small"
              aria-label={`Do it: ${fix.words}`}
              onClick={() => changeBuild(at, () => fix.build)}
            >
              Do it
            </Button>
          </Box>
        ))}
      </Box>
    </Panel>
  );
}
