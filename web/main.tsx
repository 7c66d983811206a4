import '@fontsource-variable/archivo/wdth.css';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { demoJobs } from '@kymar/core/demo';
import { openStore } from './state/jobs';
import { openParts } from './state/parts';
import { Router } from './router';
import { theme } from './ui/theme';

void Promise.all([openStore(demoJobs), openParts()]).then(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline enableColorScheme />
        <Router />
      </ThemeProvider>
    </StrictMode>,
  ),
);
