import { Box, Typography } from '@mui/material';
import { RULES_OF_THUMB } from '@kymar/core/reference';
import { sourceWords } from '@kymar/core/evidence';
import { Fold } from '../ui/fold';
import { Stack, TwoColumns } from '../ui/layout';
import { Assumptions } from './assumptions';
import { Interfaces } from './interfaces';
import { TaughtPanel } from './taught';

/** What a technician looks up: interfaces, rules of thumb, what Kymar assumes and what the shop's jobs teach of it. */
export function Reference() {
  return (
    <TwoColumns
      title="Reference"
      about="What each link carries in practice, and what Kymar reckons with where nobody says."
    >
      <Interfaces />
      <Stack gap={2}>
        <Fold name="reference.rules" title="Rules of thumb" usual>
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1.25 }}>
            {RULES_OF_THUMB.map(({ rule, why, source }) => (
              <li key={rule}>
                <Typography variant="body2" sx={{ fontWeight: 600 }}>
                  {rule}
                </Typography>
                <Typography variant="caption" color="textSecondary">
                  {why} ({sourceWords(source)})
                </Typography>
              </li>
            ))}
          </Box>
        </Fold>
        <TaughtPanel />
        <Assumptions />
      </Stack>
    </TwoColumns>
  );
}
