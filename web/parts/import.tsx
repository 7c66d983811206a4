import { numeral } from '@kymar/core/units';
import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from '@mui/material';
import { useRef, useState } from 'react';
import type { PartKind, Part } from '@kymar/core/catalog/parts';
import { putAll } from '../state/parts';
import { saveNow } from '../state/store';
import { read, type PartsRead } from '../workers';

/** Reads a CSV file of one kind or a whole library beside the page; nothing is changed. */
async function preview(file: File, kind: PartKind, decimal?: '.' | ','): Promise<PartsRead> {
  // The worker compares with what is stored.
  await saveNow();
  return read.parts(file, kind, decimal);
}

/** The button that takes a file, and what comes of it. Apart from the list of parts, which is not to be drawn anew with every step. */
export function Importer({ kind }: { kind: PartKind }) {
  const picker = useRef<HTMLInputElement>(null);
  const [found, setFound] = useState<{ file: File; read: PartsRead } | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const look = async (file: File, decimal?: '.' | ',') => {
    setTold(`Reading ${file.name} …`);
    try {
      setFound({ file, read: await preview(file, kind, decimal) });
      setTold(null);
    } catch (error) {
      setTold((error as Error).message);
    }
  };
  const take = (files: FileList | null) => {
    if (files?.[0]) void look(files[0]);
    if (picker.current) picker.current.value = '';
  };
  return (
    <>
      {told && (
        <Typography role="status" variant="body2" color="textSecondary">
          {told}
        </Typography>
      )}
      <Button onClick={() => picker.current?.click()}>Import</Button>
      <input
        ref={picker}
        type="file"
        accept=".csv,.json,text/csv,application/json"
        hidden
        aria-label="File with parts"
        onChange={(e) => take(e.target.files)}
      />
      {found && (
        <ImportDialog
          key={found.read.doubtful}
          found={found.read}
          again={(decimal) => void look(found.file, decimal)}
          close={() => setFound(null)}
        />
      )}
    </>
  );
}

const MOST = 12;
/** Parts fetched at a time: more would stop the page for longer than anybody should notice. */
const PIECE = 250;

interface Props {
  found: PartsRead;
  /** Reads it again with this mark for decimals. */
  again(decimal: '.' | ','): void;
  close(): void;
}

/** Shows what a file would bring, old → new, and takes it over on a yes; it can be undone. */
function ImportDialog({ found, again, close }: Props) {
  const [taking, setTaking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { fresh, changed, same, told, problems, notes, doubtful } = found;
  const total = fresh + changed;
  const accept = async () => {
    setTaking(true);
    try {
      const all: { kind: PartKind; part: Part }[] = [];
      for (let from = 0; from < total; from += PIECE) all.push(...(await read.piece(from, PIECE)));
      putAll(all);
      close();
    } catch (error) {
      setProblem((error as Error).message);
      setTaking(false);
    }
  };
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>{found.file}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          {fresh} new, {changed} changed, {same} as they are here already. Nothing is changed before you say
          so.
        </Typography>
        {doubtful && (
          <Alert severity="warning" variant="outlined" sx={{ mb: 1 }}>
            “{doubtful}” can be read two ways, and nothing else in the file tells which. Which mark has this
            file’s decimals?
            <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
              <Button size="small" variant="outlined" onClick={() => again('.')}>
                A point: 3.500 is three and a half
              </Button>
              <Button size="small" variant="outlined" onClick={() => again(',')}>
                A comma: 3.500 is three and a half thousand
              </Button>
            </Box>
          </Alert>
        )}
        {notes.slice(0, MOST).map((note) => (
          <Typography variant="body2" key={note} color="textSecondary">
            {note}
          </Typography>
        ))}
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {told.slice(0, MOST).map(({ key, name, state, differs, known }) => (
            <Typography component="li" variant="body2" key={key}>
              {name}:{' '}
              {state === 'new' ? 'new' : `${differs.length} ${differs.length === 1 ? 'change' : 'changes'}`}
              {known && ', known here under another id'}
              {differs.slice(0, MOST).map((d) => (
                <Typography component="div" variant="caption" key={d.label} sx={{ pl: 1 }}>
                  {d.label}: {d.before} → {d.after}
                </Typography>
              ))}
            </Typography>
          ))}
          {total > MOST && (
            <Typography component="li" variant="body2">
              and {numeral(total - Math.min(MOST, told.length))} more
            </Typography>
          )}
        </Box>
        {problems.length > 0 && (
          <Box role="alert" sx={{ mt: 1.5, color: 'error.main' }}>
            <Typography variant="body2" sx={{ fontWeight: 600 }}>
              {problems.length === 1 ? 'One thing' : `${problems.length} things`} to fix in the file:
            </Typography>
            {problems.slice(0, MOST).map((words) => (
              <Typography variant="body2" key={words}>
                {words}
              </Typography>
            ))}
            {problems.length > MOST && (
              <Typography variant="body2">and {problems.length - MOST} more</Typography>
            )}
          </Box>
        )}
        {problem && (
          <Alert severity="error" variant="outlined" sx={{ mt: 1.5 }} onClose={() => setProblem(null)}>
            {problem}
          </Alert>
        )}
        {taking && <LinearProgress sx={{ mt: 1.5 }} aria-label="Taking over" />}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button
          variant="contained"
          disabled={total === 0 || doubtful !== null || taking}
          onClick={() => void accept()}
        >
          {total === 0
            ? 'Nothing to take over'
            : doubtful
              ? 'Say which mark first'
              : `Take over ${numeral(total)}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
