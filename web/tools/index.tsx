import { Box, Typography } from '@mui/material';
import { Stack } from '../ui/layout';
import { CacheFromTotals } from './cache';
import { Converter } from './converter';
import { Decoder } from './decoder';
import { PluggedDevices } from './devices';
import { FormatEndCalculator } from './format';
import { HealthReader } from './health';
import { Loads } from './loads';
import { CacheFromMoments } from './moments';
import { PerFile } from './perfile';
import { RatingEnd } from './rating';

/** What a technician works out by the way: names decoded, units converted, what follows from a few figures. */
export function Tools() {
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 3,
        maxWidth: 1680,
        width: '100%',
        mx: 'auto',
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'repeat(2, minmax(0, 1fr))' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ gridColumn: '1 / -1' }}>
        <Typography variant="h1">Tools</Typography>
        <Typography color="textSecondary">
          Type what you see; most take figures from a job and put what they find back into it.
        </Typography>
      </Box>
      <Stack gap={2}>
        <Decoder />
        <HealthReader />
        <PluggedDevices />
        <FormatEndCalculator />
        <RatingEnd />
      </Stack>
      <Stack gap={2}>
        <Converter />
        <CacheFromTotals />
        <CacheFromMoments />
        <PerFile />
        <Loads />
      </Stack>
    </Box>
  );
}
