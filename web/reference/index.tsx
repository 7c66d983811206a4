import { Box, Typography } from '@mui/material';
import { RULES_OF_THUMB } from '@kymar/core/reference';
import { sourceWords } from '@kymar/core/evidence';
import { Panel } from '../ui/panel';
import { Assumptions } from './assumptions';
import { CacheFromTotals } from './cache';
import { Converter } from './converter';
import { Decoder } from './decoder';
import { PluggedDevices } from './devices';
import { FormatEndCalculator } from './format';
import { HealthReader } from './health';
import { Interfaces } from './interfaces';
import { Loads } from './loads';
import { CacheFromMoments } from './moments';
import { PerFile } from './perfile';
import { RatingEnd } from './rating';
import { TaughtPanel } from './taught';
import { Stack } from '../ui/layout';

/** What a technician looks up: names decoded, units converted, interfaces, rules of thumb. */
export function Reference() {
  return (
    <Box
      component="main"
      sx={{
        px: 3,
        py: 3,
        maxWidth: 1680,
        width: '100%',
        mx: 'auto',
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 9fr) minmax(0, 10fr)' },
        alignItems: 'start',
      }}
    >
      <Typography variant="h1" sx={{ gridColumn: '1 / -1' }}>
        Reference
      </Typography>
      <Stack gap={2}>
        <Decoder />
        <PluggedDevices />
        <Converter />
        <FormatEndCalculator />
        <CacheFromTotals />
        <CacheFromMoments />
        <PerFile />
        <Loads />
        <RatingEnd />
        <HealthReader />
        <Panel title="Rules of thumb">
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
        </Panel>
      </Stack>
      <Stack gap={2}>
        <Interfaces />
        <TaughtPanel />
        <Assumptions />
      </Stack>
    </Box>
  );
}
