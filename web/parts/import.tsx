import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import Papa from 'papaparse';
import { compare, fromRows, readLibrary, type Change } from '@kymar/core/library';
import { KINDS, nameOf, type Kind, type Shop } from '@kymar/core/parts';
import { putParts } from '../state/parts';

/** What a file would bring, before anything is changed. */
export interface Preview {
  file: string;
  changes: { kind: Kind; list: Change<Kind>[] }[];
  problems: string[];
}

/** Reads a CSV file of one kind or a whole library; nothing is changed. */
export async function preview(file: File, kind: Kind, shop: Shop): Promise<Preview> {
  const text = await file.text();
  const held = (k: Kind, incoming: Shop[Kind]) => ({ kind: k, list: compare(k, shop[k] as never[], incoming as never[]) as Change<Kind>[] });
  if (/^\s*\{/.test(text)) {
    const read = readLibrary(text);
    if (!read.ok) return { file: file.name, changes: [], problems: read.problems };
    return { file: file.name, changes: (Object.keys(KINDS) as Kind[]).map((k) => held(k, read.value[k])).filter((c) => c.list.length > 0), problems: [] };
  }
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: false });
  const { parts, problems, ignored } = fromRows(kind, data);
  const said = [
    ...errors.filter((e) => e.type === 'Quotes').map((e) => `Line ${(e.row ?? 0) + 1}: ${e.message}.`),
    ...problems.map((p) => `Line ${p.line}, column ${p.column}: ${p.words}`),
    ...(ignored.length > 0 ? [`Left out, as no property of a part is called so: ${ignored.join(', ')}.`] : []),
  ];
  return { file: file.name, changes: parts.length > 0 ? [held(kind, parts as Shop[Kind])] : [], problems: said };
}

const MOST = 12;

/** Shows what a file would bring, and takes it over on a yes; it can be undone. */
export function ImportDialog({ found, close }: { found: Preview; close(): void }) {
  const count = (state: Change<Kind>['state']) => found.changes.reduce((n, { list }) => n + list.filter((c) => c.state === state).length, 0);
  const [fresh, changed, same] = [count('new'), count('changed'), count('same')];
  const told = found.changes.flatMap(({ list }) => list.filter((c) => c.state !== 'same'));
  const accept = () => {
    for (const { kind, list } of found.changes) putParts(kind, list.filter((c) => c.state !== 'same').map((c) => c.part));
    close();
  };
  return (
    <Dialog open onClose={close} maxWidth="sm" fullWidth>
      <DialogTitle>{found.file}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          {fresh} new, {changed} changed, {same} as they are here already. Nothing is changed before you say so.
        </Typography>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {told.slice(0, MOST).map(({ part, state, differs, known }) => (
            <Typography component="li" variant="body2" key={part.id}>
              {nameOf(part)}: {state === 'new' ? 'new' : `changes ${differs.join(', ')}`}
              {known && ', known here under another id'}
            </Typography>
          ))}
          {told.length > MOST && (
            <Typography component="li" variant="body2">
              and {told.length - MOST} more
            </Typography>
          )}
        </Box>
        {found.problems.length > 0 && (
          <Box role="alert" sx={{ mt: 1.5, color: 'error.main' }}>
            <Typography variant="body2" sx={{ fontWeight: 600 }}>
              {found.problems.length === 1 ? 'One thing' : `${found.problems.length} things`} to mend in the file:
            </Typography>
            {found.problems.slice(0, MOST).map((words) => (
              <Typography variant="body2" key={words}>
                {words}
              </Typography>
            ))}
            {found.problems.length > MOST && <Typography variant="body2">and {found.problems.length - MOST} more</Typography>}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave it</Button>
        <Button variant="contained" disabled={told.length === 0} onClick={accept}>
          {told.length === 0 ? 'Nothing to take over' : `Take over ${told.length}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
