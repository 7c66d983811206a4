import '@fontsource-variable/archivo/wdth.css';
import './base.css';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { watchRuns } from './state/runs';
import { openStore } from './state/store';
import { fetchTheRest, Router } from './router';
import { keepFocus } from './ui/focus';
import { theme } from './ui/theme';

keepFocus();
// The frame is painted at once; what it holds comes when the stores are open.
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline enableColorScheme />
      <Router />
    </ThemeProvider>
  </StrictMode>,
);
void openStore(async () => (await import('@kymar/core/demo')).demoJobs()).then(() => {
  watchRuns();
  fetchTheRest();
});
