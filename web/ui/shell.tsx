import DarkModeOutlinedIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlinedIcon from '@mui/icons-material/LightModeOutlined';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import { Box, IconButton, Typography } from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { lazy, Suspense, useEffect } from 'react';
import { Link, Outlet } from 'react-router';
import { redo, undo, useStatus } from '../state/jobs';
import { useWorking } from './figure';

const WorkingSheet = lazy(() => import('./working'));
/** Only where there is trouble: it needs not be there before. */
const Alert = lazy(() => import('@mui/material/Alert'));

/** Frame of every view: the name, undo and redo, appearance, and what is wrong with storage if anything is. */
export function Shell() {
  const { trouble, saving, savingParts } = useStatus();
  const working = useWorking((s) => s.shown !== null);
  useUndoKeys();
  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <Box component="header" className="no-print" sx={{ display: 'flex', alignItems: 'center', gap: { xs: 0.5, sm: 1.5 }, px: { xs: 1.5, sm: 3 }, height: 44, bgcolor: 'background.paper', borderBottom: 1, borderColor: 'divider' }}>
        <Box component={Link} to="/jobs" sx={{ display: 'flex', alignItems: 'center', gap: 1, textDecoration: 'none', color: 'text.primary' }}>
          <img src="/mark.svg" alt="" width={24} height={24} />
          <Typography component="span" sx={{ fontWeight: 720, fontSize: '1.0625rem', fontStretch: '120%' }}>
            Kymar
          </Typography>
        </Box>
        {([
          ['/jobs', 'All jobs'],
          ['/parts', 'Parts'],
          ['/reference', 'Reference'],
        ] as const).map(([to, name]) => (
          <Box key={to} component={Link} to={to} sx={{ display: { xs: to === '/jobs' ? 'none' : 'block', sm: 'block' }, color: 'text.secondary', ml: 1, whiteSpace: 'nowrap', fontSize: '0.875rem', textDecoration: 'none', '&:hover': { color: 'primary.main' } }}>
            {name}
          </Box>
        ))}
        <Box sx={{ flex: 1 }} />
        <Typography variant="caption" color="textSecondary" role="status" sx={{ lineHeight: 1.2, textAlign: 'right', display: { xs: 'none', sm: 'block' } }}>
          {trouble ? 'Not all is saved' : saving || savingParts ? 'Saving …' : 'Saved in this browser'}
        </Typography>
        <IconButton size="small" onClick={undo} aria-label="Undo (Ctrl+Z)" title="Undo (Ctrl+Z)">
          <UndoIcon fontSize="small" />
        </IconButton>
        <IconButton size="small" onClick={redo} aria-label="Redo (Ctrl+Shift+Z)" title="Redo (Ctrl+Shift+Z)">
          <RedoIcon fontSize="small" />
        </IconButton>
        <SchemeSwitch />
      </Box>
      {trouble && (
        <Suspense>
          <Alert severity="error" variant="outlined" sx={{ mx: 3, mt: 1.5 }} onClose={() => useStatus.setState({ trouble: null })}>
            {trouble}
          </Alert>
        </Suspense>
      )}
      <Suspense fallback={<Opening />}>
        <Outlet />
      </Suspense>
      <Suspense>{working && <WorkingSheet />}</Suspense>
    </Box>
  );
}

function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <IconButton size="small" onClick={() => setMode(dark ? 'light' : 'dark')} aria-label={dark ? 'Light appearance' : 'Dark appearance'} title={dark ? 'Light appearance' : 'Dark appearance'}>
      {dark ? <LightModeOutlinedIcon fontSize="small" /> : <DarkModeOutlinedIcon fontSize="small" />}
    </IconButton>
  );
}

/** Ctrl+Z and Ctrl+Shift+Z, left to the field where one is being typed in. */
function useUndoKeys() {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      if (event.target instanceof HTMLElement && event.target.matches('input, textarea, [contenteditable]')) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, []);
}

/** Told only where a view takes its time. */
const Opening = () => (
  <Box role="status" sx={{ p: 3, color: 'text.secondary', animation: 'opening 0s 0.4s both', '@keyframes opening': { from: { visibility: 'hidden' }, to: { visibility: 'visible' } } }}>
    Opening …
  </Box>
);
