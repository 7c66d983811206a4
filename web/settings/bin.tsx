import { moment } from '@kymar/core/units';
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { checkJob } from '@kymar/core/job';
import { bin, type Binned } from '../state/bin';
import { putJobs, useJobs } from '../state/jobs';
import { partRecords, putEntry } from '../state/parts';
import { saveNow } from '../state/store';
import { newId } from '../state/id';
import { fileName, saveFile } from '../ui/files';
import { Panel } from '../ui/panel';

const SHOWN = 12;

/** What was removed: it survives a reload, and comes back from here. */
export function BinPanel() {
  const onScreen = useJobs();
  const [list, setList] = useState<Binned[]>([]);
  const [shown, setShown] = useState(SHOWN);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const look = () => void bin.all().then(setList, (error: Error) => setProblem(error.message));
  useEffect(() => {
    let alive = true;
    void saveNow()
      .then(() => bin.all())
      .then(
        (found) => alive && setList(found),
        () => undefined,
      );
    return () => {
      alive = false;
    };
  }, [onScreen]);
  const restore = async (thing: Binned) => {
    setProblem(null);
    if (thing.kind === 'jobs') {
      const read = checkJob(thing.raw);
      if (!read.ok) return setProblem(`${thing.title} cannot be brought back: ${read.problems[0]}`);
      const taken = useJobs.getState().jobs[read.value.id] !== undefined;
      putJobs(
        [
          taken
            ? { ...read.value, id: newId('job'), title: `${read.value.title.slice(0, 148)} (restored)` }
            : read.value,
        ],
        `“${read.value.title}” brought back`,
      );
    } else if (!(await putEntry(thing.key, thing.raw)))
      return setProblem(`${thing.title} cannot be brought back: it is no sound part any more.`);
    await bin.drop(thing);
    look();
  };
  return (
    <Panel
      title="Bin"
      aside={list.length > 0 && <Button onClick={() => setAsking(true)}>Empty the bin</Button>}
    >
      {list.length === 0 && (
        <Typography variant="body2">
          Nothing was removed. What you remove comes here and can be brought back, also after a reload.
        </Typography>
      )}
      {problem && (
        <Typography variant="body2" color="error" role="alert">
          {problem}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {list.slice(0, shown).map((thing) => (
          <Box
            component="li"
            key={`${thing.kind}/${thing.key}/${thing.at}`}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              py: 0.5,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2" noWrap>
                {thing.title}
              </Typography>
              <Typography variant="caption" color="textSecondary">
                {thing.kind === 'jobs' ? 'Job' : 'Part'}, removed {moment(thing.at)}
              </Typography>
            </Box>
            <Button
              size="small"
              aria-label={`Export ${thing.title}`}
              onClick={() =>
                saveFile(
                  fileName(thing.title, thing.kind === 'jobs' ? 'kymar.json' : 'json'),
                  JSON.stringify(thing.raw, null, 2),
                  'application/json',
                )
              }
            >
              Export
            </Button>
            <Button
              size="small"
              variant="outlined"
              aria-label={`Bring back ${thing.title}`}
              onClick={() => void restore(thing)}
            >
              Bring back
            </Button>
          </Box>
        ))}
      </Box>
      {list.length > shown && (
        <Button onClick={() => setShown(shown + 50)}>Show more of {list.length}</Button>
      )}
      <Dialog open={asking} onClose={() => setAsking(false)}>
        <DialogTitle>Empty the bin?</DialogTitle>
        <DialogContent>
          <Typography variant="body2">
            {list.length === 1
              ? `“${list[0]!.title}” is`
              : `${list.length} things, “${list[0]?.title ?? ''}” the last of them, are`}{' '}
            gone for good then. This cannot be undone.
          </Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Cancel</Button>
          <Button
            variant="contained"
            color="error"
            onClick={() => void bin.empty().then(() => (partRecords.readNotes(), setAsking(false), look()))}
          >
            Empty it
          </Button>
        </DialogActions>
      </Dialog>
    </Panel>
  );
}
