import '@fontsource-variable/archivo/wdth.css';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { watchRuns } from './state/runs';
import { openStore } from './state/store';
import { fetchTheRest, Router } from './router';
import { theme } from './ui/theme';

void openStore(async () => (await import('@kymar/core/demo')).demoJobs()).then(() => {
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline enableColorScheme />
        <Router />
      </ThemeProvider>
    </StrictMode>,
  );
  watchRuns();
  fetchTheRest();
});
