import { DarkModeOutlinedIcon, LightModeOutlinedIcon, RedoIcon, UndoIcon } from './icons';
import { Box, IconButton, Typography } from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { Suspense, useEffect } from 'react';
import { Link, Outlet, useLocation } from 'react-router';
import { nextSteps, redo, undo } from '../state/history';
import { useJobs } from '../state/jobs';
import { useRuns } from '../state/runs';
import { ping, useServer } from '../state/server';
import { savedState, useStatus } from '../state/status';
import { Guarded } from './boundary';
import { useWorking } from './figure';
import { Notices } from './notices';
import { idle } from '../state/idle';
import { patientLazy } from './lazy';
import { FINGER, NARROW, useNarrow } from './narrow';
import { OpeningOver } from './waiting';

const WorkingSheet = patientLazy(() => import('./working'));

const PAGES = [
  ['/jobs', 'All jobs'],
  ['/parts', 'Parts'],
  ['/tools', 'Tools'],
  ['/practice', 'Practice'],
  ['/reference', 'Reference'],
  ['/settings', 'Settings'],
] as const;

/** What runs is told as soon as the view is there. */
const Running = patientLazy(async () => {
  await idle();
  return { default: (await import('./running')).Running };
});

/** What may come after the view comes when there is time. */
const Afterwards = patientLazy(async () => {
  await idle();
  return import('./later');
});

/** Frame of every view: the name, undo and redo, appearance, and what is wrong with storage if anything is. */
export function Shell() {
  const state = useStatus(savedState);
  const undone = useStatus((s) => s.undone);
  const loaded = useStatus((s) => s.loaded);
  const notices = useNotices();
  const { pathname } = useLocation();
  // Named anew with every edit.
  useJobs();
  const steps = nextSteps();
  const narrow = useNarrow();
  const working = useWorking((s) => s.shown !== null);
  useUndoKeys();
  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <Box component="button" onClick={toContent} className="skip">
        To the content
      </Box>
      <Box
        component="header"
        className="no-print"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: { xs: 0.5, sm: 1.5 },
          px: { xs: 1.5, sm: 3 },
          height: 44,
          [NARROW]: { height: 36 },
          [FINGER]: { height: 44 },
          bgcolor: 'background.paper',
          borderBottom: 1,
          borderColor: 'divider',
        }}
      >
        <Box
          component={Link}
          to="/jobs"
          aria-label="Kymar"
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            textDecoration: 'none',
            color: 'text.primary',
          }}
        >
          <img src="/mark.svg" alt="" width={24} height={24} />
          <Typography
            component="span"
            sx={{
              fontWeight: 720,
              fontSize: '1.0625rem',
              fontStretch: '120%',
              display: { xs: 'none', sm: 'inline' },
            }}
          >
            Kymar
          </Typography>
        </Box>
        <Box
          component="nav"
          aria-label="Kymar"
          sx={{
            display: 'flex',
            gap: { xs: 1, sm: 2 },
            ml: 1,
            flex: 1,
            minWidth: 0,
            alignItems: 'center',
            overflowX: 'auto',
            scrollbarWidth: 'none',
          }}
        >
          {PAGES.map(([to, name]) => (
            <Box
              key={to}
              component={Link}
              to={to}
              sx={{
                display: { xs: to === '/jobs' ? 'none' : 'flex', sm: 'flex' },
                alignItems: 'center',
                color: 'text.secondary',
                whiteSpace: 'nowrap',
                fontSize: '0.875rem',
                textDecoration: 'none',
                '&:hover': { color: 'primary.main' },
              }}
            >
              {name}
            </Box>
          ))}
        </Box>
        <Suspense fallback={null}>
          <Running />
        </Suspense>
        <Typography
          variant="caption"
          color="textSecondary"
          role="status"
          sx={{ lineHeight: 1.2, textAlign: 'right' }}
        >
          {!narrow && undone && `${undone}. `}
          {narrow ? SAVED[state].split(' ')[0] : SAVED[state]}
        </Typography>
        <IconButton
          size="small"
          onClick={undo}
          aria-label="Undo (Ctrl+Z)"
          title={steps.undo ? `Undo: ${steps.undo} (Ctrl+Z)` : 'Nothing to undo'}
        >
          <UndoIcon fontSize="small" />
        </IconButton>
        <IconButton
          size="small"
          onClick={redo}
          aria-label="Redo (Ctrl+Shift+Z)"
          title={steps.redo ? `Do again: ${steps.redo} (Ctrl+Shift+Z)` : 'Nothing to do again'}
        >
          <RedoIcon fontSize="small" />
        </IconButton>
        <SchemeSwitch />
      </Box>
      <Guarded name="This page" watch={[pathname]}>
        {loaded && <Outlet />}
      </Guarded>
      <Suspense fallback={null}>
        <Afterwards />
      </Suspense>
      {notices && <Notices />}
      <Suspense fallback={<OpeningOver />}>{working && <WorkingSheet />}</Suspense>
    </Box>
  );
}

/** Past what frames the view, with the keyboard. */
function toContent(): void {
  const main = document.querySelector('main');
  if (!main) return;
  main.tabIndex = -1;
  main.focus();
  main.scrollIntoView();
}

function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <IconButton
      size="small"
      onClick={() => setMode(dark ? 'light' : 'dark')}
      aria-label={dark ? 'Light appearance' : 'Dark appearance'}
      title={dark ? 'Light appearance' : 'Dark appearance'}
    >
      {dark ? <LightModeOutlinedIcon fontSize="small" /> : <DarkModeOutlinedIcon fontSize="small" />}
    </IconButton>
  );
}

/** Ctrl+Z and Ctrl+Shift+Z, left to the field where one is being typed in. */
function useUndoKeys() {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      if (
        event.target instanceof HTMLElement &&
        event.target.matches('input:not([type=checkbox], [type=radio]), textarea, [contenteditable]')
      )
        return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, []);
}

const SAVED = {
  saved: 'Saved in this browser',
  saving: 'Saving …',
  'not saved': 'Not all is saved',
} as const;

/** Whether there is anything to say; and the server is asked now and then whether it is there. */
function useNotices(): boolean {
  const store = useStatus(
    (s) =>
      savedState(s) === 'not saved' ||
      s.refused !== null ||
      Object.values(s.stores).some((one) => one.notes.length + one.aside.length > 0),
  );
  const away = useServer((s) => s.away);
  const told = useRuns((s) => s.messages.length > 0);
  useEffect(() => {
    const ask = () => document.visibilityState === 'visible' && void ping();
    const timer = setInterval(ask, away ? 2000 : 10_000);
    return () => clearInterval(timer);
  }, [away]);
  useEffect(() => {
    // What undo did is told for a while.
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = useStatus.subscribe((now, before) => {
      if (!now.undone || now.undone === before.undone) return;
      clearTimeout(timer);
      timer = setTimeout(() => useStatus.setState({ undone: '' }), 6000);
    });
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, []);
  return store || away || told;
}
