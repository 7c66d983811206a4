import { Alert, Button } from '@mui/material';
import { jobRecords } from '../state/jobs';
import { partRecords } from '../state/parts';
import { readMessage, useRuns } from '../state/runs';
import { ping, useServer } from '../state/server';
import { settingRecords } from '../state/settings';
import { saveNow } from '../state/store';
import { troubleOf, useStatus } from '../state/status';
import { Link } from 'react-router';

const all = { jobs: jobRecords, parts: partRecords, settings: settingRecords };

/** What a person must know of storage, server and runs; each stays until it is read or over. */
export function Notices() {
  const status = useStatus();
  const away = useServer((s) => s.away);
  const messages = useRuns((s) => s.messages);
  const trouble = troubleOf(status);
  const stores = Object.entries(status.stores) as [keyof typeof all, (typeof status.stores)[string]][];
  const aside = stores.flatMap(([, s]) => s.aside);
  const sx = { mx: { xs: 1.5, sm: 3 }, mt: 1.5 };
  return (
    <>
      {trouble && (
        <Alert severity="error" variant="outlined" sx={sx} action={<Button onClick={() => void saveNow()}>Try again</Button>}>
          {trouble}
        </Alert>
      )}
      {away && (
        <Alert severity="warning" variant="outlined" sx={sx} action={<Button onClick={() => void ping()}>Look again</Button>}>
          Kymar’s server does not answer; start it again in its terminal. Until then you can go on with every page you have opened, the stopwatch, saving and exporting. Real runs, plugged-in devices and pages not opened yet have to wait.
        </Alert>
      )}
      {stores.flatMap(([name, { notes }]) =>
        notes.map((note) => (
          <Alert key={note} severity="warning" variant="outlined" sx={sx} onClose={() => all[name].readNotes()}>
            {note}
          </Alert>
        )),
      )}
      {messages.map(({ id, severity, text }) => (
        <Alert key={id} severity={severity} variant="outlined" sx={sx} onClose={() => readMessage(id)}>
          {text}
        </Alert>
      ))}
      {aside.length > 0 && (
        <Alert severity="warning" variant="outlined" sx={sx} action={<Button component={Link} to="/settings">Look at {aside.length === 1 ? 'it' : 'them'}</Button>}>
          {aside.length === 1 ? 'One stored record' : `${aside.length} stored records`} cannot be used and {aside.length === 1 ? 'is' : 'are'} kept untouched: {aside[0]!.problem}
        </Alert>
      )}
    </>
  );
}
