import { Box, Button } from '@mui/material';
import { Link } from 'react-router';
import { jobRecords } from '../state/jobs';
import { partRecords } from '../state/parts';
import { readMessage, useRuns } from '../state/runs';
import { ping, useServer } from '../state/server';
import { settingRecords } from '../state/settings';
import { saveNow } from '../state/store';
import { troubleOf, useStatus } from '../state/status';
import { saveFile } from './files';
import { Notice } from './notice';

const all = { jobs: jobRecords, parts: partRecords, settings: settingRecords };

/** What a person must know of storage, server and runs; each stays until it is read or over. */
export function Notices() {
  const status = useStatus();
  const away = useServer((s) => s.away);
  const messages = useRuns((s) => s.messages);
  const trouble = troubleOf(status);
  const stores = Object.entries(status.stores) as [keyof typeof all, (typeof status.stores)[string]][];
  const aside = stores.flatMap(([, s]) => s.aside);
  const sx = { boxShadow: 4, pointerEvents: 'auto' } as const;
  return (
    // Over the page, so that nothing moves away from under a finger, and where there is the least to press.
    <Box
      className="no-print"
      sx={{
        position: 'fixed',
        zIndex: 'snackbar',
        right: { xs: 8, sm: 24 },
        bottom: { xs: 8, sm: 16 },
        width: 'min(560px, calc(100vw - 16px))',
        maxHeight: '45vh',
        overflowY: 'auto',
        overscrollBehavior: 'contain',
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
        pointerEvents: 'none',
      }}
    >
      {trouble && (
        <Notice severity="error" sx={sx} action={<Button onClick={() => void saveNow()}>Try again</Button>}>
          {trouble}
        </Notice>
      )}
      {away && (
        <Notice severity="warning" sx={sx} action={<Button onClick={() => void ping()}>Look again</Button>}>
          Kymar’s server does not answer; start it again in its terminal. Until then you can go on with every
          page you have opened, the stopwatch, saving and exporting. Real runs, plugged-in devices and pages
          not opened yet have to wait.
        </Notice>
      )}
      {status.refused && (
        <Notice severity="error" sx={sx} onClose={() => useStatus.setState({ refused: null })}>
          {status.refused}
        </Notice>
      )}
      {stores.flatMap(([name, { notes }]) =>
        notes.map((note) => (
          <Notice key={note} severity="warning" sx={sx} onClose={() => all[name].readNotes()}>
            {note}
          </Notice>
        )),
      )}
      {messages.map(({ id, severity, text, file, choices }) => (
        <Notice
          key={id}
          severity={severity}
          sx={sx}
          // What is asked is answered, not put away: the server keeps it until then.
          {...(choices ? {} : { onClose: () => readMessage(id) })}
          {...(choices
            ? {
                action: (
                  <Box sx={{ display: 'flex', flexDirection: 'column', alignItems: 'start' }}>
                    {choices.map(({ label, take }) => (
                      <Button key={label} size="small" onClick={take}>
                        {label}
                      </Button>
                    ))}
                  </Box>
                ),
              }
            : {})}
          {...(file
            ? {
                action: (
                  <Button onClick={() => saveFile(file.name, file.text, 'text/plain')}>
                    Save the manifest
                  </Button>
                ),
              }
            : {})}
        >
          {text}
        </Notice>
      ))}
      {aside.length > 0 && (
        <Notice
          severity="warning"
          sx={sx}
          action={
            <Button component={Link} to="/settings">
              Look at {aside.length === 1 ? 'it' : 'them'}
            </Button>
          }
        >
          {aside.length === 1 ? 'One stored record' : `${aside.length} stored records`} cannot be used and{' '}
          {aside.length === 1 ? 'is' : 'are'} kept untouched: {aside[0]!.problem}
        </Notice>
      )}
    </Box>
  );
}
