import { Box, Typography } from '@mui/material';
import { AsidePanel } from './aside';
import { BackupPanel } from './backup';
import { BinPanel } from './bin';
import { MannersPanel } from './manners';
import { RatesPanel } from './rates';
import { StoragePanel } from './storage';
import { Stack } from '../ui/layout';
import { WhoPanel } from './who';

/** What this browser keeps, and how to keep it safe. */
export function SettingsView() {
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 3,
        maxWidth: 1280,
        width: '100%',
        mx: 'auto',
        display: 'grid',
        gap: 2,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
      }}
    >
      <Typography variant="h1" sx={{ gridColumn: '1 / -1' }}>
        Settings
      </Typography>
      <AsidePanel />
      <Stack gap={2}>
        <WhoPanel />
        <MannersPanel />
        <BackupPanel />
        <RatesPanel />
      </Stack>
      <Stack gap={2}>
        <StoragePanel />
        <BinPanel />
      </Stack>
    </Box>
  );
}
