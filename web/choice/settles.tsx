import { Box, Typography } from '@mui/material';
import { useAnswer } from '../state/gate';
import { settlesSaid } from '@kymar/core/statements';
import { Told } from '../ui/told';
import { choose } from '../workers';

/** As many are told. */
const MOST = 3;

/** What to ask or look up before buying: what would make another build the one to buy. */
export function Settles({ turn }: { turn: number }) {
  const { data: list = [], isFresh } = useAnswer(choose.settles(turn));
  if (list.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label="Worth finding out before buying"
      aria-busy={!isFresh}
      sx={{ mt: 1.5, opacity: isFresh ? 1 : 0.5 }}
    >
      <Typography variant="h3">Worth finding out before buying</Typography>
      <Box
        component="ul"
        sx={{ m: 0, mt: 0.5, pl: 2.25, typography: 'body2', '& li:first-of-type': { fontWeight: 600 } }}
      >
        {settlesSaid(list.slice(0, MOST)).map(({ says }) => (
          <li key={says!.id}>
            <Told of={says} />
          </li>
        ))}
      </Box>
    </Box>
  );
}
