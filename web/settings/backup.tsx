import { moment } from '@kymar/core/units';
import {
  Alert,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useRef, useState } from 'react';
import { writeBackup, type Restoring } from '@kymar/core/backup';
import { nameOf } from '@kymar/core/catalog/parts';
import {
  backupName,
  backUpNow,
  canChooseFolder,
  chooseFolder,
  everything,
  stopBackup,
  useBackup,
  wakeUp,
} from '../state/backup';
import { putJobs, useJobs } from '../state/jobs';
import { putEntries } from '../state/parts';
import { setSetting, useSettings } from '../state/settings';
import { saveNow } from '../state/store';
import { saveFile } from '../ui/files';
import { Panel } from '../ui/panel';
import { read, type BackupPreview } from '../workers';
import { Cells } from '../ui/cells';
import { Row } from '../ui/layout';

const when = (at: string) => moment(at);

/** Everything in one file, by hand or by itself, and back from it with a look at what would change. */
export function BackupPanel() {
  const input = useRef<HTMLInputElement>(null);
  const backedUp = useSettings((s) => s.backedUp);
  const folder = useSettings((s) => s.backupFolder) as { name?: string } | undefined;
  const { state, problem } = useBackup();
  const [found, setFound] = useState<BackupPreview | null>(null);
  const [wrong, setWrong] = useState<string[]>([]);
  const save = async () => {
    saveFile(backupName(), writeBackup(await everything()), 'application/json');
    setSetting('backedUp', new Date().toISOString());
  };
  const take = async (files: FileList | null) => {
    if (!files?.[0]) return;
    setWrong([]);
    await saveNow();
    const preview = await read
      .backup(files[0])
      .catch((error: Error): BackupPreview => ({ at: '', list: [], bin: 0, problems: [error.message] }));
    if (input.current) input.current.value = '';
    if (preview.at === '') setWrong(preview.problems);
    else setFound(preview);
  };
  return (
    <Panel title="Back-up">
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        One file holds all jobs, your parts and the bin.{' '}
        {backedUp ? `Last backed up ${when(backedUp)}.` : 'Nothing was backed up yet.'}
      </Typography>
      <Row wrap>
        <Button variant="contained" onClick={() => void save()}>
          Back up everything
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="Back-up file"
          onChange={(e) => void take(e.target.files)}
        />
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Restore from a file
        </Button>
      </Row>
      {wrong.length > 0 && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1.5 }} onClose={() => setWrong([])}>
          {wrong.slice(0, 8).join(' ')}
        </Alert>
      )}
      <Typography variant="h3" sx={{ mt: 2.5, mb: 0.5 }}>
        By itself
      </Typography>
      {!canChooseFolder() && !folder ? (
        <Typography variant="body2">
          This browser cannot write into a folder of your choice. Back up by hand, best at the end of each
          day.
        </Typography>
      ) : !folder ? (
        <>
          <Typography variant="body2" sx={{ mb: 1 }}>
            Choose a folder, best on another drive: every change is backed up there shortly after it is made,
            a file a day, the last fourteen days.
          </Typography>
          <Button variant="outlined" onClick={() => void chooseFolder()}>
            Choose a folder
          </Button>
        </>
      ) : (
        <>
          <Typography variant="body2" sx={{ mb: 1 }}>
            {state === 'on'
              ? `Every change goes into the folder “${folder.name}”.`
              : state === 'asleep'
                ? `The browser wants to be asked again before it writes into “${folder.name}”.`
                : `Folder “${folder.name}”.`}
          </Typography>
          {state === 'failed' && (
            <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
              The last back-up into “{folder.name}” failed: {problem}
            </Alert>
          )}
          <Row wrap>
            <Button variant="outlined" onClick={() => void (state === 'asleep' ? wakeUp() : backUpNow())}>
              {state === 'asleep' ? 'Go on backing up' : 'Back up now'}
            </Button>
            <Button onClick={() => void chooseFolder()}>Choose another folder</Button>
            <Button onClick={stopBackup}>Stop it</Button>
          </Row>
        </>
      )}
      {found && <RestoreDialog found={found} close={() => setFound(null)} />}
    </Panel>
  );
}

const STATE: Record<Restoring['state'], string> = {
  new: 'not here',
  same: 'the same here',
  older: 'differs, yours is newer',
  newer: 'differs, the file’s is newer',
};
const keyOf = (r: Restoring) => `${r.store}/${r.key}`;
const MOST = 300;

/** What a back-up would bring back, record by record; only what is ticked comes. */
function RestoreDialog({ found, close }: { found: BackupPreview; close(): void }) {
  const differing = found.list.filter((r) => r.state !== 'same');
  const [wanted, setWanted] = useState(
    () => new Set(differing.filter((r) => r.state === 'new' || r.state === 'newer').map(keyOf)),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const toggle = (key: string) => {
    const next = new Set(wanted);
    if (!next.delete(key)) next.add(key);
    setWanted(next);
  };
  const accept = async () => {
    try {
      const { jobs, parts } = await read.restored([...wanted]);
      const here = useJobs.getState().jobs;
      putJobs(
        jobs.map((job) => ({
          ...job,
          revision: Math.max(job.revision, here[job.id]?.revision ?? 0) + (here[job.id] ? 1 : 0),
        })),
        `${jobs.length === 1 ? `“${jobs[0]!.title}”` : `${jobs.length} jobs`} restored`,
      );
      const entries = Object.entries(parts);
      putEntries(
        parts,
        entries.length === 1 && entries[0]![1]
          ? `“${nameOf(entries[0]![1])}” restored`
          : `${entries.length} parts restored`,
      );
      close();
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>Back-up of {when(found.at)}</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1 }}>
          {found.list.length} records, {found.list.length - differing.length} of them as they are here. What
          is ticked is put in the place of yours, which goes nowhere else: undo brings it back.
        </Typography>
        {found.problems.slice(0, 8).map((words) => (
          <Typography variant="body2" color="error" key={words}>
            Not in the list: {words}
          </Typography>
        ))}
        {problem && (
          <Alert severity="error" variant="outlined">
            {problem}
          </Alert>
        )}
        {differing.length > 0 && (
          <Cells
            of={differing.slice(0, MOST)}
            keyOf={keyOf}
            columns={({ left }) => [
              left(
                '',
                (r) => (
                  <Checkbox
                    size="small"
                    checked={wanted.has(keyOf(r))}
                    onChange={() => toggle(keyOf(r))}
                    slotProps={{ input: { 'aria-label': `Restore ${r.title}` } }}
                  />
                ),
                { p: 0 },
              ),
              left('Record', (r) => (
                <>
                  {r.title}
                  {r.doubts.map((words) => (
                    <Typography key={words} variant="caption" component="div" color="error">
                      {words}
                    </Typography>
                  ))}
                </>
              )),
              left('State', (r) => STATE[r.state]),
              left(
                'Different',
                (r) =>
                  r.places.slice(0, 4).join(', ') +
                  (r.places.length > 4 ? ` and ${r.places.length - 4} more` : ''),
                { overflowWrap: 'anywhere' },
              ),
            ]}
          />
        )}
        {differing.length > MOST && (
          <Typography variant="body2">
            and {differing.length - MOST} more, all of which are taken as they are ticked.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" disabled={wanted.size === 0} onClick={() => void accept()}>
          {wanted.size === 0 ? 'Nothing to restore' : `Restore ${wanted.size}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
